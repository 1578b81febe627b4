import { describe, expect, it } from 'vitest'
import { JOINT_METHODS, soldFactor } from '#core/ledger'
import { fromKg, minor, priceOf, sumOf } from '#core/measure'
import type { Said } from '#core/plan'
import type { FactBody, Species } from '#core/records'
import { flowOf } from '../carcass/testing.ts'
import { cheapEnd, dealOf, jointCost, liftRanges, oneMore, reckon, SELLS } from './index.ts'
import { FARM, lotOf } from './testing.ts'

const cost = (amount: number): FactBody => ({ kind: 'cost', label: 'All of it', amount })
const FARM_PAID = { ...FARM, hour: minor(2000) }
const read = (species: Species, said: Said[] = [], farm = FARM_PAID) => {
  const lot = lotOf(species, [cost(60_000), ...said], 'hot')
  return { lot, read: reckon(flowOf(species), lot, farm, 0) }
}

describe('joint cost of a lot', () => {
  it.each<Species>(['hog', 'lamb', 'broiler'])(
    'of a %s: shares and what only a cut costs come to all that the animal cost, by every method',
    (species) => {
      const { read: r } = read(species, [
        { kind: 'fee', fee: 'pack', amount: 40, per: 'pack', basis: null },
        { kind: 'fee', fee: 'kill', amount: 8500, per: 'head', basis: null },
      ])
      const found = jointCost(r)
      const own = sumOf(found.products, (p) => p.separable)
      expect(found.joint + own).toBe(r.money.costs.total)
      expect(sumOf(found.products, (p) => p.value)).toBe(r.money.net)
      for (const method of JOINT_METHODS) {
        const out = found.by[method]
        if (!out.ok) throw new Error(method)
        expect(sumOf(out.value, (s) => s.cost)).toBe(r.money.costs.total)
        expect(sumOf(out.value, (s) => s.margin)).toBe(r.money.net - r.money.costs.total)
      }
    },
  )
  it('by weight makes cheap cuts look worse than by what they bring (common practice: bones lose by weight)', () => {
    const { read: r } = read('hog')
    const found = jointCost(r)
    const cheapest = found.products.toSorted((a, b) => a.value / a.kg - b.value / b.kg)[0]!
    const of = (method: 'weight' | 'realisable') => {
      const out = found.by[method]
      return out.ok ? out.value.find((s) => s.id === cheapest.id)!.margin : 0
    }
    expect(of('weight')).toBeLessThan(of('realisable'))
  })
  it('cuts that nobody prices as they come are taken at less than they bring in the end', () => {
    const { read: r } = read('hog')
    const { products } = jointCost(r)
    expect(sumOf(products, (p) => p.splitOff)).toBeLessThan(sumOf(products, (p) => p.value) * 1.05)
    expect(products.every((p) => p.splitOff >= 0)).toBe(true)
  })
})

describe('the cheap end', () => {
  it('offers a way for what sells near nothing, and what it says is what the plan comes to when it is taken', () => {
    const { lot, read: r } = read('hog')
    const [best, ...others] = cheapEnd(r)
    expect(best).toBeDefined()
    expect(others.every((l) => l.extra <= best!.extra)).toBe(true)
    expect(best!.leftKg).toBeLessThan(best!.cheapKg)
    const after = reckon(
      flowOf('hog'),
      {
        ...lot,
        commands: [
          ...lot.commands,
          ...best!.said.map((decision, i) => ({
            ...{ id: `c${i}`, rev: 99 + i, batch: 'b', undoes: null, redoes: null, device: 'd', person: 'p' },
            decision,
          })),
        ],
      },
      FARM_PAID,
      0,
    )
    const more = after.money.net - r.money.net
    const spent = after.money.costs.total - r.money.costs.total
    // All of it sold brings more than what is counted; the part that is counted pays for its own hours.
    expect(more - spent).toBeGreaterThanOrEqual(best!.extra)
    expect(Math.abs((more > 0 ? more * SELLS : more) - spent - best!.extra)).toBeLessThan(60)
  })
  it('says how far the dear cuts could drop: what it leaves over, over what they bring', () => {
    const { read: r } = read('hog')
    const needed = r.money.neededPerKg!
    const dear = sumOf(r.cuts, (c) => (c.value > 0 && c.value / c.kg / soldFactor(c) > needed ? c.value : 0))
    for (const lift of cheapEnd(r)) expect(lift.drop).toBeCloseTo(lift.extra / dear, 2)
  })
  it('says between what the extra likely lies: wider the less is known, and none that is far off its middle', () => {
    const { lot, read: r } = read('hog')
    const lifts = cheapEnd(r)
    const at = (of: typeof lot) => liftRanges(flowOf('hog'), of, FARM_PAID, lifts)
    const weighed = at(lot)
    const guessed = at({ ...lot, weighings: lot.weighings.map((w) => ({ ...w, source: 'guess' as const })) })
    expect(weighed).toHaveLength(lifts.length)
    lifts.forEach((lift, i) => {
      const { low, high } = weighed[i]!
      expect(low).toBeLessThan(high)
      const wide = high - low
      expect(lift.extra).toBeGreaterThan(low - wide)
      expect(lift.extra).toBeLessThan(high + wide)
      expect(guessed[i]!.high - guessed[i]!.low).toBeGreaterThan(wide)
    })
  })
})

describe('one more', () => {
  it('cent on every price brings a cent for each pound that is sold, worked by hand', () => {
    const { lot, read: r } = read('lamb')
    const pounds = r.cuts.reduce((sum, c) => sum + (c.value > 0 ? fromKg(c.kg, 'lb') * soldFactor(c) : 0), 0)
    expect(oneMore(flowOf('lamb'), lot, FARM_PAID, r).price).toBe(Math.round(pounds))
  })
  it('pound hanging brings about what a pound of carcass brings now, less what it costs to cut', () => {
    const { lot, read: r } = read('hog')
    const { hanging, dressing, day } = oneMore(flowOf('hog'), lot, FARM_PAID, r)
    const each = r.money.net / fromKg(r.weights!.aged, 'lb')
    expect(hanging).toBeGreaterThan(each * 0.6)
    expect(hanging).toBeLessThan(each * 1.05)
    expect(dressing! / hanging!).toBeCloseTo(fromKg(r.weights!.live, 'lb') / 100, 0)
    // A day dries it: it costs what that much carcass brings.
    expect(day).toBeLessThan(0)
  })
  it('kilogram is nothing to ask of a lot without a weight', () => {
    const lot = { ...lotOf('hog'), weighings: [] }
    const r = reckon(flowOf('hog'), lot, FARM_PAID, 0)
    expect(oneMore(flowOf('hog'), lot, FARM_PAID, r)).toMatchObject({ hanging: null, dressing: null })
  })
})

describe('an aim that is no sum', () => {
  const aim = (value: Extract<Said, { field: 'aim' }>['value']): Said => ({
    ...{ field: 'aim', target: 'lot', side: 'animal' },
    value,
  })
  it('of 25 % is met by the prices that are solved for it, and so is pay for an hour', () => {
    const { read: r } = read('hog', [aim({ kind: 'margin', share: 0.25 })])
    expect(r.money.target).toBe(Math.round(r.money.costs.total / 3))
    const hour = read('hog', [aim({ kind: 'hour', amount: 3000 })]).read
    expect(hour.money.target).toBe(Math.round((hour.minutes / 60) * 1000))
  })
  it('needs no rate to say what an hour earns', () => {
    const { read: r } = read('hog', [], { ...FARM, hour: minor(0), mince: priceOf(1300, 'kg') })
    expect(r.money.earned.hour).toBe(Math.round((r.money.net - r.money.costs.total) / (r.minutes / 60)))
  })
})

describe('a deal on a lot', () => {
  it('has an interval on what was estimated, none on what was weighed; the amount is as wide as the weight', () => {
    const lot = lotOf('hog', [], 'hot', 190)
    const rows = dealOf(reckon(flowOf('hog'), lot, FARM), 250, 'hot')
    const on = (basis: string) => rows.find((x) => x.basis === basis)!
    expect(on('hot')).toMatchObject({ amount: 47_500, range: null, amounts: null })
    expect(on('rebate').range).toBeNull()
    for (const basis of ['live', 'cold', 'hanging']) {
      const { kg: mass, range, amount, amounts } = on(basis)
      expect(range!.low, basis).toBeLessThan(mass)
      expect(range!.high, basis).toBeGreaterThan(mass)
      expect(amounts!.high / amount, basis).toBeCloseTo(range!.high / mass, 3)
    }
  })
})
