import { normalQuantile, normalShare } from '#core/measure'

/**
 * How weights of a flock lie: log-normal about the mean of all, and in two heaps where cocks and hens grow apart, as many of
 * either. `apart` is the log SD of one sex, `sexes` how far the two stand apart, log; 0 for one heap.
 */
export interface Heaps {
  mean: number
  apart: number
  sexes: number
}

/** Log SD of the whole flock: √(apart² + (sexes ÷ 2)²). */
export const spreadOfAll = ({ apart, sexes }: Pick<Heaps, 'apart' | 'sexes'>): number =>
  Math.hypot(apart, sexes / 2)

/** What one of a sex weighs on the average beside the mean of the flock: 1 where the sexes are alike. */
export const ofSex = (sex: 'males' | 'females', sexes: number): number =>
  Math.exp((sex === 'males' ? 1 : -1) * (sexes / 2)) / Math.cosh(sexes / 2)

/** The middles of the heaps, log. */
function middles({ mean, apart, sexes }: Heaps): readonly number[] {
  const sd = Math.max(apart, 1e-6)
  const of = (sex: 'males' | 'females') => Math.log(mean * ofSex(sex, sexes)) - sd ** 2 / 2
  return sexes > 0 ? [of('females'), of('males')] : [of('females')]
}
const averaged = (at: readonly number[]) => at.reduce((sum, x) => sum + x, 0) / at.length

/** Share of the flock that weighs less than so much. */
export const shareBelow = (heaps: Heaps, weight: number): number =>
  averaged(middles(heaps).map((mu) => normalShare((Math.log(weight) - mu) / Math.max(heaps.apart, 1e-6))))

/** How thick the flock lies at a weight, beside any other weight on a log scale. */
export const thickness = (heaps: Heaps, weight: number): number =>
  averaged(
    middles(heaps).map((mu) => Math.exp(-(((Math.log(weight) - mu) / Math.max(heaps.apart, 1e-6)) ** 2) / 2)),
  )

/** Of the weight of all, the share in animals below so much: the first moment of a log-normal (textbook). */
export const massBelow = (heaps: Heaps, weight: number): number => {
  const sd = Math.max(heaps.apart, 1e-6)
  const each = middles(heaps).map((mu) => Math.exp(mu + sd ** 2 / 2))
  const below = middles(heaps).map((mu, i) => each[i]! * normalShare((Math.log(weight) - mu - sd ** 2) / sd))
  return averaged(below) / averaged(each)
}

/** The weight below which a share of the flock lies. */
export function weightOf(heaps: Heaps, share: number): number {
  const sd = Math.max(heaps.apart, 1e-6)
  const ends = middles(heaps).map((mu) => Math.exp(mu + sd * normalQuantile(share)))
  let [low, high] = [Math.min(...ends), Math.max(...ends)]
  while (high / low > 1 + 1e-9) {
    const middle = Math.sqrt(low * high)
    if (shareBelow(heaps, middle) < share) low = middle
    else high = middle
  }
  return high
}
