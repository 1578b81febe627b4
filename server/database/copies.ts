import { basename, join } from 'node:path'
import { z } from 'zod'
import { sameStamp, type Cluster, type Stamp } from './cluster.ts'
import type { Disk } from './disk.ts'
import { placesOf } from './places.ts'
import { copyTree, digestOfTree, flushTree, NotAsWritten, removeTree, writeWhole } from './trees.ts'

/** Proven folder copies kept, besides those made before a change of schema. */
const KEEP = 3

const manifestSchema = z.object({
  name: z.string(),
  number: z.number().int(),
  at: z.string(),
  why: z.enum(['checkpoint', 'schema', 'opening']),
  digest: z.string(),
  /** Null where the database could not be asked: before it was opened. */
  stamp: z.record(z.string(), z.number()).nullable(),
  proven: z.string().nullable(),
})
export type Manifest = z.infer<typeof manifestSchema>

const manifestPath = (folder: string, name: string) => join(placesOf(folder).backups, `${name}.json`)
export const copyPath = (folder: string, name: string) => join(placesOf(folder).backups, name)

/** Reads a small JSON file, or null when it is not there or not whole. */
export function readJson<T>(disk: Disk, path: string, schema: z.ZodType<T>): T | null {
  if (!disk.exists(path)) return null
  try {
    const out = schema.safeParse(JSON.parse(disk.read(path).toString('utf8')))
    return out.success ? out.data : null
  } catch (error) {
    if (error instanceof SyntaxError) return null
    throw error
  }
}

/** Whole folder copies with a readable manifest, oldest first: by number, never by clock. */
export function copiesIn(disk: Disk, folder: string): Manifest[] {
  return disk
    .list(placesOf(folder).backups)
    .flatMap(({ name, kind }) =>
      kind === 'folder' ? (readJson(disk, manifestPath(folder, name), manifestSchema) ?? []) : [],
    )
    .sort((a, b) => a.number - b.number)
}

/** Copies the database, which must be at rest; it reads back as written and lies flushed before it has its name. */
export function makeCopy(
  disk: Disk,
  folder: string,
  { why, stamp, at }: Pick<Manifest, 'why' | 'stamp' | 'at'>,
): Manifest {
  const { db, backups } = placesOf(folder)
  disk.makeFolder(backups)
  const number = 1 + Math.max(0, ...copiesIn(disk, folder).map((c) => c.number))
  const name = `copy-${String(number).padStart(5, '0')}`
  const place = copyPath(folder, name)
  const unfinished = `${place}.unfinished`
  for (const left of [place, unfinished]) removeTree(disk, left)
  try {
    copyTree(disk, db, unfinished)
    flushTree(disk, unfinished)
    const digest = digestOfTree(disk, unfinished)
    if (digest !== digestOfTree(disk, db)) throw new NotAsWritten(place)
    const manifest: Manifest = { name, number, at, why, digest, stamp, proven: null }
    writeWhole(disk, manifestPath(folder, name), JSON.stringify(manifest))
    disk.rename(unfinished, place)
    disk.flush(backups)
    return manifest
  } catch (error) {
    leave(disk, unfinished)
    throw error
  }
}

/** Clears up after a failure, as far as the disk still lets us; what is left is cleared at the next start. */
function leave(disk: Disk, path: string): void {
  try {
    removeTree(disk, path)
  } catch {
    return
  }
}

/** Removes a copy; its manifest first, so that one cut off half way is never taken for a whole one. */
export function removeCopy(disk: Disk, folder: string, name: string): void {
  if (disk.exists(manifestPath(folder, name))) disk.remove(manifestPath(folder, name))
  removeTree(disk, copyPath(folder, name))
}

/** Clears what a cut left of copies being made or removed: those unfinished, and those without a manifest. */
export function clearHalfCopies(disk: Disk, folder: string): void {
  for (const { name, kind } of disk.list(placesOf(folder).backups)) {
    const isHalfRemoved = /^copy-\d+$/.test(name) && !disk.exists(manifestPath(folder, name))
    if (kind === 'folder' && (name.endsWith('.unfinished') || isHalfRemoved))
      removeTree(disk, copyPath(folder, name))
  }
}

/** What is wrong with a copy; null when its files are the ones that were written, and it opens and holds what it held. */
export async function faultOfCopy<Tx>(
  disk: Disk,
  cluster: Cluster<Tx>,
  folder: string,
  copy: Pick<Manifest, 'name' | 'digest' | 'stamp'>,
): Promise<string | null> {
  const place = copyPath(folder, copy.name)
  if (!disk.exists(place)) return `the copy ${copy.name} is not there`
  if (digestOfTree(disk, place) !== copy.digest) return `the copy ${copy.name} is damaged`
  if (!copy.stamp) return null
  const held = await tryOpening(disk, cluster, folder, place)
  if (!held) return `the copy ${copy.name} does not open`
  return sameStamp(held, copy.stamp) ? null : `the copy ${copy.name} does not hold what it held`
}

/** Opens a database on a throw-away copy of itself and says what it holds; null when it does not open. */
export async function tryOpening<Tx>(
  disk: Disk,
  cluster: Cluster<Tx>,
  folder: string,
  place: string,
): Promise<Stamp | null> {
  const trial = join(placesOf(folder).trial, basename(place))
  removeTree(disk, trial)
  disk.makeFolder(placesOf(folder).trial)
  copyTree(disk, place, trial)
  try {
    const session = await cluster.open(trial)
    const stamp = await session.stamp()
    await session.close()
    return stamp
  } catch {
    return null
  } finally {
    leave(disk, trial)
  }
}

/** Notes that a copy was proven; only then may the oldest proven ones beyond those kept go. */
export function noteProven(disk: Disk, folder: string, name: string, at: string): void {
  const copy = copiesIn(disk, folder).find((c) => c.name === name)
  if (!copy) return
  writeWhole(disk, manifestPath(folder, name), JSON.stringify({ ...copy, proven: at }))
  const rotating = copiesIn(disk, folder).filter((c) => c.why === 'checkpoint')
  const proven = rotating.filter((c) => c.proven)
  const oldest = proven.slice(-KEEP)[0]!
  for (const old of rotating) if (old.number < oldest.number) removeCopy(disk, folder, old.name)
}
