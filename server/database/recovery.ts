import { z } from 'zod'
import type { Cluster, Stamp } from './cluster.ts'
import {
  clearHalfCopies,
  copiesIn,
  copyPath,
  faultOfCopy,
  readJson,
  tryOpening,
  type Manifest,
} from './copies.ts'
import type { Disk } from './disk.ts'
import { readMarker, unmark } from './marker.ts'
import { placesOf } from './places.ts'
import { copyTree, flushTree, removeTree, removeWhole, writeWhole } from './trees.ts'

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

/**
 * Looks at what a cut-off start, checkpoint, stop or restore left behind, and brings back the copy made before it,
 * once that copy has been tried. Null when nothing had to be done; refuses when there is nothing to be trusted.
 */
export async function recover<Tx>(
  disk: Disk,
  cluster: Cluster<Tx>,
  folder: string,
): Promise<Recovery | null> {
  const { db, next, trial } = placesOf(folder)
  removeTree(disk, trial)
  clearHalfCopies(disk, folder)
  const earlier = await recoverEarlier(disk, cluster, folder)
  if (earlier) return earlier
  const marker = readMarker(disk, folder)
  if (!marker) {
    removeTree(disk, next)
    if (!disk.exists(db)) refuseEmptyPlace(disk, folder)
    return null
  }
  if (marker !== 'damaged' && marker.step === 'swap') {
    takePlace(disk, folder, marker.aside)
    unmark(disk, folder)
    return null
  }
  const copy =
    marker === 'damaged' ? await likeliest(disk, cluster, folder) : { ...marker, name: marker.copy }
  const wrong = marker === 'damaged' ? null : await faultOfCopy(disk, cluster, folder, copy)
  if (wrong)
    throw new Unrecoverable(
      `Ekko was cut off while it was putting its records in order, and ${wrong}. Nothing was changed. ${wayOut(disk, folder)}`,
    )
  const done = bringBack(disk, folder, copy.name, copy.at)
  unmark(disk, folder)
  return done
}

/** Puts a copy in the place of the database, which is moved aside, and notes it. */
function bringBack(disk: Disk, folder: string, name: string, at: string): Recovery {
  const { db, next, recovery } = placesOf(folder)
  removeTree(disk, next)
  copyTree(disk, copyPath(folder, name), next)
  flushTree(disk, next)
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
      `An earlier Ekko was cut off inside a checkpoint, and its copy “${name}” cannot be opened. Nothing was changed. ${wayOut(disk, folder)}`,
    )
  const done = bringBack(disk, folder, name, `${name}T00:00:00.000Z`)
  removeWhole(disk, earlierMarker)
  return done
}

/** With a marker that cannot be read: the newest copy, if it is sound and holds no less than the database itself. */
async function likeliest<Tx>(disk: Disk, cluster: Cluster<Tx>, folder: string): Promise<Manifest> {
  const refusal = (why: string) =>
    new Unrecoverable(
      `Ekko was cut off while it was putting its records in order, its note of that is damaged, and ${why}. Nothing was changed. ${wayOut(disk, folder)}`,
    )
  const copy = copiesIn(disk, folder).at(-1)
  if (!copy) throw refusal('there is no copy')
  const fault = await faultOfCopy(disk, cluster, folder, copy)
  if (fault) throw refusal(fault)
  const { db } = placesOf(folder)
  const held = disk.exists(db) ? await tryOpening(disk, cluster, folder, db) : null
  if (held && copy.stamp && !holdsAll(copy.stamp, held))
    throw refusal(`the newest copy, ${copy.name}, holds less than the database`)
  return copy
}

/** A folder with copies but no database is not a new one: an empty farm in its place would hide what was lost. */
function refuseEmptyPlace(disk: Disk, folder: string): void {
  const left = disk.list(folder).some((e) => e.name.startsWith('db.aside-'))
  if (copiesIn(disk, folder).length > 0 || left)
    throw new Unrecoverable(
      `The folder ${folder} has copies of records but no records: its “db” is gone. ${wayOut(disk, folder)}`,
    )
}

/** What a person can do: the newest bundle by name, and the command that brings it back. */
function wayOut(disk: Disk, folder: string): string {
  const { bundles } = placesOf(folder)
  const newest = disk
    .list(bundles)
    .map((e) => e.name)
    .sort()
    .at(-1)
  return newest
    ? `Bring back a bundle into a new folder: npm run restore -- ${bundles}/${newest} NEW-FOLDER`
    : `Keep the folder as it is. With a bundle taken away earlier: npm run restore -- BUNDLE NEW-FOLDER`
}

export const lastRecovery = (disk: Disk, folder: string): Recovery | null =>
  readJson(disk, placesOf(folder).recovery, recoverySchema)
