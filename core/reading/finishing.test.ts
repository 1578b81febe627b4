import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { afterBench } from '#core/ledger'
import { minor, perKg, priceOf, sumOf } from '#core/measure'
import { tried } from '#core/plan'
import { perLb } from '../plan/testing.ts'
import { FINISH_IDS, type Decision, type Finish, type Species } from '#core/records'
import { flowOf } from '../carcass/testing.ts'
import {
  finishesFor,
  finishOffers,
  jointCost,
  massKey,
  reckon,
  solveLot,
  takeFinishes,
  type LotState,
} from './index.ts'
import { FARM, lotOf } from './testing.ts'

const PAID = { ...FARM, hour: minor(2400) }
const read = (species: Species, lot: LotState) => reckon(flowOf(species), lot, PAID, 0)
const plus = (lot: LotState, said: readonly Decision[]): LotState => ({ ...lot, ...tried(lot, said) })
const finish = (cut: string, ...value: Finish[]): Decision => ({
  field: 'finish',
  target: cut,
  side: 'animal',
  value,
})
const marinade = (change: number): Finish => ({
  ...{ finish: 'marinated', minutes: 1.5, change, allergens: ['soy'] },
  goods: priceOf(250, 'kg'),
  extra: priceOf(400, 'kg'),
})
/** The cut that brings most. */
const dearest = (species: Species) => {
  const lot = lotOf(species, [], 'hot')
  const r = read(species, lot)
  return { lot, r, c: r.cuts.toSorted((a, b) => b.value - a.value)[0]! }
}

describe('a finished cut', () => {
  it.each<Species>(['hog', 'lamb', 'broiler'])(
    'of a %s weighs what went on it more, and nothing else moves',
    (species) => {
      const { lot, r, c } = dearest(species)
      const after = read(species, plus(lot, [finish(c.cut.id, marinade(0.08))]))
      const now = after.cuts.find((x) => x.cut === c.cut)!
      expect(now.kg).toBeCloseTo(c.kg * 1.08, 9)
      expect(after.balance.added - r.balance.added).toBeCloseTo(c.kg * 0.08, 9)
      expect(after.balance.losses).toBeCloseTo(r.balance.losses, 9)
      for (const other of after.cuts.filter((x) => x.cut !== c.cut && x.cut.kind !== 'loss'))
        expect(other.kg, other.cut.id).toBeCloseTo(r.cuts.find((x) => x.cut === other.cut)!.kg, 9)
      // What can be eaten of it is counted as it was: a plate is lean and fat.
      expect(now.edible).toBeCloseTo(c.edible, 9)
    },
  )
  it('whatever is done to whatever cut, the carcass and what was put to it are all there (property)', () => {
    const { lot } = dearest('hog')
    const cuts = flowOf('hog')
      .anatomy.cuts.filter((c) => c.kind === 'product')
      .map((c) => c.id)
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(
            fc.constantFrom(...cuts),
            fc.constantFrom(...FINISH_IDS),
            fc.double({ min: -0.5, max: 0.6, noNaN: true }),
          ),
          { maxLength: 6 },
        ),
        (done) => {
          const said = done.map(([cut, id, change]) => finish(cut, { ...marinade(change), finish: id }))
          const { balance, money, worth } = read('hog', plus(lot, said))
          const sum = balance.products + balance.byProducts + balance.losses
          expect(sum).toBeCloseTo(balance.carcass + balance.kept + balance.added, 6)
          expect(balance.losses).toBeGreaterThanOrEqual(-1e-9)
          expect(sumOf(money.costs.rows, (x) => x.amount)).toBe(money.costs.total)
          expect(worth.goods).toBe(money.costs.rows.find((x) => x.id === 'finishing')?.amount ?? 0)
        },
      ),
      { numRuns: 40 },
    )
  })
  it('costs its minutes and what goes on it, and brings its extra: by hand', () => {
    const { lot, r, c } = dearest('hog')
    const after = read('hog', plus(lot, [finish(c.cut.id, marinade(0))]))
    const row = (id: string) => after.money.costs.rows.find((x) => x.id === id)!.amount
    expect(row('finishing')).toBe(Math.round(c.kg * 250))
    expect(after.bench.finish).toBeCloseTo(c.kg * 1.5, 9)
    expect(after.minutes - r.minutes).toBeCloseTo(c.kg * 1.5, 9)
    const now = after.cuts.find((x) => x.cut === c.cut)!
    // The price is rounded to whole minor units once, so the extra may lie half a one off.
    expect(Math.abs(perKg(now.price) - perKg(c.price) - 400)).toBeLessThanOrEqual(0.5)
  })
  it('a figure that moves weight draws anew; one that moves money only does not', () => {
    const { lot, c } = dearest('hog')
    const own: Decision = { field: 'own', target: c.cut.id, side: 'animal', value: { share: 0.2, at: null } }
    expect(massKey(plus(lot, [own]))).toBe(massKey(lot))
    expect(massKey(plus(lot, [finish(c.cut.id, marinade(0.1))]))).not.toBe(massKey(lot))
  })
})

describe('taking a finish', () => {
  it('lifts a price that was set by what it brings more and taking it off brings it back; a locked one stays', () => {
    const { lot, c } = dearest('hog')
    const at = { target: c.cut.id, side: 'animal' } as const
    const set = plus(lot, [{ field: 'price', ...at, value: perLb(900) }])
    const f = { ...marinade(0), extra: perLb(60) }
    const taken = plus(set, takeFinishes(read('hog', set), c.cut.id, [f]))
    expect(read('hog', taken).plan.terms.get(c.cut.id)!.price).toEqual(perLb(960))
    const off = plus(taken, takeFinishes(read('hog', taken), c.cut.id, []))
    expect(read('hog', off).plan.terms.get(c.cut.id)!).toMatchObject({ price: perLb(900), finishes: [] })
    const locked = plus(set, [{ field: 'lock', ...at, value: true }])
    expect(takeFinishes(read('hog', locked), c.cut.id, [f]).map((d) => d.field)).toEqual(['finish'])
  })
  it('leaves what the offer said it would', () => {
    const { lot, r, c } = dearest('lamb')
    const offers = finishOffers(flowOf('lamb'), lot, PAID, r, c.cut.id)
    const figures = finishesFor(r, c.cut.id)
    expect(figures.map((f) => f.kind.id).toSorted()).toEqual([...FINISH_IDS].toSorted())
    const done = (id: string) => figures.find((f) => f.kind.id === id)!.figures
    expect(offers.length).toBeGreaterThan(5)
    for (const o of offers) {
      const after = read('lamb', plus(lot, takeFinishes(r, c.cut.id, [done(o.finish)])))
      expect(o.leaves, o.finish).toBe(afterBench(after.worth) - afterBench(r.worth))
    }
    const tied = offers.find((o) => o.finish === 'tied')!
    const then = plus(lot, takeFinishes(r, c.cut.id, [done('tied')]))
    const again = finishOffers(flowOf('lamb'), then, PAID, read('lamb', then), c.cut.id)
    expect(again.find((o) => o.finish === 'tied')).toEqual(tied)
    // Another cut of the lot starts with the figures that were said.
    const dearer = { ...done('tied'), extra: perLb(99) }
    const said = read('lamb', plus(lot, [finish(c.cut.id, dearer)]))
    const other = said.cuts.find((x) => x.cut.kind === 'product' && x.cut !== c.cut)!
    expect(finishesFor(said, other.cut.id).find((f) => f.kind.id === 'tied')).toMatchObject({
      figures: dearer,
      taken: false,
    })
  })
  it('is not offered where there is no bone to bare and no rind to take off', () => {
    const lot = lotOf('hog', [], 'hot')
    const lacking = (cut: string) =>
      finishesFor(read('hog', lot), cut).flatMap((f) => (f.lacks ? [[f.kind.id, f.lacks]] : []))
    expect(lacking('tenderloin')).toEqual([
      ['bare-bone', 'bone'],
      ['rind-off', 'skin'],
    ])
    expect(lacking('bone-in-chop').map(([f]) => f)).not.toContain('bare-bone')
  })
  it('what it costs is the cut’s own, so that it is no joint cost; before it the cut is worth no more', () => {
    const { lot, r, c } = dearest('hog')
    const after = read('hog', plus(lot, [finish(c.cut.id, marinade(0))]))
    const of = (x: typeof r) => jointCost(x).products.find((p) => p.cut === c.cut)!
    // Each row is rounded by itself.
    expect(Math.abs(jointCost(after).joint - jointCost(r).joint)).toBeLessThanOrEqual(1)
    expect(of(after).separable - of(r).separable).toBeGreaterThan(c.kg * 250)
    expect(Math.abs(of(after).splitOff - of(r).splitOff)).toBeLessThanOrEqual(c.kg)
  })
  it('is solved as a dearer cut: its price stands to mince as index and extra do', () => {
    const { lot, r, c } = dearest('hog')
    const costs = plus(lot, [])
    const paid: LotState = { ...costs, ...tried(costs, [{ kind: 'cost', label: 'All', amount: 50_000 }]) }
    const share = (x: LotState) => {
      const out = solveLot(read('hog', x))
      if (!out.ok) throw new Error('unsolved')
      return out.value.prices.get(c.cut.id)! / out.value.scale
    }
    const extra = 400 / perKg(r.farm.mince)
    expect(share(plus(paid, [finish(c.cut.id, marinade(0))])) - share(paid)).toBeCloseTo(extra, 1)
  })
})
