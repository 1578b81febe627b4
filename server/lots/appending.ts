import same from 'fast-deep-equal'
import type { Append, Author, Clash, Facts, Join, Lot, NewPack, NewWeighing, Split } from '#contracts'
import { chainUnder, judgeWeighing, shareHung, withSample } from '#core/carcass'
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
import type { Anatomy } from '#core/anatomy'
import { judgeFault } from '#core/hand'
import {
  figuresOf,
  judgeGroupWeight,
  judgePacks,
  reckon,
  viewOf,
  weighedOnly,
  type LotState,
} from '#core/reading'
import {
  animalsIn,
  livingOf,
  childrenOf,
  correctable,
  isGroupFact,
  isGroupField,
  leavesOf,
  onlyLeaf,
  picturesOf,
  readBy,
  subjectOf,
  unitsOf,
  wholeOf,
  type Decision,
  type Entry,
  type Group,
  type NewFact,
  type PackWeighing,
} from '#core/records'
import { flowOf } from '../anatomies/pins.ts'
import { insertPin, selectPin } from '../anatomies/queries.ts'
import { pinBy } from '../anatomies/today.ts'
import type { Shelf } from '../database/shelf.ts'
import type { Beside } from '../store/beside.ts'
import { missing, refusedFor, stranger, type Kept } from '../store/outcomes.ts'
import type { Tx } from '../store/tx.ts'
import { unitsKept } from '../packs/operations.ts'
import { movedOf, setState, takeNumbers } from '../packs/queries.ts'
import { commands as commandTable, facts as factTable, insert, weighings } from '../store/tables/index.ts'
import { again, kept, refuseTaken } from './kept.ts'
import { dayOfTooMany, lossIn } from './living.ts'
import * as q from './queries.ts'
import './issues.ts'

/** By whom and when something is appended, and to which lot. */
export interface To {
  lot: string
  by: Author
  at: string
}

const anatomyOf = async (tx: Tx, lot: Lot) => (await selectPin(tx, readBy(lot)))!.anatomy
/**
 * The group something is of: one that is cut, or all of the lot. How something is cut (`cutting`) is of one that is cut,
 * which is the lot as long as it is not split.
 */
function groupOf({ groups }: Lot, asked: string | undefined, cutting = false): Group | Issue {
  const whole = wholeOf(groups)
  const found =
    asked === undefined ? (cutting && onlyLeaf(groups)) || whole : groups.find((g) => g.id === asked)
  if (!found) return issueOf('unknown-id', 'group', { kind: 'group', id: asked! })
  const isLeaf = leavesOf(groups).includes(found)
  if (cutting && found === whole && !isLeaf) return issueOf('group-needed', 'group', {})
  return isLeaf || found === whole ? found : issueOf('group-gone', 'group', { name: found.name })
}
const isIssue = (found: Group | Issue): found is Issue => 'code' in found
/** The group of what was sent again, where it did not say: that it was kept for, of the same lot. */
const groupAgain = ({ groups }: Lot, asked: string | undefined, held: string) =>
  asked ?? (groups.some((g) => g.id === held) ? held : wholeOf(groups).id)

/** What the next rows of a group bear: revisions are given out in the same transaction that keeps the rows. */
async function entries(
  tx: Tx,
  lot: Lot,
  { by, at }: To,
  group: string,
  ids: readonly string[],
): Promise<Entry[]> {
  await refuseTaken(tx, ids)
  const first = await q.takeRevisions(tx, lot.id, ids.length)
  return ids.map((id, i) => ({ id, group, rev: first + i, at, ...by }))
}
/** Without what was not said: as what was sent is read. */
const plain = <T extends object>(row: T) =>
  Object.fromEntries(Object.entries(row).filter(([, v]) => v !== undefined))

/** A weight is corrected where it was weighed, whatever became of its group. */
const correctedIn = (lot: Lot, list: 'weighings' | 'packs', corrects: string | null): Group | null => {
  const named = corrects === null ? undefined : lot[list].find((r) => r.id === corrects)
  return lot.groups.find((g) => g.id === named?.group) ?? null
}
const ofGroup = <R extends { group: string }>(rows: readonly R[], group: string) =>
  rows.filter((r) => r.group === group)

export async function weigh(tx: Tx, to: To & { weighing: NewWeighing }, { lots }: Beside): Promise<Kept> {
  const lot = await lots.read(tx, to.lot)
  if (!lot) return missing
  const { confirmed, group: asked, ...sent } = to.weighing
  const held = await q.selectWeighing(tx, sent.id)
  if (held) {
    const { id, group, stage, basis, source, shown, corrects, stands } = held
    const as = { id, group, stage, basis, source, shown, corrects, stands }
    return again(tx, lot.id, held.rev, as, { ...sent, group: groupAgain(lot, asked, group) })
  }
  const group = correctedIn(lot, 'weighings', sent.corrects) ?? groupOf(lot, asked)
  if (isIssue(group)) return refusedFor(group)
  const before = ofGroup(lot.weighings, group.id)
  if (sent.corrects && !correctable(before, sent.corrects))
    return stranger('weighing that still stands', sent.corrects)
  const added = { ...sent, grams: gramsOf(sent.shown) }
  if (sent.stands) {
    const anatomy = await anatomyOf(tx, lot)
    const plan = readPlan(anatomy, viewOf(lot, group.id))
    const chain = chainUnder(anatomy, plan.conventions, plan.type)
    const { hangs, type, conventions } = plan
    const share = shareHung(flowOf(anatomy), hangs, conventions)
    const count = animalsIn(group)
    const job = { count, hangs, type, share, sample: withSample([], plan.samples, count)[0] }
    const beside = judgeGroupWeight(lot, { ...added, group: group.id, at: to.at })
    const issues = [...judgeWeighing(anatomy, chain, job, before, added), ...(beside ? [beside] : [])]
    if (issues.some((i) => !i.confirmable) || (issues.length > 0 && !confirmed)) return refusedFor(...issues)
  }
  const [entry] = await entries(tx, lot, to, group.id, [sent.id])
  await insert(tx, weighings, [{ ...added, ...entry! }])
  return kept(tx, lot.id, lot.rev)
}

export async function pack(tx: Tx, to: To & { pack: NewPack }, { lots }: Beside): Promise<Kept> {
  const lot = await lots.read(tx, to.lot)
  if (!lot) return missing
  const { confirmed, group: asked, ...sent } = to.pack
  const sentAgain = (held: PackWeighing) => {
    const { id, group, cut, shown, packs, pieces, wrap, place, outOf, said, corrects, stands } = held
    const as = { id, group, cut, shown, packs, pieces, wrap, place, outOf, said, corrects, stands }
    return again(tx, lot.id, held.rev, plain(as), { ...sent, group: groupAgain(lot, asked, group) })
  }
  const known = lot.packs.find((p) => p.id === sent.id)
  if (known) return sentAgain(known)
  const group = correctedIn(lot, 'packs', sent.corrects) ?? groupOf(lot, asked)
  if (isIssue(group)) return refusedFor(group)
  const anatomy = await anatomyOf(tx, lot)
  if (!anatomy.cuts.some((c) => c.id === sent.cut))
    return refusedFor(issueOf('unknown-id', 'cut', { kind: 'cut', id: sent.cut }))
  if (sent.corrects && !correctable(ofGroup(lot.packs, group.id), sent.corrects))
    return stranger('pack that still stands', sent.corrects)
  const view = viewOf(lot, group.id)
  const opened = sent.outOf ?? []
  const units = unitsOf(view.packs, view.facts)
  const isHere = (n: number) => units.some((u) => u.number === n && u.state === 'here')
  // A correction opens what it says anew; what the corrected weighing had opened is whole again.
  const whole = lot.packs.find((p) => p.id === sent.corrects)?.outOf ?? []
  const gone = opened.filter((n) => !isHere(n) && !whole.includes(n))
  if (gone.length > 0) return refusedFor(issueOf('packs-gone', 'outOf', { numbers: gone }))
  const before = units.filter((u) => sent.corrects !== null && u.weighIn === sent.corrects)
  const moved = await movedOf(
    tx,
    before.map((u) => u.number),
  )
  const tied = [...new Set([...moved, ...before.filter((u) => u.state !== 'here').map((u) => u.number)])]
  if (tied.length > 0) return refusedFor(issueOf('packs-moved', 'corrects', { numbers: tied }))
  const isNumbered = sent.stands && sent.packs > 0
  const added = { ...sent, number: null, grams: gramsOf(sent.shown), at: to.at }
  const { verdict } = readPlan(anatomy, view)
  if (sent.stands && !verdict.food) return refusedFor(issueOf('not-food', 'cut', verdict.reasons[0]!))
  const issue = sent.stands ? judgePacks(flowOf(anatomy), view, added) : null
  if (issue && !(issue.confirmable && confirmed)) return refusedFor(issue)
  await refuseTaken(tx, [sent.id])
  const taken = await takeNumbers(tx, lot.id, sent.id, isNumbered ? sent.packs : 0)
  // Kept for another lot.
  if (!taken) return sentAgain((await q.selectPack(tx, sent.id))!)
  const { rev, number } = taken
  const made = { ...added, ...to.by, group: group.id, rev, number }
  const row = await q.insertWeighIn(tx, made, unitsKept({ id: lot.id, packs: [made], facts: [] }))
  await setState(tx, whole, 'here')
  await setState(tx, opened, 'opened')
  await setState(
    tx,
    before.map((u) => u.number),
    'corrected',
  )
  // Nothing else was added between: what lies there now is all that is new.
  const none = { groups: [], weighings: [], commands: [], facts: [] }
  return { result: 'kept', change: { id: lot.id, from: lot.rev, rev, ...none, packs: [row] } }
}

/** Appends a batch of decisions. Sent twice it is kept once; on a field someone else changed since, both come back. */
export async function decide(tx: Tx, to: To & { append: Append }, { lots }: Beside): Promise<Kept> {
  const lot = await lots.read(tx, to.lot)
  if (!lot) return missing
  const { batch, base, own, undoes, redoes, commands } = to.append
  const ofBatch = await q.selectBatch(tx, batch)
  const ids = commands.map((c) => c.id)
  // One press decides for several groups: what of it is here is told by the ids of its decisions.
  const known = ofBatch.find((c) => ids.includes(c.id))
  const held = ofBatch.filter((c) => c.group === known?.group)
  if (held.length > 0) {
    const { group, undoes: u, redoes: r } = held[0]!
    const as = { group, undoes: u, redoes: r, commands: held.map(({ id, decision }) => ({ id, decision })) }
    const sent = { group: groupAgain(lot, to.append.group, group), undoes, redoes, commands }
    return again(tx, lot.id, held[0]!.rev, as, sent)
  }
  const twice = await q.selectCommandsBy(tx, ids)
  if (twice.length > 0) return { result: 'taken', held: twice, sent: commands }
  if (base > lot.rev) return refusedFor(issueOf('base-ahead', 'base', {}))
  const decisions = commands.map((c) => c.decision)
  const back = undoes ?? redoes
  const taken = lot.commands.filter((c) => back !== null && c.batch === back).map((c) => c.group)
  const before = taken.find((id) => id === to.append.group) ?? taken[0]
  const cutting = before === undefined && decisions.some((d) => isGroupField(d.field))
  const group =
    lot.groups.find((g) => g.id === before) ?? groupOf(lot, cutting ? to.append.group : undefined, cutting)
  if (isIssue(group)) return refusedFor(group)
  const sameBatch = ofBatch.filter((c) => c.group === group.id)
  if (sameBatch.length > 0) return { result: 'taken', held: sameBatch, sent: commands }
  const decided = ofGroup(lot.commands, group.id)
  const view = viewOf(lot, group.id)
  const moved = commands.findIndex((c) => c.decision.field === 'anatomy')
  const issues = [
    ...(moved < 0 ? [] : await checkMove(tx, lot, decisions[moved]!, `decisions.${moved}.value`)),
    ...checkUndo(decided, to.append, decisions, to.by),
    ...checkDecisions(await anatomyOf(tx, lot), view, decisions, back !== null),
    ...(back === null ? decisions.flatMap((d, i) => dayOfTooMany(lot, d, `decisions.${i}.value.birds`)) : []),
  ]
  if (issues.length > 0) return refusedFor(...issues)
  const clashes: Clash[] = [
    ...contestedBy(decided, to.append, decisions, to.by).map(({ mine, theirs }) => ({
      ...{ mine, theirs: theirs.decision, id: null, by: theirs.device },
    })),
    ...conflicts(decided, base, decisions, own).map(({ mine, theirs, by }) => ({
      ...{ mine, theirs, id: null, by },
    })),
  ]
  if (clashes.length > 0) return { result: 'conflict', conflicts: clashes }
  const rows = await entries(tx, lot, to, group.id, ids)
  await insert(
    tx,
    commandTable,
    rows.map((entry, i) => ({ ...entry, batch, undoes, redoes, decision: decisions[i]! })),
  )
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
  const lost = sent.stands ? picturesOf(fact).find((p) => !shelf.has(p.hash)) : undefined
  if (lost) return issueOf('attachment-gone', lost.field, { name: lost.name })
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
    const wanted = to.facts
      .filter((f) => held.some((h) => h.id === f.id))
      .map((f) => ({ ...f, group: groupAgain(lot, to.group, held[0]!.group) }))
    return again(tx, lot.id, held[0]!.rev, as, wanted)
  }
  const isOfGroup = to.facts.some((f) => isGroupFact(f.fact))
  // Packs may all be weighed of a cut of the whole lot; steps are done, and parts weighed, group by group.
  const cutting = to.facts.some(
    ({ fact }) => isGroupFact(fact) && !(fact.kind === 'tick' && fact.what === 'cut'),
  )
  const group = groupOf(lot, isOfGroup ? to.group : undefined, cutting)
  if (isIssue(group)) return refusedFor(group)
  const anatomy = await anatomyOf(tx, lot)
  const now: NotedRow[] = ofGroup(lot.facts, group.id)
  const added: NewFact[] = []
  const clashes: Clash[] = []
  for (const [i, sent] of to.facts.entries()) {
    const issue = (sent.stands ? unknownFact(anatomy, sent.fact) : null) ?? faultOf(now, sent, shelf)
    if (issue) return refusedFor({ ...issue, field: `facts.${i}.${issue.field}` })
    const wrong =
      sent.stands && sent.fact.kind === 'fault' ? faultIn(anatomy, viewOf(lot, group.id), sent) : null
    if (wrong) return refusedFor({ ...wrong, field: `facts.${i}.fact.${wrong.field}` })
    if (sent.fact.kind === 'void' && sent.stands) {
      const { pack: number } = sent.fact
      const known = unitsOf(lot.packs, lot.facts).some((u) => u.number === number && u.state === 'here')
      if (!known && sent.corrects === null)
        return refusedFor(issueOf('packs-gone', `facts.${i}.fact.pack`, { numbers: [number] }))
    }
    const gone = lossIn(lot, group, sent)
    if (gone) return refusedFor({ ...gone, field: `facts.${i}.fact.${gone.field}` })
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
    group.id,
    added.map((f) => f.id),
  )
  await insert(
    tx,
    factTable,
    rows.map((entry, i) => {
      const { corrects, stands, fact } = added[i]!
      return { ...entry, corrects, stands, fact }
    }),
  )
  for (const { fact, stands } of added)
    if (fact.kind === 'void') await setState(tx, [fact.pack], stands ? 'void' : 'here')
  return kept(tx, lot.id, lot.rev)
}

/** A fault is judged by the lot as it stood without the one that it corrects. */
function faultIn(anatomy: Anatomy, lot: LotState, { corrects, fact }: NewFact) {
  const facts = lot.facts.filter((f) => f.id !== corrects)
  return fact.kind === 'fault'
    ? judgeFault(reckon(flowOf(anatomy), { ...lot, facts }, figuresOf(null), 0), fact)
    : null
}

const order = (list: readonly { id: string }[]) => list.toSorted((a, b) => (a.id < b.id ? -1 : 1))

/** Splits a group that is cut into others that together are all of it, or into its two sides. */
export async function split(tx: Tx, to: To & { split: Split }, { lots }: Beside): Promise<Kept> {
  const lot = await lots.read(tx, to.lot)
  if (!lot) return missing
  const { group: id, half, into } = to.split
  const ids = into.map((g) => g.id)
  const groups = livingOf(lot.groups, lot.facts)
  const parent = groups.find((g) => g.id === id)
  const as = (g: Omit<Group, 'rev' | 'at' | 'device' | 'person'>) => ({
    ...{ id: g.id, parent: g.parent, animals: g.animals, half: g.half, name: g.name },
  })
  const made = into.map((g) => ({ ...g, parent: id, joins: [], half: half || parent?.half === true }))
  const held = await q.selectGroupsBy(tx, ids)
  if (held.length > 0) return again(tx, lot.id, held[0]!.rev, order(held.map(as)), order(made.map(as)))
  if (!parent || !leavesOf(groups).includes(parent))
    return refusedFor(issueOf('unknown-id', 'group', { kind: 'group that is whole', id }))
  const children = into.reduce((sum, g) => sum + g.animals, 0)
  const isAll = half
    ? !parent.half && into.length === 2 && into.every((g) => g.animals === parent.animals)
    : children === parent.animals
  if (!isAll || new Set(ids).size < ids.length)
    return refusedFor(issueOf('groups-unequal', 'into', { parent: parent.animals, children }))
  await refuseTaken(tx, ids)
  const rev = await q.takeRevisions(tx, lot.id, 1)
  await q.insertGroups(
    tx,
    lot.id,
    made.map((g) => ({ ...g, rev, at: to.at, ...to.by })),
  )
  return kept(tx, lot.id, lot.rev)
}

/** Puts groups together to one, which is cut as one of them was; what was weighed and packed of each stays of it. */
export async function join(tx: Tx, to: To & { join: Join }, { lots }: Beside): Promise<Kept> {
  const lot = await lots.read(tx, to.lot)
  if (!lot) return missing
  const { id, name, as: parent, with: joins } = to.join
  const [held] = await q.selectGroupsBy(tx, [id])
  if (held) {
    const as = { id: held.id, name: held.name, as: held.parent, with: held.joins.toSorted() }
    return again(tx, lot.id, held.rev, as, { ...to.join, with: joins.toSorted() })
  }
  const leaves = leavesOf(livingOf(lot.groups, lot.facts))
  const all = [parent, ...joins].map((x) => leaves.find((g) => g.id === x))
  const lost = all.findIndex((g) => !g)
  if (lost >= 0)
    return refusedFor(
      issueOf('unknown-id', 'with', { kind: 'group to put together', id: [parent, ...joins][lost]! }),
    )
  const groups = all as Group[]
  if (new Set(groups).size < groups.length)
    return refusedFor(issueOf('unknown-id', 'with', { kind: 'other group', id: parent }))
  const [first] = groups
  const sisters = childrenOf(lot.groups, first!.parent ?? '')
  const above = lot.groups.find((g) => g.id === first!.parent)
  const isBothSides =
    first!.half &&
    above?.half === false &&
    groups.length === 2 &&
    groups.every((g) => sisters.some((x) => x.id === g.id))
  if (!groups.every((g) => g.half === first!.half)) return refusedFor(issueOf('groups-unlike', 'with', {}))
  const animals = groups.reduce((sum, g) => sum + g.animals, 0)
  await refuseTaken(tx, [id])
  const rev = await q.takeRevisions(tx, lot.id, 1)
  await q.insertGroups(tx, lot.id, [
    {
      ...{ id, name, parent, joins, rev, at: to.at, ...to.by },
      animals: isBothSides ? first!.animals : animals,
      half: first!.half && !isBothSides,
    },
  ])
  return kept(tx, lot.id, lot.rev)
}
