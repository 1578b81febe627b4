import { parentPort, Worker } from 'node:worker_threads'
import { createBirpc, type BirpcReturn } from 'birpc'
import { mind, newPulse } from './pulse.ts'

/** A thread that was asked something and will never answer: it was ended. */
export class Lost extends Error {}

/** What crosses between threads is asked (`q`) or answered (`s`) (birpc). */
const isRequest = (data: unknown) => (data as { t?: unknown } | null)?.t === 'q'

type Functions = Record<string, (...args: never[]) => unknown>

/** No answer is late: a thread that is gone refuses what it was asked, one that works may take its time. */
const NEVER = 2 ** 31 - 1

export interface Thread<Remote extends object> {
  remote: BirpcReturn<Remote, object>
  /** Ends it without a word. */
  end(): Promise<void>
}

/**
 * Starts a built script in a thread of its own. `heard` are the functions it may call here. When the thread ends,
 * everything asked of it and everything asked later is refused, and `ended` is told why.
 */
export function openThread<Remote extends object>(
  script: string,
  workerData: unknown,
  heard: object,
  ended: (why: Error) => void,
): Thread<Remote> {
  const pulse = newPulse()
  const worker = new Worker(script, { workerData: { ...(workerData as object), pulse } })
  let asked = 0
  const remote = createBirpc<Remote, object>(heard, {
    post: (data) => {
      if (isRequest(data)) asked++
      worker.postMessage(data)
    },
    on: (hear) =>
      void worker.on('message', (data: unknown) => {
        if (!isRequest(data)) asked--
        hear(data)
      }),
    timeout: NEVER,
  }) as BirpcReturn<Remote, object>
  let isEnding = false
  const over = (why: Error) => {
    if (isEnding) return
    isEnding = true
    unmind()
    remote.$close(why)
    ended(why)
  }
  const unmind = mind(
    pulse,
    () => asked > 0,
    (what) => {
      over(new Lost(what))
      void worker.terminate()
    },
  )
  worker.on('error', over)
  worker.on('exit', (code) => over(new Error(`The thread ended with ${code}.`)))
  return {
    remote,
    end: async () => {
      isEnding = true
      unmind()
      await worker.terminate()
    },
  }
}

/**
 * The functions of `Remote` as those of a thread of their own, started when first asked and again after it ended: what
 * was asked of the one that ended is refused, what is asked later is not.
 */
export function inThread<Remote extends object>(
  script: string,
  workerData: unknown,
): Remote & { end(): Promise<void> } {
  let thread: Thread<Remote> | null = null
  const remote = () => {
    thread ??= openThread<Remote>(script, workerData, {}, () => {
      thread = null
    })
    return thread.remote as unknown as Record<string, (...args: unknown[]) => unknown>
  }
  const end = async () => {
    await thread?.end()
    thread = null
  }
  return new Proxy({} as Remote & { end(): Promise<void> }, {
    get: (_, name) => (name === 'end' ? end : (...args: unknown[]) => remote()[String(name)]!(...args)),
  })
}

/** Answers, in a thread, what `openThread` asks; returns what may be called on the other side. */
export function serveThread<Heard extends object>(functions: Functions): BirpcReturn<Heard, Functions> {
  const port = parentPort!
  return createBirpc<Heard, Functions>(functions, {
    post: (data) => port.postMessage(data),
    on: (hear) => void port.on('message', hear),
    timeout: NEVER,
  }) as BirpcReturn<Heard, Functions>
}
