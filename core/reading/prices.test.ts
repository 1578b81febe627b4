import { describe, expect, it } from 'vitest'
import { minor, minorOf, priceIn, priceOf } from '#core/measure'
import type { Said } from '#core/plan'
import type { Decision, FactBody } from '#core/records'
import { flowOf } from '../carcass/testing.ts'
import { needOf, productsOf, reckon, solveLot, takePrices, type Reckoning } from './index.ts'
import { FARM, lotOf } from './testing.ts'
import { onLot, paid } from '../plan/testing.ts'

const FEED: FactBody = paid(60_000)
const on = (target: string) => ({ target, side: 'animal' as const })
const read = (...said: Said[]): Reckoning =>
  reckon(flowOf('hog'), lotOf('hog', [FEED, ...said], 'hot', 185), FARM, 0)
const solved = (r: Reckoning) => {
  const out = solveLot(r)
  if (!out.ok) throw new Error(out.issues[0]!.code)
  return out.value
}
const target: Decision = onLot('target', minor(10_000))

describe('prices that pay for the animal', () => {
  it('what is needed is all it costs and the target', () =>
    expect(needOf(read(target))).toBe(read().money.costs.total + 10_000))
  it('taken as one step, the lot’s own Cover meets the target, to the rounding of each cut', () => {
    const before = read(target)
    const found = solved(before)
    const after = read(target, ...takePrices(before, found.prices))
    expect(after.money.net).toBeGreaterThanOrEqual(needOf(before) - productsOf(before).length)
    expect(after.money.net).toBeLessThan(needOf(before) * 1.01)
  })
  it('a price of every product with an index, in the farm’s unit; none for what is locked or has none', () => {
    const lock: Decision = { field: 'lock', ...on('bacon'), value: true }
    const fixed: Decision = { field: 'price', ...on('bacon'), value: priceOf(900, 'lb') }
    const none: Decision = { field: 'index', ...on('hock'), value: 0 }
    const r = read(fixed, lock, none)
    const { prices } = solved(r)
    const taken = takePrices(r, prices)
    const products = productsOf(r).map((c) => c.cut.id)
    expect(products).toEqual(expect.arrayContaining(['bacon', 'hock', 'bone-in-chop']))
    expect(taken.map((d) => d.target)).toEqual(products.filter((id) => id !== 'bacon' && id !== 'hock'))
    for (const d of taken)
      expect(d).toMatchObject({ field: 'price', side: 'animal', value: priceOf(prices.get(d.target)!, 'lb') })
    expect(prices.get('bacon')).toBe(900)
    expect(takePrices(r, new Map([['bone-in-chop', minor(700)]]))).toEqual([
      { field: 'price', ...on('bone-in-chop'), value: priceOf(700, 'lb') },
    ])
  })
  it('floors, ceilings and locks in the other unit hold, rounded to the minor unit of the farm’s', () => {
    const floor = priceOf(4000, 'kg')
    const r = read({ field: 'floor', ...on('hock'), value: floor })
    expect(solved(r).prices.get('hock')).toBe(Math.round(minorOf(priceIn(floor, 'lb'))))
    const ceiling: Decision = { field: 'ceiling', ...on('bacon'), value: priceOf(100, 'kg') }
    expect(solved(read(ceiling)).prices.get('bacon')).toBeLessThanOrEqual(46)
  })
  it('what sells half at full price counts three quarters of it', () => {
    const sold: Decision = { field: 'sold', ...on('bone-in-chop'), value: 0.5 }
    const [all, half] = [solved(read()), solved(read(sold))]
    expect(half.scale).toBeGreaterThan(all.scale)
  })
})
