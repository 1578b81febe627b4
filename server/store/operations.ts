import { createHash } from 'node:crypto'
import { stringify } from 'safe-stable-stringify'
import type {
  Append,
  Bundle,
  Farm,
  Home,
  Lot,
  NewLot,
  NewPack,
  NewWeighing,
  OwnVersion,
  Paper,
  StoredPlan,
} from '#contracts'
import { BUNDLE_VERSION } from '#contracts'
import { ANATOMIES, extendAnatomy, type Anatomy, type OwnAdditions, type Species } from '#core/anatomy'
import { chainUnder, compile, judgeWeighing, type Weighing } from '#core/carcass'
import { reckon, type PackWeighing } from '#core/forecast'
import { formatMass, gramsOf, type Issue } from '#core/measure'
import { checkDecisions, conflicts, readPlan, type Conflict } from '#core/plan'
import * as q from './queries.ts'
import type { Tx } from './rows.ts'

/** What came of a write: kept (with the lot as it now stands), or why not. */
export type Kept =
  | { result: 'kept'; lot: Lot }
  | { result: 'refused'; issues: Issue[] }
  | { result: 'conflict'; conflicts: Conflict[] }
  | { result: 'missing' }
  | { result: 'taken' }

/** SHA-256 of a value as JSON with sorted keys: the same for the same content, however it was stored. */
export const digestOf = (content: unknown) => createHash('sha256').update(stringify(content)!).digest('hex')
const missing = { result: 'missing' } as const
const kept = async (tx: Tx, id: string): Promise<Kept> => ({
  result: 'kept',
  lot: (await q.selectLot(tx, id))!,
})
const stranger = (kind: string, id: string): Kept => ({
  result: 'refused',
  issues: [{ code: 'unknown-id', field: 'corrects', figures: { kind, id } }],
})

async function home(tx: Tx): Promise<Home> {
  const plans = (await q.selectPlans(tx)).filter((p) => !p.withdrawn)
  return { farm: await q.selectFarm(tx), lots: await q.selectLots(tx), plans }
}

async function saveFarm(tx: Tx, farm: Farm): Promise<Farm> {
  await q.upsertFarm(tx, farm)
  return farm
}

/** Keeps a new version of the farm's own additions, checked like our own data; lots already hung keep theirs. */
async function saveOwn(
  tx: Tx,
  { own, at }: { own: OwnAdditions; at: string },
): Promise<{ result: 'kept'; own: OwnVersion } | { result: 'refused'; issues: Issue[] }> {
  const extended = extendAnatomy(ANATOMIES[own.species], own)
  if (!extended.ok) return { result: 'refused', issues: extended.issues }
  const held = await q.selectOwn(tx, own.species)
  const last = held.at(-1)
  if (last && digestOf(last.body) === digestOf(own)) return { result: 'kept', own: last }
  const added = { version: (last?.version ?? 0) + 1, body: own, at }
  await q.insertOwn(tx, added)
  return { result: 'kept', own: added }
}

async function savePlan(tx: Tx, plan: StoredPlan): Promise<StoredPlan> {
  await q.upsertPlan(tx, plan)
  return plan
}

/** Today's anatomy of a species with the farm's own additions; those that a newer anatomy no longer fits stay out. */
async function anatomyOfToday(tx: Tx, species: Species): Promise<Anatomy> {
  const own = (await q.selectOwn(tx, species)).at(-1)
  const extended = own && extendAnatomy(ANATOMIES[species], own.body)
  return extended?.ok ? extended.value : ANATOMIES[species]
}

/** Hangs a new lot and pins it to the anatomy of today. */
async function hangLot(tx: Tx, { lot, at }: { lot: NewLot; at: string }): Promise<Kept> {
  const held = await q.selectLot(tx, lot.id)
  if (held)
    return held.tag === lot.tag && held.count === lot.count && held.species === lot.species
      ? { result: 'kept', lot: held }
      : { result: 'taken' }
  const anatomy = await anatomyOfToday(tx, lot.species)
  const hash = digestOf(anatomy)
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
  const same = lot.weighings.find((w) => w.id === weighing.id)
  if (same) return { result: 'kept', lot }
  const { confirmed, ...sent } = weighing
  if (sent.corrects && !correctable(lot.weighings, sent.corrects))
    return stranger('weighing that still stands', sent.corrects)
  const anatomy = (await q.selectAnatomy(tx, lot.anatomy))!
  const added: Weighing = { ...sent, grams: gramsOf(sent.shown), at }
  if (sent.stands) {
    const held = lot.weighings as Weighing[]
    const issues = judgeWeighing(
      anatomy,
      chainUnder(anatomy, readPlan(anatomy, lot.commands).conventions),
      lot.count,
      held,
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
  if (lot.packs.some((p) => p.id === sent.id)) return { result: 'kept', lot }
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
  const read = reckon(
    compile(anatomy),
    { ...asState(lot), packs: [...asState(lot).packs, added] },
    { massUnit: sent.shown.unit, mincePerKg: 1 },
  )
  const hanging = read.stages.find((s) => s.id === 'hanging')
  const most = hanging && (hanging.range?.high ?? hanging.kg) * 1.02 + read.balance.added + read.balance.kept
  const packed = read.cuts.reduce((sum, c) => sum + c.weighedKg, 0)
  if (most && packed > most) {
    const show = (kg: number) => formatMass(kg, sent.shown.unit)
    return {
      result: 'refused',
      issues: [
        {
          code: 'packed-above-carcass',
          field: 'shown',
          figures: { packed: show(packed), carcass: show(hanging.kg) },
        },
      ],
    }
  }
  await q.insertPack(tx, id, sent, at)
  return kept(tx, id)
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
  if (lot.commands.some((c) => c.batch === append.batch)) return { result: 'kept', lot }
  const decisions = append.commands.map((c) => c.decision)
  const anatomy = (await q.selectAnatomy(tx, lot.anatomy))!
  const issues = checkDecisions(
    anatomy,
    lot.commands,
    decisions,
    append.undoes !== null || append.redoes !== null,
  )
  if (issues.length > 0) return { result: 'refused', issues }
  const clashes = conflicts(lot.commands, append.base, decisions, append.own)
  if (clashes.length > 0) return { result: 'conflict', conflicts: clashes }
  for (const c of append.commands) {
    await q.insertCommand(tx, id, {
      ...c,
      batch: append.batch,
      undoes: append.undoes,
      redoes: append.redoes,
      at,
    })
  }
  return kept(tx, id)
}

async function keepPaper(tx: Tx, paper: Paper): Promise<Paper> {
  const held = await q.selectPaper(tx, paper.id)
  if (held) return held
  await q.insertPaper(tx, paper)
  return paper
}

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

/** The database as the routes see it. */
export interface Store {
  run<K extends OperationName>(name: K, argument: ArgumentOf<K>): Promise<ResultOf<K>>
  checkpoint(): Promise<void>
  close(): Promise<void>
}
