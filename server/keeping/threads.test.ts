import { describe, expect, it } from 'vitest'
import { keeperInThreads, type KeeperThread } from './threads.ts'

/** A thread that does one thing after another, and whether something long is being done there. */
function serial() {
  let tail: Promise<unknown> = Promise.resolve()
  const inTurn = (work: () => Promise<unknown>) => (tail = tail.then(work))
  let go = () => undefined as void
  const long = new Promise<void>((resolve) => (go = resolve))
  const calls = (name: string) =>
    name === 'end' ? async () => go() : () => inTurn(name === 'look' ? async () => name : async () => long)
  return new Proxy({} as KeeperThread, { get: (_, name) => calls(String(name)) })
}

describe('a keeper in threads', () => {
  it('looks while a bundle is sealed, a copy proven and pictures read; all end together', async () => {
    const keeper = keeperInThreads(serial)
    const busy = [
      keeper.seal({} as never, 'word'),
      keeper.drop(),
      keeper.lostOf([], 0),
      keeper.keepAs('a', {} as never, ''),
    ]
    let done = 0
    for (const work of busy) void Promise.resolve(work).then(() => done++)
    expect(await keeper.look()).toBe('look')
    expect(done).toBe(0)
    await keeper.end()
    await Promise.all(busy)
    expect(done).toBe(4)
  })
})
