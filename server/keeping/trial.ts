import { join } from 'node:path'
import type { Bundle } from '#contracts'
import type { Cluster, Session } from '../database/cluster.ts'
import type { Disk } from '../database/disk.ts'
import { placesOf } from '../database/places.ts'
import { shelfIn, shelfOf, type Shelf } from '../database/shelf.ts'
import { copyTree, flushTree, makeFolderWhole, removeTree } from '../database/trees.ts'
import { Cards } from '../lots/cards.ts'
import { Lots } from '../lots/cache.ts'
import { beginHistory } from '../store/history.ts'
import { operations } from '../store/operations.ts'
import type { Tx } from '../store/tx.ts'

/** Fills a new database in `place` from a bundle; says whether it gives back exactly what the bundle holds. */
async function fill(
  cluster: Cluster<Tx>,
  place: string,
  bundle: Bundle,
  shelf: Shelf,
): Promise<Session<Tx> | null> {
  const session = await cluster.open(place)
  if ((await session.schema()) < cluster.schema) await session.migrate()
  const beside = { shelf, lots: new Lots(), cards: new Cards() }
  await session.transaction((tx) => operations.importBundle(tx, bundle, beside))
  const back = await session.transaction((tx) => operations.exportBundle(tx, undefined, beside))
  if (back.digest === bundle.digest) return session
  await session.close()
  return null
}

/** Makes the prepared empty database that trials are copied from, unless it is there. */
export async function prepareEmpty(disk: Disk, cluster: Cluster<Tx>, folder: string): Promise<void> {
  const { empty: own, trial } = placesOf(folder)
  const empty = cluster.empty ?? own
  if (disk.exists(empty)) return
  const made = join(trial, 'empty')
  removeTree(disk, made)
  makeFolderWhole(disk, trial)
  const session = await cluster.open(made)
  await session.migrate()
  await session.checkpoint()
  await session.close()
  disk.rename(made, empty)
}

/** Restores a bundle into a throw-away database: true when the whole farm came back to the last sign. */
export async function restores(
  disk: Disk,
  cluster: Cluster<Tx>,
  folder: string,
  bundle: Bundle,
): Promise<boolean> {
  const { trial } = placesOf(folder)
  await prepareEmpty(disk, cluster, folder)
  const place = join(trial, 'bundle')
  removeTree(disk, place)
  makeFolderWhole(disk, trial)
  try {
    const session = await fill(cluster, place, bundle, shelfOf())
    await session?.close()
    return session !== null
  } finally {
    removeTree(disk, place)
  }
}

/** Restores a bundle beside the present records, proven and flushed, ready to take their place. */
export async function rehearse(
  disk: Disk,
  cluster: Cluster<Tx>,
  folder: string,
  bundle: Bundle,
): Promise<boolean> {
  const { next } = placesOf(folder)
  await prepareEmpty(disk, cluster, folder)
  removeTree(disk, next)
  const session = await fill(cluster, next, bundle, shelfIn(disk, folder))
  if (!session) {
    removeTree(disk, next)
    return false
  }
  // However it comes to its place, a start cut off in between included, it is told from the one before it.
  await session.transaction((tx) => beginHistory(tx))
  await session.checkpoint()
  await session.close()
  flushTree(disk, next)
  return true
}

/** What a database in another place holds, read on a throw-away copy of it; null where it does not open. */
export async function bundleOf(
  disk: Disk,
  cluster: Cluster<Tx>,
  folder: string,
  place: string,
): Promise<Bundle | null> {
  const trial = join(placesOf(folder).trial, 'aside')
  removeTree(disk, trial)
  makeFolderWhole(disk, placesOf(folder).trial)
  copyTree(disk, place, trial)
  try {
    const session = await cluster.open(trial)
    if ((await session.schema()) < cluster.schema) await session.migrate()
    const beside = { shelf: shelfIn(disk, folder), lots: new Lots(), cards: new Cards() }
    const bundle = await session.transaction((tx) => operations.exportBundle(tx, undefined, beside))
    await session.close()
    return bundle
  } catch {
    return null
  } finally {
    removeTree(disk, trial)
  }
}
