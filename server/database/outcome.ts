import { DiskFailure } from './disk.ts'
import { NewerSchema, Stopped, type StopReason } from './engine.ts'
import { Unrecoverable } from './recovery.ts'
import { NotAsWritten } from './trees.ts'

/** The disk took no more; what was asked was rolled back and the records are as they were. */
export class NoRoom extends Error {
  constructor() {
    super('The disk is full: this was not kept, and everything before it was. Free some room and try again.')
  }
}

/** What came of a call in another thread, where an error would lose its kind on the way. */
export type ThreadOutcome =
  | { kind: 'value'; value: unknown }
  | { kind: 'stopped'; reason: StopReason; what: string }
  | { kind: 'unrecoverable' | 'newer' | 'full' | 'bug'; what: string }
  | { kind: 'disk'; call: DiskFailure['call']; path: string; code: string }

export async function outcomeOf(work: () => Promise<unknown>): Promise<ThreadOutcome> {
  try {
    return { kind: 'value', value: await work() }
  } catch (error) {
    if (error instanceof Stopped) return { kind: 'stopped', reason: error.reason, what: error.what }
    if (error instanceof DiskFailure)
      return { kind: 'disk', call: error.call, path: error.path, code: error.code }
    const what = error instanceof Error ? error.message : String(error)
    if (error instanceof Unrecoverable || error instanceof NotAsWritten)
      return { kind: 'unrecoverable', what }
    if (error instanceof NewerSchema) return { kind: 'newer', what }
    if ((error as { code?: unknown }).code === '53100') return { kind: 'full', what }
    return { kind: 'bug', what: error instanceof Error ? (error.stack ?? what) : what }
  }
}

/** The value of a call, or the error it met with its kind again. */
export function valueOf<T>(outcome: ThreadOutcome): T {
  switch (outcome.kind) {
    case 'value':
      return outcome.value as T
    case 'stopped':
      throw new Stopped(outcome.reason, outcome.what)
    case 'disk':
      throw new DiskFailure(outcome.call, outcome.path, outcome.code)
    case 'unrecoverable':
      throw new Unrecoverable(outcome.what)
    case 'newer':
      throw new NewerSchema(outcome.what)
    case 'full':
      throw new NoRoom()
    case 'bug':
      throw new Error(outcome.what)
  }
}
