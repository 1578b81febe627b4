import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { dirname, join, relative } from 'node:path'
import { seeded } from '../../server/database/standin/random.ts'
import { scratchFolder } from '../../scripts/prepared.mjs'
import { DiskFailure, realDisk, type Disk, type DiskCall } from '../../server/database/disk.ts'

export type Fault = 'EIO' | 'cut'
export class PowerCut extends Error {}
const PAGE = 8192
const SECTOR = 512

const filesIn = (root: string): string[] =>
  readdirSync(root, { recursive: true, withFileTypes: true })
    .filter((e) => e.isFile())
    .map((e) => relative(root, join(e.parentPath, e.name)))

/** Watches every call of ours and what has been flushed; PGlite writes past it, which is why a cut is rebuilt from pages. */
export function watched(root: string, seed: number) {
  const durable = new Map<string, Buffer>()
  for (const path of filesIn(root)) durable.set(path, readFileSync(join(root, path)))
  const calls: { call: DiskCall; path: string }[] = []
  const state = { at: -1, fault: 'EIO' as Fault, isOff: false }
  const act = <T>(call: DiskCall, path: string, work: () => T): T => {
    if (state.isOff) throw new PowerCut()
    calls.push({ call, path: relative(root, path) })
    if (calls.length - 1 === state.at) {
      if (state.fault === 'cut') {
        state.isOff = true
        throw new PowerCut()
      }
      throw new DiskFailure(call, path, state.fault)
    }
    return work()
  }
  const disk: Disk = {
    ...realDisk,
    read: (path) => act('read', path, () => realDisk.read(path)),
    makeFolder: (path) => act('makeFolder', path, () => realDisk.makeFolder(path)),
    write: (path, content) => act('write', path, () => realDisk.write(path, content)),
    flush: (path) =>
      act('flush', path, () => {
        realDisk.flush(path)
        const within = relative(root, path)
        if (statSync(path).isFile()) durable.set(within, readFileSync(path))
      }),
    rename: (from, to) =>
      act('rename', to, () => {
        realDisk.rename(from, to)
        const [a, b] = [relative(root, from), relative(root, to)]
        for (const [path, bytes] of [...durable])
          if (path === a || path.startsWith(`${a}/`)) {
            durable.delete(path)
            durable.set(b + path.slice(a.length), bytes)
          }
      }),
    copy: (from, to) => act('copy', to, () => realDisk.copy(from, to)),
    remove: (path) =>
      act('remove', path, () => {
        realDisk.remove(path)
        durable.delete(relative(root, path))
      }),
  }
  /** The folder as a cut leaves it: each page that was not flushed old, new, or torn between two sectors. */
  function image(): string {
    const random = seeded(seed)
    const to = join(scratchFolder('ekko-image-'), 'farm')
    for (const path of new Set([...filesIn(root), ...durable.keys()])) {
      const now = existsSync(join(root, path)) ? readFileSync(join(root, path)) : null
      const then = durable.get(path) ?? null
      const left = now && then ? mixed(then, now, random) : now && random() < 0.5 ? now : then
      if (!left) continue
      mkdirSync(dirname(join(to, path)), { recursive: true })
      writeFileSync(join(to, path), left)
    }
    // PostgreSQL wants its empty folders too.
    for (const e of readdirSync(root, { recursive: true, withFileTypes: true }))
      if (e.isDirectory())
        mkdirSync(join(to, relative(root, join(e.parentPath, e.name))), { recursive: true })
    return to
  }
  return { disk, calls, state, image }
}
function mixed(then: Buffer, now: Buffer, random: () => number): Buffer {
  if (then.equals(now)) return now
  const out = Buffer.alloc(Math.max(then.length, now.length))
  for (let at = 0; at < out.length; at += PAGE) {
    const end = Math.min(at + PAGE, out.length)
    const torn = at + SECTOR * Math.floor(random() * (PAGE / SECTOR + 1))
    const [head, tail] = random() < 0.5 ? [then, now] : [now, then]
    out.set(head.subarray(at, Math.min(torn, end)), at)
    if (torn < end) out.set(tail.subarray(torn, end), torn)
  }
  return out.subarray(0, random() < 0.5 ? now.length : Math.max(then.length, now.length))
}
