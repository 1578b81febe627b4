import { describe, expect, it } from 'vitest'
import { type Species } from '#core/anatomy'
import { ANATOMIES } from '#core/species'
import { KG_PER_LB } from '#core/measure'
import type { Said } from '#core/plan'
import { flowOf } from '../carcass/testing.ts'
import { cutDone } from '../plan/testing.ts'
import { reckon, type LotState, type Reckoning } from './index.ts'
import { teach } from './taught.ts'
import { FARM, lotOf, packOf } from './testing.ts'

const at = (...xs: number[]) => Float64Array.from(xs)
const sum = (xs: Iterable<number>) => [...xs].reduce((a, b) => a + b, 0)

describe('what a weighed cut teaches (normal variables conditioned on their sum, by hand)', () => {
  const expected = { kg: at(10, 20, 30), sd: at(1, 2, 2), totalSd: 0 }
  it('one heavier by 2 leaves the others 2 less, by their variances 4 : 4', () =>
    expect([...teach(expected, [{ kg: 12, all: true }, null, null]).kg]).toEqual([12, 19, 29]))
  it('a carcass that is not known takes its part: share² × its variance beside that of the cuts', () => {
    const { ratio, kg } = teach({ ...expected, totalSd: 6 }, [{ kg: 12, all: true }, null, null])
    const [ofCarcass, ofCuts] = [(10 / 60) ** 2 * 36, (1 * 8) / 9]
    const heavier = (2 * (10 / 60) * 36) / (ofCarcass + ofCuts)
    expect(ratio).toBeCloseTo(1 + heavier / 60, 9)
    expect(sum(kg)).toBeCloseTo(60 + heavier, 9)
  })
  it('packs of a cut that is not done are the least it can be', () => {
    expect([...teach(expected, [{ kg: 8, all: false }, null, null]).kg]).toEqual([10, 20, 30])
    expect([...teach(expected, [{ kg: 12, all: false }, null, null]).kg]).toEqual([12, 19, 29])
    expect([...teach(expected, [{ kg: 14, all: true }, { kg: 19, all: false }, null]).kg]).toEqual([
      14, 19, 27,
    ])
  })
  it('what is short beyond belief is not said to be in the rest', () => {
    const { kg } = teach(expected, [{ kg: 0, all: true }, null, null])
    const spread = Math.sqrt((1 * 8) / 9)
    expect(60 - sum(kg)).toBeCloseTo(10 - 3 * spread, 9)
  })
  it('nothing weighs less than nothing', () => {
    const { kg } = teach(expected, [{ kg: 58, all: true }, null, null])
    expect(Math.min(...kg)).toBeGreaterThanOrEqual(0)
    expect(sum(kg)).toBeCloseTo(60, 9)
  })
})

const of = (species: Species, more: Partial<LotState>, said: Said[] = [], lb?: number) =>
  reckon(flowOf(species), { ...lotOf(species, said, 'hanging', lb), ...more }, FARM)
const stage = (r: Reckoning, id: string) => r.stages.find((s) => s.id === id)!
const width = (r: Reckoning) => {
  const { range } = stage(r, 'cut')
  return range ? range.high - range.low : 0
}

describe('the stair never climbs', () => {
  const CARCASS_LB = { hog: 187, lamb: 44, steer: 705, broiler: 175 }
  it.each(['hog', 'lamb', 'steer', 'broiler'] as const)(
    '%s: packed ≤ cut ≤ hanging with what was added and kept, whatever was packed, and all adds up',
    (species) => {
      const lb = CARCASS_LB[species]
      const products = of(species, {}, [], lb).cuts.filter((c) => c.cut.kind === 'product')
      let turn = 1
      const random = () => (turn = (turn * 48271) % 2147483647) / 2147483647
      for (let i = 0; i < 12; i++) {
        const own = products.filter(() => random() < 0.4)
        const packs = own.map((c) => packOf(c.cut.id, (c.expectedKg / KG_PER_LB) * (0.6 + 0.7 * random())))
        const done = own.filter(() => random() < 0.6).map((c) => cutDone(c.cut.id))
        const r = of(species, { packs }, done, lb)
        const { carcass, kept, added, products: sold, byProducts, losses, difference } = r.balance
        expect(sold + byProducts + losses + difference).toBeCloseTo(carcass + kept + added, 6)
        if (packs.length === 0) continue
        expect(stage(r, 'packed').kg).toBeLessThanOrEqual(stage(r, 'cut').kg + 1e-9)
        expect(stage(r, 'cut').kg).toBeLessThanOrEqual(stage(r, 'hanging').kg + kept + added + 1e-9)
      }
    },
  )
  it('42 lb of chops where 33 were expected: the sisters and the total know', () => {
    const before = of('hog', {}, [], 187)
    const chops = before.cuts.find((c) => c.cut.id === 'bone-in-chop')!
    const lb = chops.expectedKg / KG_PER_LB + 9
    const after = of('hog', { packs: [packOf('bone-in-chop', lb)] }, [], 187)
    const ham = (r: Reckoning) => r.cuts.find((c) => c.cut.id === 'fresh-ham')!.kg
    expect(ham(after)).toBeLessThan(ham(before))
    const grown = (stage(after, 'cut').kg - stage(before, 'cut').kg) / KG_PER_LB
    expect(grown).toBeLessThan(5)
    expect(after.cuts.find((c) => c.cut.id === 'bone-in-chop')!.expectedKg).toBeCloseTo(chops.expectedKg, 1)
  })
  it('every cut that is done narrows the total, and the last one makes it a weight', () => {
    const products = of('hog', {}, [], 187).cuts.filter((c) => c.cut.kind === 'product')
    const after = (n: number) => {
      const own = products.slice(0, n)
      const packs = own.map((c) => packOf(c.cut.id, c.expectedKg / KG_PER_LB))
      const r = of(
        'hog',
        { packs },
        own.map((c) => cutDone(c.cut.id)),
        187,
      )
      return width(r)
    }
    const widths = [0, 2, 5, products.length].map(after)
    expect(widths).toEqual(widths.toSorted((a, b) => b - a))
    expect(widths[2]).toBeLessThan(widths[0]! * 0.9)
    expect(widths.at(-1)).toBe(0)
  })
  it('a carcass of which only the live weight is known is heavier once its cuts are', () => {
    const live = (more: Partial<LotState>, said: Said[] = []) =>
      reckon(flowOf('hog'), { ...lotOf('hog', said), ...more }, FARM)
    const cuts = live({}).cuts.filter((c) => c.cut.kind === 'product' && c.expectedKg > 1)
    const packs = cuts.map((c) => packOf(c.cut.id, (c.expectedKg / KG_PER_LB) * 1.08))
    const heavy = live(
      { packs },
      cuts.map((c) => cutDone(c.cut.id)),
    )
    expect(heavy.weights!.aged / live({}).weights!.aged).toBeGreaterThan(1.02)
    expect(heavy.weights!.live).toBe(live({}).weights!.live)
    expect(stage(heavy, 'cut').kg).toBeLessThan(stage(heavy, 'hanging').kg)
  })
  it('a liver that is weighed says nothing of the meat', () => {
    const said: Said[] = [{ field: 'path', target: 'liver', side: 'animal', value: 'liver-kept' }]
    const [before, after] = [
      of('hog', {}, said, 187),
      of('hog', { packs: [packOf('liver', 9)] }, [...said, cutDone('liver')], 187),
    ]
    for (const c of before.cuts)
      if (c.cut.id !== 'liver')
        expect(after.cuts.find((x) => x.cut.id === c.cut.id)!.kg, c.cut.id).toBeCloseTo(c.kg, 9)
    expect(ANATOMIES.hog.parts.find((p) => p.id === 'liver')!.offCarcass).toBeDefined()
  })
})
