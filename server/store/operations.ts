import { createHash } from 'node:crypto'
import { stringify } from 'safe-stable-stringify'
import type {
  Append,
  Bundle,
  FarmChange,
  Home,
  KeptFarm,
  Lot,
  NewLot,
  NewPack,
  NewWeighing,
  OwnChange,
  OwnVersion,
  Paper,
  PlanChange,
  StoredPlan,
} from '#contracts'
import { BUNDLE_VERSION } from '#contracts'
import { ANATOMIES, extendAnatomy, type Anatomy, type Species } from '#core/anatomy'
import {
  chainUnder,
  compile,
  currentWeighings,
  heaviestCarcass,
  judgeWeighing,
  type Weighing,
} from '#core/carcass'
import { reckon, type PackWeighing } from '#core/forecast'
import { formatMass, gramsOf, type Issue } from '#core/measure'
import { checkDecisions, checkUndo, conflicts, readPlan, strangersIn, type Conflict } from '#core/plan'
import * as q from './queries.ts'
import type { Tx } from './rows.ts'

/** Two things with one id: what is held, and what was sent. Neither is lost, and nothing was changed. */
export interface Taken {
  result: 'taken'
  held: unknown
  sent: unknown
}
/** What came of a write: kept (with the lot as it now stands), or why not. */
export type Kept =
  | { result: 'kept'; lot: Lot }
  | { result: 'refused'; issues: Issue[] }
  | { result: 'conflict'; conflicts: Conflict[] }
  | { result: 'missing' }
  | Taken
/** What came of changing a thing in place: kept, or what another made of it since. */
export type Changed<T> =
  | { result: 'kept'; value: T }
  | { result: 'changed'; held: T | null; sent: unknown }
  | { result: 'refused'; issues: Issue[] }

/** SHA-256 of a value as JSON with sorted keys: the same for the same content, however it was stored. */
export const digestOf = (content: unknown) => createHash('sha256').update(stringify(content)!).digest('hex')
/** Equal as parsed records, whatever the order of their keys. */
const same = (a: unknown, b: unknown) => stringify(a) === stringify(b)
const missing = { result: 'missing' } as const
const kept = async (tx: Tx, id: string): Promise<Kept> => ({
  result: 'kept',
  lot: (await q.selectLot(tx, id))!,
})
const refusedFor = (...issues: Issue[]) => ({ result: 'refused' as const, issues })
const stranger = (kind: string, id: string): Kept =>
  refusedFor({ code: 'unknown-id', field: 'corrects', figures: { kind, id } })
/** A row sent again is kept once; another under its id is refused, with both. */
const again = (tx: Tx, lot: string, held: unknown, sent: unknown): Promise<Kept> | Kept =>
  same(held, sent) ? kept(tx, lot) : { result: 'taken', held, sent }

async function home(tx: Tx): Promise<Home> {
  const plans = (await q.selectPlans(tx)).filter((p) => !p.withdrawn)
  return { farm: await q.selectFarm(tx), lots: await q.selectLots(tx), plans }
}

async function saveFarm(tx: Tx, { base, ...farm }: FarmChange): Promise<Changed<KeptFarm>> {
  const held = await q.selectFarm(tx)
  if (held && same(held, { ...farm, revision: held.revision })) return { result: 'kept', value: held }
  if (base !== (held?.revision ?? 0)) return { result: 'changed', held, sent: farm }
  const value = { ...farm, revision: base + 1 }
  await q.upsertFarm(tx, value)
  return { result: 'kept', value }
}

/** Keeps a new version of the farm's own additions, checked like our own data; lots already hung keep theirs. */
async function saveOwn(tx: Tx, { own, at }: { own: OwnChange; at: string }): Promise<Changed<OwnVersion>> {
  const extended = extendAnatomy(ANATOMIES[own.body.species], own.body)
  if (!extended.ok) return refusedFor(...extended.issues)
  const last = (await q.selectOwn(tx, own.body.species)).at(-1)
  if (last && same(last.body, own.body)) return { result: 'kept', value: last }
  if (own.base !== (last?.version ?? 0)) return { result: 'changed', held: last ?? null, sent: own.body }
  const value = { version: own.base + 1, body: own.body, at }
  await q.insertOwn(tx, value)
  return { result: 'kept', value }
}

/** Keeps a named plan for every animal of its species, or marks it as taken away. */
async function savePlan(
  tx: Tx,
  { id, plan, at }: { id: string; plan: PlanChange; at: string },
): Promise<Changed<StoredPlan>> {
  const { base, body, withdrawn } = plan
  const held = await q.selectPlan(tx, id)
  if (held && same([held.body, held.withdrawn], [body, withdrawn])) return { result: 'kept', value: held }
  if (base !== (held?.revision ?? 0)) return { result: 'changed', held, sent: { body, withdrawn } }
  // One that is only put away may be older than today's figures; nothing else of unknown parts is kept.
  const isSame = held !== null && same(held.body, body)
  const strangers = isSame ? [] : strangersIn(await anatomyOfToday(tx, body.species), body)
  if (strangers.length > 0) return refusedFor(...strangers.map((i) => ({ ...i, field: `body.${i.field}` })))
  await q.upsertPlan(tx, { id, body, withdrawn, at, revision: base + 1 })
  return { result: 'kept', value: (await q.selectPlan(tx, id))! }
}

/** Today's anatomy of a species with the farm's own additions; those that a newer anatomy no longer fits stay out. */
async function anatomyOfToday(tx: Tx, species: Species): Promise<Anatomy> {
  const own = (await q.selectOwn(tx, species)).at(-1)
  const extended = own && extendAnatomy(ANATOMIES[species], own.body)
  return extended?.ok ? extended.value : ANATOMIES[species]
}

const hashes = new WeakMap<Anatomy, string>()
/** The hash of an anatomy, worked out once: it is large, and ours never change while the program runs. */
function hashOf(anatomy: Anatomy): string {
  const known = hashes.get(anatomy) ?? digestOf(anatomy)
  hashes.set(anatomy, known)
  return known
}

/** Hangs a new lot and pins it to the anatomy of today. */
async function hangLot(tx: Tx, { lot, at }: { lot: NewLot; at: string }): Promise<Kept> {
  const held = await q.selectLot(tx, lot.id)
  if (held) {
    const { id, tag, species, count } = held
    return again(tx, id, { id, tag, species, count }, lot)
  }
  const anatomy = await anatomyOfToday(tx, lot.species)
  const hash = hashOf(anatomy)
  await q.insertAnatomy(tx, hash, anatomy.species, anatomy)
  await q.insertLot(tx, { ...lot, anatomy: hash, createdAt: at })
  return kept(tx, lot.id)
}

async function weigh(
  tx: Tx,
  { lot: id, weighing, at }: { lot: string; weighing: NewWeighing; at: string },
): Promise<Kept> {
  const lot = await q.selectLot(tx, id)
  if (!lot) return missing
  const { confirmed, ...sent } = weighing
  const held = await q.selectWeighing(tx, sent.id)
  if (held) return again(tx, id, held, { ...sent, lot: id })
  if (sent.corrects && !correctable(lot.weighings, sent.corrects))
    return stranger('weighing that still stands', sent.corrects)
  const anatomy = (await q.selectAnatomy(tx, lot.anatomy))!
  const added: Weighing = { ...sent, grams: gramsOf(sent.shown), at }
  if (sent.stands) {
    const issues = judgeWeighing(
      anatomy,
      chainUnder(anatomy, readPlan(anatomy, lot.commands).conventions),
      lot.count,
      lot.weighings as Weighing[],
      added,
    )
    if (issues.some((i) => !i.confirmable) || (issues.length > 0 && !confirmed))
      return { result: 'refused', issues }
  }
  await q.insertWeighing(tx, id, sent, at)
  return kept(tx, id)
}

const correctable = (all: readonly { id: string; corrects: string | null }[], id: string) =>
  all.some((w) => w.id === id) && !all.some((w) => w.corrects === id)

async function pack(
  tx: Tx,
  { lot: id, pack: sent, at }: { lot: string; pack: NewPack; at: string },
): Promise<Kept> {
  const lot = await q.selectLot(tx, id)
  if (!lot) return missing
  const held = await q.selectPack(tx, sent.id)
  if (held) return again(tx, id, held, { ...sent, lot: id })
  const anatomy = (await q.selectAnatomy(tx, lot.anatomy))!
  if (!anatomy.cuts.some((c) => c.id === sent.cut)) {
    return {
      result: 'refused',
      issues: [{ code: 'unknown-id', field: 'cut', figures: { kind: 'cut', id: sent.cut } }],
    }
  }
  if (sent.corrects && !correctable(lot.packs, sent.corrects))
    return stranger('pack that still stands', sent.corrects)
  const added: PackWeighing = { ...sent, grams: gramsOf(sent.shown), at }
  const issue = sent.stands ? packIssue(anatomy, lot, added) : null
  if (issue) return refusedFor(issue)
  await q.insertPack(tx, id, sent, at)
  return kept(tx, id)
}

/** Lighter than this a pack holds nothing a person buys: a wrong weight or a wrong number (our own figure). */
const LIGHTEST_PACK_G = 5

/** What is impossible about packs beside those already weighed; null when they may be kept. */
function packIssue(anatomy: Anatomy, lot: Lot, added: PackWeighing): Issue | null {
  const { shown, packs, grams } = added
  const show = (kg: number) => formatMass(kg, shown.unit)
  if (packs > 0 && grams / packs < LIGHTEST_PACK_G)
    return {
      code: 'packs-too-light',
      field: 'packs',
      figures: { shown: `${shown.value} ${shown.unit}`, packs, each: (grams / packs).toFixed(1) },
    }
  const read = reckon(
    compile(anatomy),
    { ...asState(lot), packs: [...asState(lot).packs, added] },
    { massUnit: shown.unit, mincePerKg: 1 },
  )
  const hanging = read.stages.find((s) => s.id === 'hanging')
  if (!hanging) {
    const most = heaviestCarcass(anatomy) * lot.count
    const packed =
      currentWeighings([...(lot.packs as PackWeighing[]), added]).reduce((s, p) => s + p.grams, 0) / 1000
    return packed > most
      ? {
          code: 'packed-above-species',
          field: 'shown',
          figures: {
            packed: show(packed),
            what: `${lot.count} × ${anatomy.names.american.toLowerCase()}`,
            most: show(most),
          },
        }
      : null
  }
  const most = (hanging.range?.high ?? hanging.kg) * 1.02 + read.balance.added + read.balance.kept
  const packed = read.cuts.reduce((sum, c) => sum + c.weighedKg, 0)
  return packed > most
    ? {
        code: 'packed-above-carcass',
        field: 'shown',
        figures: { packed: show(packed), carcass: show(hanging.kg) },
      }
    : null
}

const asState = (lot: Lot) => ({
  count: lot.count,
  weighings: lot.weighings as Weighing[],
  commands: lot.commands,
  packs: lot.packs as PackWeighing[],
})

/** Appends a batch of decisions. Sent twice it is kept once; on a field someone else changed since, both come back. */
async function decide(
  tx: Tx,
  { lot: id, append, at }: { lot: string; append: Append; at: string },
): Promise<Kept> {
  const lot = await q.selectLot(tx, id)
  if (!lot) return missing
  const { batch, base, own, undoes, redoes, commands } = append
  const held = await q.selectBatch(tx, batch)
  if (held) return again(tx, id, held, { lot: id, batch, undoes, redoes, commands })
  const twice = await q.selectCommandsBy(
    tx,
    commands.map((c) => c.id),
  )
  if (twice.length > 0) return { result: 'taken', held: twice, sent: commands }
  if (base > (lot.commands.at(-1)?.seq ?? 0)) return refusedFor({ code: 'base-ahead', field: 'base' })
  const decisions = commands.map((c) => c.decision)
  const anatomy = (await q.selectAnatomy(tx, lot.anatomy))!
  const issues = [
    ...checkUndo(lot.commands, append, decisions),
    ...checkDecisions(anatomy, lot.commands, decisions, undoes !== null || redoes !== null),
  ]
  if (issues.length > 0) return { result: 'refused', issues }
  const clashes = conflicts(lot.commands, base, decisions, own)
  if (clashes.length > 0) return { result: 'conflict', conflicts: clashes }
  for (const c of commands) await q.insertCommand(tx, id, { ...c, batch, undoes, redoes, at })
  return kept(tx, id)
}

/** Keeps a paper as it was printed; asked for again under its id, the one that was printed comes back. */
async function keepPaper(tx: Tx, paper: Paper): Promise<{ result: 'kept'; paper: Paper } | Taken> {
  const held = await q.selectPaper(tx, paper.id)
  if (!held) await q.insertPaper(tx, paper)
  else if (!same(askedOf(held), askedOf(paper)))
    return { result: 'taken', held: askedOf(held), sent: askedOf(paper) }
  return { result: 'kept', paper: held ?? paper }
}
/** What a paper was asked for by: its data is worked out here. */
export const askedOf = ({ id, lot, kind, share }: Paper) => ({ id, lot, kind, share })

async function exportBundle(tx: Tx): Promise<Bundle> {
  const lots = await q.selectLots(tx)
  const anatomies: Bundle['content']['anatomies'] = {}
  for (const hash of new Set(lots.map((l) => l.anatomy))) {
    anatomies[hash] = (await q.selectAnatomy(tx, hash)) as unknown as Record<string, unknown>
  }
  const content = {
    farm: await q.selectFarm(tx),
    anatomies,
    own: await q.selectOwn(tx, null),
    plans: await q.selectPlans(tx),
    lots,
    papers: await q.selectPapers(tx),
  }
  return { format: 'ekko-farm', version: BUNDLE_VERSION, digest: digestOf(content), content }
}

/** Fills an empty database from a checked bundle; refuses one that already holds a farm or lots. */
async function importBundle(tx: Tx, { content }: Bundle): Promise<{ result: 'kept' | 'occupied' }> {
  const present = await home(tx)
  if (present.farm || present.lots.length > 0) return { result: 'occupied' }
  if (content.farm) await q.upsertFarm(tx, content.farm)
  for (const [hash, body] of Object.entries(content.anatomies))
    await q.insertAnatomy(tx, hash, String(body.species), body)
  for (const own of content.own) await q.insertOwn(tx, own)
  for (const plan of content.plans) await q.upsertPlan(tx, plan)
  for (const lot of content.lots) {
    await q.insertLot(tx, lot)
    for (const w of lot.weighings) await q.insertWeighing(tx, lot.id, w, w.at)
    for (const p of lot.packs) await q.insertPack(tx, lot.id, p, p.at)
    for (const c of lot.commands) await q.insertNumberedCommand(tx, lot.id, c)
  }
  for (const p of content.papers) await q.insertPaper(tx, p)
  await q.continueNumbers(tx)
  return { result: 'kept' }
}

const anatomyBy = (tx: Tx, hash: string): Promise<Anatomy | null> => q.selectAnatomy(tx, hash)

/** Every use of the database: one operation is one transaction. Writes are flushed before they are acknowledged. */
export const reads = {
  home,
  lot: q.selectLot,
  anatomy: anatomyBy,
  own: q.selectOwn,
  paper: q.selectPaper,
  exportBundle,
}
export const writes = { saveFarm, saveOwn, savePlan, hangLot, weigh, pack, decide, keepPaper, importBundle }
export const operations = { ...reads, ...writes }

export type Operations = typeof operations
export type OperationName = keyof Operations
export type ArgumentOf<K extends OperationName> = Parameters<Operations[K]>[1]
export type ResultOf<K extends OperationName> = Awaited<ReturnType<Operations[K]>>
