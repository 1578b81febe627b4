import { openThread, type Thread } from '../threads.ts'
import type { Keeper } from './keeper.ts'

/** The keeper in a thread of its own: proving a copy opens a whole database. A thread that ends is started again. */
export function keeperInThread(script: string, folder: string): Keeper & { end(): Promise<void> } {
  let thread: Thread<Keeper> | null = null
  const remote = () => {
    thread ??= openThread<Keeper>(script, { folder }, {}, () => {
      thread = null
    })
    return thread.remote
  }
  return {
    faultOfCopy: (copy) => remote().faultOfCopy(copy),
    unproven: () => remote().unproven(),
    bytesOf: (name) => remote().bytesOf(name),
    look: () => remote().look(),
    isKept: (day, digest) => remote().isKept(day, digest),
    keep: (bundle, day, at) => remote().keep(bundle, day, at),
    keepAs: (name, bundle, at) => remote().keepAs(name, bundle, at),
    chooseSecond: (second) => remote().chooseSecond(second),
    seal: (bundle, passphrase) => remote().seal(bundle, passphrase),
    rehearse: (source, passphrase) => remote().rehearse(source, passphrase),
    drop: () => remote().drop(),
    end: async () => thread?.end(),
  }
}
