import { BUNDLE_VERSION, type Bundle, type Lot } from '#contracts'
import { anatomiesOf, PICTURED, picturesOf } from '#core/records'
import { insertPin, selectPin } from '../anatomies/queries.ts'
import { selectFarm, upsertFarm } from '../farm/queries.ts'
import { importLot } from '../lots/operations.ts'
import { selectHeads, selectLots } from '../lots/queries.ts'
import { countPacks, placePacks } from '../packs/queries.ts'
import { insert, select, TABLES } from '../store/tables/index.ts'
import { formsIn } from './kinds.ts'
import type { Beside } from '../store/beside.ts'
import { digestOf } from '../store/outcomes.ts'
import { many, type Tx } from '../store/tx.ts'

/** Hashes of all that was ever attached to a lot, corrected or not: nothing kept is left out of a bundle. */
const attachedTo = (lots: Lot[]) =>
  lots.flatMap((l) => l.facts.flatMap(({ fact }) => picturesOf(fact).map((p) => p.hash)))

/** Of pictures and slips, what one bundle holds, bytes: more is no text any more. They lie beside the copies all the same. */
const MOST_IN_BUNDLE = 64 * 1024 * 1024

/** Pictures by their hash, the newest first while there is room; and those that are not in it, by their hash. */
export function picturesIn(
  hashes: readonly string[],
  shelf: Pick<Beside['shelf'], 'isSound' | 'read'>,
  most = MOST_IN_BUNDLE,
): { attachments: Record<string, string>; lost: string[] } {
  const attachments: Record<string, string> = {}
  const lost: string[] = []
  let room = most
  for (const hash of new Set(hashes.toReversed())) {
    const bytes = room > 0 && shelf.isSound(hash) ? shelf.read(hash) : null
    if (bytes) room -= bytes.length
    if (bytes && room >= 0) attachments[hash] = bytes.toString('base64')
    else lost.push(hash)
  }
  return { attachments, lost }
}

const hashesOf = ({ kind, field }: { kind: string; field: string }) =>
  `select fact->>'${field}' as hash from fact where kind = '${kind}' and fact ? '${field}'`

/** Hashes of what is attached to any lot. */
export const attached = async (tx: Tx): Promise<string[]> =>
  (await many<{ hash: string }>(tx, `${PICTURED.map(hashesOf).join(' union ')} order by 1`)).map(
    (r) => r.hash,
  )

/** Tables whose rows stand in a list of their own in a bundle; lots have theirs within, and come before what names them. */
const LISTED = TABLES.filter((t) => t.bundle !== undefined && t.within === undefined && t.bundle !== 'lots')
const isBeforeLots = ({ name }: { name: string }) =>
  TABLES.findIndex((t) => t.name === name) < TABLES.findIndex((t) => t.bundle === 'lots')

export async function exportBundle(tx: Tx, _: undefined, { shelf }: Beside): Promise<Bundle> {
  const lots = await selectLots(tx)
  const anatomies: Bundle['content']['anatomies'] = {}
  for (const hash of new Set(lots.flatMap(anatomiesOf)))
    anatomies[hash] = (await selectPin(tx, hash))!.body as Record<string, unknown>
  const { attachments, lost } = picturesIn(attachedTo(lots), shelf)
  const lists: Record<string, unknown> = {}
  for (const t of LISTED) lists[t.bundle!] = await select(tx, t)
  const content = {
    farm: await selectFarm(tx),
    anatomies,
    ...(lists as Pick<Bundle['content'], 'own' | 'plans' | 'sheets' | 'packEvents' | 'papers'>),
    lots,
    attachments,
    // A picture that was lost, or finds no room, keeps no copy of everything else from being made.
    ...(lost.length > 0 && { lost: lost.toSorted() }),
  }
  const kinds = formsIn(content)
  return { format: 'ekko-farm', version: BUNDLE_VERSION, kinds, digest: digestOf(content), content }
}

/** Fills an empty database from a checked bundle; refuses one that already holds a farm or lots. */
export async function importBundle(
  tx: Tx,
  { content }: Bundle,
  { shelf }: Beside,
): Promise<{ result: 'kept' | 'occupied' }> {
  if ((await selectFarm(tx)) || (await selectHeads(tx)).length > 0) return { result: 'occupied' }
  for (const [hash, bytes] of Object.entries(content.attachments))
    shelf.keep(hash, Buffer.from(bytes, 'base64'))
  if (content.farm) await upsertFarm(tx, content.farm)
  for (const [hash, body] of Object.entries(content.anatomies))
    await insertPin(tx, hash, String(body.species), body)
  const rowsOf = (t: (typeof LISTED)[number]) =>
    content[t.bundle as 'plans'] as unknown as Record<string, unknown>[]
  for (const t of LISTED.filter(isBeforeLots)) await insert(tx, t, rowsOf(t))
  for (const lot of content.lots) await importLot(tx, lot)
  for (const t of LISTED.filter((x) => !isBeforeLots(x))) await insert(tx, t, rowsOf(t))
  await placePacks(tx)
  await countPacks(tx)
  return { result: 'kept' }
}
