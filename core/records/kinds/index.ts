import { z } from 'zod'
import * as animal from './animal.ts'
import * as batch from './batch.ts'
import * as bench from './bench.ts'
import * as cold from './cold.ts'
import * as cutting from './cutting.ts'
import * as day from './day.ts'
import * as events from './events.ts'
import { broughtUp, type Family, type KindOf, type Loose, type Right } from './kind.ts'
import * as money from './money.ts'
import * as packs from './packs.ts'
import * as pricing from './pricing.ts'
import * as sheets from './sheets.ts'

/**
 * Every kind of record, by family and name: what a file beside this one exports is a kind. Unions, subjects, what hangs on a
 * group, what moves a mass, who may write it, what the database and a bundle accept follow from here.
 */
export const FACTS = { ...animal, ...money, ...bench, ...cold, ...batch, ...packs }
export const DECISIONS = { ...cutting, ...day, ...pricing }
export const SHEETS = { ...sheets }
export const EVENTS = { ...events }

type Kinds = Record<string, KindOf<z.ZodType>>
type BodyOf<K extends Kinds, I extends keyof K = keyof K> = z.infer<K[I]['schema']>

export type FactKind = keyof typeof FACTS
export type Field = keyof typeof DECISIONS
export type FactOf<K extends FactKind> = BodyOf<typeof FACTS, K>
export type DecisionOf<F extends Field> = BodyOf<typeof DECISIONS, F>
/** A fact: what was seen, paid, billed, ticked. */
export type FactBody = FactOf<FactKind>
/** One decision of a plan: a field of a target on a side, and its value; null goes back to the usual. */
export type Decision = DecisionOf<Field>
export type Sheet = BodyOf<typeof SHEETS>
export type EventBody = BodyOf<typeof EVENTS>

const union = <K extends Kinds>(tag: string, kinds: K): z.ZodType<BodyOf<K>> =>
  z.discriminatedUnion(
    tag,
    Object.values(kinds).map((k) => k.schema) as unknown as [z.core.$ZodTypeDiscriminable],
  ) as unknown as z.ZodType<BodyOf<K>>

export const factBodySchema = union('kind', FACTS)
export const decisionSchema = union('field', DECISIONS)
export const sheetSchema = union('format', SHEETS)
export const eventSchema = union('what', EVENTS)

const kindOf = (fact: FactBody): KindOf<z.ZodType> => FACTS[fact.kind]

/**
 * What a fact is about: of one thing only one fact is in force, and the next one corrects it. Null for what there may be
 * any number of: costs, attachments, faults, what happened to a step.
 */
export const subjectOf = (fact: FactBody): string | null => kindOf(fact).subject(fact)

/** How the animals of a group are cut, and not what becomes of the whole lot: prices, days, hands are the lot’s. */
export const isGroupField = (field: Field): boolean =>
  (DECISIONS[field] as KindOf<z.ZodType>).hangsOn(null) === 'group'

/** What is lost, done, signed or goes wrong at the bench, weighed of a part, or cut away of it, is of the group it was done to; all else is of the lot. */
export const isGroupFact = (fact: FactBody): boolean => kindOf(fact).hangsOn(fact) === 'group'

/** How many animals of a group a fact says are gone: lost, or condemned on the day. */
export const goneBy = (fact: FactBody): number => kindOf(fact).gone(fact)

/** Kinds of facts that name bytes, with the field they name them in. */
export const PICTURED = Object.entries(FACTS).flatMap(([kind, { pictures }]) =>
  Object.keys(pictures).map((field) => ({ kind, field })),
)

/** Bytes that a fact names by their hash, in which field, and what they are of. */
export function picturesOf(fact: FactBody): { field: string; hash: string; name: string }[] {
  const body = fact as Record<string, unknown>
  return Object.entries(kindOf(fact).pictures).flatMap(([field, name]) =>
    typeof body[field] === 'string' ? [{ field, hash: body[field], name: String(body[name]) }] : [],
  )
}

/** Whether masses have to be worked out anew where this was said. */
export const movesMass = (said: FactBody | Decision): boolean =>
  ('field' in said ? DECISIONS[said.field] : FACTS[said.kind]).moves === 'mass'

const FAMILIES: Record<Family, Kinds> = { fact: FACTS, decision: DECISIONS, event: EVENTS, sheet: SHEETS }
export type Forms = Record<Family, Readonly<Record<string, number>>>

/** The form that a kind is written in today; null where there is no such kind. */
export const formOf = (family: Family, id: string): number | null =>
  Object.hasOwn(FAMILIES[family], id) ? FAMILIES[family][id]!.form : null

/** A body of a kind as it was written in an earlier form, in the form of today. */
export function formUp(family: Family, id: string, body: Loose, form: number): Loose {
  return formOf(family, id) === null ? body : broughtUp(body, form, FAMILIES[family][id]!.up)
}

/** A sheet says its form itself, as `version`. */
export const sheetUp = (body: Loose & { format: string; version: number }): Loose =>
  formUp('sheet', body.format.replace('ekko-', ''), body, body.version)

/** Who may say it; null where it is of no kind there is. */
export const rightOf = (family: Family, id: unknown): Right | null => {
  return typeof id === 'string' && formOf(family, id) !== null ? FAMILIES[family][id]!.right : null
}
