import same from 'fast-deep-equal'
import type { Append, Author, Clash, Facts, Lot, NewPack, NewWeighing, Split } from '#contracts'
import { chainUnder, judgeWeighing, shareHung } from '#core/carcass'
import { gramsOf, issueOf, type Issue } from '#core/measure'
import {
  checkDecisions,
  checkUndo,
  conflicts,
  contestedBy,
  contradictionIn,
  readPlan,
  standingFact,
  unknownFact,
  type FactRow,
} from '#core/plan'
import { judgePacks, weighedOnly } from '#core/reading'
import { correctable, readBy, subjectOf, type Decision, type Entry, type NewFact } from '#core/records'
import { flowOf } from '../anatomies/pins.ts'
import { insertPin, selectPin } from '../anatomies/queries.ts'
import { pinBy } from '../anatomies/today.ts'
import type { Shelf } from '../database/shelf.ts'
import type { Beside } from '../store/beside.ts'
import { missing, refusedFor, stranger, type Kept } from '../store/outcomes.ts'
import type { Tx } from '../store/tx.ts'
import { again, kept } from './kept.ts'
import * as q from './queries.ts'

/** By whom and when something is appended, and to which lot. */
export interface To {
  lot: string
  by: Author
  at: string
}

const anatomyOf = async (tx: Tx, lot: Lot) => (await selectPin(tx, readBy(lot)))!.anatomy
/** The group a lot's records hang on as long as it is not split. */
const wholeOf = (lot: Lot) => lot.groups.find((g) => g.parent === null)!

/** What the next rows of a lot bear: revisions are given out in the same transaction that keeps the rows. */
async function entries(tx: Tx, lot: Lot, { by, at }: To, ids: readonly string[]): Promise<Entry[]> {
  const first = await q.takeRevisions(tx, lot.id, ids.length)
  const group = wholeOf(lot).id
  return ids.map((id, i) => ({ id, group, rev: first + i, at, ...by }))
}

export async function weigh(tx: Tx, to: To & { weighing: NewWeighing }, { lots }: Beside): Promise<Kept> {
  const lot = await lots.read(tx, to.lot)
  if (!lot) return missing
  const { confirmed, ...sent } = to.weighing
  const held = await q.selectWeighing(tx, sent.id)
  if (held) {
    const { id, group, stage, basis, source, shown, corrects, stands } = held
    const as = { id, group, stage, basis, source, shown, corrects, stands }
    return again(tx, lot.id, held.rev, as, { ...sent, group: wholeOf(lot).id })
  }
  if (sent.corrects && !correctable(lot.weighings, sent.corrects))
    return stranger('weighing that still stands', sent.corrects)
  const added = { ...sent, grams: gramsOf(sent.shown) }
  if (sent.stands) {
    const anatomy = await anatomyOf(tx, lot)
    const plan = readPlan(anatomy, lot)
    const chain = chainUnder(anatomy, plan.conventions, plan.type)
    const { hangs, type, conventions } = plan
    const job = { count: lot.count, hangs, type, share: shareHung(flowOf(anatomy), hangs, conventions) }
    const issues = judgeWeighing(anatomy, chain, job, lot.weighings, added)
    if (issues.some((i) => !i.confirmable) || (issues.length > 0 && !confirmed)) return refusedFor(...issues)
  }
  const [entry] = await entries(tx, lot, to, [sent.id])
  await q.insertWeighing(tx, { ...added, ...entry! })
  return kept(tx, lot.id, lot.rev)
}

export async function pack(tx: Tx, to: To & { pack: NewPack }, { lots }: Beside): Promise<Kept> {
  const lot = await lots.read(tx, to.lot)
  if (!lot) return missing
  const { confirmed, ...sent } = to.pack
  const held = await q.selectPack(tx, sent.id)
  if (held) {
    const { id, group, cut, shown, packs, corrects, stands } = held
    const as = { id, group, cut, shown, packs, corrects, stands }
    return again(tx, lot.id, held.rev, as, { ...sent, group: wholeOf(lot).id })
  }
  const anatomy = await anatomyOf(tx, lot)
  if (!anatomy.cuts.some((c) => c.id === sent.cut))
    return refusedFor(issueOf('unknown-id', 'cut', { kind: 'cut', id: sent.cut }))
  if (sent.corrects && !correctable(lot.packs, sent.corrects))
    return stranger('pack that still stands', sent.corrects)
  const added = { ...sent, grams: gramsOf(sent.shown), at: to.at }
  const { verdict } = readPlan(anatomy, lot)
  if (sent.stands && !verdict.food) return refusedFor(issueOf('not-food', 'cut', verdict.reasons[0]!))
  const issue = sent.stands ? judgePacks(flowOf(anatomy), lot, added) : null
  if (issue && !(issue.confirmable && confirmed)) return refusedFor(issue)
  const [entry] = await entries(tx, lot, to, [sent.id])
  await q.insertPack(tx, { ...added, ...entry! })
  return kept(tx, lot.id, lot.rev)
}

/** Appends a batch of decisions. Sent twice it is kept once; on a field someone else changed since, both come back. */
export async function decide(tx: Tx, to: To & { append: Append }, { lots }: Beside): Promise<Kept> {
  const lot = await lots.read(tx, to.lot)
  if (!lot) return missing
  const { batch, base, own, undoes, redoes, commands } = to.append
  const held = await q.selectBatch(tx, batch)
  if (held.length > 0) {
    const { group, undoes: u, redoes: r } = held[0]!
    const as = { group, undoes: u, redoes: r, commands: held.map(({ id, decision }) => ({ id, decision })) }
    return again(tx, lot.id, held[0]!.rev, as, { group: wholeOf(lot).id, undoes, redoes, commands })
  }
  const ids = commands.map((c) => c.id)
  const twice = await q.selectCommandsBy(tx, ids)
  if (twice.length > 0) return { result: 'taken', held: twice, sent: commands }
  if (base > lot.rev) return refusedFor(issueOf('base-ahead', 'base', {}))
  const decisions = commands.map((c) => c.decision)
  const moved = commands.findIndex((c) => c.decision.field === 'anatomy')
  const issues = [
    ...(moved < 0 ? [] : await checkMove(tx, lot, decisions[moved]!, `decisions.${moved}.value`)),
    ...checkUndo(lot.commands, to.append, decisions, to.by),
    ...checkDecisions(await anatomyOf(tx, lot), lot, decisions, undoes !== null || redoes !== null),
  ]
  if (issues.length > 0) return refusedFor(...issues)
  const clashes: Clash[] = [
    ...contestedBy(lot.commands, to.append, decisions, to.by).map(({ mine, theirs }) => ({
      ...{ mine, theirs: theirs.decision, id: null, by: theirs.device },
    })),
    ...conflicts(lot.commands, base, decisions, own).map(({ mine, theirs, by }) => ({
      ...{ mine, theirs, id: null, by },
    })),
  ]
  if (clashes.length > 0) return { result: 'conflict', conflicts: clashes }
  const rows = await entries(tx, lot, to, ids)
  for (const [i, entry] of rows.entries())
    await q.insertCommand(tx, { ...entry, batch, undoes, redoes, decision: decisions[i]! })
  return kept(tx, lot.id, lot.rev)
}

/**
 * What is in the way of reading a lot by another anatomy: one that is not here or of another animal, or something
 * weighed that it has no name for. One of today's is pinned by it.
 */
async function checkMove(tx: Tx, lot: Lot, decision: Decision, field: string): Promise<Issue[]> {
  const hash = typeof decision.value === 'string' ? decision.value : lot.anatomy
  const pin = await pinBy(tx, hash)
  if (pin?.anatomy.species !== lot.species) return [issueOf('anatomy-unknown', field, {})]
  await insertPin(tx, hash, lot.species, pin.body)
  const [what] = weighedOnly(await anatomyOf(tx, lot), pin.anatomy, lot)
  return what ? [issueOf('weighed-gone', field, { what })] : []
}

/** A fact that is kept, or one of those sent with the one in question. */
type NotedRow = FactRow & { device?: string }
const deviceOf = (facts: readonly NotedRow[], id: string) => facts.find((f) => f.id === id)?.device ?? null

/** What is in the way of a fact: another about the same thing that the sender did not know of. */
function clashOf(facts: readonly NotedRow[], sent: NewFact): Clash | null {
  const mine = sent.stands ? sent.fact : null
  const now = standingFact(facts, sent.fact)
  if (now)
    return now.id === sent.corrects
      ? null
      : { mine, theirs: now.fact, id: now.id, by: deviceOf(facts, now.id) }
  const named = facts.find((f) => f.id === sent.corrects)
  if (!named || correctable(facts, named.id)) return null
  const after = facts.find((f) => f.corrects === named.id)!
  return {
    mine,
    theirs: after.stands ? after.fact : null,
    id: after.stands ? after.id : null,
    by: after.device ?? null,
  }
}

const isAgreed = ({ mine, theirs }: Clash) => same(mine, theirs)

/** What is wrong with a fact whatever others said: it names what is not there, or corrects what it is not about. */
function faultOf(facts: readonly FactRow[], sent: NewFact, shelf: Shelf): Issue | null {
  const { fact, corrects } = sent
  if (fact.kind === 'attachment' && sent.stands && !shelf.has(fact.hash))
    return issueOf('attachment-gone', 'hash', { name: fact.name })
  if (corrects === null) return null
  const named = facts.find((f) => f.id === corrects)
  const alike = named?.fact.kind === fact.kind && subjectOf(named.fact) === subjectOf(fact)
  return alike ? null : issueOf('unknown-id', 'corrects', { kind: `${fact.kind} to correct`, id: corrects })
}

/**
 * Keeps facts that belong together, all or none. Each about a thing of which something is known names the fact it
 * corrects; where another was quicker both come back, and where both say the same nothing is added.
 */
export async function note(tx: Tx, to: To & Facts, { shelf, lots }: Beside): Promise<Kept> {
  const lot = await lots.read(tx, to.lot)
  if (!lot) return missing
  const group = wholeOf(lot).id
  const held = await q.selectFactsBy(
    tx,
    to.facts.map((f) => f.id),
  )
  if (held.length > 0) {
    const as = held.map(({ id, corrects, stands, fact, group: g }) => ({
      id,
      corrects,
      stands,
      fact,
      group: g,
    }))
    const wanted = to.facts.filter((f) => held.some((h) => h.id === f.id)).map((f) => ({ ...f, group }))
    return again(tx, lot.id, held[0]!.rev, as, wanted)
  }
  const anatomy = await anatomyOf(tx, lot)
  const now: NotedRow[] = [...lot.facts]
  const added: NewFact[] = []
  const clashes: Clash[] = []
  for (const [i, sent] of to.facts.entries()) {
    const issue = (sent.stands ? unknownFact(anatomy, sent.fact) : null) ?? faultOf(now, sent, shelf)
    if (issue) return refusedFor({ ...issue, field: `facts.${i}.${issue.field}` })
    const clash = clashOf(now, sent)
    if (clash && isAgreed(clash)) continue
    if (clash) clashes.push(clash)
    added.push(sent)
    now.push({ ...sent, at: to.at })
  }
  if (clashes.length > 0) return { result: 'conflict', conflicts: clashes }
  const odd = contradictionIn(anatomy, now, lot.count)
  if (odd) return refusedFor({ ...odd, field: `facts.${to.facts.length - 1}.${odd.field}` })
  const rows = await entries(
    tx,
    lot,
    to,
    added.map((f) => f.id),
  )
  for (const [i, entry] of rows.entries()) {
    const { corrects, stands, fact } = added[i]!
    await q.insertFact(tx, { ...entry, corrects, stands, fact })
  }
  return kept(tx, lot.id, lot.rev)
}

/** Splits a group that has no children yet into others that together are all of it. */
export async function split(tx: Tx, to: To & { split: Split }, { lots }: Beside): Promise<Kept> {
  const lot = await lots.read(tx, to.lot)
  if (!lot) return missing
  const { group: id, into } = to.split
  const ids = into.map((g) => g.id)
  const as = (g: { id: string; animals: number; parent?: string | null }) => ({
    id: g.id,
    animals: g.animals,
    parent: g.parent ?? id,
  })
  const order = (list: { id: string }[]) => list.toSorted((a, b) => (a.id < b.id ? -1 : 1))
  const held = await q.selectGroupsBy(tx, ids)
  if (held.length > 0) {
    return again(tx, lot.id, held[0]!.rev, order(held.map(as)), order(into.map(as)))
  }
  const parent = lot.groups.find((g) => g.id === id)
  if (!parent || lot.groups.some((g) => g.parent === id))
    return refusedFor(issueOf('unknown-id', 'group', { kind: 'group that is whole', id }))
  const children = into.reduce((s, g) => s + g.animals, 0)
  if (children !== parent.animals || new Set(ids).size < ids.length)
    return refusedFor(issueOf('groups-unequal', 'into', { parent: parent.animals, children }))
  const rev = await q.takeRevisions(tx, lot.id, 1)
  for (const g of into) await q.insertGroup(tx, lot.id, { ...g, parent: id, rev, at: to.at, ...to.by })
  return kept(tx, lot.id, lot.rev)
}
