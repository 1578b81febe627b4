/** Weights of the chain in order; `shrunk` is live after fasting and haulage, `aged` is what hangs on the day of cutting. */
export const STAGES = ['live', 'shrunk', 'hot', 'cold', 'aged'] as const
export type Stage = (typeof STAGES)[number]
export const STAGE_WORDS: Record<Stage, string> = {
  live: 'live weight',
  shrunk: 'fasted live weight',
  hot: 'hot weight',
  cold: 'cold weight',
  aged: 'aged weight',
}
