import { describe, expect, it } from 'vitest'
import { minorOf, priceIn, priceOf, sumOf } from '#core/measure'
import type { Said } from '#core/plan'
import type { Decision, PriceSheet } from '#core/records'
import { flowOf } from '../carcass/testing.ts'
import { atPrices, listOf, moveAll, pricesBeside, productsOf, reckon, takeList, withPrice } from './index.ts'
import { FARM, lotOf } from './testing.ts'

const read = (said: Said[] = []) =>
  reckon(
    flowOf('lamb'),
    lotOf('lamb', [{ kind: 'cost', label: 'All', amount: 20_000 }, ...said], 'hot'),
    FARM,
    0,
  )
const sheet = (prices: PriceSheet['prices']): PriceSheet => ({
  ...{ format: 'ekko-prices', version: 1, name: 'Market', from: '2026-01-01', species: 'lamb' },
  ...{ ours: true, tax: 'with', prices },
})
const on = (field: 'lock' | 'floor', target: string, value: unknown) =>
  ({ field, target, side: 'animal', value }) as Decision
const inLb = (r: ReturnType<typeof read>) =>
  new Map(productsOf(r).map((c) => [c.cut.id, minorOf(priceIn(c.price, 'lb'))]))

describe('a price list', () => {
  it('of the lot’s own prices brings what it brings now', () => {
    const r = read()
    expect(atPrices(r, sheet(listOf(r)))).toMatchObject({ net: r.money.net, difference: 0, kept: 0 })
  })
  it('says what the lot would bring at it, and that is what it brings once it is taken over', () => {
    const r = read()
    const dear = sheet(
      listOf(r)
        .slice(0, 4)
        .map(({ cut }) => ({ cut, price: priceOf(1999, 'lb') })),
    )
    const told = atPrices(r, dear)
    const after = read(takeList(r, dear))
    expect(after.money.net).toBe(told.net)
    expect(told.priced).toBe(4)
    expect(told.cover).toBeCloseTo(told.net / r.money.costs.total, 12)
  })
  it('leaves a locked cut at its price', () => {
    const [first] = listOf(read())
    const r = read([on('lock', first!.cut, true)])
    expect(takeList(r, sheet(listOf(r))).some((d) => d.target === first!.cut)).toBe(false)
  })
})

describe('other people’s prices', () => {
  it('stand beside ours by the pound and by the plate: worked by hand on a cut with its bone in', () => {
    const r = read()
    const c = productsOf(r).find((x) => x.edible > 0 && x.edible < 0.9 * x.kg)!
    const shop = withPrice({ ...sheet([]), ours: false, name: 'Shop' }, c.cut.id, priceOf(1500, 'lb'))
    const pair = pricesBeside(r, shop).find((p) => p.cut === c.cut)!
    expect(pair.by).toBeCloseTo(1500 - inLb(r).get(c.cut.id)!, 6)
    // 200 g that is eaten; what of the cut is not weighs c.kg − c.edible for every c.edible.
    expect(pair.plate!.theirs).toBe(Math.round((1500 / 0.45359237) * 0.2 * (c.kg / c.edible)))
    expect(pair.plate!.theirs!).toBeGreaterThan((1500 / 0.45359237) * 0.2)
    expect(pricesBeside(r, shop).filter((p) => p.theirs)).toHaveLength(1)
    expect(pricesBeside(r, withPrice(shop, c.cut.id, null)).filter((p) => p.theirs)).toEqual([])
  })
})

describe('all prices moved at once', () => {
  it('up by 10 % is 1.10 times each, to the cent above: worked by hand on every cut', () => {
    const r = read()
    const before = inLb(r)
    const after = inLb(read(moveAll(r, 0.1)))
    for (const [cut, price] of after) expect(price).toBe(Math.ceil(before.get(cut)! * 1.1 - 1e-9))
  })
  it('keeps endings, floors and locks', () => {
    const r0 = read()
    const [a, b, c] = listOf(r0)
    const floor = priceOf(Math.floor(minorOf(priceIn(a!.price, 'lb'))) - 1, 'lb')
    const said: Said[] = [
      { field: 'ending', target: 'lot', side: 'animal', value: 'nines' },
      on('floor', a!.cut, floor),
      on('lock', b!.cut, true),
    ]
    const r = read(said)
    const after = inLb(read([...said, ...moveAll(r, -0.2)]))
    expect(after.get(a!.cut)).toBe(minorOf(floor))
    expect(after.get(b!.cut)).toBe(inLb(r).get(b!.cut))
    expect(after.get(c!.cut)! % 10).toBe(9)
    expect(sumOf([...after.values()], (p) => p)).toBeLessThan(sumOf([...inLb(r).values()], (p) => p))
  })
})
