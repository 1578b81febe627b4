import { appendFileSync, mkdirSync } from 'node:fs'

/** A line of the table that `npm run trials` prints: what was done how often, what was acknowledged, what went wrong. */
export interface Row {
  trial: string
  runs: number
  acknowledged: number
  wrong: string[]
  note?: string
}
export const FILE = '.test-results/trials.jsonl'

/** Puts a line into the table; the trial fails when anything went wrong. */
export function report(row: Row): void {
  mkdirSync('.test-results', { recursive: true })
  appendFileSync(FILE, `${JSON.stringify(row)}\n`)
  if (row.wrong.length > 0) throw new Error(`${row.trial}: ${row.wrong.slice(0, 5).join('; ')}`)
}
