import type { Sex, Species } from '#core/records'
import { ofSex } from './heaps.ts'

/** How a type grows: alive, kg. A Gompertz curve from what it weighs at hatch (or birth) to what it would weigh full grown. */
export interface Curve {
  from: number
  grown: number
  /** How fast, a day. */
  rate: number
  /** How far birds of one flock lie apart, one sex; and flocks of the type from one another: log SD. */
  apart: number
  flocks: number
  /** How far full-grown males stand above females, log; 0 where it is little beside how far birds lie apart. */
  sexes: number
  /** Feed for one of gain, raised to `target` kg; more for heavier. */
  conversion: number
  target: number
  /** What a farmer should know before this curve is taken for theirs. */
  caution?: string
}

const bird = { apart: 0.1, flocks: 0.1, sexes: 0 }
const rabbit = { ...bird, apart: 0.11 }
/** Working figures of small farms, from memory (docs/sources.md: growth-curves). */
const CURVES: Partial<Record<Species, Record<string, Curve>>> = {
  broiler: {
    fast: {
      ...bird,
      from: 0.042,
      grown: 6,
      rate: 0.0369,
      conversion: 2.3,
      target: 3.2,
      caution: 'On good feed, fast birds are 10 to 25 % heavier at an age than on pasture, which this is.',
    },
    slow: { ...bird, from: 0.04, grown: 4.6, rate: 0.02648, conversion: 3.2, target: 2.6 },
  },
  turkey: {
    broad: { ...bird, sexes: 0.38, from: 0.06, grown: 16, rate: 0.0255, conversion: 3, target: 9 },
    standard: { ...bird, sexes: 0.38, from: 0.055, grown: 9.5, rate: 0.0202, conversion: 4, target: 6.5 },
  },
  duck: {
    table: { ...bird, from: 0.055, grown: 4.3, rate: 0.0515, conversion: 2.8, target: 3.2 },
    muscovy: { ...bird, sexes: 0.7, from: 0.05, grown: 4.6, rate: 0.0365, conversion: 3.1, target: 3.2 },
    old: { ...bird, from: 0.045, grown: 3.2, rate: 0.036, conversion: 3.8, target: 2.4 },
  },
  rabbit: {
    fryer: { ...rabbit, from: 0.06, grown: 4, rate: 0.0303, conversion: 3.6, target: 2.3 },
    roaster: { ...rabbit, from: 0.06, grown: 4.8, rate: 0.0265, conversion: 5, target: 4 },
  },
}

/**
 * The curve of a type; of its species’ first where the type is not said; of one sex where they came sexed. Null for what is
 * not raised in batches.
 */
export function curveOf(species: Species, type: string | null, sexed: Sex | null = null): Curve | null {
  const of = CURVES[species]
  const curve = of ? (of[type ?? ''] ?? Object.values(of)[0]!) : null
  if (!curve || !sexed) return curve
  const beside = ofSex(sexed, curve.sexes)
  return { ...curve, grown: curve.grown * beside, target: curve.target * beside, sexes: 0 }
}

/** What one weighs so many days after it hatched. */
export const weightAt = (c: Curve, day: number): number =>
  c.grown * Math.exp(-Math.log(c.grown / c.from) * Math.exp(-c.rate * day))

/** How far males stand above females at an age, log: alike when they hatch, apart as they grow. */
export const sexesAt = (c: Pick<Curve, 'sexes' | 'rate'>, day: number): number =>
  c.sexes * (1 - Math.exp(-c.rate * day))

/** The day at which one weighs so much; null for what it never weighs. */
export function dayAt(c: Curve, weight: number): number | null {
  if (weight >= c.grown) return null
  if (weight <= c.from) return 0
  return -Math.log(Math.log(c.grown / weight) / Math.log(c.grown / c.from)) / c.rate
}

/** Feed one has eaten by so much of weight, kg: its conversion at the usual target, more for heavier (power 0.25 of the weight, our own). */
export const feedTo = (c: Curve, weight: number): number =>
  c.conversion * (weight / c.target) ** 0.25 * Math.max(0, weight - c.from)
