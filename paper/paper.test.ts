import { createRequire } from 'node:module'
import * as fontkit from 'fontkit'
import Papa from 'papaparse'
import { describe, expect, it } from 'vitest'
import { SPECIES } from '#core/anatomy'
import { ANATOMIES } from '#core/species'
import { priceOf } from '#core/measure'
import type { PriceList } from '#core/papers'
import { cautionAt, ROUTES } from '#core/rules'
import { definitionOf, priceListCsv } from './index.ts'

const resolve = createRequire(import.meta.url).resolve
const face = (weight: string) =>
  fontkit.openSync(
    resolve(`@expo-google-fonts/fira-sans-condensed/${weight}/FiraSansCondensed_${weight}.ttf`),
  )
const HEAD = {
  form: 3 as const,
  farm: 'Fallowmere',
  address: 'Hill Lane 2\nUpper Vale',
  telephone: '555 0100',
  lot: 'Bramble',
  mark: 'A 17',
  killed: '2026-11-20',
  plant: 'the plant at Stone Bridge',
  date: '2026-11-24',
  sheet: 'LETTER' as const,
  said: {},
}
const list: PriceList = {
  ...HEAD,
  kind: 'price-list',
  currency: 'JPY',
  words: [],
  rows: [
    {
      cut: 'bacon',
      name: 'Bacon, "smoked"; thick',
      price: priceOf(1249, 'kg'),
      pack: 'about 0.50 kg',
      to: 'C',
    },
    { cut: 'tail', name: '=Tail', price: priceOf(30, 'kg'), pack: '', to: 'B' },
  ],
}

describe('paper', () => {
  it('has a glyph for every word, sign and currency it may print, in both weights', () => {
    const words = [
      ...Object.values(ANATOMIES).flatMap((a) => [
        ...[...a.parts, ...a.paths, ...a.cuts, ...a.lines].flatMap((x) => Object.values(x.names)),
        ...a.paths.flatMap((p) => [p.steps, p.caution ?? '']),
        ...a.conventions.flatMap((c) => [c.on, c.off, c.says]),
        ...a.lines.flatMap((l) => (l.kind === 'across' ? l.settings.map((s) => s.school) : [l.says])),
      ]),
      ...ROUTES.map((r) => r.label + r.says),
      ...SPECIES.flatMap((s) => (['chill', 'block'] as const).map((step) => cautionAt(step, s))),
      '→ ≤ ½ ± × · – $ £ € ¥ “ ” ’ é ü ñ 0123456789',
    ]
    const letters = new Set(words.join('').replaceAll(/\s/g, ''))
    for (const weight of ['400Regular', '600SemiBold']) {
      const font = face(weight)
      if (!('hasGlyphForCodePoint' in font)) throw new Error('a collection, not a face')
      const lacking = [...letters].filter((c) => !font.hasGlyphForCodePoint(c.codePointAt(0)!))
      expect(lacking, weight).toEqual([])
    }
  })
  it('CSV names currency and unit in its header and reads back as it was, commas and quotes too', () => {
    const { data } = Papa.parse<string[]>(priceListCsv(list))
    expect(data[0]).toEqual(['cut', 'name', 'price (JPY per kg)', 'pack'])
    expect(data[1]).toEqual(['bacon', 'Bacon, "smoked"; thick', '1249', 'about 0.50 kg'])
  })
  it('CSV never hands a spreadsheet a formula', () => {
    expect(Papa.parse<string[]>(priceListCsv(list)).data[2]![1]).toBe("'=Tail")
  })
  it('is black and white', () => {
    expect(
      JSON.stringify(definitionOf(list))
        .match(/#[0-9a-f]{6}/gi)
        ?.filter((c) => c !== '#000000') ?? [],
    ).toEqual([])
  })
})
