import { cpSync, existsSync, rmSync } from 'node:fs'
import request from 'supertest'
import { afterAll, beforeAll, expect, inject } from 'vitest'
import { scratchFolder } from '../scripts/prepared.mjs'
import { createApp, type AppOptions } from './app.ts'
import { FARM, lotBody, NOBODY } from './bodies.ts'
import { copiesIn } from './database/copies.ts'
import { realDisk } from './database/disk.ts'
import { pglite } from './database/pglite.ts'
import { placesOf } from './database/places.ts'
import { shelfIn } from './database/shelf.ts'
import { accessTo } from './devices/access.ts'
import { keeperOf } from './keeping/keeper.ts'
import { Keeping } from './keeping/service.ts'
import { openStore, type Store, type StoreOptions } from './store/store.ts'

export * from './bodies.ts'

/** What the server's tests share: folders, a prepared database, and the API on it. */
const made: string[] = []
export const newFolder = () => {
  const folder = scratchFolder()
  made.push(folder)
  return folder
}
afterAll(() => {
  for (const folder of made.splice(0)) rmSync(folder, { recursive: true, force: true })
})

export async function openTestStore(
  folder = newFolder(),
  options: StoreOptions = {},
): Promise<{ store: Store; folder: string }> {
  if (!existsSync(placesOf(folder).db)) cpSync(inject('emptyFolder'), folder, { recursive: true })
  return { store: await openStore(folder, options), folder }
}

/** The API on a store of its own, as a page would ask it. */
export async function openTestApi(more: Partial<AppOptions> = {}) {
  const told = { keeping: null as Keeping | null }
  const { store, folder } = await openTestStore(newFolder(), { copied: (copy) => told.keeping?.copied(copy) })
  const now = more.now ?? (() => new Date('2026-11-02T12:00:00Z'))
  const keeping = new Keeping(
    store,
    keeperOf(folder, undefined, pglite(placesOf(inject('emptyFolder')).db)),
    now,
  )
  told.keeping = keeping
  const { app, bell } = createApp({
    store,
    shelf: shelfIn(realDisk, folder),
    keeping,
    access: accessTo(folder, now),
    now,
    ...more,
  })
  return { store, folder, keeping, app, bell, api: request(app) }
}

/** A server with a farm, open for all tests of a file; at the end nothing unforeseen may have been logged. */
export function apiOfFarm() {
  const test = {} as Awaited<ReturnType<typeof openTestApi>>
  const bugs: unknown[] = []
  beforeAll(async () => {
    Object.assign(test, await openTestApi({ log: (e) => bugs.push(e) }))
    await test.api.put('/api/farm').send(FARM).expect(200)
  })
  afterAll(async () => {
    await test.store.close()
    expect(bugs).toEqual([])
  })
  return test
}

export const copyOf = (folder: string): string => {
  const copy = newFolder()
  cpSync(folder, copy, { recursive: true })
  return copy
}

/** Names of the lots of `farmOfThree`. */
export const THREE = ['Bracken', 'Sorrel', 'Tansy']
/**
 * A farm of three lots, the third written after a proven copy: stopped, and as a killed process leaves it. `meanwhile` is done
 * before the third.
 */
export async function farmOfThree(
  meanwhile: (store: Store, folder: string) => Promise<unknown> = async () => null,
) {
  const { store, folder } = await openTestStore()
  const hang = (tag: string) =>
    store.run('hangLot', { lot: lotBody({ tag }), by: NOBODY, at: '2026-11-01T08:00:00.000Z' })
  await hang(THREE[0]!)
  await hang(THREE[1]!)
  await store.checkpoint()
  await store.proven(copiesIn(realDisk, folder).at(-1)!.name)
  await meanwhile(store, folder)
  await hang(THREE[2]!)
  const killed = copyOf(folder)
  await store.close()
  return { stopped: folder, killed }
}
