import { describe, expect, it } from 'vitest'
import { minor, perKg } from '#core/measure'
import { onCut } from '../plan/testing.ts'
import { flowOf } from '../carcass/testing.ts'
import type { Said } from '#core/plan'
import type { Species } from '#core/records'
import { cutUpFee, mustSell, reckon, wholeOrParts, withLeftRanges } from './index.ts'
import { FARM, lotOf } from './testing.ts'

const flock = (species: Species, said: Said[] = [], birds = 50, lb = 260) =>
  reckon(flowOf(species), { ...lotOf(species, said, 'hot', lb), count: birds }, FARM, 0)
const found = (species: Species, said: Said[] = []) => wholeOrParts(flock(species, said))!
const way = (of: ReturnType<typeof found>, id: string) => of.ways.find((w) => w.path === id)!

describe('the share of parts that must sell', () => {
  it('worked by hand: whole leaves 12.00, parts 8.00 unsold and 18.00 sold: 4 of 10, with 2.00 a bird for cutting 6 of 10', () => {
    const parts = { none: 800, all: 1800 }
    expect(mustSell(parts, 1200)).toBeCloseTo(0.4, 12)
    expect(mustSell(parts, 1200, minor(200))).toBeCloseTo(0.6, 12)
    expect(mustSell(parts, 700)).toBe(0)
    expect(mustSell(parts, 1801)).toBeNull()
    expect(mustSell({ none: 900, all: 900 }, 1000)).toBeNull()
  })
})

describe('whole or parts', () => {
  it('every way of the bird stands beside the whole one, more work the further it is parted (common practice)', () => {
    const all = found('broiler')
    expect(all.whole.path).toBe('bird-whole')
    expect(all.whole.inForce).toBe(true)
    const minutes = ['bird-halves', 'bird-parts', 'bird-boned'].map((id) => way(all, id).minutes)
    expect(minutes[0]).toBeGreaterThan(all.whole.minutes)
    expect(minutes[1]).toBeGreaterThan(minutes[0]!)
    expect(minutes[2]).toBeGreaterThan(minutes[1]!)
    for (const w of all.ways) expect(w.all, w.path).toBeGreaterThanOrEqual(w.none)
  })
  it('at the share that must sell, a way leaves what the whole bird does', () => {
    const all = found('broiler')
    const eight = way(all, 'bird-eight')
    const share = mustSell(eight, all.whole.left)
    const middle = share ?? 0.5
    const { part } = all
    const cuts = flowOf('broiler').anatomy.cuts.filter((c) => c.kind === 'product')
    const sold = cuts.map((c) => onCut('sold', c.id, middle))
    const path: Said = { field: 'path', target: part.id, side: 'animal', value: 'bird-eight' }
    const then = wholeOrParts(flock('broiler', [...sold, path]))!
    // What comes either way sells less then too: it is no more than that which the two differ by.
    const usual = eight.none + middle * (eight.all - eight.none)
    expect(Math.abs(way(then, 'bird-eight').left - usual)).toBeLessThan(0.06 * usual)
    if (share !== null && share > 0) expect(usual).toBeCloseTo(all.whole.left, 6)
  })
  it('a dearer whole bird asks more of its parts; what the whole bird sells for does not move the parts', () => {
    const price = (factor: number): Said =>
      onCut('price', 'whole-bird', { milli: Math.round(factor * 8 * perKg(FARM.mince)) as never, per: 'kg' })
    const [cheap, dear] = [found('broiler', [price(60)]), found('broiler', [price(160)])]
    expect(dear.whole.left).toBeGreaterThan(cheap.whole.left)
    expect(way(dear, 'bird-eight').all).toBeCloseTo(way(cheap, 'bird-eight').all, 6)
    const share = (of: typeof cheap) => mustSell(way(of, 'bird-eight'), of.whole.left) ?? 2
    expect(share(dear)).toBeGreaterThan(share(cheap))
  })
  it('what is asked for cutting one up is a fee of the lot, on every way but whole', () => {
    const plain = found('broiler')
    const fee = cutUpFee(plain, minor(150))
    const billed = found('broiler', [fee])
    const eight = way(billed, 'bird-eight')
    expect(billed.whole.fees).toBe(plain.whole.fees)
    expect(billed.whole.cutting).toBe(0)
    expect(eight.fees).toBeCloseTo(way(plain, 'bird-eight').fees + 150, 9)
    expect(eight.cutting).toBe(150)
    expect(eight.left).toBeCloseTo(way(plain, 'bird-eight').left - 150, 6)
    // Taken, it is billed on the sum of the lot.
    const taken = flock('broiler', [
      fee,
      { field: 'path', target: 'bird', side: 'animal', value: 'bird-eight' },
    ])
    expect(taken.money.costs.total).toBe(150 * 50)
  })
  it('what each way leaves has a range, and of a flock four times as large it is as wide for each bird', () => {
    const width = (birds: number) => {
      const state = { ...lotOf('broiler', [], 'live', 6 * birds), count: birds }
      const read = reckon(flowOf('broiler'), state, FARM, 0)
      const { whole } = withLeftRanges(wholeOrParts(read)!, flowOf('broiler'), state, FARM)
      expect(whole.range!.low).toBeLessThan(whole.left)
      expect(whole.range!.high).toBeGreaterThan(whole.left)
      return whole.range!.high - whole.range!.low
    }
    expect(width(200) / width(50)).toBeGreaterThan(0.7)
  })
  it('rabbits too; no hog is sold in one piece this way, and nothing is said without a weight', () => {
    const rabbits = found('rabbit')
    expect(rabbits.whole.path).toBe('rabbit-whole')
    expect(rabbits.ways.length).toBeGreaterThan(2)
    expect(wholeOrParts(reckon(flowOf('hog'), lotOf('hog', [], 'hot'), FARM, 0))).toBeNull()
    expect(
      wholeOrParts(reckon(flowOf('broiler'), { ...lotOf('broiler'), weighings: [] }, FARM, 0)),
    ).toBeNull()
  })
})
