import { deviation, mean } from 'd3-array'
import { studentQuantile } from './chance.ts'
import type { Interval } from './interval.ts'
import { gramsOf } from './mass.ts'
import { kg, kgOf, type Kg, type TypedMass } from './units.ts'

/** Birds that are caught are not quite those of the flock, and the scale is off by the same for all: log SD, never divided by their number (our own; docs/sources.md: sample). */
export const CATCH = 0.02
/** Within so much of the mean a bird counts as even. */
const EVEN = 0.1

export interface SampleRead {
  n: number
  mean: Kg
  /** How far they lie apart: the sample standard deviation, and as a share of the mean. */
  sd: Kg
  cv: number
  /** Share of them within 10 % of the mean. */
  uniformity: number
  /** What all of the flock weigh on the average, as this says. */
  flock: Interval
}

/** What some that were weighed say of all: mean, spread, uniformity; the mean of all by Student’s t, and how they were caught beside it. */
export function readSample(shown: readonly TypedMass[]): SampleRead {
  const masses = shown.map((s) => kgOf(gramsOf(s)))
  const n = masses.length
  const m = mean(masses)!
  const sd = deviation(masses)!
  const t = studentQuantile(0.9, n - 1)
  const off = Math.hypot((t * sd) / Math.sqrt(n), 1.2816 * CATCH * m)
  return {
    n,
    mean: kg(m),
    sd: kg(sd),
    cv: sd / m,
    uniformity: masses.filter((x) => Math.abs(x - m) <= EVEN * m).length / n,
    flock: { low: m - off, high: m + off },
  }
}
