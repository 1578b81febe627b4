import { Lost, openThread } from '../threads.ts'
import type { Store } from '../store/store.ts'
import type { Manifest } from './copies.ts'
import { Stopped } from './engine.ts'
import { valueOf, type ThreadOutcome } from './outcome.ts'
import type { Recovery } from './recovery.ts'

export interface DatabaseData {
  folder: string
  lock: { path: string; token: string }
  /** The empty database that lies beside the program, where it does. */
  empty: string | null
  /** A person said that a database that does not open is brought back. */
  recover: boolean
}
/** What the database's thread does when asked. */
export interface DatabaseCalls {
  open(): Promise<ThreadOutcome>
  run(name: string, argument: unknown): Promise<ThreadOutcome>
  checkpoint(): Promise<ThreadOutcome>
  replace(): Promise<ThreadOutcome>
  proven(copy: string): Promise<ThreadOutcome>
  close(): Promise<ThreadOutcome>
}
/** What it tells without being asked. */
export interface DatabaseHears {
  copied(copy: Manifest): void
  warned(words: string | null): void
}

/** The database in a thread of its own (`script` is the built one), so that a flush never holds up the server. */
export async function openInThread(
  script: string,
  data: DatabaseData,
  { lost, ...hears }: DatabaseHears & { lost?: (why: Stopped) => void },
): Promise<Store> {
  const gone = { why: null as Stopped | null }
  const thread = openThread<DatabaseCalls>(script, data, hears, (why) => {
    gone.why =
      why instanceof Lost
        ? new Stopped('disk', why.message)
        : new Stopped('thread', `The part of Ekko that keeps the records has ended: ${why.message}`)
    lost?.(gone.why)
  })
  const ask = async <T>(call: () => Promise<ThreadOutcome>): Promise<T> => {
    if (gone.why) throw gone.why
    let outcome: ThreadOutcome
    try {
      outcome = await call()
    } catch (error) {
      throw gone.why ?? error
    }
    return valueOf<T>(outcome)
  }
  const { remote } = thread
  const opened = await ask<{ recovered: Recovery | null; history: string }>(() => remote.open())
  let { history } = opened
  return {
    recovered: opened.recovered,
    get history() {
      return history
    },
    run: (name, argument) => ask(() => remote.run(name, argument)),
    checkpoint: () => ask(() => remote.checkpoint()),
    replace: async () => {
      const out = await ask<{ aside: string; history: string }>(() => remote.replace())
      history = out.history
      return out
    },
    proven: (copy) => ask(() => remote.proven(copy)),
    close: async () => {
      try {
        await ask(() => remote.close())
      } finally {
        await thread.end()
      }
    },
  }
}
