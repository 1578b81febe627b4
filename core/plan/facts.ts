import { inForce, type Fact } from '#core/records'
import { verdictOf } from '#core/rules'
import { noFacts, type Facts } from './kinds/draft.ts'
import { readerOfFact } from './kinds/index.ts'

/** What reading needs of a fact. */
export type FactRow = Pick<Fact, 'id' | 'corrects' | 'stands' | 'fact' | 'at'>

/** What is so of a lot: its facts in force, read one after another. */
export function readFacts(rows: readonly FactRow[]): Facts {
  const facts = noFacts()
  for (const row of inForce(rows)) readerOfFact(row.fact).into(facts, row.fact, row)
  return { ...facts, verdict: verdictOf(facts) }
}
