import { join } from 'node:path'
import { z } from 'zod'
import type { Cluster, Stamp } from './cluster.ts'
import { clearHalfCopies, copiesIn, copyPath, faultOfCopy, readJson, tryOpening } from './copies.ts'
import type { Disk } from './disk.ts'
import { readMarker, unmark } from './marker.ts'
import { placesOf } from './places.ts'
import { copyTree, flushTree, removeTree, removeWhole, writeWhole } from './trees.ts'
import { asidesIn, waysOut } from './waysOut.ts'

/** Nothing may be opened: what is there cannot be trusted, and going on would lose or invent records. */
export class Unrecoverable extends Error {}

export const recoverySchema = z.object({
  /** When the records were copied that were brought back: everything acknowledged until then is there. */
  to: z.string(),
  aside: z.string().nullable(),
})
export type Recovery = z.infer<typeof recoverySchema>

const holdsAll = (copy: Stamp, db: Stamp) => Object.entries(db).every(([k, n]) => (copy[k] ?? 0) >= n)

/** A name beside the database that nothing has yet. */
export function asideName(disk: Disk, folder: string): string {
  const taken = new Set(disk.list(folder).map((e) => e.name))
  let n = 1
  while (taken.has(`db.aside-${n}`)) n++
  return `db.aside-${n}`
}

/** Puts `db.next` in the place of the database, which is moved aside, never deleted. Can be cut off and done again. */
export function takePlace(disk: Disk, folder: string, aside: string): void {
  const { db, next } = placesOf(folder)
  if (!disk.exists(next)) return
  if (disk.exists(db)) disk.rename(db, db.replace(/db$/, aside))
  disk.rename(next, db)
  disk.flush(folder)
}

export interface Recovering {
  /** A person said so: the newest copy with the log that lies there is brought back where the database does not open. */
  byHand: boolean
  at: string
}

/**
 * Looks at what a cut-off start, checkpoint, stop or restore left behind, and brings back the copy made before it,
 * once that copy has been tried. Null when nothing had to be done; refuses when there is nothing to be trusted.
 */
export async function recover<Tx>(
  disk: Disk,
  cluster: Cluster<Tx>,
  folder: string,
  how: Recovering,
): Promise<Recovery | null> {
  const { db, next, trial } = placesOf(folder)
  removeTree(disk, trial)
  clearHalfCopies(disk, folder)
  const earlier = await recoverEarlier(disk, cluster, folder)
  if (earlier) return earlier
  const marker = readMarker(disk, folder)
  if (marker && marker !== 'damaged' && marker.step === 'swap') {
    takePlace(disk, folder, marker.aside)
    unmark(disk, folder)
    return null
  }
  if (!marker) removeTree(disk, next)
  if (how.byHand && !(await opens(disk, cluster, folder))) return withItsLog(disk, cluster, folder, how.at)
  if (!marker) {
    const wrong = disk.exists(db) ? faultOfPlace(disk, cluster, folder) : noneHere(disk, folder)
    if (wrong) throw new Unrecoverable(`${wrong} Nothing was changed. ${waysOut(disk, folder)}`)
    return null
  }
  if (marker === 'damaged') return withoutNote(disk, cluster, folder)
  const wrong = await faultOfCopy(disk, cluster, folder, { ...marker, name: marker.copy })
  if (wrong && how.byHand) return withItsLog(disk, cluster, folder, how.at)
  if (wrong)
    throw new Unrecoverable(
      `Ekko was cut off while it was putting its records in order, and ${wrong}. Nothing was changed. ${waysOut(disk, folder)}`,
    )
  const done = bringBack(disk, folder, marker.copy, marker.at)
  // What a start that failed made of the copy is worth nothing: the copy is what lay there before it.
  if (marker.step === 'opening' && done.aside) {
    removeTree(disk, join(folder, done.aside))
    done.aside = null
    writeWhole(disk, placesOf(folder).recovery, JSON.stringify(done))
  }
  unmark(disk, folder)
  return done
}

/** What of the database in its place is not whole, in words; null where all of it is. */
function faultOfPlace<Tx>(disk: Disk, cluster: Cluster<Tx>, folder: string): string | null {
  const { db, clean } = placesOf(folder)
  const lost = cluster.marks.filter((m) => !disk.exists(join(db, m)))
  if (lost.length > 0)
    return `The database in ${db} is not whole: ${lost.map((m) => `“${m}”`).join(', ')} ${lost.length > 1 ? 'are' : 'is'} gone.`
  // After a cut a page may be half written, and the log makes it whole again.
  const damaged = disk.exists(clean) ? cluster.damaged(db) : null
  return damaged && `The database in ${db} is damaged: ${damaged}.`
}

/** A folder that had a farm is not a new one: an empty farm in its place would hide what was lost. */
function noneHere(disk: Disk, folder: string): string | null {
  const places = placesOf(folder)
  const had = [places.clean, places.cards, places.recovery, places.history].some((p) => disk.exists(p))
  const kept = disk.list(places.backups).length + disk.list(places.attachments).length > 0
  return had || kept || asidesIn(disk, folder).length > 0
    ? `The folder ${folder} had a farm, and its “db” is gone.`
    : null
}

const opens = async <Tx>(disk: Disk, cluster: Cluster<Tx>, folder: string): Promise<boolean> => {
  const { db } = placesOf(folder)
  return (
    disk.exists(db) &&
    faultOfPlace(disk, cluster, folder) === null &&
    (await tryOpening(disk, cluster, folder, db)) !== null
  )
}

/**
 * The newest copy with the log that lies there, as PostgreSQL brings back a base backup: every write since is in the log. Refuses
 * where none of the copies opens so.
 */
async function withItsLog<Tx>(
  disk: Disk,
  cluster: Cluster<Tx>,
  folder: string,
  at: string,
): Promise<Recovery> {
  const { db, next, marker } = placesOf(folder)
  const log = join(db, cluster.log)
  const copies = copiesIn(disk, folder).filter((c) => c.stamp)
  for (const copy of copies.toReversed()) {
    if ((await faultOfCopy(disk, cluster, folder, copy)) !== null) continue
    removeTree(disk, next)
    copyTree(disk, copyPath(folder, copy.name), next)
    for (const { name, kind } of disk.list(log)) {
      if (kind !== 'file') continue
      const to = join(next, cluster.log, name)
      if (disk.exists(to)) disk.remove(to)
      disk.copy(join(log, name), to)
    }
    const held = disk.exists(log) ? await tryOpening(disk, cluster, folder, next) : null
    if (!held || !holdsAll(held, copy.stamp!)) continue
    flushTree(disk, next)
    const done = takeNext(disk, folder, at)
    removeWhole(disk, marker)
    return done
  }
  removeTree(disk, next)
  throw new Unrecoverable(
    `No copy opens with the log that lies in ${log}. Nothing was changed. ${waysOut(disk, folder)}`,
  )
}

/** Puts a copy in the place of the database, which is moved aside, and notes it. */
function bringBack(disk: Disk, folder: string, name: string, at: string): Recovery {
  const { next } = placesOf(folder)
  removeTree(disk, next)
  copyTree(disk, copyPath(folder, name), next)
  flushTree(disk, next)
  return takeNext(disk, folder, at)
}
function takeNext(disk: Disk, folder: string, at: string): Recovery {
  const { db, clean, recovery } = placesOf(folder)
  // What is brought back was not stopped: it repairs itself when it opens.
  removeWhole(disk, clean)
  const aside = disk.exists(db) ? asideName(disk, folder) : null
  takePlace(disk, folder, aside ?? '')
  const done: Recovery = { to: at, aside }
  writeWhole(disk, recovery, JSON.stringify(done))
  return done
}

/** A cut inside a checkpoint of an Ekko before copies had manifests: its note is the copy's name, a day. */
async function recoverEarlier<Tx>(
  disk: Disk,
  cluster: Cluster<Tx>,
  folder: string,
): Promise<Recovery | null> {
  const { earlierMarker } = placesOf(folder)
  if (!disk.exists(earlierMarker)) return null
  const name = disk.read(earlierMarker).toString('utf8').trim()
  const isCopy = /^\d{4}-\d\d-\d\d$/.test(name) && disk.exists(copyPath(folder, name))
  if (!isCopy || !(await tryOpening(disk, cluster, folder, copyPath(folder, name))))
    throw new Unrecoverable(
      `An earlier Ekko was cut off inside a checkpoint, and its copy “${name}” cannot be opened. Nothing was changed. ${waysOut(disk, folder)}`,
    )
  const done = bringBack(disk, folder, name, `${name}T00:00:00.000Z`)
  removeWhole(disk, earlierMarker)
  return done
}

/**
 * With a marker that cannot be read: the newest copy, if it is sound and holds no less than the database itself; else the
 * database, if it is whole and opens, with the marker set aside.
 */
async function withoutNote<Tx>(disk: Disk, cluster: Cluster<Tx>, folder: string): Promise<Recovery | null> {
  const { db, marker } = placesOf(folder)
  const isWhole = disk.exists(db) && faultOfPlace(disk, cluster, folder) === null
  const held = isWhole ? await tryOpening(disk, cluster, folder, db) : null
  const copy = copiesIn(disk, folder).at(-1)
  const fault = copy ? await faultOfCopy(disk, cluster, folder, copy) : 'there is no copy'
  if (copy && fault === null && !(held && copy.stamp && !holdsAll(copy.stamp, held))) {
    const done = bringBack(disk, folder, copy.name, copy.at)
    unmark(disk, folder)
    return done
  }
  if (!held)
    throw new Unrecoverable(
      `Ekko was cut off while it was putting its records in order, its note of that is damaged, and ${fault}. Nothing was changed. ${waysOut(disk, folder)}`,
    )
  disk.rename(marker, `${marker}.unreadable`)
  disk.flush(folder)
  return null
}

export const lastRecovery = (disk: Disk, folder: string): Recovery | null =>
  readJson(disk, placesOf(folder).recovery, recoverySchema)
