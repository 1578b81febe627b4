import { cpSync, existsSync, readdirSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { afterEach, describe, expect, it } from 'vitest'
import { realDisk, type Disk } from './database/disk.ts'
import { placesOf } from './database/places.ts'
import { openStore, type Store } from './store/store.ts'
import { copyOf, lotBody, NOBODY, openTestStore } from './testing.ts'

const AT = '2026-11-01T08:00:00.000Z'
const folders: string[] = []
afterEach(async () => {
  for (const folder of folders.splice(0)) rmSync(folder, { recursive: true, force: true })
})

async function started(folder?: string, disk: Disk = realDisk) {
  const out = await openTestStore(folder, { disk })
  folders.push(out.folder)
  return out
}
async function hang(store: Store, n: number, from = 0) {
  for (let i = 0; i < n; i++) {
    const out = await store.run('hangLot', { lot: lotBody({ tag: `Lot ${from + i}` }), by: NOBODY, at: AT })
    expect(out.result).toBe('kept')
  }
}
const still = (folder: string) => {
  const copy = copyOf(folder)
  folders.push(copy)
  return copy
}
/** What a power cut leaves when only `flushed` paths of the live folder had reached the disk since `base`. */
function crashImage(base: string, live: string, flushed: string[]): string {
  const image = still(base)
  for (const path of flushed) {
    rmSync(join(image, path), { recursive: true, force: true })
    cpSync(join(live, path), join(image, path), { recursive: true })
  }
  return image
}
async function tagsIn(folder: string): Promise<string[]> {
  const store = await openStore(folder)
  const { lots } = await store.run('home', undefined)
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
    const { store, folder } = await started(first.folder)
    const base = still(folder)
    await hang(store, 4, 3)
    expect(await tagsIn(crashImage(base, folder, [WAL]))).toEqual(tags(7))
  })

  it('inside a checkpoint: control file written, pages not; the marker brings back the copy', async () => {
    const seen = { base: '', live: '' }
    const { marker, db } = { marker: 'in-progress', db: 'db' }
    const disk: Disk = {
      ...realDisk,
      flush: (path) => {
        // The first flush of the database after the checkpoint: nothing of it has reached the platter yet.
        if (seen.base && !seen.live && path.includes(`/${db}/`) && existsSync(join(folder, marker)))
          seen.live = still(folder)
        realDisk.flush(path)
      },
    }
    const { store, folder } = await started(undefined, disk)
    seen.base = still(folder)
    await hang(store, 5)
    await store.checkpoint()
    const reached = [WAL, join('db', 'global', 'pg_control')]
    const image = crashImage(seen.base, seen.live, [...reached, 'backups', marker])
    const unmarked = crashImage(seen.base, seen.live, reached)
    expect(await tagsIn(image)).toEqual(tags(5))
    expect(existsSync(placesOf(image).marker)).toBe(false)
    expect(readdirSync(image)).toContain('db.aside-1')
    const without = await tagsIn(unmarked).catch(() => [])
    expect(without, 'without the marker this image really does lose rows').not.toEqual(tags(5))
  })

  it('inside the repair of a start after a cut: the marker brings back what lay there before', async () => {
    const first = await started()
    const base = still(first.folder)
    await hang(first.store, 3)
    const cut = crashImage(base, first.folder, [WAL])
    const seen = { live: '' }
    const disk: Disk = {
      ...realDisk,
      flush: (path) => {
        if (!seen.live && path.startsWith(join(cut, 'db')) && existsSync(placesOf(cut).marker))
          seen.live = still(cut)
        realDisk.flush(path)
      },
    }
    await openStore(cut, { disk })
    const reached = [join('db', 'global', 'pg_control'), 'backups', 'in-progress']
    expect(await tagsIn(crashImage(cut, seen.live, reached))).toEqual(tags(3))
  })

  it('after a whole checkpoint: the folder alone has every row, and a copy is kept', async () => {
    const { store, folder } = await started()
    await hang(store, 5)
    await store.checkpoint()
    const base = still(folder)
    await hang(store, 2, 5)
    const cut = crashImage(base, folder, [WAL])
    expect(await tagsIn(base)).toEqual(tags(5))
    expect(await tagsIn(cut)).toEqual(tags(7))
    expect(existsSync(join(placesOf(folder).backups, 'copy-00001'))).toBe(true)
  })
})
