import {
  closeSync,
  copyFileSync,
  existsSync,
  fsyncSync,
  mkdirSync,
  openSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmdirSync,
  statfsSync,
  statSync,
  unlinkSync,
  writeFileSync,
} from 'node:fs'

export interface Entry {
  name: string
  kind: 'file' | 'folder'
}

/**
 * Every touch of the disk that the records depend on, so that a test can fail each call in turn. All of a write or
 * copy is there or the call throws; nothing is safe from a power cut before `flush` of the file *and* of its folder.
 */
export interface Disk {
  /** Entries of a folder by name; none when there is no such folder. */
  list(folder: string): Entry[]
  exists(path: string): boolean
  bytes(path: string): number
  /** When a file was last written, ms since 1970. */
  changed(path: string): number
  read(path: string): Buffer
  /** Makes a folder and those above it. */
  makeFolder(path: string): void
  write(path: string, content: string | Uint8Array): void
  /** Brings a file or the entries of a folder to the platter, by name: a held handle may be another file by now. */
  flush(path: string): void
  rename(from: string, to: string): void
  copy(from: string, to: string): void
  /** Removes a file or an empty folder. */
  remove(path: string): void
  /** Bytes that may still be written where this folder lies. */
  free(folder: string): number
}

export type DiskCall = Exclude<keyof Disk, 'exists' | 'list' | 'bytes' | 'changed' | 'free'>

/** A disk that did not do what it was asked: which call, on what, and why (the system's own code). */
export class DiskFailure extends Error {
  constructor(
    readonly call: keyof Disk,
    readonly path: string,
    readonly code: string,
  ) {
    super(`The disk failed at “${call}” of ${path} (${code}).`)
  }
  /** No room, no right or a medium that takes no writing: said and worked around, unlike a disk that fails. */
  get isRefusal(): boolean {
    return this.call !== 'flush' && /^(?:ENOSPC|EDQUOT|EROFS|EACCES|EPERM|ENOENT|ENOTDIR)$/.test(this.code)
  }
}

const said = <A extends unknown[], R>(call: keyof Disk, act: (path: string, ...more: A) => R) => {
  return (path: string, ...more: A): R => {
    try {
      return act(path, ...more)
    } catch (error) {
      throw new DiskFailure(call, path, (error as { code?: string }).code ?? String(error))
    }
  }
}

/** The machine's own disk. */
export const realDisk: Disk = {
  list: said('list', (folder) =>
    existsSync(folder)
      ? readdirSync(folder, { withFileTypes: true }).map((e) => ({
          name: e.name,
          kind: e.isDirectory() ? ('folder' as const) : ('file' as const),
        }))
      : [],
  ),
  exists: existsSync,
  bytes: said('bytes', (path) => statSync(path).size),
  changed: said('changed', (path) => statSync(path).mtimeMs),
  read: said('read', (path) => readFileSync(path)),
  makeFolder: said('makeFolder', (path) => void mkdirSync(path, { recursive: true })),
  write: said('write', (path, content: string | Uint8Array) => writeFileSync(path, content)),
  flush: said('flush', (path) => {
    const handle = openSync(path, 'r')
    try {
      fsyncSync(handle)
    } finally {
      closeSync(handle)
    }
  }),
  rename: said('rename', (from, to: string) => renameSync(from, to)),
  copy: said('copy', (from, to: string) => copyFileSync(from, to)),
  remove: said('remove', (path) => (statSync(path).isDirectory() ? rmdirSync(path) : unlinkSync(path))),
  free: said('free', (folder) => {
    const { bavail, bsize } = statfsSync(folder)
    return bavail * bsize
  }),
}
