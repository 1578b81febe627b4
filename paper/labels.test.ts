import {
  BarcodeFormat,
  BinaryBitmap,
  DecodeHintType,
  HybridBinarizer,
  MultiFormatReader,
  RGBLuminanceSource,
} from '@zxing/library'
import { describe, expect, it } from 'vitest'
import { codeOf, readCode } from '#core/exchange'
import { grams, priceOf } from '#core/measure'
import { drawUp, usualDesign, type Labels, type PackAbout } from '#core/papers'
import { reckon } from '#core/reading'
import { LABEL_SIZES, type LabelSheet } from '#core/records'
import type { Said } from '#core/plan'
import type { Species } from '#core/anatomy'
import { flowOf } from '../core/carcass/testing.ts'
import { routed } from '../core/plan/testing.ts'
import { FARM, lotOf } from '../core/reading/testing.ts'
import { paperPdf } from './index.ts'
import { barsOf } from './labels.ts'
import { pagesOf } from './testing.ts'

/** The drawn bars as a reader's camera sees them: dark where a stroke covers, light elsewhere. */
function photographed(svg: string): BinaryBitmap {
  const [, width] = /viewBox="0 0 (\d+)/.exec(svg)!.map(Number)
  const SCALE = 3
  const QUIET = 40
  const columns = (width! + 2 * QUIET) * SCALE
  const dark = new Set<number>()
  for (const [, stroke, d] of svg.matchAll(/stroke-width="([\d.]+)" d="([^"]+)"/g))
    for (const [, x] of d!.matchAll(/M([\d.]+) /g))
      for (
        let c = (Number(x) - Number(stroke) / 2) * SCALE;
        c < (Number(x) + Number(stroke) / 2) * SCALE;
        c++
      )
        dark.add(c + QUIET * SCALE)
  const rows = 60
  const pixels = Uint8ClampedArray.from({ length: columns * rows }, (_, i) =>
    dark.has(i % columns) ? 0 : 255,
  )
  return new BinaryBitmap(new HybridBinarizer(new RGBLuminanceSource(pixels, columns, rows)))
}
function scanned(code: Parameters<typeof barsOf>[0]) {
  const reader = new MultiFormatReader()
  const hints = new Map<DecodeHintType, unknown>([
    [DecodeHintType.POSSIBLE_FORMATS, [BarcodeFormat.EAN_13, BarcodeFormat.CODE_128]],
    [DecodeHintType.ASSUME_GS1, code.kind === 'gs1-128'],
  ])
  reader.setHints(hints as never)
  return reader.decode(photographed(barsOf(code)))
}

describe('drawn bar codes, read back by a reader library', () => {
  const pack = {
    number: 1234,
    shown: { value: 2.34, unit: 'lb' },
    packed: '2026-11-24',
    lot: 'Bramble',
  } as const
  it('EAN-13 of the restricted range holds prefix, item and weight', () => {
    const code = codeOf({ ...pack, as: { kind: 'ean13', prefix: 27, item: 42, value: 234 } })
    const found = scanned(code)
    expect(found.getBarcodeFormat()).toBe(BarcodeFormat.EAN_13)
    expect(found.getText()).toBe(code.text)
    expect(found.getText()).toMatch(/^270004200234\d$/)
  })
  it('the pack’s number as Code 128', () => {
    const found = scanned(codeOf({ ...pack, as: { kind: 'number' } }))
    expect([found.getBarcodeFormat(), found.getText()]).toEqual([BarcodeFormat.CODE_128, 'P00001234'])
  })
  it('GS1-128: FNC1 first, then (01), (3202), (13) and the lot last, without brackets', () => {
    const code = codeOf({ ...pack, as: { kind: 'gs1-128', gtin: '6291041500213' } })
    const text = scanned(code).getText()
    expect(text).toMatch(/01\d{14}3202000234132611242100001234.?10Bramble$/)
    expect(readCode(text)).toBe(pack.number)
  })
  it.each([
    ['Lot #3', 'Lot-3'],
    ['Ewe (late)', 'Ewe-late'],
    ['Écru & Söhne, spring', 'cru-&-S-hne,-spring'],
    ['№ 7', '7'],
    ['豚', ''],
    ['"%&\'*+,-./:;<=>?_', '"%&\'*+,-./:;<=>?_'],
  ])(
    'a lot called %s is drawn and read with signs of the standard’s 82 only (GS1 General Specifications, figure 7.11-1, from memory)',
    (lot, read) => {
      const code = codeOf({ ...pack, lot, as: { kind: 'gs1-128', gtin: '6291041500213' } })
      const text = scanned(code).getText()
      expect(text.split('2100001234')[1]!.replace(/^[^!-~]?(?:10)?/, '')).toBe(read)
    },
  )
})

const LOTS: [Species, Said[]][] = [
  ['hog', [routed('inspected')]],
  ['broiler', [routed('poultry-exempt')]],
  ['steer', [routed('custom')]],
]
function drawn(
  species: Species,
  said: Said[],
  design: LabelSheet | null,
  n = 1,
  more: Partial<PackAbout> = {},
): Labels {
  const read = reckon(flowOf(species), lotOf(species, said), FARM, 0)
  const cut = read.cuts.find((c) => c.cut.kind === 'product')!.cut.id
  const packs = Array.from({ length: n }, (_, i): PackAbout => ({
    ...{ number: i + 1, weighIn: 'w', cut, grams: grams(1061), state: 'here', packedOn: '2026-11-24' },
    ...{ shown: { value: 2.34, unit: 'lb' }, pieces: 2, wrap: 'vacuum', outOf: [] },
    ...more,
  }))
  const out = drawUp('labels', {
    ...{ read, lot: 'Bramble', date: '2026-11-24', share: 1, packs, design },
    words: { packs: packs.map((p) => p.number) },
    farm: {
      ...{ name: 'Fallowmere', address: 'Hill Lane 2\nUpper Vale', telephone: '555 0100' },
      ...{ massUnit: 'lb', nameSet: 'american', currency: 'USD' },
    },
  })
  if (!out.ok) throw new Error(JSON.stringify(out.issues))
  return out.value as Labels
}
const text = (l: Labels, id: string) => l.labels[0]!.blocks.find((b) => b.id === id)?.text

describe('labels', () => {
  it('say the cut, its weight as displayed, lot, number, day, storage and the temperature', () => {
    const l = drawn('hog', [routed('inspected')], null)
    expect(text(l, 'weight')).toBe('2.34 lb, 2 pieces')
    expect(text(l, 'lot')).toContain('lot Bramble')
    expect(text(l, 'lot')).toContain('pack 1')
    expect(text(l, 'date')).toBe('Packed 2026-11-24')
    expect(text(l, 'storage')).toContain('4 °C (40 °F)')
    expect(text(l, 'cooking')).toMatch(/63|71/)
  })
  it('custom work says it is not for sale and has no price, even where the design leaves it out', () => {
    const off = { ...usualDesign(), blocks: usualDesign().blocks.map((b) => ({ ...b, on: b.id === 'cut' })) }
    for (const design of [null, off, { ...off, blocks: [] }]) {
      const l = drawn('steer', [routed('custom')], design)
      expect(text(l, 'not-for-sale')).toBe('NOT FOR SALE')
      expect(text(l, 'price')).toBeUndefined()
    }
  })
  it.each([
    ['poultry-exempt', 'broiler', 'exemption', '90-492'],
    ['household', 'hog', 'not-for-sale', 'Own table'],
  ] as const)(
    'of %s birds or beasts bear its words, whatever the design leaves out',
    (route, species, id, says) => {
      const off = usualDesign().blocks.map((b) => ({ ...b, on: false }))
      for (const blocks of [off, off.filter((b) => b.id !== id), []])
        expect(text(drawn(species, [routed(route)], { ...usualDesign(), blocks }), id)).toContain(says)
    },
  )
  it('exempt birds bear the exemption; a whole bird its minutes, where kitchen words are wanted', () => {
    const design = { ...usualDesign(), blocks: usualDesign().blocks.map((b) => ({ ...b, on: true })) }
    const l = drawn('broiler', [routed('poultry-exempt')], design, 1, {
      cut: 'whole-bird',
      grams: grams(2000),
    })
    expect(text(l, 'exemption')).toContain('90-492')
    expect(text(l, 'kitchen')).toContain('100–110 minutes')
    expect(text(l, 'cooking')).toContain('74 °C (165 °F)')
  })
  it('what went through blades is not intact and says so; what was diced is (common practice)', () => {
    const cooked = (species: Species, cut: string) =>
      text(drawn(species, [routed('inspected')], null, 1, { cut }), 'cooking')
    expect(cooked('steer', 'cube-steak')).toBe('Tenderised by blades. Cook to 71 °C (160 °F) in the middle.')
    expect(cooked('goat', 'bone-in-cubes')).toBe('Cook to 63 °C (145 °F) in the middle, then rest 3 minutes.')
  })
  it('of a hunted hog says what Hang says: 71 °C for every piece of it, and that it is not for sale', () => {
    const hunted: Said = { kind: 'observation', what: 'end', value: 'hunted' }
    const l = drawn('hog', [hunted], null, 1, { cut: 'fresh-ham' })
    expect(text(l, 'cooking')).toBe('Cook to 71 °C (160 °F) in the middle.')
    expect(text(drawn('hog', [], null, 1, { cut: 'fresh-ham' }), 'cooking')).toContain('63 °C')
  })
  it('names what was put into a cut, with what people react to; while nobody has, it is not for sale and has no price', () => {
    const said: Said[] = [
      routed('inspected'),
      { field: 'price', target: 'sausage', side: 'animal', value: priceOf(749, 'lb') },
    ]
    const holds = [{ species: 'hog', cut: 'sausage', says: 'salt, rusk', allergens: ['wheat'] }] as const
    const off = usualDesign().blocks.map((b) => ({ ...b, on: b.id === 'price' }))
    const of = (more: Partial<LabelSheet>, cut = 'sausage') =>
      drawn('hog', said, { ...usualDesign(), blocks: off, ...more }, 1, { cut })
    expect(text(of({}), 'not-for-sale')).toMatch(/NOT FOR SALE: nobody has named/)
    expect(text(of({}), 'price')).toBeUndefined()
    const named = of({ holds: holds.map((h) => ({ ...h, allergens: [...h.allergens] })) })
    expect(text(named, 'contains')).toBe('In it: salt, rusk. Contains wheat.')
    expect(text(named, 'not-for-sale')).toBeUndefined()
    expect(text(of({}, 'fresh-ham'), 'not-for-sale')).toBeUndefined()
  })
  it('a claim is printed only with its record', () => {
    const blocks = usualDesign()
      .blocks.filter((b) => ['cut', 'claims'].includes(b.id))
      .map((b) => ({ ...b, on: true }))
    const claims = [{ says: 'Raised on our pasture', record: 'grazing book 2026' }]
    const said = (design: LabelSheet) => text(drawn('hog', [routed('inspected')], design), 'claims')
    expect(said({ ...usualDesign(), blocks })).toBeUndefined()
    expect(said({ ...usualDesign(), blocks, claims })).toBe('Raised on our pasture.')
  })
  it('price is the displayed weight × the price of its unit, rounded once', () => {
    const said: Said[] = [
      routed('inspected'),
      { field: 'price', target: 'fresh-ham', side: 'animal', value: priceOf(749, 'lb') },
    ]
    const l = drawn('hog', said, null, 1, { cut: 'fresh-ham' })
    expect(text(l, 'price')).toContain('$17.53')
  })
  it.each(LABEL_SIZES.map((size, i) => [size, LOTS[i % LOTS.length]!] as const))(
    '%s: as many pages as it takes, each pack whole on its own label, whatever the route',
    async (size, lot) => {
      // All routes on the smallest, one of them on each other size.
      for (const [species, said] of size === 'roll-58x40' ? LOTS : [lot]) {
        const l = drawn(species, said, { ...usualDesign(), size }, 23)
        const pages = await pagesOf(await paperPdf(l))
        const per = size === 'a4-3x7' ? 21 : size === 'letter-2x5' ? 10 : 1
        expect(pages).toHaveLength(Math.ceil(23 / per))
        const all = pages.join(' ')
        for (const n of [1, 22, 23]) expect(all).toContain(`pack ${n}`)
        expect(pages[0]!.match(/Packed|pack \d+/g)!.length).toBeGreaterThanOrEqual(per)
      }
    },
  )
})
