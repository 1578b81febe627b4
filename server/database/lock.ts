import { randomUUID } from 'node:crypto'
import { readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import { hostname } from 'node:os'
import { join } from 'node:path'
import { setTimeout as wait } from 'node:timers/promises'
import { z } from 'zod'

export class FolderInUse extends Error {
  constructor(folder: string, pid: number | null) {
    super(
      `Another Ekko has the folder ${folder} open${pid ? ` (process ${pid} on this machine)` : ''}. Use the window it serves, or stop it first; two at once would damage the records.`,
    )
  }
}

const heldSchema = z.object({
  token: z.string(),
  pid: z.number(),
  host: z.string(),
  /** When machine and process started, as far as the system says: a process number is used again after a while. */
  boot: z.string().nullable(),
  started: z.string().nullable(),
  beat: z.number(),
})
type Held = z.infer<typeof heldSchema>

export interface Lock {
  token: string
  path: string
  /** Lets go, if it is still ours. */
  release(): void
}

const BEAT_MS = 1500
/** A holder elsewhere that does not beat for this long, by our own clock's running, is gone. */
const SILENCE_MS = 6000
const SETTLE_MS = 120

const readOr = (path: string): string | null => {
  try {
    return readFileSync(path, 'utf8')
  } catch {
    return null
  }
}
const bootOf = () => readOr('/proc/sys/kernel/random/boot_id')?.trim() ?? null
const startedOf = (pid: number) =>
  readOr(`/proc/${pid}/stat`)
    ?.replace(/^.*\)\s/s, '')
    .split(' ')[19] ?? null

function heldIn(path: string): Held | null {
  try {
    return heldSchema.parse(JSON.parse(readFileSync(path, 'utf8')))
  } catch {
    return null
  }
}

/** The token in a lock file, or null: read before each acknowledgement. */
export const tokenIn = (path: string): string | null => heldIn(path)?.token ?? null

const runs = (pid: number): boolean => {
  try {
    process.kill(pid, 0)
    return true
  } catch (error) {
    return (error as { code?: string }).code === 'EPERM'
  }
}

/** Whether the process that holds a lock is there; null when this machine cannot tell. A sleeping one is there. */
function isThere(held: Held | null): boolean | null {
  if (!held || held.host !== hostname()) return null
  if (held.boot !== bootOf() || !runs(held.pid)) return false
  const started = startedOf(held.pid)
  if (held.started === null || started === null) return null
  return held.started === started
}

/**
 * Takes a data folder for this process, or refuses. PGlite has no lock of its own. No clock is asked for the time: a
 * holder on this machine is asked for by process, one elsewhere is watched for its beat. `lost` is told when
 * another has taken the folder over all the same.
 */
export async function lockFolder(
  folder: string,
  { lost = () => undefined, silenceMs = SILENCE_MS }: { lost?: () => void; silenceMs?: number } = {},
): Promise<Lock> {
  const path = join(folder, 'ekko.lock')
  const token = randomUUID()
  let beat = 0
  const content = (): string =>
    JSON.stringify({
      token,
      pid: process.pid,
      host: hostname(),
      boot: bootOf(),
      started: startedOf(process.pid),
      beat: beat++,
    } satisfies Held)
  const replace = () => {
    writeFileSync(`${path}.${token}`, content())
    renameSync(`${path}.${token}`, path)
  }
  /** A disk that is full takes no beat; the lock is ours all the same, as its token says. */
  const tryBeat = () => {
    try {
      replace()
    } catch {
      rmSync(`${path}.${token}`, { force: true, recursive: true })
    }
  }
  try {
    writeFileSync(path, content(), { flag: 'wx' })
  } catch (error) {
    if ((error as { code?: string }).code !== 'EEXIST') throw error
    const held = heldIn(path)
    const there = isThere(held)
    if (there) throw new FolderInUse(folder, held!.pid)
    if (there === null) {
      const before = readOr(path)
      await wait(silenceMs)
      if (readOr(path) !== before) throw new FolderInUse(folder, null)
    }
    replace()
    await wait(SETTLE_MS)
  }
  if (tokenIn(path) !== token) throw new FolderInUse(folder, null)
  const timer = setInterval(() => {
    if (tokenIn(path) === token) return tryBeat()
    clearInterval(timer)
    lost()
  }, BEAT_MS)
  timer.unref()
  return {
    token,
    path,
    release: () => {
      clearInterval(timer)
      if (tokenIn(path) === token) rmSync(path)
    },
  }
}
