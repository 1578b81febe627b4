import { createHash } from 'node:crypto'
import { join } from 'node:path'
import type { Cluster, Session } from '../cluster.ts'
import type { MemoryDisk } from './memoryDisk.ts'

/** What the stand-in keeps: rows in order. */
export interface Rows {
  rows: string[]
}

const sealed = (value: unknown): Buffer => {
  const text = JSON.stringify(value)
  return Buffer.from(`${createHash('sha256').update(text).digest('hex')} ${text}\n`)
}
function unsealed<T>(line: string): T | null {
  const [sum, text] = [line.slice(0, 64), line.slice(65)]
  return createHash('sha256').update(text).digest('hex') === sum ? (JSON.parse(text) as T) : null
}

interface Control {
  /** Number of the log record that the table already holds. */
  redo: number
  schema: number
}
interface Entry {
  n: number
  rows: string[]
}

/** Rows are padded so that the table spans many sectors and can be torn. */
const PAD = 'x'.repeat(300)

/**
 * A database of five files that behaves as PostgreSQL does without fsync: a commit goes to the log (with the full
 * table, as full-page images are), a checkpoint writes the table and moves the control file on, nothing is flushed,
 * and segments of the log are recycled by rename. It refuses to open what is torn.
 */
export function standIn(disk: MemoryDisk, schema = 1): Cluster<Rows> {
  const pathsIn = (place: string) => ({
    control: join(place, 'control'),
    table: join(place, 'table'),
    version: join(place, 'version'),
    log: join(place, 'log'),
  })
  const segmentsIn = (log: string) =>
    disk
      .list(log)
      .map((e) => e.name)
      .sort()

  /** Entries of the log in order, as far as they are whole and follow each other. */
  function entriesFrom(log: string, after: number): Entry[] {
    const found = new Map<number, Entry>()
    for (const name of segmentsIn(log)) {
      const text = disk.peek(join(log, name)).toString('utf8')
      for (const line of text.split('\n')) {
        const entry = line ? unsealed<Entry>(line) : null
        if (!entry) break
        found.set(entry.n, entry)
      }
    }
    const out: Entry[] = []
    for (let n = after + 1; found.has(n); n++) out.push(found.get(n)!)
    return out
  }

  async function open(place: string): Promise<Session<Rows>> {
    const { control, table, version, log } = pathsIn(place)
    if (!disk.exists(place)) {
      disk.makeRaw(log)
      disk.overwrite(version, Buffer.from('stand-in'))
      disk.overwrite(table, sealed([]))
      disk.overwrite(join(log, '0001'), Buffer.alloc(0))
      disk.overwrite(join(log, '0002'), Buffer.alloc(0))
      disk.overwrite(control, sealed({ redo: 0, schema: 0 } satisfies Control))
    }
    const kept = unsealed<Control>(disk.peek(control).toString('utf8').trimEnd())
    if (!kept || disk.peek(version).toString() !== 'stand-in') throw new Error('the control file is torn')
    const replayed = entriesFrom(log, kept.redo)
    const base = replayed.at(-1)?.rows ?? unsealed<string[]>(disk.peek(table).toString('utf8').trimEnd())
    if (!base) throw new Error('the table is torn')
    let rows = base.map((r) => r.replace(PAD, ''))
    let n = kept.redo + replayed.length
    const state = { ...kept }
    const padded = () => rows.map((r) => r + PAD)
    const writeControl = () => disk.overwrite(control, sealed(state))
    const current = () => segmentsIn(log)[0]!

    function checkpoint() {
      state.redo = n
      writeControl()
      disk.overwrite(table, sealed(padded()))
      // The old segment becomes the next one, under a later name, its contents still in it.
      const [first, second] = segmentsIn(log) as [string, string]
      disk.move(join(log, first), join(log, String(Number(second) + 1).padStart(4, '0')))
      disk.overwrite(join(log, second), Buffer.alloc(0))
    }
    // A repair at opening ends with a checkpoint of its own.
    if (replayed.length > 0) checkpoint()

    return {
      transaction: async (work) => {
        const next = { rows: [...rows] }
        const result = await work(next)
        if (next.rows.length === rows.length) return result
        rows = next.rows
        n++
        const segment = join(log, current())
        disk.overwrite(segment, Buffer.concat([disk.peek(segment), sealed({ n, rows: padded() })]))
        return result
      },
      stamp: async () => ({ rows: rows.length }),
      files: async () => ['table'],
      schema: async () => state.schema,
      migrate: async () => {
        state.schema = schema
        writeControl()
      },
      logBytes: async () => disk.peek(join(log, current())).length,
      checkpoint: async () => checkpoint(),
      close: async () => writeControl(),
    }
  }
  const marks = ['control', 'table', 'version', 'log']
  return { log: 'log', schema, marks, damaged: () => null, open, isFatal: () => false }
}
