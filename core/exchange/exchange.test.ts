import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  checkDigit,
  codeOf,
  gs1Elements,
  gs1Text,
  isGtin,
  readCode,
  readRestricted,
  restrictedEan,
} from './index.ts'

describe('numbers of the EAN family', () => {
  it.each([
    // GS1 General Specifications, the worked example of the check digit (from memory): 629104150021 → 3.
    ['629104150021', '3'],
    // ISBN-13 of ISO 2108’s own example (978-3-16-148410-0), ISSN-13 of ISO 3297 (977-2434-561-00-6): both are EAN-13, from memory.
    ['978316148410', '0'],
    ['977243456100', '6'],
    // UPC-A example of the GS1 US leaflets, from memory: 03600029145 → 2.
    ['03600029145', '2'],
  ])('%s ends in %s', (body, digit) => {
    expect(checkDigit(body)).toBe(digit)
    expect(isGtin(body + digit)).toBe(true)
    expect(isGtin(body + String((Number(digit) + 1) % 10))).toBe(false)
  })
  it('no single wrong digit passes', () => {
    const digits = fc.array(fc.integer({ min: 0, max: 9 }), { minLength: 12, maxLength: 12 })
    fc.assert(
      fc.property(digits, fc.nat(12), fc.integer({ min: 1, max: 9 }), (ds, at, by) => {
        const body = ds.join('')
        const all = body + checkDigit(body)
        const wrong = [...all].map((d, i) => (i === at ? String((Number(d) + by) % 10) : d)).join('')
        expect(isGtin(wrong)).toBe(false)
      }),
    )
  })
  it('the restricted range says item and weight; what has too many digits is not cut off', () => {
    expect(restrictedEan(27, 42, 1234)).toBe('2700042012349'.slice(0, 12) + checkDigit('270004201234'))
    expect(isGtin(restrictedEan(20, 99_999, 99_999)!)).toBe(true)
    expect(restrictedEan(20, 100_000, 1)).toBeNull()
    expect(restrictedEan(20, 1, 100_000)).toBeNull()
    expect(readRestricted(restrictedEan(27, 42, 1234)!)).toEqual({ prefix: 27, item: 42, value: 1234 })
    // A book and a mistyped digit are none.
    expect(readRestricted('9780306406157')).toBeNull()
    expect(readRestricted(restrictedEan(27, 42, 1234)!.replace(/.$/, 'x'))).toBeNull()
  })
})

describe('GS1-128 (GS1 General Specifications, section 3, from memory)', () => {
  const pack = { gtin: '6291041500213', packed: '2026-11-02', lot: 'Bramble', number: 17 }
  it('(01) of variable measure, (3103) kilograms with three decimals, (13) packed on, (10) lot', () => {
    const elements = gs1Elements({ ...pack, shown: { value: 1.25, unit: 'kg' } })!
    expect(elements.map(([ai]) => ai)).toEqual(['01', '3103', '13', '21', '10'])
    const [gtin, weight, day, serial, lot] = elements.map(([, text]) => text)
    expect(gtin).toMatch(/^9\d{13}$/)
    expect(isGtin(gtin!)).toBe(true)
    expect([weight, day, serial, lot]).toEqual(['001250', '261102', '00000017', 'Bramble'])
    expect(gs1Text(elements)).toBe(`(01)${gtin}(3103)001250(13)261102(21)00000017(10)Bramble`)
  })
  it('(3202) pounds with two decimals; a lot has at most twenty signs that can be coded', () => {
    const [, weight, , , lot] = gs1Elements({
      ...pack,
      lot: 'Nanny goat & kids of spring, écru',
      shown: { value: 2.3, unit: 'lb' },
    })!
    expect(weight).toEqual(['3202', '000230'])
    expect(lot![1].length).toBeLessThanOrEqual(20)
  })
  it('without a GTIN, or with a weight it has no digits for, the pack bears its number', () => {
    const as = { kind: 'gs1-128', gtin: '6291041500213' } as const
    const of = { number: 17, packed: '2026-11-02', lot: 'Bramble' }
    expect(codeOf({ ...of, shown: { value: 12_000, unit: 'lb' }, as }).kind).toBe('code128')
    expect(codeOf({ ...of, shown: { value: 2, unit: 'lb' }, as: { kind: 'number' } })).toEqual({
      kind: 'code128',
      text: 'P00000017',
    })
  })
  it.each([
    ['P00000017', 17],
    ['17', 17],
    [' #17 ', 17],
    ['P0', null],
    ['01962910415002163103001250132611022100000017\u001d10Bramble', 17],
    [']C101962910415002163103001250132611022100000017\u001d10Bramble', 17],
    [']E001962910415002163103001250132611022100000017', null],
    ['2700042012345', null],
    ['bacon', null],
  ])('scanned or typed, “%s” means pack %s', (text, number) => expect(readCode(text)).toBe(number))
})
