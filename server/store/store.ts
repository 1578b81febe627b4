import type { Cluster } from '../database/cluster.ts'
import type { Manifest } from '../database/copies.ts'
import { realDisk, type Disk } from '../database/disk.ts'
import { openEngine } from '../database/engine.ts'
import { pglite } from '../database/pglite.ts'
import { placesOf } from '../database/places.ts'
import { shelfIn } from '../database/shelf.ts'
import type { Recovery } from '../database/recovery.ts'
import type { LotChange } from '#contracts'
import { Lots } from '../lots/cache.ts'
import { Cards } from '../lots/cards.ts'
import type { Beside } from './beside.ts'
import { historyOf } from './history.ts'
import { operations, writes, type ArgumentOf, type OperationName, type ResultOf } from './operations.ts'
import type { Tx } from './tx.ts'

/** The database as the routes see it. */
export interface Store {
  /** What was brought back when it was opened, after a cut. */
  readonly recovered: Recovery | null
  /** Which history of the records this is: another one after each that was brought back. */
  readonly history: string
  run<K extends OperationName>(name: K, argument: ArgumentOf<K>): Promise<ResultOf<K>>
  checkpoint(): Promise<void>
  /** Puts a rehearsed database in the place of the present one, which is kept beside it. */
  replace(): Promise<{ aside: string; history: string }>
  proven(copy: string): Promise<void>
  close(): Promise<void>
}

export interface StoreOptions {
  disk?: Disk
  cluster?: Cluster<Tx>
  /** The empty database that lies beside the program, where it does. */
  empty?: string | null
  /** The digest of this program, where what it worked out is kept for its next start. */
  program?: string
  now?: () => Date
  holds?: () => boolean
  /** A person said that a database that does not open is brought back. */
  recover?: boolean
  copied?: (copy: Manifest) => void
  warned?: (words: string | null) => void
}

/** What a write added to lots; none where it was not kept, or was of something else. */
function changesIn(out: unknown): LotChange[] {
  if (typeof out !== 'object' || out === null || !('result' in out) || out.result !== 'kept') return []
  if ('changes' in out) return out.changes as LotChange[]
  return 'change' in out ? [out.change as LotChange] : []
}

/** Opens the records of a data folder on this thread: operations run one after another, each a transaction. */
export async function openStore(folder: string, options: StoreOptions = {}): Promise<Store> {
  const { disk = realDisk, program } = options
  const beside: Beside = {
    shelf: shelfIn(disk, folder),
    lots: new Lots(),
    cards: new Cards(program ? { disk, path: placesOf(folder).cards, program } : null),
  }
  const engine = await openEngine<Tx>({
    disk: realDisk,
    cluster: pglite(options.empty ?? undefined),
    now: () => new Date(),
    ...options,
    folder,
  })
  // Brought back from a copy they may stand at a revision that meant something else before.
  if (engine.recovered) beside.cards.clear()
  let history = await historyOf(engine, disk, folder, engine.recovered !== null)
  return {
    recovered: engine.recovered,
    get history() {
      return history
    },
    run: async <K extends OperationName>(name: K, argument: ArgumentOf<K>) => {
      const operation = operations[name] as unknown as (
        tx: Tx,
        argument: ArgumentOf<K>,
        beside: Beside,
      ) => Promise<ResultOf<K>>
      const out = await engine.run((tx) => operation(tx, argument, beside), name in writes)
      for (const change of changesIn(out)) beside.lots.committed(change)
      return out
    },
    checkpoint: engine.checkpoint,
    replace: async () => {
      const out = await engine.replace()
      beside.lots.clear()
      beside.cards.clear()
      history = await historyOf(engine, disk, folder, true)
      return { ...out, history }
    },
    proven: engine.proven,
    close: async () => {
      beside.cards.keep()
      await engine.close()
    },
  }
}
