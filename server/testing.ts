import { cpSync, existsSync, mkdirSync, mkdtempSync, renameSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { v7 as uuid } from 'uuid'
import type { Append, NewLot, NewPack, NewWeighing } from '#contracts'
import type { Decision } from '#core/plan'
import { placesOf } from './database/durable.ts'
import { openEngine } from './database/engine.ts'
import type { Store } from './store/operations.ts'

/** What the server's tests share: folders, a prepared database, and bodies that are right unless changed. */
export const newFolder = () => mkdtempSync(join(tmpdir(), 'ekko-test-'))

/** A database made once per machine and copied by every test: creating one takes seconds. */
async function template(): Promise<string> {
  const place = join(tmpdir(), `ekko-template-${process.ppid}`)
  if (!existsSync(place)) {
    const folder = newFolder()
    const store = await openEngine(folder)
    await store.close()
    mkdirSync(join(tmpdir()), { recursive: true })
    if (!existsSync(place)) renameSync(placesOf(folder).db, place)
    rmSync(folder, { recursive: true, force: true })
  }
  return place
}

export async function openTestStore(folder = newFolder()): Promise<{ store: Store; folder: string }> {
  return { store: await openEngine(folder, { template: await template() }), folder }
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
  name: 'Fallowmere',
  currency: 'USD',
  massUnit: 'lb',
  nameSet: 'american',
  zone: 'UTC',
  mincePerKg: 1653,
} as const
