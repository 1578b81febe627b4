import { kg, roundToSum, type Interval, type Kg } from '#core/measure'
import { massBelow, shareBelow, weightOf, type Heaps } from './heaps.ts'

/** A size class: from one weight to the next, and how many fall into it. */
export interface SizeClass {
  from: Kg | null
  to: Kg | null
  /** Whole animals, which come to all of them; and the likely range of how many. */
  animals: number
  range: Interval
  /** What one of it weighs on the average. */
  each: Kg
}

/** A flock as it is sorted: how many, how their weights lie, and how well their mean is known (log SD). */
export interface Spreading extends Heaps {
  count: number
  off: number
}

const Z = 1.2816

/**
 * How many fall into each size class, each bird log-normal about the mean of the flock or of its sex. The range has two parts: which birds
 * they happen to be (binomial), and that the mean of the flock is not known, which no number of birds makes less.
 */
export function sizeClasses(flock: Spreading, bounds: readonly Kg[]): SizeClass[] {
  const { count, mean, off } = flock
  const below = (i: number, shift = 0) =>
    i < 0 ? 0 : i >= bounds.length ? 1 : shareBelow(flock, bounds[i]! * Math.exp(-shift))
  const shares = Array.from({ length: bounds.length + 1 }, (_, i) => below(i) - below(i - 1))
  const whole = roundToSum(
    shares.map((p) => p * count),
    0,
  )
  return shares.map((p, i) => {
    const share = (shift: number) => below(i, shift) - below(i - 1, shift)
    const slope = (share(off) - share(-off)) / 2
    const half = Z * Math.hypot(Math.sqrt(count * p * (1 - p)), count * slope)
    // Its mean: the part of the first moment that lies between its bounds.
    const moment = (j: number) => (j < 0 ? 0 : j >= bounds.length ? 1 : massBelow(flock, bounds[j]!))
    return {
      from: bounds[i - 1] ?? null,
      to: bounds[i] ?? null,
      animals: whole[i]!,
      range: { low: Math.max(0, p * count - half), high: Math.min(count, p * count + half) },
      each: kg(p > 1e-9 ? (mean * (moment(i) - moment(i - 1))) / p : mean),
    }
  })
}

/** The lightest and the heaviest of so many, as is likely: quantiles of the least and the greatest of n (order statistics, textbook). */
export function extremes(flock: Spreading): {
  least: Interval & { middle: number }
  most: Interval & { middle: number }
} {
  const least = (p: number) => weightOf(flock, 1 - (1 - p) ** (1 / flock.count))
  const most = (p: number) => weightOf(flock, p ** (1 / flock.count))
  return {
    least: { low: least(0.1), middle: least(0.5), high: least(0.9) },
    most: { low: most(0.1), middle: most(0.5), high: most(0.9) },
  }
}
