import { fromKg, massDigits, toKg } from './mass.ts'
import { minor, sumOf, type Kg, type MassUnit, type Minor } from './units.ts'

/** "72.3 %": a ratio as a percentage. */
export const formatPercent = (ratio: number, digits = 0) => `${(ratio * 100).toFixed(digits)} %`

/**
 * Rounds figures to `digits` decimals so that they add up to `sum` (their own, or one already shown beside
 * them): what a column on screen or paper shows can be added by hand. Largest-remainder method.
 */
export function roundToSum(
  figures: readonly number[],
  digits: number,
  sum = figures.reduce((s, x) => s + x, 0),
): number[] {
  const step = 10 ** -digits
  const steps = figures.map((x) => Math.floor(x / step + 1e-9))
  let missing = Math.round(sum / step) - steps.reduce((s, n) => s + n, 0)
  const byRemainder = figures
    .map((x, i) => ({ i, rest: x / step - steps[i]! }))
    .sort((a, b) => b.rest - a.rest || a.i - b.i)
  for (const { i } of byRemainder) {
    if (missing <= 0) break
    steps[i]! += 1
    missing -= 1
  }
  for (const { i } of byRemainder.reverse()) {
    if (missing >= 0) break
    if (steps[i]! <= 0) continue
    steps[i]! -= 1
    missing += 1
  }
  return steps.map((n) => Number((n * step).toFixed(digits)))
}

/** Whole minor units in proportion to weights, which add up to the amount exactly. */
export function apportion(amount: Minor, weights: readonly number[]): Minor[] {
  const total = weights.reduce((sum, w) => sum + w, 0)
  return roundToSum(
    weights.map((w) => (amount * w) / total),
    0,
    amount,
  ).map(minor)
}

/** Masses as a unit shows them, so that they add up to their sum as it is shown. */
export function massesToSum(masses: readonly Kg[], unit: MassUnit): Kg[] {
  const digits = massDigits(unit)
  const sum = Number(
    fromKg(
      sumOf(masses, (m) => m),
      unit,
    ).toFixed(digits),
  )
  return roundToSum(
    masses.map((m) => fromKg(m, unit)),
    digits,
    sum,
  ).map((x) => toKg(x, unit))
}

/** "12 min", or "40 s" of what takes less than a minute, to five seconds: a step that takes time is never none. */
export function sayMinutes(minutes: number): string {
  const seconds = Math.round((minutes * 60) / 5) * 5
  return seconds > 0 && seconds < 60 ? `${seconds} s` : `${Math.round(minutes)} min`
}

/** "1 pack", "12 packs"; `many` where it is not the one with an s. */
export const counted = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`

/** The same words at the head of a line. */
export const capital = (words: string): string => words.replace(/^./, (c) => c.toUpperCase())
