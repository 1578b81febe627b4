/** One step that was timed to its end: what the model had for it, and what it took, minutes. */
export interface Took {
  of: string
  usual: number
  minutes: number
}

/** Log SD of one timed step about a farm's own pace, and of farms' paces about the usual (our own figures; docs/sources.md: clock). */
const WITHIN = 0.35
const BETWEEN = 0.35

/** How a farm's pace at a step compares with the usual: what it comes to by now, and on how many times that rests. */
export interface Pace {
  by: number
  n: number
}

/**
 * The farm's own pace at each step, drawn towards the usual while it rests on little: the mean of a normal with a normal prior
 * at the usual, of logarithms, ln by = (n ÷ σ²) ÷ (n ÷ σ² + 1 ÷ τ²) · mean of ln(took ÷ usual).
 */
export function pacesOf(took: readonly Took[]): ReadonlyMap<string, Pace> {
  const by = new Map<string, number[]>()
  for (const { of, usual, minutes } of took)
    if (usual > 0 && minutes > 0) by.set(of, [...(by.get(of) ?? []), Math.log(minutes / usual)])
  return new Map(
    [...by].map(([of, logs]) => {
      const n = logs.length
      const mean = logs.reduce((s, x) => s + x, 0) / n
      const weight = n / WITHIN ** 2 / (n / WITHIN ** 2 + 1 / BETWEEN ** 2)
      return [of, { by: Math.exp(weight * mean), n }]
    }),
  )
}
