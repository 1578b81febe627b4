import { describe, expect, it } from 'vitest'
import { effectScope, nextTick, shallowRef } from 'vue'
import type { Ranges } from '#core/reading'
import { drawings, worked } from './figures.ts'

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
  missing: null,
  groups: [],
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

describe('what a page wants worked out', () => {
  it('is nothing while it is worked on, never an answer to what is no longer wanted, and says when it failed', async () => {
    const wanted = shallowRef<{ n: number } | null>(null)
    const asked: { n: number; done: (twice: number) => void; fail: (why: Error) => void }[] = []
    const threads = globalThis as { Worker?: unknown }
    threads.Worker = class {
      postMessage() {}
      addEventListener() {}
    }
    const scope = effectScope()
    const { found, state } = scope.run(() =>
      worked(
        () => wanted.value,
        (_, { n }) => new Promise<number>((done, fail) => void asked.push({ n, done, fail })),
      ),
    )!
    const want = async (n: number | null) => {
      wanted.value = n === null ? null : { n }
      await nextTick()
    }
    expect([found.value, state.value]).toEqual([null, 'idle'])
    await want(1)
    expect(state.value).toBe('working')
    await want(2)
    asked[0]!.done(2)
    await turn()
    expect([found.value, asked.map((a) => a.n)]).toEqual([null, [1, 2]])
    asked[1]!.done(4)
    await turn()
    expect([found.value, state.value]).toEqual([4, 'idle'])
    await want(3)
    expect(found.value).toBeNull()
    await want(null)
    asked[2]!.done(6)
    await turn()
    expect([found.value, state.value]).toEqual([null, 'idle'])
    await want(5)
    asked[3]!.fail(new Error('the thread is gone'))
    await turn()
    expect([found.value, state.value]).toEqual([null, 'failed'])
    scope.stop()
    delete threads.Worker
  })
})
