/** "72.3 %": a ratio as a percentage. */
export const formatPercent = (ratio: number, digits = 0) => `${(ratio * 100).toFixed(digits)} %`

/**
 * Rounds figures to `digits` decimals so that they add up to their rounded total: what a column on
 * screen or paper shows can be added by hand. Largest-remainder method; no figure moves by a whole step.
 */
export function roundToSum(figures: readonly number[], digits: number): number[] {
  const step = 10 ** -digits
  const floors = figures.map((x) => Math.floor(x / step + 1e-9))
  const total = Math.round(figures.reduce((sum, x) => sum + x, 0) / step)
  let missing = total - floors.reduce((sum, n) => sum + n, 0)
  const byRemainder = figures
    .map((x, i) => ({ i, rest: x / step - floors[i]! }))
    .sort((a, b) => b.rest - a.rest || a.i - b.i)
  for (const { i } of byRemainder) {
    if (missing <= 0) break
    floors[i]! += 1
    missing -= 1
  }
  return floors.map((n) => Number((n * step).toFixed(digits)))
}
