import { quantileSorted } from 'd3-array'

/** A central 80 % interval: one time in ten below `low`, one in ten above `high`. */
export interface Interval {
  low: number
  high: number
}

/** Empirical quantiles (linear between order statistics) of drawn figures. */
export function quantilesOf(draws: Float64Array, ps: readonly number[]): number[] {
  const sorted = Array.from(draws.slice().sort())
  return ps.map((p) => quantileSorted(sorted, p) ?? Number.NaN)
}

/** The central 80 % interval of drawn figures, or null where nothing varies: a weighed figure has none. */
export function interval(draws: Float64Array): Interval | null {
  const [low = Number.NaN, high = Number.NaN] = quantilesOf(draws, [0.1, 0.9])
  return high - low > 1e-9 * Math.max(1, Math.abs(high)) ? { low, high } : null
}
