import type { Anatomy } from '#core/anatomy'
import type { Issue } from '#core/measure'
import type { Decision, FactBody } from '#core/records'
import * as animal from './animal.ts'
import * as batch from './batch.ts'
import * as bench from './bench.ts'
import * as cold from './cold.ts'
import * as cutting from './cutting.ts'
import * as day from './day.ts'
import * as money from './money.ts'
import * as packs from './packs.ts'
import * as pricing from './pricing.ts'
import { called } from './reads.ts'
import type { ReadsDecision, ReadsDecisions, ReadsFact, ReadsFacts, Saying, Sentence, Sets } from './reads.ts'

/** Every kind of core/records as it is read into a plan: one that lacks this half does not compile. */
const FACTS_READ: ReadsFacts = { ...animal, ...money, ...bench, ...cold, ...batch, ...packs }
const DECISIONS_READ: ReadsDecisions = { ...cutting, ...day, ...pricing }

export const readerOfFact = ({ kind }: FactBody) => FACTS_READ[kind] as ReadsFact<FactBody>
export const readerOf = ({ field }: Decision) => DECISIONS_READ[field] as ReadsDecision<Decision>

/** What a decision names that the anatomy does not have, or a figure out of its bounds; null when all is there. */
export const unknownIn = (anatomy: Anatomy, decision: Decision): Issue | null =>
  readerOf(decision).unknownIn(anatomy, decision)

/** What a fact names that the anatomy does not have, or a figure that no such animal has; null when it may be kept. */
export const unknownFact = (anatomy: Anatomy, fact: FactBody): Issue | null =>
  readerOfFact(fact).unknownIn(anatomy, fact)

/** A decision or a fact in the farm's words: wherever one is told of, in this one sentence. */
export function sayRecord(said: Decision | FactBody, saying: Saying): Sentence {
  if (!('field' in said)) return readerOfFact(said).say(said, saying)
  const { about, usual, say } = readerOf(said)
  const side = said.side === 'animal' ? '' : `, ${said.side} side`
  const name = said.target === 'lot' ? said.field : called(said.target, saying)
  return {
    what: about ?? (name === said.field ? said.field : `${name}${side}: ${said.field}`),
    value: said.value === null ? (usual ?? 'the usual') : say(said as Sets<Decision>, saying),
  }
}
