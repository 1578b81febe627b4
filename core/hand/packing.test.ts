import { describe, expect, it } from 'vitest'
import { KG_PER_LB, perKg, sumOf } from '#core/measure'
import type { PackingSheet, Wrap } from '#core/records'
import { reckon, type PackRow } from '#core/reading'
import { flowOf } from '../carcass/testing.ts'
import { cutDone, way } from '../plan/testing.ts'
import { FARM, lotOf, packOf } from '../reading/testing.ts'
import {
  costOfAll,
  isSame,
  leftOf,
  packsOf,
  sizeFor,
  suppliesOf,
  toBuy,
  wrapFor,
  type SupplyItem,
} from './index.ts'

const sheet = (more: Partial<PackingSheet> = {}): PackingSheet => ({
  ...{ format: 'ekko-packing', version: 1, name: 'Packing', usual: 'vacuum', lines: [] },
  cuts: [{ species: 'hog', cut: 'ground-pork', wrap: 'zip' }],
  ...more,
})
const vacuum: SupplyItem = { is: 'wrap', wrap: 'vacuum', upTo: 1 }
const read = (packs: PackRow[] = [], done: string[] = []) =>
  reckon(flowOf('hog'), { ...lotOf('hog', done.map(cutDone), 'hot'), packs }, FARM, 0)
const wraps = (all: ReturnType<typeof suppliesOf>, wrap: Wrap | null) =>
  all.filter((s) => s.item.is === 'wrap' && s.item.wrap === wrap)
const sum = (all: { need: number; used: number }[], of: 'need' | 'used') => all.reduce((s, x) => s + x[of], 0)

describe('what a cut goes into', () => {
  it('is its own wrapping, else the usual one, else nobody said', () => {
    expect(wrapFor(sheet(), 'hog', 'ground-pork')).toBe('zip')
    expect(wrapFor(sheet(), 'lamb', 'ground-pork')).toBe('vacuum')
    expect(wrapFor(sheet({ usual: null }), 'hog', 'bacon')).toBeNull()
    expect(wrapFor(null, 'hog', 'bacon')).toBeNull()
  })
  it('a bag of the smallest size that holds it; what is heavier takes the largest', () => {
    expect([0.3, 0.5, 0.51, 1.9, 5, 6, 40].map(sizeFor)).toEqual([0.5, 0.5, 1, 2, 5, 20, 20])
  })
})

describe('what packing takes', () => {
  it('every pack has a wrapping and a label, each cut by what it goes into', () => {
    const r = read()
    const all = suppliesOf(r, [], sheet())
    const packs = r.cuts.reduce((s, c) => s + (c.cut.kind === 'product' ? c.packs : 0), 0)
    expect(
      sum(
        all.filter((s) => s.item.is === 'wrap'),
        'need',
      ),
    ).toBe(packs)
    expect(
      sum(
        all.filter((s) => s.item.is === 'label'),
        'need',
      ),
    ).toBe(packs)
    expect(sum(wraps(all, 'zip'), 'need')).toBe(r.cuts.find((c) => c.cut.id === 'ground-pork')!.packs)
    expect(sum(all, 'used')).toBe(0)
  })
  it('is counted down as packs are made, in what they were really wrapped in', () => {
    const made = { ...packOf('ground-pork', 6), packs: 6, wrap: 'paper' as const }
    const r = read([made])
    const all = suppliesOf(r, [made], sheet())
    const mince = packsOf(r.cuts.find((c) => c.cut.id === 'ground-pork')!)
    expect(sum(wraps(all, 'paper'), 'used')).toBe(6)
    expect(sum(wraps(all, 'zip'), 'need')).toBe(mince.packs - 6)
    expect(
      sum(
        all.filter((s) => s.item.is === 'label'),
        'used',
      ),
    ).toBe(6)
    expect(mince.each).toBeLessThan(6 * KG_PER_LB)
  })
  it('what is left on the table goes down with the packs, and pieces with them', () => {
    const chops = (packs: PackRow[]) => leftOf(read(packs).cuts.find((c) => c.cut.id === 'bone-in-chop')!)
    const all = chops([])
    expect(all.pieces).toBeGreaterThan(all.packs)
    const made = { ...packOf('bone-in-chop', 2), packs: all.packs - 1 }
    const last = chops([made])
    expect(last.packs).toBe(1)
    expect(last.pieces).toBe(Math.round(all.pieces / all.packs))
    const ham = read([], ['fresh-ham']).cuts.find((c) => c.cut.id === 'fresh-ham')!
    expect(leftOf(ham)).toEqual({ packs: 0, pieces: 0 })
  })
  it('packs of a cut share its weight, and of no packs none', () => {
    const r = read()
    const chops = r.cuts.find((c) => c.cut.id === 'bone-in-chop')!
    const { packs, each } = packsOf(chops)
    expect(packs * each).toBeCloseTo(chops.kg, 9)
    expect(packsOf({ ...chops, packs: 0, weighedPacks: 0 })).toEqual({ packs: 0, each: 0 })
  })
  it('of a cut that is all weighed no more is to come', () => {
    const made = { ...packOf('ground-pork', 6), packs: 6, wrap: 'zip' as const }
    const all = suppliesOf(read([made], ['ground-pork']), [made], sheet())
    expect(wraps(all, 'zip').map((s) => [s.need, s.used, s.cost])).toEqual([[6, 6, 0]])
  })
  it('twine is used up with the packs it ties, not with the first of them', () => {
    const tied = [way('loin', 'loin-roasts'), way('loin', 'loin-roasts', 'right')]
    const twine = (packs: PackRow[]) => {
      const r = reckon(flowOf('hog'), { ...lotOf('hog', tied, 'hot'), packs }, FARM, 0)
      const roasts = r.cuts.find((c) => c.cut.id === 'loin-roast')!
      return { ...suppliesOf(r, packs, sheet()).find((s) => s.item.is === 'twine')!, roasts }
    }
    const [none, first] = [twine([]), twine([{ ...packOf('loin-roast', 3), packs: 1 }])]
    expect(none.used).toBe(0)
    expect(first.roasts.packs).toBeGreaterThan(1)
    expect(first.used).toBeCloseTo((first.roasts.pieces / first.roasts.packs) * 1.5, 6)
  })
  it('costs by what a hundred cost here, or about so much of a kg of mince; all of it adds up', () => {
    const lines = [{ item: { is: 'label' as const }, per100: 400 as never, counted: null }]
    const all = suppliesOf(read(), [], sheet({ lines }))
    const label = all.find((s) => s.item.is === 'label')!
    expect([label.per100, label.said]).toEqual([400, true])
    expect(label.cost).toBe(Math.round(label.need * 4))
    expect(costOfAll(all)).toBeCloseTo(
      sumOf(all, (s) => s.cost),
      -1,
    )
    // Common practice: a bag costs 0.08 to 0.60 of a dollar, with mince at about 13 a kg.
    const bags = wraps(all, 'vacuum').map((s) => s.per100 / perKg(FARM.mince))
    for (const b of bags) {
      expect(b * 1300).toBeGreaterThan(8 * 90)
      expect(b * 1300).toBeLessThan(60 * 110)
    }
  })
  it('what lies on the shelf need not be bought', () => {
    const of = { item: vacuum, need: 30, used: 12, per100: 100 as never, said: true, cost: 18 as never }
    expect([toBuy(of, null), toBuy(of, 5), toBuy(of, 40)]).toEqual([18, 13, 0])
    expect(isSame(vacuum, { ...vacuum })).toBe(true)
    expect(isSame(vacuum, { is: 'wrap', wrap: 'vacuum', upTo: 2 })).toBe(false)
  })
})
