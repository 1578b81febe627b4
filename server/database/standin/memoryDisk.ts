import { dirname, basename } from 'node:path'
import { DiskFailure, type Disk, type DiskCall } from '../disk.ts'

export type Fault = 'EIO' | 'ENOSPC' | 'short' | 'cut'

/** Thrown by everything after the power was cut. */
export class PowerCut extends Error {}

interface File {
  live: Buffer
  durable: Buffer
}
type Node = File | Folder
interface Folder {
  live: Map<string, Node>
  durable: Map<string, Node>
  /** Changes of entries since the last flush, in order: a cut keeps a first part of them. */
  changes: ((entries: Map<string, Node>) => void)[]
}
const folder = (): Folder => ({ live: new Map(), durable: new Map(), changes: [] })
const isFolder = (node: Node | undefined): node is Folder => node !== undefined && 'changes' in node

const SECTOR = 512

const parted = new Map<string, string[]>()
/** Names along a path; kept, since a few paths are asked for a million times. */
function namesOf(path: string): string[] {
  let names = parted.get(path)
  if (!names) parted.set(path, (names = path.split('/').filter(Boolean)))
  return names
}

/** What a cut leaves of a file: any of its sectors old or new, and any of its two lengths. */
function torn({ live, durable }: File, random: () => number): Buffer {
  const out = Buffer.alloc(random() < 0.5 ? live.length : durable.length)
  for (let at = 0; at < out.length; at += SECTOR)
    out.set((random() < 0.5 ? live : durable).subarray(at, Math.min(at + SECTOR, out.length)), at)
  return out
}

/**
 * A disk in memory that knows what has reached the platter. A flush of a file secures its bytes, a flush of a folder
 * its entries; a cut leaves of everything else any mixture. `failing` fails one of our calls by its number; the
 * database writes past it with `overwrite` and `move`, as PGlite writes past ours.
 */
export class MemoryDisk implements Disk {
  #root = folder()
  calls: { call: DiskCall; path: string }[] = []
  failing: { at: number; fault: Fault } | null = null
  isOff = false

  #find(path: string): Node | undefined {
    if (this.isOff) throw new PowerCut('The power is off.')
    let node: Node | undefined = this.#root
    for (const name of namesOf(path)) node = isFolder(node) ? node.live.get(name) : undefined
    return node
  }
  #folder(path: string): Folder {
    const node = this.#find(path)
    if (!isFolder(node)) throw Object.assign(new Error(path), { code: 'ENOENT' })
    return node
  }
  #file(path: string): File {
    const node = this.#find(path)
    if (!node || isFolder(node)) throw Object.assign(new Error(path), { code: 'ENOENT' })
    return node
  }
  #change(path: string, change: (entries: Map<string, Node>) => void) {
    const parent = this.#folder(dirname(path))
    change(parent.live)
    parent.changes.push(change)
  }

  /** Counts a call and lets it fail if its turn has come; `half` does what a short write does before it is found out. */
  #act<T>(call: DiskCall, path: string, whole: () => T, half?: () => T): T {
    if (this.isOff) throw new PowerCut('The power is off.')
    const fault = this.failing?.at === this.calls.length ? this.failing.fault : null
    this.calls.push({ call, path })
    if (fault === 'cut') {
      half?.()
      this.isOff = true
      throw new PowerCut('The power went.')
    }
    if (fault === 'short' && half) return half()
    if (fault) {
      half?.()
      throw new DiskFailure(call, path, fault === 'short' ? 'EIO' : fault)
    }
    try {
      return whole()
    } catch (error) {
      if (error instanceof PowerCut) throw error
      throw new DiskFailure(call, path, (error as { code?: string }).code ?? String(error))
    }
  }

  list(path: string) {
    const node = this.#find(path)
    if (!isFolder(node)) return []
    return [...node.live].map(([name, n]) => ({
      name,
      kind: isFolder(n) ? ('folder' as const) : ('file' as const),
    }))
  }
  exists(path: string) {
    return this.#find(path) !== undefined
  }
  bytes(path: string) {
    return this.#file(path).live.length
  }
  changed() {
    return 0
  }
  free() {
    return 1e12
  }
  read(path: string) {
    return this.#act('read', path, () => Buffer.from(this.#file(path).live))
  }
  makeFolder(path: string) {
    this.#act('makeFolder', path, () => this.makeRaw(path))
  }
  write(path: string, content: string | Uint8Array) {
    const bytes = Buffer.from(content as string)
    this.#act(
      'write',
      path,
      () => this.overwrite(path, bytes),
      () => this.overwrite(path, bytes.subarray(0, bytes.length >> 1)),
    )
  }
  copy(from: string, to: string) {
    const bytes = () => this.#file(from).live
    this.#act(
      'copy',
      to,
      () => this.overwrite(to, bytes()),
      () => this.overwrite(to, bytes().subarray(0, bytes().length >> 1)),
    )
  }
  flush(path: string) {
    this.#act('flush', path, () => {
      const node = this.#find(path)
      if (!node) throw Object.assign(new Error(path), { code: 'ENOENT' })
      if (isFolder(node)) {
        node.durable = new Map(node.live)
        node.changes = []
      } else node.durable = Buffer.from(node.live)
    })
  }
  rename(from: string, to: string) {
    this.#act('rename', to, () => this.move(from, to))
  }
  remove(path: string) {
    this.#act('remove', path, () => {
      const node = this.#find(path)
      if (isFolder(node) && node.live.size > 0) throw Object.assign(new Error(path), { code: 'ENOTEMPTY' })
      this.#change(path, (entries) => entries.delete(basename(path)))
    })
  }

  /** A write of the database itself: nobody fails it, nobody flushes it. */
  overwrite(path: string, bytes: Uint8Array) {
    const node = this.#find(path)
    if (node && !isFolder(node)) node.live = Buffer.from(bytes)
    else {
      const made: File = { live: Buffer.from(bytes), durable: Buffer.alloc(0) }
      this.#change(path, (entries) => entries.set(basename(path), made))
    }
  }
  /** A read of the database itself. */
  peek(path: string): Buffer {
    return this.#file(path).live
  }
  /** Folders made by the database itself. */
  makeRaw(path: string) {
    let above = ''
    for (const name of namesOf(path)) {
      const at = `${above}/${name}`
      if (!this.exists(at)) {
        const made = folder()
        this.#change(at, (entries) => entries.set(name, made))
      }
      above = at
    }
  }
  /** A rename within one folder is one change: after a cut it happened or it did not. */
  move(from: string, to: string) {
    if (dirname(from) !== dirname(to))
      throw new Error('Only within a folder: elsewhere a cut could leave neither.')
    const node = this.#find(from)
    if (!node) throw Object.assign(new Error(from), { code: 'ENOENT' })
    if (isFolder(this.#find(to))) throw Object.assign(new Error(to), { code: 'ENOTEMPTY' })
    this.#change(from, (entries) => {
      entries.delete(basename(from))
      entries.set(basename(to), node)
    })
  }

  /** The disk as a cut leaves it: what was flushed, and of the rest any part, by the generator. */
  afterCut(random: () => number): MemoryDisk {
    const left = new MemoryDisk()
    const settle = (node: Node): Node => {
      if (!isFolder(node)) {
        const bytes = torn(node, random)
        return { live: bytes, durable: Buffer.from(bytes) }
      }
      const entries = new Map(node.durable)
      for (const change of node.changes.slice(0, Math.floor(random() * (node.changes.length + 1))))
        change(entries)
      const settled = new Map([...entries].map(([name, n]) => [name, settle(n)]))
      return { live: settled, durable: new Map(settled), changes: [] }
    }
    left.#root = settle(this.#root) as Folder
    return left
  }

  /** The disk as a process that merely died leaves it: everything written is there. */
  afterDeath(): MemoryDisk {
    const left = new MemoryDisk()
    const settle = (node: Node): Node => {
      if (!isFolder(node)) return { live: Buffer.from(node.live), durable: Buffer.from(node.durable) }
      const copies = new Map<Node, Node>()
      const copyOf = (n: Node) => copies.get(n) ?? (copies.set(n, settle(n)), copies.get(n)!)
      const live = new Map([...node.live].map(([name, n]) => [name, copyOf(n)]))
      return { live, durable: new Map(live), changes: [] }
    }
    left.#root = settle(this.#root) as Folder
    return left
  }
}
