import { isAbsolute, join, relative } from 'node:path'
import { z } from 'zod'
import { readJson } from '../database/copies.ts'
import { DiskFailure, type Disk } from '../database/disk.ts'
import { placesOf } from '../database/places.ts'
import { writeWhole } from '../database/trees.ts'

const settingsSchema = z.object({ second: z.string().nullable() })
const OURS = /^ekko-[\w.-]+\.json\.gz$/
const KEEP = 10

/** The second place, away from this disk, and how it is: a stick that is out is no error. */
export interface SecondPlace {
  folder: string | null
  state: 'none' | 'away' | 'there' | 'failed'
  /** Names of bundles that lie there, oldest first. */
  bundles: string[]
  why: string | null
}

export const secondFolder = (disk: Disk, folder: string): string | null =>
  readJson(disk, placesOf(folder).settings, settingsSchema)?.second ?? null

/** Why a folder cannot be the second place, in plain words; null when it can. */
export function faultOfSecond(disk: Disk, folder: string, second: string): string | null {
  if (!isAbsolute(second))
    return 'Type the whole path, from the root or the drive, such as /media/stick/ekko.'
  const within = relative(folder, second)
  if (within === '' || (!within.startsWith('..') && !isAbsolute(within)))
    return 'It lies inside the records’ own folder, and would be lost with it. Name one on another disk or stick.'
  if (!disk.exists(second)) return 'There is no such folder now. Put the stick in, or make the folder first.'
  try {
    const trial = join(second, 'ekko-trial')
    writeWhole(disk, trial, 'Ekko can write here.')
    disk.remove(trial)
    return null
  } catch (error) {
    return `Ekko cannot write there (${error instanceof DiskFailure ? error.code : 'it does not read back'}). Name another folder.`
  }
}

export const chooseSecond = (disk: Disk, folder: string, second: string | null) =>
  writeWhole(disk, placesOf(folder).settings, JSON.stringify({ second }))

const bundlesAt = (disk: Disk, second: string) =>
  disk
    .list(second)
    .flatMap((e) => (OURS.test(e.name) ? e.name : []))
    .sort()

export function lookAtSecond(disk: Disk, folder: string): SecondPlace {
  const second = secondFolder(disk, folder)
  if (!second) return { folder: null, state: 'none', bundles: [], why: null }
  try {
    if (!disk.exists(second)) return { folder: second, state: 'away', bundles: [], why: null }
    return { folder: second, state: 'there', bundles: bundlesAt(disk, second), why: null }
  } catch (error) {
    return { folder: second, state: 'failed', bundles: [], why: String((error as DiskFailure).code) }
  }
}

/** Brings a proven bundle to the second place, reads it back, and keeps the newest ten there. */
export function bringToSecond(disk: Disk, folder: string, name: string): SecondPlace {
  const look = lookAtSecond(disk, folder)
  if (look.state !== 'there') return look
  const second = look.folder!
  try {
    const bytes = disk.read(join(placesOf(folder).bundles, name))
    const place = join(second, `ekko-${name}`)
    disk.write(`${place}.aside`, bytes)
    disk.flush(`${place}.aside`)
    if (!disk.read(`${place}.aside`).equals(bytes)) throw new DiskFailure('read', place, 'EIO')
    disk.rename(`${place}.aside`, place)
    disk.flush(second)
    for (const old of bundlesAt(disk, second)
      .filter((n) => n.startsWith('ekko-day-'))
      .slice(0, -KEEP))
      disk.remove(join(second, old))
    return lookAtSecond(disk, folder)
  } catch (error) {
    return { ...look, state: 'failed', why: error instanceof DiskFailure ? error.code : String(error) }
  }
}
