import { createHash } from 'node:crypto'
import { join } from 'node:path'
import type { Disk } from './disk.ts'
import { placesOf } from './places.ts'
import { makeFolderWhole } from './trees.ts'

/** Bytes that lie beside the database, each under the hash of its content: written once, never changed. */
export interface Shelf {
  has(hash: string): boolean
  /** Whether its bytes lie here, or beside the copies, as they were put there. */
  isSound(hash: string): boolean
  /** When its file was last written (ms since 1970); null where it is not here. */
  changed(hash: string): number | null
  /** Throws where the bytes do not lie here, or are no longer what they were. */
  read(hash: string): Buffer
  keep(hash: string, bytes: Buffer): void
  /** What lies here, bytes. */
  bytes(): number
  /** Takes off what nobody wants and was put here before then (ms since 1970); how many. */
  clear(isWanted: (hash: string) => boolean, before: number): number
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

/**
 * The shelf of a data folder: a file is whole and flushed before its name is there. Each lies beside the copies too, and is read
 * from there where the first one was lost; put here again, it heals.
 */
export function shelfIn(disk: Disk, folder: string): Shelf {
  const { attachments, attachmentCopies } = placesOf(folder)
  const bytesAt = (shelf: string, hash: string): Buffer | null => {
    const path = join(shelf, hash)
    const bytes = disk.exists(path) ? disk.read(path) : null
    return bytes && hashOfBytes(bytes) === hash ? bytes : null
  }
  function put(shelf: string, hash: string, bytes: Buffer): void {
    makeFolderWhole(disk, shelf)
    const aside = join(shelf, `${hash}.aside`)
    disk.write(aside, bytes)
    disk.flush(aside)
    disk.rename(aside, join(shelf, hash))
    disk.flush(shelf)
  }
  const find = (hash: string) => bytesAt(attachments, hash) ?? bytesAt(attachmentCopies, hash)
  return {
    has: (hash) => disk.exists(join(attachments, hash)) || disk.exists(join(attachmentCopies, hash)),
    isSound: (hash) => find(hash) !== null,
    changed(hash) {
      const path = join(attachments, hash)
      return disk.exists(path) ? disk.changed(path) : null
    },
    read: (hash) => sound(hash, find(hash) ?? undefined),
    keep(hash, given) {
      const bytes = sound(hash, given)
      for (const shelf of [attachments, attachmentCopies]) if (!bytesAt(shelf, hash)) put(shelf, hash, bytes)
    },
    bytes: () => disk.list(attachments).reduce((sum, e) => sum + disk.bytes(join(attachments, e.name)), 0),
    clear(isWanted, before) {
      const gone = disk
        .list(attachments)
        .filter((e) => !isWanted(e.name) && disk.changed(join(attachments, e.name)) < before)
      for (const { name } of gone)
        for (const shelf of [attachments, attachmentCopies])
          if (disk.exists(join(shelf, name))) disk.remove(join(shelf, name))
      return gone.length
    },
  }
}

/** A shelf in memory: what a bundle brings, on trial. */
export function shelfOf(held = new Map<string, Buffer>()): Shelf {
  return {
    has: (hash) => held.has(hash),
    isSound: (hash) => held.has(hash),
    changed: () => null,
    read: (hash) => sound(hash, held.get(hash)),
    keep: (hash, bytes) => void held.set(hash, sound(hash, bytes)),
    bytes: () => [...held.values()].reduce((sum, b) => sum + b.length, 0),
    clear: () => 0,
  }
}
