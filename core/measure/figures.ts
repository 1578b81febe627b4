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
