import { cpSync, existsSync, mkdirSync } from 'node:fs'
import { PGlite } from '@electric-sql/pglite'
import { migrate } from '../store/migrate.ts'
import {
  operations,
  writes,
  type ArgumentOf,
  type OperationName,
  type ResultOf,
  type Store,
} from '../store/operations.ts'
import type { Tx } from '../store/rows.ts'
import {
  checkpointDone,
  copyBeforeCheckpoint,
  flushFolder,
  placesOf,
  recover,
  walFlusher,
} from './durable.ts'

const CHECKPOINT_AFTER_BYTES = 64 * 1024 * 1024
const LOOK_EVERY = 100

export interface EngineOptions {
  /** A prepared database to copy into an empty folder: creating one takes seconds. */
  template?: string
  now?: () => Date
}

/**
 * Opens the database of a data folder on this thread. PGlite never calls fsync: the folder is flushed after
 * every open, and the write-ahead log before every write is acknowledged. Operations run one after another.
 */
export async function openEngine(
  folder: string,
  { template, now = () => new Date() }: EngineOptions = {},
): Promise<Store> {
  const { db: place, wal, backups } = placesOf(folder)
  mkdirSync(backups, { recursive: true })
  recover(folder)
  if (template && !existsSync(place)) cpSync(template, place, { recursive: true })
  const db = await PGlite.create(place)
  await migrate(db)
  flushFolder(place)
  const flushWal = walFlusher(wal)
  let sinceLook = 0
  let tail: Promise<unknown> = Promise.resolve()
  const inTurn = <T>(work: () => Promise<T>): Promise<T> => {
    const next = tail.then(work, work)
    tail = next.catch(() => undefined)
    return next
  }

  async function checkpointNow() {
    copyBeforeCheckpoint(folder, now().toISOString().slice(0, 10))
    await db.exec('checkpoint')
    flushFolder(place)
    checkpointDone(folder)
  }

  async function walBytes(): Promise<number> {
    const { rows } = await db.query<{ bytes: string }>(
      'select pg_wal_lsn_diff(pg_current_wal_lsn(), redo_lsn)::bigint::text as bytes from pg_control_checkpoint()',
    )
    return Number(rows[0]!.bytes)
  }

  return {
    run: <K extends OperationName>(name: K, argument: ArgumentOf<K>) =>
      inTurn(async () => {
        const operation = operations[name] as unknown as (
          tx: Tx,
          argument: ArgumentOf<K>,
        ) => Promise<ResultOf<K>>
        const result = await db.transaction((tx) => operation(tx, argument))
        if (name in writes) {
          flushWal()
          if (++sinceLook % LOOK_EVERY === 0 && (await walBytes()) > CHECKPOINT_AFTER_BYTES)
            await checkpointNow()
        }
        return result as ResultOf<K>
      }),
    checkpoint: () => inTurn(checkpointNow),
    close: () =>
      inTurn(async () => {
        await checkpointNow()
        await db.close()
        flushFolder(place)
      }),
  }
}
