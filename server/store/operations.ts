import { saveOwn } from '../anatomies/operations.ts'
import { selectOwn } from '../anatomies/queries.ts'
import { pinBy } from '../anatomies/today.ts'
import { attached, exportBundle, importBundle } from '../bundle/operations.ts'
import { home, saveFarm } from '../farm/operations.ts'
import { selectFarm } from '../farm/queries.ts'
import { decide, join, note, pack, split, weigh } from '../lots/appending.ts'
import { bench } from '../lots/bench.ts'
import { card, hangLot, lotSince } from '../lots/operations.ts'
import { selectLot } from '../lots/queries.ts'
import { rail } from '../lots/rail.ts'
import { write } from '../lots/writes.ts'
import { packBy, packingUsed, packs, sayOfPacks } from '../packs/operations.ts'
import { keepPaper } from '../papers/operations.ts'
import { selectPaper } from '../papers/queries.ts'
import { savePlan } from '../plans/operations.ts'
import { saveSheet, sharedCosts, sheets } from '../sheets/operations.ts'
import { oneThing } from '../lots/kept.ts'
import type { Tx } from './tx.ts'

/** Every use of the database: one operation is one transaction. Writes are flushed before they are acknowledged. */
export const reads = {
  home,
  card,
  rail,
  lotSince,
  lot: selectLot,
  pin: pinBy,
  own: selectOwn,
  paper: selectPaper,
  farm: (tx: Tx, _: undefined) => selectFarm(tx),
  sheets,
  bench,
  sharedCosts,
  packs,
  packBy,
  packingUsed,
  exportBundle,
  attached: (tx: Tx, _: undefined) => attached(tx),
}
export const writes = {
  saveFarm,
  saveOwn,
  savePlan,
  saveSheet,
  hangLot: oneThing(hangLot),
  weigh: oneThing(weigh),
  pack: oneThing(pack),
  decide: oneThing(decide),
  note: oneThing(note),
  split: oneThing(split),
  join: oneThing(join),
  write,
  sayOfPacks,
  keepPaper: oneThing(keepPaper),
  importBundle,
}

export const operations = { ...reads, ...writes }

export type Operations = typeof operations

export type OperationName = keyof Operations

export type ArgumentOf<K extends OperationName> = Parameters<Operations[K]>[1]

export type ResultOf<K extends OperationName> = Awaited<ReturnType<Operations[K]>>
