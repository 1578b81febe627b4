import { lookup, type Anatomy } from '#core/anatomy'
import type { Flow } from '#core/carcass'
import { type Kg, type Names } from '#core/measure'
import { latest, unknownFact, unknownIn } from '#core/plan'
import { inForce, type Decision, type FactBody } from '#core/records'
import type { FarmFigures, LotState, Reckoning } from './lot.ts'
import { reckon } from './reckon.ts'

/** A lot read by the figures it has and by newer ones: what it would be told otherwise, and what it would lose. */
export interface MoveUp {
  /** Decisions in force that the newer figures cannot keep, by the names they had. */
  gone: { decision: Decision; what: Names; value: Names | null }[]
  /** Ways that the newer figures have beside those of now. */
  added: Names[]
  /** What was weighed, or ticked off, under a name that the newer figures do not have: then the lot cannot move. */
  held: Names[]
  before: Reckoning
  after: Reckoning
  /** Cuts by how far they move, the furthest first; a cut that only one has is nothing in the other. */
  cuts: { names: Names; before: Kg | null; after: Kg | null }[]
}

const named = (anatomy: Anatomy, id: string): Names => {
  const all = [...anatomy.cuts, ...anatomy.parts, ...anatomy.lines, ...anatomy.measures, ...anatomy.types]
  return all.find((x) => x.id === id)?.names ?? { american: id, commonwealth: id }
}
const wayOf = (anatomy: Anatomy, d: Decision): Names | null => {
  const id = d.field === 'path' ? d.value : d.field === 'split' ? d.value?.path : null
  return (id ? lookup(anatomy).path(id)?.names : undefined) ?? null
}
const aboutIn = (anatomy: Anatomy, fact: FactBody): Names =>
  named(anatomy, 'of' in fact ? (fact.of ?? fact.kind) : 'value' in fact ? String(fact.value) : fact.kind)

/** What was weighed or seen under a name that other figures do not have; nothing weighed is ever lost by a move. */
export function weighedOnly(from: Anatomy, to: Anatomy, lot: Pick<LotState, 'packs' | 'facts'>): Names[] {
  const cuts = new Set(inForce(lot.packs).map((p) => p.cut))
  return [
    ...[...cuts].filter((id) => !lookup(to).cut(id)).map((id) => named(from, id)),
    ...inForce(lot.facts).flatMap(({ fact }) => (unknownFact(to, fact) ? [aboutIn(from, fact)] : [])),
  ]
}

/** Reads a lot by newer figures beside its own, without intervals: what it would be told otherwise. */
export function moveUp(from: Flow, to: Flow, lot: LotState, farm: FarmFigures): MoveUp {
  const [before, after] = [from, to].map((flow) => reckon(flow, lot, farm, 0)) as [Reckoning, Reckoning]
  const gone = [...latest(lot.commands).values()].flatMap(({ decision: d }) =>
    d.value === null || !unknownIn(to.anatomy, d) || unknownIn(from.anatomy, d)
      ? []
      : [{ decision: d, what: named(from.anatomy, d.target), value: wayOf(from.anatomy, d) }],
  )
  const ids = new Set([...before.cuts, ...after.cuts].map((c) => c.cut.id))
  const cuts = [...ids].map((id) => {
    const [old, now] = [before, after].map((read) => read.cuts.find((c) => c.cut.id === id) ?? null)
    return { names: (now ?? old)!.cut.names, before: old?.kg ?? null, after: now?.kg ?? null }
  })
  const moved = (c: { before: Kg | null; after: Kg | null }) => Math.abs((c.after ?? 0) - (c.before ?? 0))
  return {
    gone,
    added: to.anatomy.paths.filter((p) => !lookup(from.anatomy).path(p.id)).map((p) => p.names),
    held: weighedOnly(from.anatomy, to.anatomy, lot),
    before,
    after,
    cuts: cuts.filter((c) => moved(c) > 0).sort((a, b) => moved(b) - moved(a)),
  }
}
