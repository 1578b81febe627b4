import { join } from 'node:path'
import { sameStamp, type Cluster, type Session } from './cluster.ts'
import { copiesIn, makeCopy, noteProven, removeCopy, type Manifest } from './copies.ts'
import { DiskFailure, type Disk } from './disk.ts'
import { mark, unmark } from './marker.ts'
import { placesOf } from './places.ts'
import { asideName, recover, takePlace, Unrecoverable, type Recovery } from './recovery.ts'
import {
  copyTree,
  digestOfTree,
  flushTree,
  makeFolderWhole,
  NotAsWritten,
  removeTree,
  removeWhole,
  writeWhole,
} from './trees.ts'
import { waysOut } from './waysOut.ts'

export type StopReason = 'disk' | 'database' | 'lock' | 'thread' | 'closed'

/** The records are no longer taken: nothing after this is kept, and nothing before it is lost. */
export class Stopped extends Error {
  constructor(
    readonly reason: StopReason,
    readonly what: string,
  ) {
    super(what)
  }
}

/** A folder written by a newer program. */
export class NewerSchema extends Error {}

export interface EngineOptions<Tx> {
  disk: Disk
  cluster: Cluster<Tx>
  folder: string
  /** Whether the folder is still ours: asked before each acknowledgement. */
  holds?: () => boolean
  /** A person said so: where the database does not open, the newest copy is brought back with its log. */
  recover?: boolean
  now: () => Date
  /** Told of a new copy, to prove it elsewhere; and of what could not be copied, in words. */
  copied?: (copy: Manifest) => void
  warned?: (words: string | null) => void
}

const CHECKPOINT_AFTER_BYTES = 64 * 1024 * 1024
const LOOK_EVERY = 100

export interface Engine<Tx> {
  /** What was brought back when it was opened, after a cut. */
  readonly recovered: Recovery | null
  /** One piece of work as one transaction, in turn; what it wrote is on the platter when it resolves. */
  run<T>(work: (tx: Tx) => Promise<T>, writes: boolean): Promise<T>
  checkpoint(): Promise<void>
  /** Puts the proven `db.next` in the place of the database and goes on with it; the present one is kept beside it. */
  replace(): Promise<{ aside: string }>
  proven(name: string): Promise<void>
  close(): Promise<void>
}

/** Errors whose words are ours; others may quote what a person typed, so only their kind and code are said. */
const isOurs = (error: unknown): error is Error =>
  error instanceof DiskFailure || error instanceof NotAsWritten
const kindOf = (error: unknown): string =>
  [error instanceof Error ? error.name : typeof error, (error as { code?: unknown } | null)?.code]
    .filter(Boolean)
    .join(' ')

/**
 * Opens the records of a folder. The database flushes nothing by itself, so: the folder is flushed after every open,
 * the log before every acknowledgement; whatever a cut could leave half done is done under a marker that names a copy.
 * After a failed flush, a database error or a lost lock nothing is acknowledged any more, until the next start.
 */
export async function openEngine<Tx>(options: EngineOptions<Tx>): Promise<Engine<Tx>> {
  const { disk, cluster, folder, now, holds = () => true, recover: byHand = false, copied, warned } = options
  const { db: place, next, clean, backups } = placesOf(folder)
  const log = join(place, cluster.log)
  const at = () => now().toISOString()
  makeFolderWhole(disk, folder)
  makeFolderWhole(disk, backups)
  const recovered = await recover(disk, cluster, folder, { byHand, at: at() })
  if (!disk.exists(place)) await create()
  let session = await openProtected()
  let stopped: Stopped | null = null
  let looks = 0
  let segments = ''
  let tail: Promise<unknown> = Promise.resolve()

  /** A new database is made aside, so that a start cut off in the middle leaves none. */
  async function create() {
    if (cluster.empty && disk.exists(cluster.empty)) copyTree(disk, cluster.empty, next)
    else {
      const made = await cluster.open(next)
      await made.migrate()
      await made.close()
    }
    flushTree(disk, next)
    takePlace(disk, folder, '')
    writeWhole(disk, clean, 'yes')
  }

  /** After a stop that was not clean the database repairs itself while it opens: a copy is kept until that is flushed. */
  async function openProtected(): Promise<Session<Tx>> {
    const opening = disk.exists(clean) ? null : copyBeforeOpening()
    if (opening)
      mark(disk, folder, {
        step: 'opening',
        copy: opening.name,
        digest: opening.digest,
        stamp: null,
        at: at(),
      })
    else removeWhole(disk, clean)
    const opened = await readable(opening !== null)
    const schema = await opened.schema()
    if (schema > cluster.schema) {
      await opened.close()
      throw new NewerSchema(
        `This folder was written by a newer Ekko (schema ${schema}). Start that version, or restore a bundle into a new folder.`,
      )
    }
    if (schema < cluster.schema) {
      flushTree(disk, place)
      const stamp = await opened.stamp()
      const made = copiesIn(disk, folder).some(
        (c) => c.why === 'schema' && c.stamp && sameStamp(c.stamp, stamp),
      )
      if (!made) makeCopy(disk, folder, { why: 'schema', stamp, at: at() })
      await opened.migrate()
    }
    flushTree(disk, place)
    if (opening) {
      unmark(disk, folder)
      for (const old of copiesIn(disk, folder)) if (old.why === 'opening') removeCopy(disk, folder, old.name)
    }
    return opened
  }

  /** The database open, and every row of it read once: what does not give them back is not gone on with. */
  async function readable(isRepaired: boolean): Promise<Session<Tx>> {
    let damaged: string | null
    let opened: Session<Tx>
    try {
      opened = await cluster.open(place)
      await opened.stamp()
      // What a cut left half written, the log has made whole by now.
      const gone = (await opened.files()).find((path) => !disk.exists(join(place, path)))
      damaged = gone ? `“${gone}” is gone` : isRepaired ? cluster.damaged(place) : null
    } catch (error) {
      if (isOurs(error)) throw error
      throw new Unrecoverable(`The database does not open (${kindOf(error)}). ${waysOut(disk, folder)}`)
    }
    if (!damaged) return opened
    await opened.close().catch(() => undefined)
    throw new Unrecoverable(`The database is damaged: ${damaged}. ${waysOut(disk, folder)}`)
  }

  /** One is enough: a start that failed has left its own, and what lay there lies there again. */
  function copyBeforeOpening(): Manifest {
    const digest = digestOfTree(disk, place)
    const left = copiesIn(disk, folder).filter((c) => c.why === 'opening')
    const same = left.find((c) => c.digest === digest)
    for (const other of left) if (other !== same) removeCopy(disk, folder, other.name)
    return same ?? makeCopy(disk, folder, { why: 'opening', stamp: null, at: at() })
  }

  function flushLog() {
    const names = disk.list(log).flatMap((e) => (e.kind === 'file' ? e.name : []))
    for (const name of names) disk.flush(join(log, name))
    if (names.join() !== segments) disk.flush(log)
    segments = names.join()
  }

  function stop(reason: StopReason, what: string): Stopped {
    stopped ??= new Stopped(reason, what)
    return stopped
  }

  /** A disk that fails, or anything unforeseen, while the records are being secured: never go on after that. */
  const stopFor = (error: unknown) =>
    error instanceof Stopped
      ? error
      : stop('disk', isOurs(error) ? error.message : `Securing the records failed (${kindOf(error)}).`)

  const inTurn = <T>(work: () => Promise<T>): Promise<T> => {
    const act = () => {
      if (stopped) throw stopped
      return work()
    }
    const turn = tail.then(act, act)
    tail = turn.catch(() => undefined)
    return turn
  }

  function checkLock() {
    if (!holds()) throw stop('lock', 'Another Ekko has taken the folder; this one keeps nothing more.')
  }

  async function transact<T>(work: (tx: Tx) => Promise<T>): Promise<T> {
    let own: unknown
    try {
      return await session.transaction(async (tx) => {
        try {
          return await work(tx)
        } catch (error) {
          own = error
          throw error
        }
      })
    } catch (error) {
      // An error of the work itself was rolled back; one of the commit leaves unknown what the database holds.
      if (error === own && !cluster.isFatal(error)) throw error
      throw stop('database', `The database failed (${kindOf(error)}).`)
    }
  }

  /** A copy of the database at rest; a disk that takes no copy (full, read-only) is said, and is no harm to the records. */
  async function tryCopy(): Promise<Manifest | null> {
    try {
      const copy = makeCopy(disk, folder, { why: 'checkpoint', stamp: await session.stamp(), at: at() })
      warned?.(null)
      return copy
    } catch (error) {
      if (!(error instanceof DiskFailure && error.isRefusal)) throw error
      warned?.(
        error.code === 'ENOSPC' || error.code === 'EDQUOT'
          ? 'There is no room left on the disk for a copy of the records. Free some.'
          : `No copy of the records can be written to ${backups} (${error.code}). Let Ekko write there.`,
      )
      return null
    }
  }

  async function underMarker(copy: Manifest, change: () => Promise<void>) {
    const { name, digest, stamp } = copy
    mark(disk, folder, { step: 'checkpoint', copy: name, digest, stamp, at: copy.at })
    await change()
    unmark(disk, folder)
  }

  async function checkpointNow() {
    const copy = await tryCopy()
    if (!copy) return
    await underMarker(copy, async () => {
      await session.checkpoint()
      flushTree(disk, place)
    })
    copied?.(copy)
  }

  /** At stop: nothing is copied when nothing was written since the last proven copy. */
  async function closeNow() {
    const stamp = await session.stamp()
    const last = copiesIn(disk, folder)
      .filter((c) => c.why === 'checkpoint' && c.proven)
      .at(-1)
    const copy = last?.stamp && sameStamp(last.stamp, stamp) ? last : await tryCopy()
    // Without a copy the database is left as a cut would leave it, its log flushed: the next start repairs it.
    if (!copy) return
    await underMarker(copy, async () => {
      await session.checkpoint()
      await session.close()
      flushTree(disk, place)
      writeWhole(disk, clean, 'yes')
    })
  }

  const secured = async <T>(work: () => Promise<T>): Promise<T> => {
    try {
      checkLock()
      return await work()
    } catch (error) {
      throw stopFor(error)
    }
  }

  return {
    recovered,
    run: (work, writes) =>
      inTurn(async () => {
        checkLock()
        const result = await transact(work)
        if (writes) {
          await secured(async () => {
            flushLog()
            if (++looks % LOOK_EVERY === 0 && (await session.logBytes()) > CHECKPOINT_AFTER_BYTES)
              await checkpointNow()
          })
          checkLock()
        }
        return result
      }),
    checkpoint: () => inTurn(() => secured(checkpointNow)),
    replace: () =>
      inTurn(() =>
        secured(async () => {
          const kept = makeCopy(disk, folder, { why: 'checkpoint', stamp: await session.stamp(), at: at() })
          const aside = asideName(disk, folder)
          await underMarker(kept, async () => {
            await session.checkpoint()
            await session.close()
            flushTree(disk, place)
          })
          mark(disk, folder, { step: 'swap', aside, at: at() })
          takePlace(disk, folder, aside)
          writeWhole(disk, clean, 'yes')
          unmark(disk, folder)
          session = await openProtected()
          segments = ''
          copied?.(kept)
          return { aside }
        }),
      ),
    proven: (name) => inTurn(() => secured(async () => noteProven(disk, folder, name, at()))),
    close: () =>
      inTurn(async () => {
        try {
          await secured(closeNow)
        } finally {
          stop('closed', 'Ekko is stopping.')
        }
      }),
  }
}

/** Removes what a restore rehearsed and nobody took. */
export const dropNext = (disk: Disk, folder: string) => removeTree(disk, placesOf(folder).next)
