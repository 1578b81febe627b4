import { CATCH, gramsOf, kg, kgOf, readSample, type Interval, type Kg, daysBetween } from '#core/measure'
import { cameOf } from '#core/ledger'
import type { Plan } from '#core/plan'
import type { Sample, Species } from '#core/records'
import { curveOf, dayAt, sexesAt, weightAt, type Curve } from './curves.ts'
import { weightOf, type Heaps } from './heaps.ts'

/** How a flock drifts from its curve from one day to the next: log SD a day, as a walk (our own; docs/sources.md: growth-curves). */
const DRIFT = 0.011
const Z = 1.2816

/** A batch as it is known: when it was placed, at what age, how many. */
export interface Batch {
  curve: Curve
  placed: string
  /** Age on the day it was placed, days. */
  age: number
  came: number
}

/** The batch of a plan; null for what is raised singly, or where nobody said when it was placed. Their age goes by what they weighed then. */
export function batchOf(species: Species, plan: Plan, count: number): Batch | null {
  const curve = curveOf(species, plan.type, plan.start?.sexed ?? null)
  if (!curve || !plan.start) return null
  const came = cameOf(plan, count)
  return { curve, placed: plan.start.day, age: dayAt(curve, plan.start.kg / came) ?? 0, came }
}

/** How far the flock is off its curve, log: its middle and SD, on a day after it was placed. */
interface Off {
  day: number
  at: number
  sd: number
}

/** All of a flock weighed together: what one weighed on the average, and on which day. */
export interface WeighedAll {
  day: string
  each: Kg
}
/** All on one scale, its own error: log SD (docs/sources.md: sample). */
const SCALE = 0.005

/** The flock off its curve, as it was seen: a walk that is looked at now and then (the filter of Kalman, 1960, for one figure). */
function offOf({ curve, placed, age }: Batch, samples: readonly Sample[], weighed: WeighedAll | null): Off {
  let now: Off = { day: 0, at: 0, sd: curve.flocks }
  const alive = samples.filter((s) => s.of === 'live')
  const seen = [
    ...alive.map((s) => {
      const { mean, cv, n } = readSample(s.shown)
      return { day: s.day, mean, error: Math.hypot(cv / Math.sqrt(n), CATCH) }
    }),
    ...(weighed ? [{ day: weighed.day, mean: weighed.each, error: SCALE }] : []),
  ].toSorted((x, y) => (x.day < y.day ? -1 : 1))
  for (const { day: on, mean, error } of seen) {
    const day = daysBetween(placed, on)
    if (day < 0) continue
    const before = Math.hypot(now.sd, DRIFT * Math.sqrt(Math.max(0, day - now.day)))
    const is = Math.log(mean / weightAt(curve, age + day))
    const gain = before ** 2 / (before ** 2 + error ** 2)
    now = { day, at: now.at + gain * (is - now.at), sd: before * Math.sqrt(1 - gain) }
  }
  return now
}

/** A sample shows the sexes at the most so much further apart than is usual: young birds lie apart for other reasons. */
const FURTHER = 1.3

/**
 * How single birds lie apart at an age: as a sample had it, or the type’s. Of a type whose sexes grow apart, what a sample
 * lies apart more than one sex does is the sexes; hens alone lie no further apart than hens do. Full grown where no age is said.
 */
export function heapsOf(
  curve: Curve | null,
  sample: Pick<Sample, 'shown'> | undefined,
  age: { now: number; sampled: number } | null = null,
): Omit<Heaps, 'mean'> {
  const type = { apart: curve?.apart ?? 0.1, sexes: curve?.sexes ?? 0 }
  const at = (day: number | undefined) => (curve && day !== undefined ? sexesAt(curve, day) : type.sexes)
  if (!sample) return { ...type, sexes: at(age?.now) }
  const { cv } = readSample(sample.shown)
  const usual = at(age?.sampled)
  if (usual <= 0) return { apart: cv, sexes: 0 }
  const seen = 2 * Math.sqrt(Math.max(0, cv ** 2 - type.apart ** 2))
  return seen > 0
    ? { apart: type.apart, sexes: at(age?.now) * Math.min(FURTHER, seen / usual) }
    : { apart: cv, sexes: 0 }
}
const newestOf = (samples: readonly Sample[]) =>
  samples.toSorted((a, b) => (a.day < b.day ? 1 : -1)).find((s) => s.shown.length >= 5)

export interface GrowthPoint {
  day: number
  kg: Kg
  range: Interval
}
export interface BatchGrowth {
  /** What one weighs on the average, days after it was placed; the type’s own curve beside it. */
  points: GrowthPoint[]
  usual: { day: number; kg: Kg }[]
  /** How far it is ahead of its type, as a share. */
  ahead: number
  /** How its birds lie on a day. */
  heaps: (day: number) => Omit<Heaps, 'mean'>
  at: (day: number) => { kg: Kg; range: Interval }
}

/**
 * How a batch grows: its type’s curve, moved by what samples and a weighing of all said, with the band in which its mean lies in eight flocks of
 * ten. What is common to the flock does not shrink with the number of its birds.
 */
export function growthOfBatch(
  batch: Batch,
  samples: readonly Sample[],
  until: number,
  weighed: WeighedAll | null = null,
): BatchGrowth {
  const off = offOf(batch, samples, weighed)
  const at = (day: number) => {
    const sd =
      day >= off.day
        ? Math.hypot(off.sd, DRIFT * Math.sqrt(day - off.day))
        : Math.hypot(off.sd, DRIFT * Math.sqrt(off.day - day))
    const middle = weightAt(batch.curve, batch.age + day) * Math.exp(off.at)
    return { kg: kg(middle), range: { low: middle * Math.exp(-Z * sd), high: middle * Math.exp(Z * sd) } }
  }
  const newest = newestOf(samples)
  const sampled = newest ? batch.age + daysBetween(batch.placed, newest.day) : 0
  const days = Array.from({ length: Math.max(2, Math.ceil(until / 2) + 1) }, (_, i) => i * 2)
  return {
    points: days.map((day) => ({ day, ...at(day) })),
    usual: days.map((day) => ({ day, kg: kg(weightAt(batch.curve, batch.age + day)) })),
    ahead: Math.expm1(off.at),
    heaps: (day) => heapsOf(batch.curve, newest, { now: batch.age + day, sampled }),
    at,
  }
}

export interface ReadyDay {
  /** Days after it was placed; null where it never gets there. */
  day: number | null
  low: number | null
  high: number | null
}

/** The day on which a share of the birds weigh at least so much: each bird log-normal about the mean of its flock, or of its sex. */
export function readyDay(growth: BatchGrowth, target: Kg, share: number): ReadyDay {
  // Of a flock of which a share is to reach it, the mean must stand so much above.
  const wanted = (day: number) => target / weightOf({ ...growth.heaps(day), mean: 1 }, 1 - share)
  const first = (of: (day: number) => number): number | null => {
    let [low, high] = [0, 400]
    if (of(high) < wanted(high)) return null
    while (high - low > 0.01) {
      const middle = (low + high) / 2
      if (of(middle) >= wanted(middle)) high = middle
      else low = middle
    }
    return high
  }
  return {
    day: first((d) => growth.at(d).kg),
    low: first((d) => growth.at(d).range.high),
    high: first((d) => growth.at(d).range.low),
  }
}

/** Eight in ten weigh at least so much of the mean, of one sex; of two it is asked of how they lie. */
const USUAL = { share: 0.8, ofMean: 0.9 }

/** What is wanted of a batch: as was said, or what eight in ten weigh when the mean is the type’s usual weight. */
export const raisedTo = (curve: Curve, raise: Plan['raise']): { kg: Kg; share: number } =>
  raise
    ? { kg: kgOf(gramsOf(raise.shown)), share: raise.share }
    : { kg: kg(curve.target * usualOf(curve)), share: USUAL.share }

function usualOf(curve: Curve): number {
  if (curve.sexes === 0) return USUAL.ofMean
  const heaps = heapsOf(curve, undefined, { now: dayAt(curve, curve.target) ?? 0, sampled: 0 })
  return weightOf({ ...heaps, mean: 1 }, 1 - USUAL.share)
}
