import { cumulativeStdNormalProbability, mean, quantile, standardDeviation } from 'simple-statistics'
import { describe, expect, it } from 'vitest'
import { normalsOf } from '#core/carcass'
import { cameOf, unaccounted } from '#core/ledger'
import { readSample, kg, minor, normalShare, dayAfter } from '#core/measure'
import { contradictionIn, NO_LOG, tried, type CostLine } from '#core/plan'
import { reckon } from '#core/reading'
import { goneBy, type FactBody, type Sample } from '#core/records'
import { ANATOMIES } from '#core/species'
import { flowOf } from '../carcass/testing.ts'
import { FARM, lotOf } from '../reading/testing.ts'
import {
  batchCost,
  batchOf,
  compareTypes,
  curveOf,
  dayAt,
  extremes,
  fedByPhase,
  feedTo,
  growthOfBatch,
  heapsOf,
  keepADay,
  ofSex,
  pricesPaid,
  raisedTo,
  readyDay,
  sizeClasses,
  spreadOfAll,
  weightAt,
  type Batch,
} from './index.ts'

const kilos = (...xs: number[]): Sample['shown'] => xs.map((value) => ({ value, unit: 'kg' }))
const sampleOn = (day: string, ...xs: number[]): Sample => ({
  kind: 'sample',
  day,
  of: 'live',
  shown: kilos(...xs),
})
const fast = curveOf('broiler', 'fast')!
const slow = curveOf('broiler', 'slow')!

describe('growth', () => {
  it('a fast broiler is ready at eight weeks, a slow coloured one at eleven to twelve (common practice)', () => {
    expect(dayAt(fast, 3.2)! / 7).toBeCloseTo(8, 0)
    expect(dayAt(slow, 2.6)! / 7).toBeGreaterThan(11)
    expect(dayAt(slow, 2.6)! / 7).toBeLessThan(12)
    expect(weightAt(slow, 56)).toBeLessThan(weightAt(fast, 56) * 0.6)
  })
  it('other types are ready when they usually are: table duck 7 to 8 weeks, muscovy 12, broad turkey hens 14, standard turkeys 20 to 28, fryers 8 to 12 (common practice)', () => {
    const weeks = (species: 'turkey' | 'duck' | 'rabbit', type: string) => {
      const c = curveOf(species, type)!
      return dayAt(c, c.target)! / 7
    }
    expect(weeks('duck', 'table')).toBeGreaterThan(5.9)
    expect(weeks('duck', 'table')).toBeLessThan(8.1)
    expect(weeks('duck', 'muscovy')).toBeGreaterThan(9)
    expect(weeks('duck', 'muscovy')).toBeLessThan(12.5)
    expect(weeks('turkey', 'broad')).toBeGreaterThan(12.5)
    expect(weeks('turkey', 'broad')).toBeLessThan(16)
    expect(weeks('turkey', 'standard')).toBeGreaterThan(18)
    expect(weeks('turkey', 'standard')).toBeLessThan(28)
    expect(weeks('rabbit', 'fryer')).toBeGreaterThan(8)
    expect(weeks('rabbit', 'fryer')).toBeLessThan(12.5)
  })
  it('a rabbit fryer weighs 1.8 to 2.0 kg at eight weeks and 2.2 to 2.5 at ten (common practice)', () => {
    const c = curveOf('rabbit', 'fryer')!
    expect(weightAt(c, 56)).toBeGreaterThan(1.8)
    expect(weightAt(c, 56)).toBeLessThan(2)
    expect(weightAt(c, 70)).toBeGreaterThan(2.2)
    expect(weightAt(c, 70)).toBeLessThan(2.5)
  })
  it('the day of a weight and the weight of a day are one curve; what it never weighs it never weighs', () => {
    for (const day of [10, 35, 56, 80]) expect(dayAt(slow, weightAt(slow, day))).toBeCloseTo(day, 6)
    expect(dayAt(slow, 5)).toBeNull()
    expect(dayAt(slow, 0.01)).toBe(0)
  })
  it('feed is conversion × gain at the usual weight: 2.3 × (3.2 − 0.042) = 7.26 kg, by hand', () => {
    expect(feedTo(fast, 3.2)).toBeCloseTo(7.263, 2)
    expect(feedTo(fast, 4) / (4 - 0.042)).toBeGreaterThan(2.3)
  })
})

describe('a sample', () => {
  it('mean, SD and uniformity by hand; the mean of all by Student’s t of 9 degrees of freedom, 1.383 (table of any textbook)', () => {
    const xs = [2, 2.1, 2.2, 2.3, 2.4, 2.5, 2.6, 2.7, 2.8, 2.9]
    const read = readSample(kilos(...xs))
    expect(read.n).toBe(10)
    expect(read.mean).toBeCloseTo(2.45, 9)
    // √(0.825 ÷ 9)
    expect(read.sd).toBeCloseTo(0.30277, 4)
    // Between 2.205 and 2.695: 2.3, 2.4, 2.5, 2.6.
    expect(read.uniformity).toBeCloseTo(0.4, 9)
    const half = Math.hypot((1.383 * 0.30277) / Math.sqrt(10), 1.2816 * 0.02 * 2.45)
    expect(read.flock.high - read.mean).toBeCloseTo(half, 3)
  })
  it('of ever so many birds is not known better than they were caught', () => {
    const many = readSample(kilos(...Array.from({ length: 300 }, (_, i) => 2 + (i % 10) / 20)))
    expect((many.flock.high - many.flock.low) / many.mean).toBeGreaterThan(0.05)
  })
})

describe('a batch told by its samples', () => {
  const batch: Batch = { curve: slow, placed: '2026-06-01', age: 0, came: 60 }
  it('stands on its type’s curve before any, and moves to what was seen: normal prior and normal error, by hand', () => {
    expect(growthOfBatch(batch, [], 80).ahead).toBe(0)
    const usual = weightAt(slow, 42)
    const xs = Array.from({ length: 20 }, (_, i) => usual * 1.1 * (1 + (i - 9.5) / 100))
    const told = growthOfBatch(batch, [sampleOn(dayAfter('2026-06-01', 42), ...xs)], 80)
    const prior = 0.1 ** 2 + 0.011 ** 2 * 42
    const { cv, mean } = readSample(kilos(...xs))
    const error = cv ** 2 / 20 + 0.02 ** 2
    expect(Math.log1p(told.ahead)).toBeCloseTo((prior / (prior + error)) * Math.log(mean / usual), 9)
  })
  it('two samples move it one after the other; one from before they came says nothing', () => {
    const on = (day: number, ahead: number) =>
      sampleOn(
        dayAfter('2026-06-01', day),
        ...Array.from({ length: 20 }, (_, i) => weightAt(slow, day) * ahead * (1 + (i - 9.5) / 100)),
      )
    const [first, second] = [on(28, 1.1), on(56, 1.1)]
    const told = (...samples: Sample[]) => Math.log1p(growthOfBatch(batch, samples, 80).ahead)
    // Between them the flock may have drifted, by so much as the days that lie between them.
    const look = (before: number, at: number, is: number) => {
      const error = readSample(second.shown).cv ** 2 / 20 + 0.02 ** 2
      const gain = before / (before + error)
      return { at: at + gain * (is - at), left: before * (1 - gain) }
    }
    const is = (s: Sample, day: number) => Math.log(readSample(s.shown).mean / weightAt(slow, day))
    const one = look(0.1 ** 2 + 0.011 ** 2 * 28, 0, is(first, 28))
    const two = look(one.left + 0.011 ** 2 * 28, one.at, is(second, 56))
    expect(told(first, second)).toBeCloseTo(two.at, 6)
    expect(told(second, first)).toBeCloseTo(two.at, 6)
    expect(told(sampleOn('2026-05-20', 1, 1.1, 1.2), first, second)).toBeCloseTo(two.at, 6)
  })
  it('all of them on a scale on a day are what they weigh on that day', () => {
    const each = kg(weightAt(slow, 60) * 0.9)
    const on = { day: dayAfter('2026-06-01', 60), each }
    const told = growthOfBatch(batch, [], 80, on)
    expect(told.at(60).kg).toBeCloseTo(each, 2)
    expect((told.at(60).range.high - told.at(60).range.low) / each).toBeLessThan(0.015)
    expect((told.at(75).range.high - told.at(75).range.low) / told.at(75).kg).toBeGreaterThan(0.08)
  })
  it('eight flocks of ten, made by other numbers, weigh within the band on the day', () => {
    const normal = normalsOf(0.77)
    let inside = 0
    const flocks = 400
    for (let f = 0; f < flocks; f++) {
      let off = 0.1 * normal()
      const walk = [off]
      for (let d = 1; d <= 80; d++) walk.push((off += 0.011 * normal()))
      const caught = 0.02 * normal()
      const seen = Array.from(
        { length: 15 },
        () => weightAt(slow, 50) * Math.exp(walk[50]! + caught + 0.1 * normal()),
      )
      const told = growthOfBatch(batch, [sampleOn(dayAfter('2026-06-01', 50), ...seen)], 80)
      const { range } = told.at(80)
      const truth = weightAt(slow, 80) * Math.exp(walk[80]!)
      if (truth >= range.low && truth <= range.high) inside++
    }
    expect(inside / flocks).toBeGreaterThan(0.75)
    expect(inside / flocks).toBeLessThan(0.87)
  })
  it('on the day it is ready as large a share reach the weight as was asked', () => {
    const growth = growthOfBatch(batch, [], 100)
    const ready = readyDay(growth, kg(2.3), 0.8)
    const mean = growth.at(ready.day!).kg
    // Against the normal table of a statistics package; the mean of a log-normal stands half its variance above its middle.
    const share = 1 - cumulativeStdNormalProbability((Math.log(2.3 / mean) + 0.1 ** 2 / 2) / 0.1)
    expect(share).toBeCloseTo(0.8, 2)
    expect(ready.low!).toBeLessThan(ready.day!)
    expect(ready.high!).toBeGreaterThan(ready.day!)
    expect(readyDay(growth, kg(9), 0.8).day).toBeNull()
  })
  it('a batch that came at a weight is as old as its curve says; who came is who is here and who is gone', () => {
    const plan = reckon(
      flowOf('broiler'),
      lotOf('broiler', [
        { kind: 'observation', what: 'type', value: 'slow' },
        {
          kind: 'observation',
          what: 'start',
          day: '2026-06-01',
          shown: { value: 40 * weightAt(slow, 21), unit: 'kg' },
        },
        { kind: 'loss', day: '2026-06-20', animals: 2, cause: 'predator' },
      ]),
      FARM,
      0,
    ).plan
    expect(cameOf(plan, 38)).toBe(40)
    expect(batchOf('broiler', plan, 38)!.age).toBeCloseTo(21, 3)
  })
})

describe('two sexes in a flock', () => {
  const seen = (species: 'duck' | 'turkey', type: string, week: number) => {
    const curve = curveOf(species, type)!
    return heapsOf(curve, undefined, { now: 7 * week, sampled: 0 })
  }
  it('Muscovies as hatched lie about 0.35 apart at twelve weeks, drakes twice their sisters; turkeys about 0.2 (common practice)', () => {
    const muscovy = seen('duck', 'muscovy', 12)
    expect(spreadOfAll(muscovy)).toBeGreaterThan(0.3)
    expect(spreadOfAll(muscovy)).toBeLessThan(0.38)
    expect(ofSex('males', muscovy.sexes) / ofSex('females', muscovy.sexes)).toBeGreaterThan(1.8)
    for (const type of ['broad', 'standard'])
      expect(Math.abs(spreadOfAll(seen('turkey', type, 18)) - 0.2)).toBeLessThan(0.03)
    expect(spreadOfAll(seen('duck', 'muscovy', 0))).toBeCloseTo(0.1, 9)
  })
  it('hens alone are one heap on their own curve: a third lighter than drakes and hens together', () => {
    const [all, hens] = [null, 'females' as const].map((sex) => curveOf('duck', 'muscovy', sex)!)
    expect(hens!.sexes).toBe(0)
    // What is usually wanted of hens they reach, when drakes and hens together reach theirs.
    expect(dayAt(hens!, hens!.target)).toBeCloseTo(dayAt(all!, all!.target)!, -1)
    expect(weightAt(hens!, 84) / weightAt(all!, 84)).toBeCloseTo(ofSex('females', 0.7), 1)
  })
  it('what is usually wanted of drakes and hens together they reach when their mean is the usual weight, not when the hens weigh as much', () => {
    const curve = curveOf('duck', 'muscovy')!
    const growth = growthOfBatch({ curve, placed: '2026-06-01', age: 0, came: 40 }, [], 120)
    const to = raisedTo(curve, null)
    expect(readyDay(growth, to.kg, to.share).day).toBeCloseTo(dayAt(curve, curve.target)!, 0)
    expect(raisedTo(fast, null).kg).toBeCloseTo(0.9 * fast.target, 9)
  })
  it('fall into classes as drawn birds do, and few of them lie in the middle', () => {
    const normal = normalsOf(0.52)
    const flock = { count: 40_000, mean: 3, apart: 0.1, sexes: 0.67, off: 0 }
    const mu = Math.log(3) - 0.1 ** 2 / 2 - Math.log(Math.cosh(0.335))
    const birds = Array.from({ length: flock.count }, (_, i) =>
      Math.exp(mu + (i % 2 ? 0.335 : -0.335) + 0.1 * normal()),
    )
    const classes = sizeClasses(flock, [kg(2.4), kg(3.4)])
    const drawn = [0, 0, 0]
    for (const b of birds) drawn[b < 2.4 ? 0 : b < 3.4 ? 1 : 2]!++
    classes.forEach((c, i) => expect(Math.abs(c.animals - drawn[i]!) / flock.count).toBeLessThan(0.01))
    expect(classes[1]!.animals).toBeLessThan(0.35 * flock.count)
    const mass = classes.reduce((sum, c) => sum + c.animals * c.each, 0)
    expect(mass / flock.count).toBeCloseTo(3, 2)
  })
  it('eight in ten reach the weight when the hens do, not when the mean does', () => {
    const batch: Batch = { curve: curveOf('duck', 'muscovy')!, placed: '2026-06-01', age: 0, came: 40 }
    const growth = growthOfBatch(batch, [], 120)
    const ready = readyDay(growth, kg(2), 0.8)
    const hens = growth.at(ready.day!).kg * ofSex('females', growth.heaps(ready.day!).sexes)
    // Six hens in ten and all drakes are eight in ten.
    expect(Math.log(hens / 2)).toBeCloseTo(0.1 * 0.2533 + 0.1 ** 2 / 2, 2)
  })
})

describe('who came and is neither alive nor lost', () => {
  const came = (...facts: FactBody[]) => reckon(flowOf('broiler'), lotOf('broiler', facts), FARM, 0).plan
  const start: FactBody = {
    kind: 'observation',
    what: 'start',
    day: '2026-06-01',
    animals: 64,
    shown: { value: 3, unit: 'kg' },
  }
  const gone = (animals: number, more: { uncounted?: true } = {}) =>
    ({ kind: 'loss', day: '2026-06-20', animals, cause: 'predator', ...more }) as const
  it('is asked for: 64 came, 58 are alive, 2 were lost: 4; and not once they are said to be lost', () => {
    expect(unaccounted(came(start, gone(2)), 58)).toBe(4)
    expect(unaccounted(came(start, gone(2), gone(4, { uncounted: true })), 58)).toBe(0)
    expect(unaccounted(came(gone(2)), 58)).toBe(0)
  })
  it('those lost before they were counted make those alive no fewer, and no more of them than came', () => {
    expect(goneBy(gone(4, { uncounted: true }))).toBe(0)
    const facts = tried(NO_LOG, [start, gone(5, { uncounted: true })]).facts
    expect(contradictionIn(ANATOMIES.broiler, facts, 59)).toBeNull()
    expect(contradictionIn(ANATOMIES.broiler, facts, 60)).toMatchObject({
      code: 'fewer-than-count',
      figures: { came: 64, count: 65 },
    })
  })
})

describe('size classes', () => {
  const spread = { count: 60, mean: 2, apart: 0.12, sexes: 0, off: 0.05 }
  it('come to all of them, and each mean to the mean of all', () => {
    const classes = sizeClasses(spread, [kg(1.7), kg(2), kg(2.3)])
    expect(classes.reduce((n, c) => n + c.animals, 0)).toBe(60)
    const exact = sizeClasses({ ...spread, count: 1e6 }, [kg(1.7), kg(2), kg(2.3)])
    expect(exact.reduce((sum, c) => sum + c.animals * c.each, 0) / 1e6).toBeCloseTo(2, 3)
  })
  it('hold as many as sorted draws do (quantiles and SD of a statistics package), and eight times in ten within the range', () => {
    const normal = normalsOf(0.31)
    const counts: number[] = []
    const smallest: number[] = []
    for (let i = 0; i < 3000; i++) {
      const shift = spread.off * normal()
      const birds = Array.from({ length: 60 }, () => 2 * Math.exp(shift + 0.12 * normal() - 0.12 ** 2 / 2))
      counts.push(birds.filter((b) => b < 1.7).length)
      const still = birds.map((b) => b / Math.exp(shift))
      smallest.push(Math.min(...still))
    }
    const [small] = sizeClasses(spread, [kg(1.7)])
    expect(Math.abs(quantile(counts, 0.5) - small!.animals)).toBeLessThanOrEqual(1)
    expect((small!.range.high - small!.range.low) / 2 / 1.2816).toBeGreaterThan(
      standardDeviation(counts) * 0.85,
    )
    expect((small!.range.high - small!.range.low) / 2 / 1.2816).toBeLessThan(standardDeviation(counts) * 1.15)
    const { least } = extremes(spread)
    for (const [p, at] of [
      [0.1, least.low],
      [0.5, least.middle],
      [0.9, least.high],
    ] as const)
      expect(Math.abs(quantile(smallest, p) - at)).toBeLessThan(0.02)
  })
  it('weigh each what the birds in it weigh, drawn one by one (mean of a statistics package)', () => {
    const normal = normalsOf(0.77)
    const birds = Array.from({ length: 200_000 }, () => 2 * Math.exp(0.12 * normal() - 0.12 ** 2 / 2))
    const bounds = [1.7, 2, 2.3]
    sizeClasses(
      { ...spread, off: 0 },
      bounds.map((b) => kg(b)),
    ).forEach(({ each }, i) => {
      const own = birds.filter((b) => b >= (bounds[i - 1] ?? 0) && b < (bounds[i] ?? Infinity))
      expect(each).toBeCloseTo(mean(own), 2)
    })
  })
  it('of a flock whose mean is known spread as the binomial says: √(n p (1 − p)), a textbook', () => {
    const known = { ...spread, count: 100, off: 0 }
    for (const at of [1.7, 2, 2.3]) {
      const [small] = sizeClasses(known, [kg(at)])
      const p = normalShare((Math.log(at / 2) + 0.12 ** 2 / 2) / 0.12)
      expect((small!.range.high - small!.range.low) / 2).toBeCloseTo(1.2816 * Math.sqrt(100 * p * (1 - p)), 6)
    }
  })
  it('that the mean is not known is not divided by the number of birds', () => {
    const share = (count: number) => {
      const [c] = sizeClasses({ ...spread, count }, [kg(1.9)])
      return (c!.range.high - c!.range.low) / count
    }
    expect(share(6000)).toBeGreaterThan(share(60) * 0.55)
  })
})

describe('what a batch cost', () => {
  const line = (more: Partial<CostLine>): CostLine => ({ id: '', label: '', amount: minor(0), ...more })
  const costs = [
    line({ label: 'Chicks', of: 'animal', amount: minor(10000) }),
    line({
      label: 'Starter',
      of: 'feed',
      phase: 'starter',
      amount: minor(3000),
      quantity: { value: 50, unit: 'kg' },
    }),
    line({
      label: 'Grower',
      of: 'feed',
      phase: 'grower',
      amount: minor(9000),
      quantity: { value: 150, unit: 'kg' },
    }),
    line({ label: 'Straw', of: 'bedding', amount: minor(2400) }),
  ]
  it('feed by phase, the price of a kg of it and of a chick, keep by the day: by hand', () => {
    expect(fedByPhase(costs).map((f) => [f.phase, f.kg, f.amount])).toEqual([
      ['starter', 50, 3000],
      ['grower', 150, 9000],
    ])
    expect(pricesPaid(costs, 40)).toEqual({ young: 250, feedKg: 60 })
    // 2400 ÷ 40 birds ÷ 60 days.
    expect(keepADay(costs, 40, 60)).toBe(1)
  })
  it('one alive and a kg dressed: all costs by those that are left', () => {
    const read = reckon(
      flowOf('broiler'),
      lotOf(
        'broiler',
        [
          { kind: 'cost', label: 'Chicks', amount: 10000 },
          { kind: 'loss', day: '2026-06-20', animals: 4, cause: 'weather' },
        ],
        'hot',
        165,
      ),
      FARM,
      0,
    )
    const { alive, dressedKg, lost } = batchCost(read)
    expect(alive).toBe(10000 / 40)
    expect(dressedKg).toBeCloseTo(10000 / (165 * 0.45359237), 2)
    expect(lost).toBeCloseTo(10000 / 40 - 10000 / 44, 9)
  })
  it('two types on one farm: the slow one takes longer, eats more for a kg, has less breast (common practice)', () => {
    const state = lotOf('broiler')
    const read = reckon(flowOf('broiler'), state, FARM, 0)
    const [a, b] = compareTypes(
      read,
      state,
      FARM,
      [
        { type: 'fast', kg: kg(2.6), young: 200 },
        { type: 'slow', kg: kg(2.6), young: 300 },
      ],
      60,
      1,
    )
    expect(b!.days!).toBeGreaterThan(a!.days! * 1.4)
    expect(b!.feed).toBeGreaterThan(a!.feed)
    expect(b!.dressed).toBeLessThan(a!.dressed)
    expect(b!.breast!).toBeLessThan(a!.breast! - 0.04)
    expect(a!.left).toBeCloseTo(a!.brings - a!.young - a!.fed - a!.kept, 9)
  })
})
