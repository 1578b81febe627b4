import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it, vi } from 'vitest'
import { openInThread } from './database/client.ts'
import { newFolder } from './testing.ts'
import { inThread, openThread } from './threads.ts'

const script = (text: string): string => {
  const path = join(newFolder(), 'thread.mjs')
  writeFileSync(path, `import { parentPort } from 'node:worker_threads'\n${text}`)
  return path
}

describe('a thread that ends', () => {
  it('refuses what was asked of it and what is asked later, at once', async () => {
    const ended = vi.fn()
    const dies = script(`parentPort.on('message', () => process.exit(7))`)
    const thread = openThread<{ ask(): Promise<void> }>(dies, null, {}, ended)
    await expect(thread.remote.ask()).rejects.toThrow()
    await expect(thread.remote.ask()).rejects.toThrow()
    expect(ended).toHaveBeenCalledOnce()
  })
  it('of papers or copies is started again when it is asked the next time', async () => {
    const dies = script(`let n = 0
      parentPort.on('message', (m) => (m.m === 'die' ? process.exit(7) : parentPort.postMessage({ t: 's', i: m.i, r: ++n })))`)
    const thread = inThread<{ count(): Promise<number>; die(): Promise<void> }>(dies, null)
    expect([await thread.count(), await thread.count()]).toEqual([1, 2])
    await expect(thread.die()).rejects.toThrow()
    expect(await thread.count()).toBe(1)
    await thread.end()
  })
  it('of the records is said to be just that: nothing hangs, and why is in the words', async () => {
    const data = { folder: '/nowhere', lock: { path: '', token: '' }, empty: null, recover: false }
    const hears = { copied: () => undefined, warned: () => undefined }
    const dies = script(`parentPort.on('message', () => process.exit(7))`)
    await expect(openInThread(dies, data, hears)).rejects.toMatchObject({ reason: 'thread' })
    const throws = script(`parentPort.on('message', () => { throw new Error('broken') })`)
    await expect(openInThread(throws, data, hears)).rejects.toThrow(
      /part of Ekko that keeps the records has ended/,
    )
  })
})
