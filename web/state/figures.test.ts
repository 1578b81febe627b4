import { describe, expect, it } from 'vitest'
import type { Ranges } from '#core/reading'
import { drawings } from './figures.ts'

/** A thread that answers when it is told to. */
function slowThread() {
  const asked: { name: string; done: (ranges: Ranges) => void; fail: (why: Error) => void }[] = []
  const remote = {
    learn: () => Promise.resolve(),
    draw: (hash: string) => new Promise<Ranges>((done, fail) => void asked.push({ name: hash, done, fail })),
  }
  return { asked, threadOf: () => remote as never }
}
const ranges = (net: number): Ranges => ({
  stages: {},
  cuts: {},
  parts: {},
  net: { low: net, high: net } as never,
  cover: null,
})
const want = (hash: string) => ({ hash, flow: { anatomy: {} }, state: {}, farm: {} }) as never
const turn = () => new Promise((done) => setTimeout(done))

describe('draws in a thread', () => {
  it('one set at a time; of what is asked for meanwhile only the last is drawn, and only the last is told', async () => {
    const { asked, threadOf } = slowThread()
    const told: (number | undefined)[] = []
    const drawing = drawings((r) => told.push(r.net?.low), threadOf)
    for (const hash of ['a', 'b', 'c']) drawing.ask(want(hash))
    await turn()
    expect(asked.map((a) => a.name)).toEqual(['a'])
    asked[0]!.done(ranges(1))
    await turn()
    expect(asked.map((a) => a.name)).toEqual(['a', 'c'])
    expect(told).toEqual([])
    asked[1]!.done(ranges(3))
    await turn()
    expect(told).toEqual([3])
  })
  it('of a thread that failed nothing is told, and the next is drawn all the same; of a lot that was left neither', async () => {
    const { asked, threadOf } = slowThread()
    const told: number[] = []
    const drawing = drawings(() => told.push(1), threadOf)
    drawing.ask(want('d'))
    await turn()
    asked[0]!.fail(new Error('the thread is gone'))
    await turn()
    expect(told).toEqual([])
    drawing.ask(want('e'))
    await turn()
    asked[1]!.done(ranges(1))
    await turn()
    expect(told).toEqual([1])
    drawing.ask(want('f'))
    await turn()
    drawing.end()
    asked[2]!.done(ranges(1))
    await turn()
    expect(told).toEqual([1])
  })
})
