import { cpSync, existsSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { PGlite } from '@electric-sql/pglite'
import { afterEach, describe, expect, it } from 'vitest'
import { copyBeforeCheckpoint, placesOf } from './database/durable.ts'
import { openEngine } from './database/engine.ts'
import { lotBody, newFolder, openTestStore } from './testing.ts'
import type { Store } from './store/operations.ts'

const AT = '2026-11-01T08:00:00.000Z'
const open: Store[] = []
const folders: string[] = []
afterEach(async () => {
  for (const store of open.splice(0)) await store.close().catch(() => undefined)
  for (const folder of folders.splice(0)) rmSync(folder, { recursive: true, force: true })
})

async function started(folder?: string) {
  const out = await openTestStore(folder)
  open.push(out.store)
  folders.push(out.folder)
  return out
}
async function hang(store: Store, n: number, from = 0) {
  for (let i = 0; i < n; i++) {
    const out = await store.run('hangLot', { lot: lotBody({ tag: `Lot ${from + i}` }), at: AT })
    expect(out.result).toBe('kept')
  }
}
/** What a power cut leaves when only `flushed` paths of the live folder had reached the disk since `base`. */
function crashImage(base: string, live: string, flushed: string[]): string {
  const image = newFolder()
  folders.push(image)
  cpSync(base, image, { recursive: true })
  for (const path of flushed) {
    rmSync(join(image, path), { recursive: true, force: true })
    cpSync(join(live, path), join(image, path), { recursive: true })
  }
  return image
}
const still = (folder: string) => {
  const copy = newFolder()
  folders.push(copy)
  cpSync(folder, copy, { recursive: true })
  return copy
}
async function tagsIn(folder: string): Promise<string[]> {
  const store = await openEngine(folder)
  const { lots } = await store.run('home', undefined)
  await store.close()
  return lots.map((l) => l.tag).sort()
}
const tags = (n: number) => Array.from({ length: n }, (_, i) => `Lot ${i}`).sort()
const WAL = join('db', 'pg_wal')

describe('a power cut loses no acknowledged row', () => {
  it('after a first start: only the write-ahead log had been flushed since', async () => {
    const { store, folder } = await started()
    const base = still(folder)
    await hang(store, 5)
    expect(await tagsIn(crashImage(base, folder, [WAL]))).toEqual(tags(5))
  })

  it('after a clean stop and a new start: folder flushed, then the log', async () => {
    const first = await started()
    await hang(first.store, 3)
    await first.store.close()
    open.length = 0
    const { store, folder } = await started(first.folder)
    const base = still(folder)
    await hang(store, 4, 3)
    expect(await tagsIn(crashImage(base, folder, [WAL]))).toEqual(tags(7))
  })

  it('inside a checkpoint: control file written, pages not; the marker brings back the copy', async () => {
    const { store, folder } = await started()
    const base = still(folder)
    await hang(store, 5)
    const live = still(folder)
    const db = await PGlite.create(placesOf(live).db)
    copyBeforeCheckpoint(live, '2026-11-01')
    await db.exec('checkpoint')
    const reached = [WAL, join('db', 'global', 'pg_control')]
    const image = crashImage(base, live, [...reached, 'backups', 'checkpoint-in-progress'])
    const unmarked = crashImage(base, live, reached)
    await db.close()
    expect(await tagsIn(image)).toEqual(tags(5))
    expect(existsSync(placesOf(image).marker)).toBe(false)
    const without = await tagsIn(unmarked).catch(() => [])
    expect(without, 'without the marker this image really does lose rows').not.toEqual(tags(5))
  })

  it('after a whole checkpoint: the folder alone has every row, and a dated copy is kept', async () => {
    const { store, folder } = await started()
    await hang(store, 5)
    await store.checkpoint()
    const base = still(folder)
    await hang(store, 2, 5)
    const cut = crashImage(base, folder, [WAL])
    expect(await tagsIn(base)).toEqual(tags(5))
    expect(await tagsIn(cut)).toEqual(tags(7))
    expect(existsSync(join(placesOf(folder).backups, new Date().toISOString().slice(0, 10)))).toBe(true)
  })
})
