import { createHash } from 'node:crypto'
import { dirname } from 'node:path'
import type { Disk } from './disk.ts'

/** A path within a folder; much quicker than `join`, and there are a thousand files in a database. */
const within = (root: string, path: string) => (path ? `${root}/${path}` : root)

/** Files of a folder by their path within it, in order of name; folders apart, the deepest first. */
function walk(disk: Disk, root: string): { files: string[]; folders: string[] } {
  const files: string[] = []
  const folders: string[] = []
  const into = (folder: string) => {
    const entries = disk.list(within(root, folder)).sort((a, b) => (a.name < b.name ? -1 : 1))
    for (const { name, kind } of entries) {
      const path = folder ? `${folder}/${name}` : name
      if (kind === 'folder') into(path)
      else files.push(path)
    }
    folders.push(folder)
  }
  into('')
  return { files, folders }
}

/** Flushes a whole folder: every file, then every folder, then its entry in the one above. */
export function flushTree(disk: Disk, root: string): void {
  const { files, folders } = walk(disk, root)
  for (const path of [...files, ...folders]) disk.flush(within(root, path))
  disk.flush(dirname(root))
}

/** Copies a folder to where there is none, not flushed. */
export function copyTree(disk: Disk, from: string, to: string): void {
  const { files, folders } = walk(disk, from)
  for (const path of folders.reverse()) disk.makeFolder(within(to, path))
  for (const path of files) disk.copy(within(from, path), within(to, path))
}

export function removeTree(disk: Disk, root: string): void {
  if (!disk.exists(root)) return
  const { files, folders } = walk(disk, root)
  for (const path of [...files, ...folders]) disk.remove(within(root, path))
}

/** SHA-256 over names and contents of all files of a folder: equal only for equal folders. */
export function digestOfTree(disk: Disk, root: string): string {
  const whole = createHash('sha256')
  for (const path of walk(disk, root).files) {
    const content = disk.read(within(root, path))
    whole.update(`${path}\0${content.length}\0`).update(content)
  }
  return whole.digest('hex')
}

/** Thrown when what was written does not read back: a disk that loses bytes without saying so. */
export class NotAsWritten extends Error {
  constructor(readonly path: string) {
    super(`The disk does not give back what was written to ${path}.`)
  }
}

/** Writes a small file so that after a cut the old or the new one is there, whole: aside, flushed, read back, renamed. */
export function writeWhole(disk: Disk, path: string, content: string): void {
  const aside = `${path}.aside`
  disk.write(aside, content)
  disk.flush(aside)
  if (disk.read(aside).toString('utf8') !== content) throw new NotAsWritten(path)
  disk.rename(aside, path)
  disk.flush(dirname(path))
}

/** Removes a small file for good. */
export function removeWhole(disk: Disk, path: string): void {
  if (!disk.exists(path)) return
  disk.remove(path)
  disk.flush(dirname(path))
}

/** Makes a folder that a cut cannot take away again, with those above it. */
export function makeFolderWhole(disk: Disk, path: string): void {
  const parent = dirname(path)
  if (!disk.exists(parent)) makeFolderWhole(disk, parent)
  disk.makeFolder(path)
  disk.flush(parent)
}
