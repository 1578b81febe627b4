import { createBirpc, type BirpcReturn } from 'birpc'
import { onScopeDispose, ref, shallowRef, watch } from 'vue'
import type { Anatomy } from '#core/anatomy'
import type { Flow } from '#core/carcass'
import type { FarmFigures, LotState, Ranges } from '#core/reading'
import type { Finish } from '#core/records'
import type { Reckoner } from './reckoner.ts'

export type Thread = BirpcReturn<Reckoner, object>
let thread: Thread | null = null
const learnt = new Set<string>()

/** The one thread that works things out beside the page, started when first asked; one that failed is started anew. */
function figuresThread(): Thread {
  if (thread) return thread
  const worker = new Worker(new URL('./figures.worker.ts', import.meta.url), { type: 'module' })
  const remote = createBirpc<Reckoner, object>(
    {},
    {
      post: (data) => worker.postMessage(data),
      on: (hear) => worker.addEventListener('message', (e) => hear(e.data)),
      timeout: 2 ** 31 - 1,
    },
  )
  worker.addEventListener('error', (e) => {
    if (thread !== remote) return
    thread = null
    learnt.clear()
    remote.$close(new Error(e.message))
  })
  return (thread = remote)
}

/** A lot as the thread is asked about it. */
export interface AskedLot {
  hash: string
  flow: Flow
  state: LotState
  farm: FarmFigures
}

/** The anatomy a lot is read by is told to a thread once. */
function taught(remote: Thread, { hash, flow }: AskedLot): Thread {
  if (!learnt.has(hash)) {
    learnt.add(hash)
    void remote.learn(hash, flow.anatomy)
  }
  return remote
}
/** Of what a page holds, what the thread reads: as text, so that nothing of the page's own comes along. */
const asText = ({ state, farm }: AskedLot) => JSON.stringify({ state, farm })

/**
 * Works one thing out at a time: what is asked for meanwhile waits, and only the last of it is worked on. `told` hears
 * of every answer that was still wanted when it came; null where the thread failed.
 */
export function latest<A, R>(work: (asked: A) => Promise<R>, told: (answer: R | null, asked: A) => void) {
  let next: { asked: A } | null = null
  let isBusy = false
  let isOver = false
  async function run() {
    if (isBusy) return
    isBusy = true
    while (next) {
      const { asked }: { asked: A } = next
      next = null
      const answer = await work(asked).catch(() => null)
      if (!next && !isOver) told(answer, asked)
    }
    isBusy = false
  }
  return {
    ask(asked: A) {
      next = { asked }
      void run()
    },
    forget: () => (next = null),
    end() {
      isOver = true
      next = null
    },
  }
}

/** Draws intervals, the last wish only. */
export const drawings = (drawn: (ranges: Ranges, asked: AskedLot) => void, threadOf = figuresThread) =>
  latest<AskedLot, Ranges>(
    (asked) => taught(threadOf(), asked).draw(asked.hash, asText(asked)),
    (ranges, asked) => ranges && drawn(ranges, asked),
  )

/**
 * What the thread makes of what is wanted now: nothing while it works, or where nothing is wanted. What was wanted
 * before and is no longer is never shown.
 */
export function worked<A extends object, R>(
  wanted: () => A | null,
  work: (thread: Thread, asked: A) => Promise<R>,
) {
  const found = shallowRef<R | null>(null)
  const state = ref<'idle' | 'working' | 'failed'>('idle')
  let now: A | null = null
  const works = latest<A, R>(
    (asked) => work(figuresThread(), asked),
    (answer, asked) => {
      if (asked !== now) return
      found.value = answer
      state.value = answer === null ? 'failed' : 'idle'
    },
  )
  watch(
    wanted,
    (asked) => {
      now = asked
      found.value = null
      state.value = asked ? 'working' : 'idle'
      if (asked) works.ask(asked)
      else works.forget()
    },
    { immediate: true },
  )
  onScopeDispose(() => works.end())
  return { found, state }
}

export const replanned = (remote: Thread, asked: AskedLot, trouble: Parameters<Reckoner['replan']>[2]) =>
  taught(remote, asked).replan(asked.hash, asText(asked), trouble)

/** What could be made of what sells near nothing. */
export const cheapEndIn = (remote: Thread, asked: AskedLot) =>
  taught(remote, asked).cheapEnd(asked.hash, asText(asked))
/** Whole, and every other way of a bird or a rabbit. */
export const wholeIn = (remote: Thread, asked: AskedLot) =>
  taught(remote, asked).wholeOrParts(asked.hash, asText(asked))
/** Every finish of a cut, valued. */
export const finishOffersIn = (
  remote: Thread,
  { cut, tried, ...asked }: AskedLot & { cut: string; tried: readonly Finish[] },
) => taught(remote, asked).finishOffers(asked.hash, asText(asked), cut, JSON.stringify(tried))
/** What one more of each is worth. */
export const oneMoreIn = (remote: Thread, asked: AskedLot) =>
  taught(remote, asked).oneMore(asked.hash, asText(asked))

/** What each day more in the cooler costs. */
export const hungDaysIn = (remote: Thread, asked: AskedLot) =>
  taught(remote, asked).hungDays(asked.hash, asText(asked))

/** Why less came of it than was expected. */
export const whyLessIn = (remote: Thread, asked: AskedLot) =>
  taught(remote, asked).whyLess(asked.hash, asText(asked))

export const libraryIn = (remote: Thread, anatomy: Anatomy) =>
  remote.library(JSON.parse(JSON.stringify(anatomy)) as Anatomy)
