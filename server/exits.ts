import { DiskFailure } from './database/disk.ts'
import { NewerSchema, Stopped } from './database/engine.ts'
import { FolderInUse } from './database/lock.ts'
import { Unrecoverable } from './database/recovery.ts'
import { NotAsWritten } from './database/trees.ts'
import { stoppedProblem } from './problem.ts'

/** What the program ends with, one number for each kind of failure (docs/records.md). */
export const EXIT = {
  usage: 2,
  folderInUse: 3,
  port: 4,
  folderRefuses: 5,
  diskFull: 6,
  unrecoverable: 7,
  newer: 8,
  disk: 9,
  lockLost: 10,
  bug: 70,
} as const

const codeOf = (error: unknown) => String((error as { code?: unknown } | null)?.code ?? '')

/** The words and the number for a failure of start or stop: which thing, why, what to do; never a trace. */
export function exitFor(error: unknown, folder: string): { code: number; words: string } {
  if (error instanceof FolderInUse) return { code: EXIT.folderInUse, words: error.message }
  if (error instanceof Unrecoverable) return { code: EXIT.unrecoverable, words: error.message }
  if (error instanceof NewerSchema) return { code: EXIT.newer, words: error.message }
  if (error instanceof NotAsWritten)
    return {
      code: EXIT.disk,
      words: `${error.message} Do not trust this disk; start from a bundle on another one.`,
    }
  if (error instanceof Stopped) {
    const { title, detail } = stoppedProblem(error)
    return { code: error.reason === 'lock' ? EXIT.lockLost : EXIT.disk, words: `${title} ${detail}` }
  }
  const code = codeOf(error)
  if (/^(?:ENOSPC|EDQUOT|53100)$/.test(code))
    return {
      code: EXIT.diskFull,
      words: `There is no room left on the disk of ${folder}. Free some and start again; nothing is lost.`,
    }
  if (/^(?:EACCES|EPERM|EROFS|ENOTDIR|EEXIST|EISDIR|ENOENT)$/.test(code))
    return {
      code: EXIT.folderRefuses,
      words: `Ekko cannot write in ${folder} (${code}). Let it, or name another folder with --data.`,
    }
  if (error instanceof DiskFailure)
    return { code: EXIT.disk, words: `${error.message} Look at the disk, then start Ekko again.` }
  return {
    code: EXIT.bug,
    words: `Ekko could not open or close ${folder}. Nothing acknowledged is lost. Please report this: ${JSON.stringify(namelessly(error))}`,
  }
}

/** An error without what a person typed: its kind, its code and where in our code; the message may quote a record. */
export function namelessly(error: unknown): { kind: string; code: string; where: string[] } {
  const stack = error instanceof Error ? (error.stack ?? '') : ''
  return {
    kind: error instanceof Error ? error.name : typeof error,
    code: codeOf(error),
    where: stack
      .split('\n')
      .filter((line) => /^\s+at /.test(line))
      .slice(0, 8)
      .map((line) => line.trim()),
  }
}
