import {
  closeSync,
  cpSync,
  existsSync,
  fsyncSync,
  openSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs'
import { dirname, join } from 'node:path'

/** Where a data folder keeps what. */
export const placesOf = (folder: string) => ({
  db: join(folder, 'db'),
  wal: join(folder, 'db', 'pg_wal'),
  backups: join(folder, 'backups'),
  marker: join(folder, 'checkpoint-in-progress'),
})

/** Flushes one file or directory by name: never a held handle, since WAL segments are recycled by rename. */
export function flushPath(path: string): void {
  const handle = openSync(path, 'r')
  try {
    fsyncSync(handle)
  } finally {
    closeSync(handle)
  }
}

/** Flushes a whole folder: every file, then every directory, then its entry in its parent. */
export function flushFolder(folder: string): void {
  const directories: string[] = []
  const walk = (dir: string) => {
    for (const entry of readdirSync(dir, { withFileTypes: true })) {
      const path = join(dir, entry.name)
      if (entry.isDirectory()) walk(path)
      else if (entry.isFile()) flushPath(path)
    }
    directories.push(dir)
  }
  walk(folder)
  for (const dir of [...directories, dirname(folder)]) flushPath(dir)
}

/** Flushes the write-ahead log: every segment, and the directory when one has appeared or gone. */
export function walFlusher(wal: string): () => void {
  let known = ''
  return () => {
    const names = readdirSync(wal, { withFileTypes: true })
      .filter((e) => e.isFile())
      .map((e) => e.name)
    for (const name of names) flushPath(join(wal, name))
    const now = names.join()
    if (now !== known) flushPath(wal)
    known = now
  }
}

const KEEP = 3

/** Writes the marker, then copies and flushes the database: until the marker goes, this copy is the truth. */
export function copyBeforeCheckpoint(folder: string, name: string): void {
  const { db, backups, marker } = placesOf(folder)
  const copy = join(backups, name)
  const unfinished = `${copy}.unfinished`
  for (const old of [copy, unfinished]) rmSync(old, { recursive: true, force: true })
  cpSync(db, unfinished, { recursive: true })
  flushFolder(unfinished)
  renameSync(unfinished, copy)
  flushPath(backups)
  writeFileSync(marker, name)
  flushPath(marker)
  flushPath(folder)
}

/** Removes the marker after the checkpoint was flushed, and the oldest copies. */
export function checkpointDone(folder: string): void {
  const { backups, marker } = placesOf(folder)
  rmSync(marker, { force: true })
  flushPath(folder)
  for (const old of readdirSync(backups).sort().slice(0, -KEEP))
    rmSync(join(backups, old), { recursive: true, force: true })
}

/** A start that finds the marker was cut off inside a checkpoint: the copy made before it takes the folder's place. */
export function recover(folder: string): boolean {
  const { db, backups, marker } = placesOf(folder)
  if (!existsSync(marker)) return false
  const copy = join(backups, readFileSync(marker, 'utf8').trim())
  rmSync(db, { recursive: true, force: true })
  cpSync(copy, db, { recursive: true })
  flushFolder(db)
  rmSync(marker)
  flushPath(folder)
  return true
}
