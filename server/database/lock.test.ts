import { mkdirSync, readFileSync, utimesSync, writeFileSync } from 'node:fs'
import { hostname } from 'node:os'
import { join } from 'node:path'
import { setTimeout as wait } from 'node:timers/promises'
import { describe, expect, it, vi } from 'vitest'
import { newFolder } from '../testing.ts'
import { FolderInUse, lockFolder, tokenIn } from './lock.ts'

const DEAD_PID = 2 ** 22 + 1
/** A lock somebody else left in a folder. */
function lockedBy(more: object) {
  const folder = newFolder()
  const path = join(folder, 'ekko.lock')
  const boot = readFileSync('/proc/sys/kernel/random/boot_id', 'utf8').trim()
  const held = { token: 'theirs', pid: DEAD_PID, host: hostname(), boot, started: '1', beat: 7, ...more }
  writeFileSync(path, JSON.stringify(held))
  return { folder, path }
}

describe('the lock of a folder', () => {
  it('left by a process that died is taken at once, however it is dated', async () => {
    for (const at of [0, Date.now() / 1000 + 400 * 86_400]) {
      const { folder, path } = lockedBy({})
      utimesSync(path, at, at)
      const lock = await lockFolder(folder, { silenceMs: 60_000 })
      expect(tokenIn(path)).toBe(lock.token)
      lock.release()
      expect(tokenIn(path)).toBeNull()
    }
  })
  it('of a process number that another program has now, or of before a restart of the machine, is taken at once', async () => {
    for (const more of [
      { pid: process.pid, started: '1' },
      { pid: process.pid, boot: 'another' },
    ])
      (await lockFolder(lockedBy(more).folder, { silenceMs: 60_000 })).release()
  })
  it('of a process that is there is refused, even if it sleeps, and named', async () => {
    const folder = newFolder()
    const lock = await lockFolder(folder)
    await expect(lockFolder(folder)).rejects.toThrow(FolderInUse)
    await expect(lockFolder(folder)).rejects.toThrow(new RegExp(`process ${process.pid} on this machine`))
    lock.release()
  })
  it('of another machine is refused while it beats, and taken when it is silent', async () => {
    const { folder, path } = lockedBy({ host: 'barn' })
    const beating = setInterval(
      () =>
        writeFileSync(
          path,
          JSON.stringify({ ...JSON.parse(readFileSync(path, 'utf8')), beat: Math.random() }),
        ),
      20,
    )
    await expect(lockFolder(folder, { silenceMs: 200 })).rejects.toThrow(FolderInUse)
    clearInterval(beating)
    const lock = await lockFolder(folder, { silenceMs: 200 })
    expect(tokenIn(path)).toBe(lock.token)
    lock.release()
  })
  it('taken over by another is noticed, and left to the other', async () => {
    const folder = newFolder()
    const lost = vi.fn()
    const lock = await lockFolder(folder, { lost })
    writeFileSync(lock.path, readFileSync(lock.path, 'utf8').replace(lock.token, 'theirs'))
    await vi.waitFor(() => expect(lost).toHaveBeenCalledOnce(), { timeout: 30_000, interval: 50 })
    lock.release()
    expect(tokenIn(lock.path)).toBe('theirs')
  })
  it('that is damaged is watched like one of another machine', async () => {
    const folder = newFolder()
    writeFileSync(join(folder, 'ekko.lock'), '{"tok')
    ;(await lockFolder(folder, { silenceMs: 50 })).release()
  })
  it('is kept though a beat cannot be written: a full disk is no lost lock', async () => {
    const folder = newFolder()
    const lost = vi.fn()
    const lock = await lockFolder(folder, { lost })
    mkdirSync(`${lock.path}.${lock.token}`)
    await wait(1800)
    expect(lost).not.toHaveBeenCalled()
    expect(tokenIn(lock.path)).toBe(lock.token)
  })
})
