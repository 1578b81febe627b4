import same from 'fast-deep-equal'
import type { Author, PackEvents, PackPage, PacksAsked, PackTrace, UnitRow, UsedSince } from '#contracts'
import { PACK_SIZES, unitsOf, type Lot, type PackEvent, type PackingItem, type Wrap } from '#core/records'
import { issueOf, type Names } from '#core/measure'
import { selectPin } from '../anatomies/queries.ts'
import { selectSheets } from '../sheets/queries.ts'
import { refusedFor, type Refused, type Taken } from '../store/outcomes.ts'
import type { UnitKept } from '../store/tables/index.ts'
import type { Tx } from '../store/tx.ts'
import * as q from './queries.ts'

/** Packs with what their cuts are called. */
async function named(tx: Tx, units: readonly q.UnitHeld[]): Promise<UnitRow[]> {
  const cuts = new Map<string, ReadonlyMap<string, Names>>()
  for (const hash of new Set(units.map((u) => u.anatomy)))
    cuts.set(hash, new Map((await selectPin(tx, hash))!.anatomy.cuts.map((c) => [c.id, c.names])))
  return units.map(({ anatomy, ...u }) => ({
    ...u,
    names: cuts.get(anatomy)!.get(u.cut) ?? { american: u.cut, commonwealth: u.cut },
  }))
}

/** A page of packs, and in all places together how many there are. */
export async function packs(tx: Tx, asked: PacksAsked): Promise<PackPage> {
  const found = await q.selectUnits(tx, asked)
  return {
    packs: await named(tx, found.slice(0, asked.limit)),
    more: found.length > asked.limit,
    places: asked.before === undefined ? await q.selectPlaces(tx) : [],
  }
}

const GRAMS_A_KG = 1000
const ANY = Number.MAX_SAFE_INTEGER

interface Counted {
  item: PackingItem
  wrap: Wrap | null
  over: number
  upTo: number
  at: string
}

/** What packs took of all that the farm has counted. Twine is cut off a roll: no pack says how much. */
export async function packingUsed(tx: Tx): Promise<UsedSince[]> {
  const body = (await selectSheets(tx)).find((s) => !s.withdrawn && s.body.format === 'ekko-packing')?.body
  if (body?.format !== 'ekko-packing') return []
  const counted = body.lines.flatMap(({ item, counted: c }): Counted[] => {
    if (!c || item.is === 'twine') return []
    if (item.is === 'label') return [{ item, wrap: null, over: 0, upTo: ANY, at: c.at }]
    const size = PACK_SIZES.indexOf(item.upTo)
    const over = (PACK_SIZES[size - 1] ?? 0) * GRAMS_A_KG
    const upTo = size === PACK_SIZES.length - 1 ? ANY : item.upTo * GRAMS_A_KG
    return [{ item, wrap: item.wrap, over, upTo, at: c.at }]
  })
  const used = await q.selectUsed(tx, counted)
  return counted.map(({ item }, i) => ({ item, used: used[i]! }))
}

/** One pack by its number, with what was said of it since; null where there never was one. */
export async function packBy(tx: Tx, number: number): Promise<PackTrace | null> {
  const pack = await q.selectUnit(tx, number)
  return pack && { pack: (await named(tx, [pack]))[0]!, events: await q.selectEvents(tx, number) }
}

export type Said = { result: 'kept'; packs: PackTrace[] } | Refused | Taken

/** Keeps what was done with packs, all or none; sent again under its id it is kept once. */
export async function sayOfPacks(
  tx: Tx,
  { events, by, at }: PackEvents & { by: Author; at: string },
): Promise<Said> {
  const held = await q.selectEventsBy(
    tx,
    events.map((e) => e.id),
  )
  const plain = ({ id, number, what, place }: PackEvent) => ({ id, number, what, place })
  if (held.length > 0 && !same(held.map(plain), events)) return { result: 'taken', held, sent: events }
  if (held.length === 0) {
    const known = await Promise.all(events.map((e) => q.selectUnit(tx, e.number)))
    const gone = events.filter((_, i) => known[i]?.state !== 'here').map((e) => e.number)
    if (gone.length > 0) return refusedFor(issueOf('packs-gone', 'events', { numbers: gone }))
    await q.insertEvents(
      tx,
      events.map((e) => ({ ...e, ...by, at })),
    )
  }
  const numbers = [...new Set(events.map((e) => e.number))]
  return { result: 'kept', packs: await Promise.all(numbers.map(async (n) => (await packBy(tx, n))!)) }
}

/** Packs of a lot as they lie there: each where its weighing put it. */
export function unitsKept(lot: Pick<Lot, 'id' | 'packs' | 'facts'>): UnitKept[] {
  const made = new Map(lot.packs.map((p) => [p.id, p]))
  return unitsOf(lot.packs, lot.facts).map((u) => {
    const { place = null, at } = made.get(u.weighIn)!
    return { ...u, lot: lot.id, place, at }
  })
}
