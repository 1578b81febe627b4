import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  formatMass,
  formatMoney,
  gramsOf,
  kg,
  knownDigits,
  massDigits,
  minor,
  parseMass,
  parseMoney,
  parseTemperature,
  parseWhole,
  perKg,
  PLAIN,
  priceIn,
  priceOf,
  roundToSum,
  sayIssue,
  saysFor,
  type TypedMass,
} from './index.ts'

const read = (text: string, unit: 'kg' | 'lb' = 'lb'): TypedMass => {
  const out = parseMass(text, unit)
  if (!out.ok) throw new Error(sayIssue(out.issues[0]!))
  return out.value
}

describe('weights typed freely', () => {
  it.each([
    ['260 lb', 260, 'lb'],
    ['260', 260, 'lb'],
    ['118 kg', 118, 'kg'],
    ['5,6kg', 5.6, 'kg'],
    ['12lb 6oz', 12.375, 'lb'],
    ['12 lbs 6.4 oz', 12.4, 'lb'],
    ['8 oz', 0.5, 'lb'],
    ['450 g', 0.45, 'kg'],
    ['40#', 40, 'lb'],
  ])('reads %s', (text, value, unit) => {
    expect(read(text)).toEqual({ value: expect.closeTo(value, 9), unit })
  })

  it('takes the pound as 453.59237 g (NIST SP 811, appendix B, from memory)', () => {
    expect(gramsOf(read('1 lb'))).toBe(454)
    expect(gramsOf(read('100 lb'))).toBe(45359)
    expect(gramsOf(read('12lb 6oz'))).toBe(5613)
  })

  it.each([
    ['heavy', 'mass-unreadable'],
    ['', 'mass-empty'],
    ['-4 kg', 'mass-not-positive'],
    ['0', 'mass-not-positive'],
    ['1,150 lb', 'mass-ambiguous'],
    ['12lb 18oz', 'mass-unreadable'],
    ['12 stone', 'mass-unreadable'],
  ])('refuses %s and says what to do', (text, code) => {
    const out = parseMass(text, 'lb', 'live')
    expect(out.ok).toBe(false)
    if (out.ok) return
    expect(out.issues[0]).toMatchObject({ code, field: 'live' })
    expect(sayIssue(out.issues[0]!)).toMatch(/type|above|comma/i)
  })
})

describe('money', () => {
  it('is whole minor units of the currency', () => {
    expect(parseMoney('$12.50', 'USD')).toEqual({ ok: true, value: 1250 })
    expect(parseMoney('1,204.5', 'USD')).toEqual({ ok: true, value: 120450 })
    expect(parseMoney('12,5', 'EUR')).toEqual({ ok: true, value: 1250 })
    expect(parseMoney('300', 'JPY')).toEqual({ ok: true, value: 300 })
    expect(formatMoney(minor(120450), 'USD')).toBe('$1,204.50')
  })
  it('refuses what is not money', () => {
    for (const text of ['cheap', '12.345', '1.2.3', '']) expect(parseMoney(text, 'USD').ok, text).toBe(false)
  })
  it('a price per lb is the same price per kg', () => {
    expect(perKg(priceOf(1000, 'lb'))).toBeCloseTo(2204.62, 2)
    expect(priceIn(priceIn(priceOf(895, 'lb'), 'kg'), 'lb').milli / 1000).toBeCloseTo(895, 2)
  })
})

describe('figures on one screen', () => {
  it('add up after rounding, each within one step of itself', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 500, noNaN: true }), { minLength: 1, maxLength: 40 }),
        (xs) => {
          const shown = roundToSum(xs, 1)
          const sum = xs.reduce((a, b) => a + b, 0)
          expect(shown.reduce((a, b) => a + b, 0)).toBeCloseTo(Math.round(sum * 10) / 10, 6)
          shown.forEach((x, i) => expect(Math.abs(x - xs[i]!)).toBeLessThan(0.1 + 1e-6))
        },
      ),
      { seed: 7 },
    )
  })
  it('add up to a total already shown beside them, a step above or below their own', () => {
    expect(roundToSum([1.04, 2.04, 3.04], 1, 6.2).reduce((a, b) => a + b, 0)).toBeCloseTo(6.2, 9)
    expect(roundToSum([1.04, 2.04, 3.04], 1, 6).reduce((a, b) => a + b, 0)).toBeCloseTo(6, 9)
  })
  it('carry their unit', () => {
    expect(formatMass(kg(85), 'lb')).toBe('187.4 lb')
    expect(formatMass(kg(85), 'kg')).toBe('85.00 kg')
  })
  it('show an estimate to what is known of it: ± 8 kg in whole kilograms, ± 0.6 to a tenth, a scale’s figure to the end', () => {
    const known = (low: number, high: number, unit: 'kg' | 'lb') =>
      saysFor({ ...PLAIN, massUnit: unit }).known(kg((low + high) / 2), { low, high })
    expect(known(110, 126, 'kg')).toBe('118 kg')
    expect(known(117.4, 118.6, 'kg')).toBe('118.0 kg')
    expect(known(0.81, 0.89, 'kg')).toBe('0.85 kg')
    expect(known(110, 126, 'lb')).toBe('260 lb')
    expect(knownDigits(null, 'kg')).toBe(massDigits('kg'))
    expect(saysFor(PLAIN).massRange({ low: 100, high: 104 })).toBe('220.5–229.3 lb')
    expect(saysFor(PLAIN).massRange({ low: 100, high: 110 })).toBe('220–243 lb')
  })
})

describe('temperatures and counts typed freely', () => {
  it.each([
    ['4.5', 4.5],
    ['−1', -1],
    ['4,5 °C', 4.5],
    ['40 F', 4.4],
    ['32°f', 0],
  ])('%s is %s °C', (text, c) => expect(parseTemperature(text, 'c')).toEqual({ ok: true, value: c }))
  it.each(['', 'warm', '61', '200', '4 5', '-41'])('“%s” is none', (text) => {
    const out = parseTemperature(text, 'c')
    expect(out.ok ? '' : sayIssue(out.issues[0]!)).toContain(`“${text}” is no temperature`)
  })
  it.each(['', '1.5', '-1', '11', 'ten'])('“%s” is no count up to 10', (text) =>
    expect(parseWhole(text, 'n', { low: 0, high: 10 }).ok).toBe(false),
  )
  it('a count is read with blanks around it', () =>
    expect(parseWhole(' 7 ', 'n', { low: 0, high: 10 })).toEqual({ ok: true, value: 7 }))
})
