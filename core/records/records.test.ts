import { describe, expect, it } from 'vitest'
import { SPECIES } from '#core/anatomy'
import { ANATOMIES } from '#core/species'
import {
  currencySchema,
  figureSchema,
  idSchema,
  instantSchema,
  keySchema,
  lineSchema,
  shownMassSchema,
  textSchema,
  unitPriceSchema,
  zoneSchema,
} from './index.ts'

const takes = (schema: { safeParse: (x: unknown) => { success: boolean } }, ...values: unknown[]) =>
  values.filter((v) => schema.safeParse(v).success)

describe('what may be kept', () => {
  it('a name has a sign that can be seen, and none that no database or paper holds', () => {
    const good = ['Bramble', ' Thistle 2 ', 'Süd-Hof', '牛', '7', '👩‍🌾']
    expect(takes(lineSchema(80), ...good)).toEqual(good)
    const bad = [
      '',
      '  ',
      '\u200b\u200d',
      '\u2800',
      '\u3164',
      '\u00ad',
      'a\u0000b',
      'a\nb',
      '\ud800x',
      'x\udc00',
      'a'.repeat(81),
    ]
    expect(takes(lineSchema(80), ...bad)).toEqual([])
    expect(lineSchema(80).parse('  Bramble ')).toBe('Bramble')
  })
  it('a text may have several lines, or none', () => {
    expect(takes(textSchema(20), '', 'one\ntwo\tthree')).toHaveLength(2)
    expect(takes(textSchema(20), 'a\u0007', '\ud83d', 'a'.repeat(21))).toEqual([])
  })
  it('an id in capitals is the same id (RFC 9562: read without regard to case)', () => {
    const id = '01890a5d-ac96-774b-bcce-b302099a8057'
    expect(idSchema.parse(id.toUpperCase())).toBe(id)
    expect(takes(idSchema, `${id} `, id.slice(1), '', 7)).toEqual([])
  })
  it('an instant lies in the years of this farm', () => {
    expect(takes(instantSchema, '2026-11-02T12:00:00.000Z')).toHaveLength(1)
    expect(
      takes(
        instantSchema,
        '9999-01-01T00:00:00Z',
        '1999-12-31T23:59:59Z',
        '2026-11-02',
        '2026-13-01T00:00:00Z',
        '2026-11-02T12:00:00+01:00',
      ),
    ).toEqual([])
  })
  it('a zone has a name in the IANA database; an offset has no summer', () => {
    const good = ['UTC', 'America/New_York', 'Europe/London', 'America/Argentina/Buenos_Aires', 'Etc/GMT+5']
    expect(takes(zoneSchema, ...good)).toEqual(good)
    expect(takes(zoneSchema, 'Mars/Olympus', '+01:00', '', 'UTC; drop', 'a'.repeat(99))).toEqual([])
  })
  it('a currency is one of ISO 4217', () => {
    expect(takes(currencySchema, 'USD', 'GBP', 'JPY', 'NZD')).toHaveLength(4)
    expect(takes(currencySchema, 'ABC', 'usd', 'ZZZ', '')).toEqual([])
  })
  it('a price or figure finer than anything measured is none', () => {
    const prices = [5e-324, 0.5, -1, 1e13, Number.NaN].map((milli) => ({ milli, per: 'lb' }))
    expect(takes(unitPriceSchema, ...prices)).toEqual([])
    expect(takes(unitPriceSchema, { milli: 0, per: 'kg' }, { milli: 895_004, per: 'lb' })).toHaveLength(2)
    expect(takes(figureSchema(0, 50), 5e-324, -1, 51)).toEqual([])
    expect(takes(figureSchema(0, 50), 0, 1e-6, 50)).toHaveLength(3)
  })
  it('a weight is at least a gram: 0.001 lb is 0.45 g', () => {
    expect(takes(shownMassSchema, { value: 0.001, unit: 'lb' }, { value: 0, unit: 'kg' })).toEqual([])
    expect(takes(shownMassSchema, { value: 0.002, unit: 'lb' }, { value: 0.001, unit: 'kg' })).toHaveLength(2)
  })
  it('every name in our anatomies is one that may be kept', () => {
    for (const s of SPECIES) {
      const a = ANATOMIES[s]
      const names = [
        ...[a.cuts, a.parts, a.paths, a.lines, a.conventions, a.measures].flat().map((x) => x.id),
        ...a.lines.flatMap((l) => (l.kind === 'across' ? l.settings.map((x) => x.id) : [])),
      ]
      expect(takes(keySchema, ...names)).toEqual(names)
    }
  })
})
