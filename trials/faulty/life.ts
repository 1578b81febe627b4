import { lotBody, NOBODY } from '../../server/bodies.ts'
import type { Disk } from '../../server/database/disk.ts'
import { openStore, type Store } from '../../server/store/store.ts'

export const AT = '2026-11-01T08:00:00.000Z'
export interface Story {
  acknowledged: string[]
  step: string
  steps: { from: number; step: string }[]
  trouble: unknown
}

/** Open after a cut, write, checkpoint, write, stop, open after a clean stop, write: every part of the protocol. */
export async function live(folder: string, disk: Disk, count: () => number): Promise<Story> {
  const told: Story = { acknowledged: [], step: '', steps: [], trouble: null }
  const step = (name: string) => void told.steps.push({ from: count(), step: name })
  const hang = async (store: Store, tag: string) => {
    const out = await store.run('hangLot', { lot: lotBody({ tag }), by: NOBODY, at: AT })
    if (out.result === 'kept') told.acknowledged.push(tag)
  }
  try {
    step('open after a cut')
    const first = await openStore(folder, { disk })
    step('write')
    await hang(first, 'a')
    step('checkpoint')
    await first.checkpoint()
    step('write after it')
    await hang(first, 'b')
    step('stop')
    await first.close()
    step('open after a clean stop')
    const second = await openStore(folder, { disk })
    step('write again')
    await hang(second, 'c')
  } catch (error) {
    told.trouble = error
  }
  return told
}

export async function tagsIn(folder: string): Promise<string[]> {
  const store = await openStore(folder)
  return (await store.run('home', undefined)).lots.map((l) => l.tag).sort()
}
