import { createRequire } from 'node:module'
import * as fontkit from 'fontkit'
import Papa from 'papaparse'
import { describe, expect, it } from 'vitest'
import { ANATOMIES, SPECIES } from '#core/anatomy'
import { priceOf } from '#core/measure'
import type { PriceList } from '#core/papers'
import { cautionAt, ROUTES } from '#core/rules'
import { definitionOf, priceListCsv } from './index.ts'

const resolve = createRequire(import.meta.url).resolve
const face = (weight: string) =>
  fontkit.openSync(
    resolve(`@expo-google-fonts/fira-sans-condensed/${weight}/FiraSansCondensed_${weight}.ttf`),
  )
const list: PriceList = {
  kind: 'price-list',
  form: 2,
  farm: 'Fallowmere',
  lot: 'Bramble',
  date: '2026-11-24',
  currency: 'JPY',
  words: [],
  rows: [
    {
      cut: 'bacon',
      name: 'Bacon, "smoked"; thick',
      price: priceOf(1249, 'kg'),
      pack: 'about 0.50 kg',
    },
    { cut: 'tail', name: '=Tail', price: priceOf(30, 'kg'), pack: '' },
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
      ...SPECIES.flatMap((s) => (['chill', 'block', 'labels'] as const).map((step) => cautionAt(step, s))),
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
  it('gives every row of a cut sheet its own box to write a weight in', () => {
    const row = { part: 'Loin', left: 'Chops', right: 'Chops', note: '' }
    const sheet = definitionOf({
      kind: 'cut-sheet',
      form: 2,
      farm: 'F',
      lot: 'L',
      count: 1,
      what: '1 hog',
      date: '2026-11-24',
      hanging: '',
      route: '',
      dressing: '',
      lines: [],
      rows: [row, { ...row, right: 'Roasts' }],
    })
    const boxes: object[] = []
    const walk = (node: unknown): void => {
      if (typeof node !== 'object' || node === null) return
      if ('canvas' in node) boxes.push(node)
      for (const child of Object.values(node)) walk(child)
    }
    walk(sheet.content)
    expect(boxes).toHaveLength(2)
    expect(new Set(boxes).size).toBe(2)
    expect(JSON.stringify(sheet.content)).toContain('Left: Chops\\nRight: Roasts')
  })
  it('is black and white', () => {
    expect(
      JSON.stringify(definitionOf(list))
        .match(/#[0-9a-f]{6}/gi)
        ?.filter((c) => c !== '#000000') ?? [],
    ).toEqual([])
  })
})
