import { cpSync, existsSync } from 'node:fs'
import request from 'supertest'
import { v7 as uuid } from 'uuid'
import { inject } from 'vitest'
import type { Append, NewLot, NewPack, NewWeighing } from '#contracts'
import type { Decision } from '#core/plan'
import { scratchFolder } from '../scripts/prepared.mjs'
import { createApp, type AppOptions } from './app.ts'
import { pglite } from './database/pglite.ts'
import { placesOf } from './database/places.ts'
import { keeperOf } from './keeping/keeper.ts'
import { Keeping } from './keeping/service.ts'
import { openStore, type Store, type StoreOptions } from './store/store.ts'

/** What the server's tests share: folders, a prepared database, and bodies that are right unless changed. */
export const newFolder = () => scratchFolder()

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
  const { app, bell } = createApp({ store, keeping, now, ...more })
  return { store, folder, keeping, app, bell, api: request(app) }
}

export const copyOf = (folder: string): string => {
  const copy = newFolder()
  cpSync(folder, copy, { recursive: true })
  return copy
}

export const lotBody = (more: Partial<NewLot> = {}): NewLot => ({
  id: uuid(),
  tag: 'Thistle',
  species: 'hog',
  count: 1,
  ...more,
})
export const weighingBody = (
  stage: NewWeighing['stage'],
  value: number,
  more: Partial<NewWeighing> = {},
): NewWeighing => ({
  id: uuid(),
  stage,
  basis: stage === 'hanging' ? 'cold' : null,
  source: 'scale',
  shown: { value, unit: 'lb' },
  corrects: null,
  stands: true,
  confirmed: false,
  ...more,
})
export const packBody = (cut: string, value: number, more: Partial<NewPack> = {}): NewPack => ({
  id: uuid(),
  cut,
  shown: { value, unit: 'lb' },
  packs: 1,
  corrects: null,
  stands: true,
  ...more,
})
export const appendBody = (base: number, ...decisions: Decision[]): Append => ({
  batch: uuid(),
  base,
  own: [],
  undoes: null,
  redoes: null,
  commands: decisions.map((decision) => ({ id: uuid(), decision })),
})
export const takePath = (target: string, value: string, side: 'left' | 'right' = 'left'): Decision => ({
  field: 'path',
  target,
  side,
  value,
})
export const FARM = {
  base: 0,
  name: 'Fallowmere',
  currency: 'USD',
  massUnit: 'lb',
  nameSet: 'american',
  zone: 'UTC',
  mincePerKg: 1653,
} as const
