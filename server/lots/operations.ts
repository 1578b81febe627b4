import type { Author, Lot, LotCard, LotChange, NewLot } from '#contracts'
import { insertPin } from '../anatomies/queries.ts'
import { todaysPin } from '../anatomies/today.ts'
import { selectFarm } from '../farm/queries.ts'
import type { Beside } from '../store/beside.ts'
import type { Kept } from '../store/outcomes.ts'
import type { Tx } from '../store/tx.ts'
import { again, kept, refuseTaken } from './kept.ts'
import { unitsKept } from '../packs/operations.ts'
import { commands, facts, insert, lots, packs, units, weighings } from '../store/tables/index.ts'
import * as q from './queries.ts'

/** A lot as it hangs on the rail; null where there is none. */
export async function card(tx: Tx, id: string, { cards }: Beside): Promise<LotCard | null> {
  const head = await q.selectHead(tx, id)
  return head && (await cards.of(tx, [head], await selectFarm(tx)))[0]!
}

/** What was added to a lot since a revision; null where there is no such lot, or it never was that far. */
export async function lotSince(
  tx: Tx,
  { id, since }: { id: string; since: number },
): Promise<LotChange | null> {
  const found = await q.selectSince(tx, id, since)
  return found && since <= found.head.rev ? found.change : null
}

/** Hangs a new lot and pins it to the anatomy of today. */
export async function hangLot(
  tx: Tx,
  { lot, by, at }: { lot: NewLot; by: Author; at: string },
): Promise<Kept> {
  const held = await q.selectLot(tx, lot.id)
  if (held) {
    const { id, tag, species, count } = held
    return again(tx, id, 0, { id, tag, species, count }, lot)
  }
  await refuseTaken(tx, [lot.id])
  const { hash, anatomy } = await todaysPin(tx, lot.species)
  await insertPin(tx, hash, anatomy.species, anatomy)
  await insert(tx, lots, [{ ...lot, anatomy: hash, createdAt: at, rev: 0, ...by }])
  const whole = {
    id: lot.id,
    parent: null,
    joins: [],
    animals: lot.count,
    half: false,
    name: '',
    rev: 0,
    at,
    ...by,
  }
  await q.insertGroups(tx, lot.id, [whole])
  return kept(tx, lot.id, 0)
}

/** A lot with every row as it was kept, revisions and all. */
export async function importLot(tx: Tx, lot: Lot): Promise<void> {
  await insert(tx, lots, [lot])
  await q.insertGroups(tx, lot.id, lot.groups)
  await insert(tx, weighings, lot.weighings)
  await insert(tx, packs, lot.packs)
  await insert(tx, commands, lot.commands)
  await insert(tx, facts, lot.facts)
  await insert(tx, units, unitsKept(lot))
}
