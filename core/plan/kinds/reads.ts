import { lookup, type Anatomy } from '#core/anatomy'
import { issueOf, type Issue, type Kg, type Names, type Says, type TypedMass } from '#core/measure'
import type { Decision, DecisionOf, FactKind, FactOf, Field, SideName } from '#core/records'
import type { FactsDraft } from './draft.ts'
import type { OfLot, Wanted } from './wanted.ts'

/** In what a record is said: the farm's units and names, the pack it grinds into, the animal where it is known. */
export interface Saying {
  says: Says
  pack: Kg
  anatomy: Anatomy | undefined
}
/** What a record is about, and what it says of that. */
export interface Sentence {
  what: string
  value: string
}
/** By which row a fact was said, and when. */
export interface Row {
  id: string
  at: string
}

/** The second half of a kind of fact: what of it an anatomy may not know, how it is read, its sentence. */
export interface ReadsFact<B> {
  unknownIn(anatomy: Anatomy, fact: B): Issue | null
  into(facts: FactsDraft, fact: B, row: Row): void
  say(fact: B, saying: Saying): Sentence
}
export type ReadsFacts = { [K in FactKind]: ReadsFact<FactOf<K>> }

/** A decision that sets something: one of null sets nothing. */
export type Sets<D extends Decision> = D & { value: NonNullable<D['value']> }
/** The second half of a kind of decision. */
export interface ReadsDecision<D extends Decision> {
  unknownIn(anatomy: Anatomy, decision: D): Issue | null
  into(wanted: Wanted, decision: Sets<D>): void
  /** What it is about, where that is not its target and field; what the usual is called. */
  about?: string
  usual?: string
  say(decision: Sets<D>, saying: Saying): string
}
export type ReadsDecisions = { [F in Field]: ReadsDecision<DecisionOf<F>> }

/** Nothing in it is a name of an anatomy. */
export const knowsAll = (): null => null

export const unknown = (field: string, kind: string, id: string): Issue =>
  issueOf('unknown-id', field, { kind, id })

/** A thing of the whole animal is decided for it, a thing of a side for a side. */
export const wrongSide = (part: { id: string; scope: string }, side: SideName): Issue | null =>
  (part.scope === 'animal') === (side === 'animal') ? null : unknown('side', `side of the ${part.id}`, side)

export const knowsCut = (anatomy: Anatomy, { target }: { target: string }): Issue | null =>
  lookup(anatomy).cut(target) ? null : unknown('target', 'cut', target)

/** What an id of the animal is called; the id where it names nothing. */
export function called(id: string, { anatomy, says }: Saying): string {
  const { parts = [], cuts = [], lines = [], conventions = [], measures = [], types = [] } = anatomy ?? {}
  const named = [...parts, ...cuts, ...lines, ...conventions, ...measures, ...types].find((x) => x.id === id)
  return named ? says.name(named.names as Names) : id
}
export const shownAs = (shown: TypedMass): string => `${shown.value} ${shown.unit}`

/** A field that is decided once for all of a lot, and names nothing of the animal. */
export const onLot = <F extends keyof OfLot & Field>(
  field: F,
  say: ReadsDecision<DecisionOf<F>>['say'],
  about?: string,
): ReadsDecision<DecisionOf<F>> => ({
  unknownIn: knowsAll,
  into: ({ lot }, { value }) => void Object.assign(lot, { [field]: value }),
  say,
  ...(about !== undefined && { about }),
})
