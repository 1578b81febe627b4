import type { Keeper } from './keeper.ts'

export type KeeperThread = Keeper & { end(): Promise<void> }

/** Looked up in a moment: waits for nothing that takes long. */
const LOOKS = new Set<keyof Keeper>(['look', 'bytesOf', 'isKept', 'unproven'])
/** Seconds of arithmetic that touch no copy. */
const SUMS = new Set<keyof Keeper>(['seal', 'lostOf'])

/** A keeper in three threads, each started when first asked: what is looked up waits for no proof and no passphrase. */
export function keeperInThreads(open: () => KeeperThread): KeeperThread {
  const [works, looks, sums] = [open(), open(), open()]
  const end = async () => void (await Promise.all([works.end(), looks.end(), sums.end()]))
  return new Proxy(works, {
    get(_, name) {
      if (name === 'end') return end
      const call = name as keyof Keeper
      const thread = LOOKS.has(call) ? looks : SUMS.has(call) ? sums : works
      return thread[call]
    },
  })
}
