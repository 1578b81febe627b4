import { join } from 'node:path'
import type { Bundle, CopiesKept, Rehearsal } from '#contracts'
import { issueOf, refuse, type Issue, type Outcome } from '#core/measure'
import { copiesIn, faultOfCopy, type Manifest } from '../database/copies.ts'
import type { Cluster } from '../database/cluster.ts'
import { DiskFailure, realDisk, type Disk } from '../database/disk.ts'
import { dropNext } from '../database/engine.ts'
import { pglite } from '../database/pglite.ts'
import { placesOf } from '../database/places.ts'
import { shelfIn } from '../database/shelf.ts'
import { lastRecovery } from '../database/recovery.ts'
import { NotAsWritten, removeTree } from '../database/trees.ts'
import { asidesIn } from '../database/waysOut.ts'
import type { Tx } from '../store/tx.ts'
import { askedFor, bundleFrom, bundlesIn, heldIn, keepBundle, namesFor, NotProven } from './bundles.ts'
import { seal } from './seal.ts'
import { bringToSecond, chooseSecond, faultOfSecond, lookAtSecond, secondFolder } from './second.ts'
import { bundleOf, rehearse, restores } from './trial.ts'

/** Where a bundle to be restored comes from. */
export type BundleSource =
  | { place: 'here' | 'second' | 'aside'; name: string }
  | { place: 'sent'; bytes: Uint8Array }

/** Pictures are looked at each minute; all of them are read again after so many looks. */
const LOOKS_BETWEEN = 60

/** Below this, or room for three copies, the disk is said to be nearly full. */
const LOW_BYTES = 500 * 1024 * 1024

/** Looks after copies of the records: proves them, keeps bundles of them, and rehearses bringing one back. */
export interface Keeper {
  /** What is wrong with a folder copy; null when it is proven. */
  faultOfCopy(copy: Manifest): Promise<string | null>
  /** Folder copies that nobody has proven yet. */
  unproven(): Promise<Manifest[]>
  look(): Promise<CopiesKept>
  /** A kept bundle as it lies on the disk; null when there is none of this name. */
  bytesOf(name: string): Promise<Uint8Array | null>
  /** Whether a proven bundle of this local day holds what these records hold: the day's newest, or one asked for. */
  isKept(day: string, digest: string, isAsked: boolean): Promise<boolean>
  /**
   * Keeps proven bundles by day, week and month, one of its own where a person asked for it, and one at the second place;
   * says what went wrong.
   */
  keep(bundle: Bundle, day: string, at: string, isAsked: boolean): Promise<string | null>
  /** Keeps one apart, before a restore, under this name. */
  keepAs(name: string, bundle: Bundle, at: string): Promise<string | null>
  chooseSecond(folder: string | null): Promise<string | null>
  seal(bundle: Bundle, passphrase: string): Promise<Uint8Array>
  rehearse(
    source: BundleSource,
    passphrase: string | null,
  ): Promise<{ ok: true; held: Rehearsal['held'] } | { ok: false; issues: Issue[] }>
  drop(): Promise<void>
  /** Clears a database that was moved aside; false where there is none of this name. */
  clearAside(name: string): Promise<boolean>
  /** Which of these pictures are lost; those that nobody names and that lie there since before then are cleared. */
  lostOf(named: readonly string[], before: number): Promise<string[]>
}

/** What a disk or a proof did not do, in words; a fault of ours is thrown. */
async function faultIn(work: () => Promise<unknown>): Promise<string | null> {
  try {
    await work()
    return null
  } catch (error) {
    if (error instanceof DiskFailure || error instanceof NotAsWritten || error instanceof NotProven)
      return error.message
    throw error
  }
}

/** The keeper of a folder, on this thread; `shipped` is the empty database that lies beside the program. */
export function keeperOf(
  folder: string,
  disk: Disk = realDisk,
  given?: Cluster<Tx>,
  shipped?: string | null,
): Keeper {
  const { bundles, db, empty } = placesOf(folder)
  const cluster = given ?? pglite(shipped ?? empty)
  const proves = (bundle: Bundle) => restores(disk, cluster, folder, bundle)
  const sizeOf = (place: string): number =>
    disk
      .list(place)
      .reduce(
        (s, e) => s + (e.kind === 'folder' ? sizeOf(join(place, e.name)) : disk.bytes(join(place, e.name))),
        0,
      )

  function bytesOf(source: BundleSource): Uint8Array | null {
    if (source.place === 'sent') return source.bytes
    if (source.place === 'aside') return null
    const root = source.place === 'here' ? bundles : secondFolder(disk, folder)
    const known =
      source.place === 'here'
        ? bundlesIn(disk, folder).some((b) => b.name === source.name)
        : lookAtSecond(disk, folder).bundles.includes(source.name)
    return root && known ? disk.read(join(root, source.name)) : null
  }

  const gone = { ok: false as const, issues: [issueOf('bundle-gone', 'name', {})] }
  async function ofBytes(source: BundleSource, passphrase: string | null): Promise<Outcome<Bundle>> {
    const bytes = bytesOf(source)
    return bytes ? bundleFrom(bytes, passphrase) : gone
  }
  /** What a database that was moved aside holds, as a bundle: looked into on a throw-away copy of it. */
  async function ofAside(name: string): Promise<Outcome<Bundle>> {
    if (!asidesIn(disk, folder).includes(name)) return gone
    const bundle = await bundleOf(disk, cluster, folder, join(folder, name))
    return bundle
      ? { ok: true, value: bundle }
      : refuse('bundle-damaged', 'bundle', { where: '', reason: 'this database does not open any more' })
  }

  /** Pictures that were read whole, and when their files were written: read again when that changes, and once an hour. */
  const sound = new Map<string, number>()
  let looks = 0
  return {
    lostOf: async (named, before) => {
      const shelf = shelfIn(disk, folder)
      const wanted = new Set(named)
      if (looks++ % LOOKS_BETWEEN === 0) sound.clear()
      // A database that was moved aside may name what this one does not.
      if (asidesIn(disk, folder).length === 0) shelf.clear((hash) => wanted.has(hash), before)
      return named.filter((hash) => {
        const written = shelf.changed(hash)
        if (written !== null && sound.get(hash) === written) return false
        sound.delete(hash)
        if (!shelf.isSound(hash)) return true
        // Whole in one of its two places it is made whole in both.
        shelf.keep(hash, shelf.read(hash))
        sound.set(hash, shelf.changed(hash)!)
        return false
      })
    },
    faultOfCopy: (copy) => faultOfCopy(disk, cluster, folder, copy),
    unproven: async () => copiesIn(disk, folder).filter((c) => c.why === 'checkpoint' && !c.proven),
    bytesOf: async (name) => bytesOf({ place: 'here', name }),
    look: async () => {
      const freeBytes = disk.free(folder)
      const dbBytes = sizeOf(db)
      return {
        folder,
        freeBytes,
        dbBytes,
        low: freeBytes < Math.max(LOW_BYTES, 3 * dbBytes),
        copies: copiesIn(disk, folder).map(({ name, at, proven, why }) => ({ name, at, proven, why })),
        bundles: bundlesIn(disk, folder).map(({ name, kind, at, digest, bytes, held }) => ({
          name,
          kind,
          at,
          digest,
          bytes,
          held,
        })),
        asides: asidesIn(disk, folder).map((name) => ({ name, bytes: sizeOf(join(folder, name)) })),
        second: lookAtSecond(disk, folder),
        recovered: lastRecovery(disk, folder),
      }
    },
    isKept: async (day, digest, isAsked) => {
      const { name } = isAsked ? askedFor(day, digest) : namesFor(day)[0]!
      return bundlesIn(disk, folder).some((b) => b.name === name && b.digest === digest)
    },
    keep: (bundle, day, at, isAsked) =>
      faultIn(async () => {
        const names = namesFor(day)
        const more = isAsked ? [askedFor(day, bundle.digest)] : []
        await keepBundle(disk, folder, bundle, [...names, ...more], at, proves)
        bringToSecond(disk, folder, names[0]!.name)
      }),
    keepAs: (name, bundle, at) =>
      faultIn(() => keepBundle(disk, folder, bundle, [{ kind: 'restore', name }], at, proves)),
    chooseSecond: async (second) => {
      const fault = second === null ? null : faultOfSecond(disk, folder, second)
      if (!fault) chooseSecond(disk, folder, second)
      return fault
    },
    seal: (bundle, passphrase) => seal(Buffer.from(JSON.stringify(bundle)), passphrase),
    clearAside: async (name) => {
      if (!asidesIn(disk, folder).includes(name)) return false
      removeTree(disk, join(folder, name))
      return true
    },
    rehearse: async (source, passphrase) => {
      const read = source.place === 'aside' ? await ofAside(source.name) : await ofBytes(source, passphrase)
      if (!read.ok) return read
      if (!(await rehearse(disk, cluster, folder, read.value)))
        return {
          ok: false,
          issues: [
            issueOf('bundle-damaged', 'bundle', {
              where: '',
              reason: 'restored on trial it did not give back what it holds',
            }),
          ],
        }
      return { ok: true, held: heldIn(read.value) }
    },
    drop: async () => dropNext(disk, folder),
  }
}
