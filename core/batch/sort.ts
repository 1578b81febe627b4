import { kg, roundToSum, type Interval, type Kg, normalQuantile, normalShare } from '#core/measure'

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

/** A flock as it is sorted: how many, what one weighs, how far they lie apart and how well that mean is known (log SDs). */
export interface Spreading {
  count: number
  mean: number
  apart: number
  off: number
}

const Z = 1.2816

/**
 * How many fall into each size class, each bird log-normal about the mean of the flock. The range has two parts: which birds
 * they happen to be (binomial), and that the mean of the flock is not known, which no number of birds makes less.
 */
export function sizeClasses({ count, mean, apart, off }: Spreading, bounds: readonly Kg[]): SizeClass[] {
  const sd = Math.max(apart, 1e-6)
  const mu = Math.log(mean) - sd ** 2 / 2
  const at = (x: Kg, shift = 0) => normalShare((Math.log(x) - mu - shift) / sd)
  const below = (i: number, shift = 0) => (i < 0 ? 0 : i >= bounds.length ? 1 : at(bounds[i]!, shift))
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
    const moment = (j: number) =>
      j < 0 ? 0 : j >= bounds.length ? 1 : normalShare((Math.log(bounds[j]!) - mu - sd ** 2) / sd)
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
export function extremes({ count, mean, apart }: Spreading): {
  least: Interval & { middle: number }
  most: Interval & { middle: number }
} {
  const mu = Math.log(mean) - apart ** 2 / 2
  const q = (p: number) => Math.exp(mu + apart * normalQuantile(p))
  const least = (p: number) => q(1 - (1 - p) ** (1 / count))
  const most = (p: number) => q(p ** (1 / count))
  return {
    least: { low: least(0.1), middle: least(0.5), high: least(0.9) },
    most: { low: most(0.1), middle: most(0.5), high: most(0.9) },
  }
}
