import { createHash } from 'node:crypto'
import { join } from 'node:path'
import type { Disk } from './disk.ts'
import { placesOf } from './places.ts'
import { makeFolderWhole } from './trees.ts'

/** Bytes that lie beside the database, each under the hash of its content: written once, never changed. */
export interface Shelf {
  has(hash: string): boolean
  /** Throws where the bytes do not lie here, or are no longer what they were. */
  read(hash: string): Buffer
  keep(hash: string, bytes: Buffer): void
}

export const hashOfBytes = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex')

/** What lies on a shelf under a hash is not what was put there. */
export class NotOnShelf extends Error {
  constructor(hash: string) {
    super(`The attachment ${hash.slice(0, 8)}… is not there, or was changed.`)
  }
}

const sound = (hash: string, bytes: Buffer | undefined): Buffer => {
  if (!bytes || hashOfBytes(bytes) !== hash) throw new NotOnShelf(hash)
  return bytes
}

/** The shelf of a data folder: a file is whole and flushed before its name is there. */
export function shelfIn(disk: Disk, folder: string): Shelf {
  const { attachments } = placesOf(folder)
  const at = (hash: string) => join(attachments, hash)
  const has = (hash: string) => disk.exists(at(hash))
  return {
    has,
    read: (hash) => sound(hash, has(hash) ? disk.read(at(hash)) : undefined),
    keep(hash, bytes) {
      if (has(hash)) return
      makeFolderWhole(disk, attachments)
      disk.write(`${at(hash)}.aside`, sound(hash, bytes))
      disk.flush(`${at(hash)}.aside`)
      disk.rename(`${at(hash)}.aside`, at(hash))
      disk.flush(attachments)
    },
  }
}

/** A shelf in memory: what a bundle brings, on trial. */
export function shelfOf(held = new Map<string, Buffer>()): Shelf {
  return {
    has: (hash) => held.has(hash),
    read: (hash) => sound(hash, held.get(hash)),
    keep: (hash, bytes) => void held.set(hash, sound(hash, bytes)),
  }
}
