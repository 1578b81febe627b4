import fs from 'node:fs'
import { syncBuiltinESMExports } from 'node:module'
import { workerData } from 'node:worker_threads'

/**
 * What a thread says of itself without being asked, in memory that another thread reads: it may be busy for ever. `BEAT` goes on
 * as long as it does anything; `FAILED` is how far it was when a write of the database failed, and counts until it goes on.
 */
const [BEAT, FAILED, CODE] = [0, 1, 2]
const CODES = ['EIO', 'ENOSPC', 'EDQUOT', 'EROFS', 'short'] as const
/** After a failed write a database that is well answers at once; one that is not never does. */
const GRACE_MS = 3000
/** Longer than any work of a farm's database takes without a single touch of the disk. */
const SILENCE_MS = 120_000
const LOOK_MS = 250

export type Pulse = Int32Array
export const newPulse = (): Pulse => {
  const pulse = new Int32Array(new SharedArrayBuffer(12))
  pulse[FAILED] = -1
  return pulse
}

/** Looks after a thread from another one: told once, in words, when it must be taken for lost while something is asked of it. */
export function mind(pulse: Pulse, isAsked: () => boolean, lost: (what: string) => void): () => void {
  let beat = -1
  let since = performance.now()
  const timer = setInterval(() => {
    const now = performance.now()
    const next = Atomics.load(pulse, BEAT)
    if (next !== beat || !isAsked()) [beat, since] = [next, now]
    const silent = now - since
    const failed = Atomics.load(pulse, FAILED) === next
    if (silent < (failed ? GRACE_MS : SILENCE_MS)) return
    clearInterval(timer)
    const code = CODES[Atomics.load(pulse, CODE)]!
    lost(
      failed
        ? `A write of the database failed (${code === 'short' ? 'not all of it was taken' : code}), and it does not answer any more.`
        : 'The database does not answer any more.',
    )
  }, LOOK_MS)
  timer.unref()
  return () => clearInterval(timer)
}

let noted: (typeof CODES)[number] | null = null
/** Why the last write failed that failed while this was done; null where none did. What a database says of it may not tell. */
export async function failedWhile<T>(
  work: () => Promise<T>,
): Promise<{ value: T } | { error: unknown; code: string | null }> {
  noted = null
  try {
    return { value: await work() }
  } catch (error) {
    return { error, code: noted }
  }
}

/** How the system calls a write that was not done; a short one is none either. */
const codeOf = (error: unknown): number => {
  const at = CODES.indexOf((error as { code?: unknown } | null)?.code as (typeof CODES)[number])
  return at < 0 ? 0 : at
}

/**
 * In a thread that runs a database: beats for as long as it does anything, and notes a write that fails. PostgreSQL ends itself
 * when its log cannot be written; PGlite does not end, and answers nothing for ever.
 */
export function feelPulse(): void {
  const { pulse } = workerData as { pulse: Pulse }
  setInterval(() => Atomics.add(pulse, BEAT, 1), LOOK_MS)
  const failed = (code: number) => {
    noted = CODES[code]!
    Atomics.store(pulse, CODE, code)
    Atomics.store(pulse, FAILED, Atomics.load(pulse, BEAT))
  }
  const { writeSync, ftruncateSync, fsyncSync } = fs
  const noting =
    <A extends unknown[], R>(act: (...all: A) => R) =>
    (...all: A): R => {
      try {
        return act(...all)
      } catch (error) {
        failed(codeOf(error))
        throw error
      }
    }
  const write = noting(writeSync as (...all: unknown[]) => number)
  Object.assign(fs, {
    writeSync: (...all: unknown[]) => {
      const written = write(...all)
      // (handle, bytes, offset, length): what PGlite asks for. Where it asks for the rest again and again, that is no sign of life.
      if (typeof all[3] === 'number' && written < all[3]) failed(CODES.indexOf('short'))
      else Atomics.add(pulse, BEAT, 1)
      return written
    },
    ftruncateSync: noting(ftruncateSync),
    fsyncSync: noting(fsyncSync),
  })
  syncBuiltinESMExports()
}
