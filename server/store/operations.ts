import same from 'fast-deep-equal'
import type {
  Author,
  Bundle,
  FarmChange,
  Home,
  IssuedPaper,
  KeptFarm,
  Lot,
  LotCard,
  LotChange,
  NewLot,
  OwnChange,
  OwnVersion,
  PlanChange,
  StoredPlan,
} from '#contracts'
import { BUNDLE_VERSION, farmSchema } from '#contracts'
import { ANATOMIES, extendAnatomy } from '#core/anatomy'
import { strangersIn } from '#core/plan'
import { readFacts } from '#core/plan'
import { anatomiesOf } from '#core/records'
import { decide, note, pack, split, weigh, type Beside } from './appending.ts'
import { again, digestOf, kept, refusedFor, type Changed, type Kept, type Taken } from './outcomes.ts'
import * as q from './queries.ts'
import type { Tx } from './rows.ts'
import { anatomyOfToday, pinBy, todaysPin, todaysPins } from './today.ts'

async function home(tx: Tx, _: undefined, { cards }: Beside): Promise<Home> {
  const plans = (await q.selectPlans(tx)).filter((p) => !p.withdrawn)
  const farm = await q.selectFarm(tx)
  const lots = await cards.of(tx, await q.selectHeads(tx), farm)
  return { farm, lots, plans, today: await todaysPins(tx) }
}
/** A lot as it hangs on the rail; null where there is none. */
async function card(tx: Tx, id: string, { cards }: Beside): Promise<LotCard | null> {
  const head = await q.selectHead(tx, id)
  return head && (await cards.of(tx, [head], await q.selectFarm(tx)))[0]!
}

async function saveFarm(tx: Tx, { base, ...sent }: FarmChange): Promise<Changed<KeptFarm>> {
  const farm = farmSchema.parse(sent)
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

/** Hangs a new lot and pins it to the anatomy of today. */
async function hangLot(tx: Tx, { lot, by, at }: { lot: NewLot; by: Author; at: string }): Promise<Kept> {
  const held = await q.selectLot(tx, lot.id)
  if (held) {
    const { id, tag, species, count } = held
    return again(tx, id, 0, { id, tag, species, count }, lot)
  }
  const { hash, anatomy } = await todaysPin(tx, lot.species)
  await q.insertPin(tx, hash, anatomy.species, anatomy)
  await q.insertLot(tx, { ...lot, anatomy: hash, createdAt: at, rev: 0, ...by })
  await q.insertGroup(tx, lot.id, {
    id: lot.id,
    parent: null,
    animals: lot.count,
    rev: 0,
    at,
    ...by,
  })
  return kept(tx, lot.id, 0)
}

/** Keeps a paper as it was printed; asked for again under its id, the one that was printed comes back. */
async function keepPaper(
  tx: Tx,
  paper: IssuedPaper,
): Promise<{ result: 'kept'; paper: IssuedPaper } | Taken> {
  const held = await q.selectPaper(tx, paper.id)
  if (!held) await q.insertPaper(tx, paper)
  else if (!same(askedOf(held), askedOf(paper)))
    return { result: 'taken', held: askedOf(held), sent: askedOf(paper) }
  return { result: 'kept', paper: held ?? paper }
}
/** What a paper was asked for by: its data is worked out here. */
export const askedOf = ({ id, lot, kind, share }: IssuedPaper) => ({ id, lot, kind, share })

/** Hashes of all that was ever attached to a lot, corrected or not: nothing kept is left out of a bundle. */
const attachedTo = (lots: Lot[]) =>
  lots.flatMap((l) => l.facts.flatMap(({ fact }) => (fact.kind === 'attachment' ? [fact.hash] : [])))

async function exportBundle(tx: Tx, _: undefined, { shelf }: Beside): Promise<Bundle> {
  const lots = await q.selectLots(tx)
  const anatomies: Bundle['content']['anatomies'] = {}
  for (const hash of new Set(lots.flatMap(anatomiesOf)))
    anatomies[hash] = (await q.selectPin(tx, hash))!.body as Record<string, unknown>
  const attachments = Object.fromEntries(
    [...new Set(attachedTo(lots))].map((hash) => [hash, shelf.read(hash).toString('base64')]),
  )
  const content = {
    farm: await q.selectFarm(tx),
    anatomies,
    own: await q.selectOwn(tx, null),
    plans: await q.selectPlans(tx),
    lots,
    papers: await q.selectPapers(tx),
    attachments,
  }
  return { format: 'ekko-farm', version: BUNDLE_VERSION, digest: digestOf(content), content }
}

/** Fills an empty database from a checked bundle; refuses one that already holds a farm or lots. */
async function importBundle(
  tx: Tx,
  { content }: Bundle,
  { shelf }: Beside,
): Promise<{ result: 'kept' | 'occupied' }> {
  if ((await q.selectFarm(tx)) || (await q.selectHeads(tx)).length > 0) return { result: 'occupied' }
  for (const [hash, bytes] of Object.entries(content.attachments))
    shelf.keep(hash, Buffer.from(bytes, 'base64'))
  if (content.farm) await q.upsertFarm(tx, content.farm)
  for (const [hash, body] of Object.entries(content.anatomies))
    await q.insertPin(tx, hash, String(body.species), body)
  for (const own of content.own) await q.insertOwn(tx, own)
  for (const plan of content.plans) await q.upsertPlan(tx, plan)
  for (const lot of content.lots) await importLot(tx, lot)
  for (const p of content.papers) await q.insertPaper(tx, p)
  return { result: 'kept' }
}

/** A lot with every row as it was kept, revisions and all. */
export async function importLot(tx: Tx, lot: Lot): Promise<void> {
  await q.insertLot(tx, lot)
  for (const g of lot.groups) await q.insertGroup(tx, lot.id, g)
  await importRows(tx, lot)
}
export async function importRows(
  tx: Tx,
  lot: Pick<Lot, 'weighings' | 'packs' | 'commands' | 'facts'>,
): Promise<void> {
  for (const w of lot.weighings) await q.insertWeighing(tx, w)
  for (const p of lot.packs) await q.insertPack(tx, p)
  for (const c of lot.commands) await q.insertCommand(tx, c)
  for (const f of lot.facts) await q.insertFact(tx, f)
}

/** Whether a lot was hung by mistake and taken off the rail. */
export const isWithdrawn = (lot: Lot): boolean => readFacts(lot.facts).withdrawn

/** Every use of the database: one operation is one transaction. Writes are flushed before they are acknowledged. */
/** What was added to a lot since a revision; null where there is no such lot, or it never was that far. */
async function lotSince(tx: Tx, { id, since }: { id: string; since: number }): Promise<LotChange | null> {
  const head = await q.selectHead(tx, id)
  return head && since <= head.rev ? q.selectChange(tx, id, since, head.rev) : null
}

export const reads = {
  home,
  card,
  lotSince,
  lot: q.selectLot,
  pin: pinBy,
  own: q.selectOwn,
  paper: q.selectPaper,
  farm: (tx: Tx, _: undefined) => q.selectFarm(tx),
  exportBundle,
}
export const writes = {
  saveFarm,
  saveOwn,
  savePlan,
  hangLot,
  weigh,
  pack,
  decide,
  note,
  split,
  keepPaper,
  importBundle,
}
export const operations = { ...reads, ...writes }

export type Operations = typeof operations
export type OperationName = keyof Operations
export type ArgumentOf<K extends OperationName> = Parameters<Operations[K]>[1]
export type ResultOf<K extends OperationName> = Awaited<ReturnType<Operations[K]>>
