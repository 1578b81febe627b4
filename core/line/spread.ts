import { normalQuantile } from '#core/measure'

/** How far single times lie about their mean, as multiples of it that are drawn with equal chance; the mean of them is 1. */
export type Spread = Float64Array

/** Always the same. */
export const FIXED: Spread = Float64Array.of(1)
/** So many multiples, a power of two: more makes no difference that a day would show. */
const STEPS = 1024

const made = new Map<string, Spread>()

/** Multiples at the middle of equal shares of a distribution of mean 1: log-normal with a coefficient of variation, or exponential. */
export function spread(of: 'log-normal' | 'exponential', cv = 1): Spread {
  const key = `${of} ${cv}`
  const held = made.get(key)
  if (held) return held
  const sd = Math.sqrt(Math.log1p(cv * cv))
  const at = (p: number) => (of === 'exponential' ? -Math.log(1 - p) : Math.exp(sd * normalQuantile(p)))
  const raw = Float64Array.from({ length: STEPS }, (_, i) => at((i + 0.5) / STEPS))
  const mean = raw.reduce((a, b) => a + b, 0) / STEPS
  const out = raw.map((x) => x / mean)
  made.set(key, out)
  return out
}
