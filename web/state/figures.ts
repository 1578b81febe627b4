import { createBirpc, type BirpcReturn } from 'birpc'
import type { Flow } from '#core/carcass'
import type { FarmFigures, LotState, Ranges } from '#core/reading'
import type { Drawing } from './figures.worker.ts'

let thread: BirpcReturn<Drawing, object> | null = null
const learnt = new Set<string>()

/** The one thread that draws, started when something is first drawn; one that failed is started anew. */
function drawingThread(): BirpcReturn<Drawing, object> {
  if (thread) return thread
  const worker = new Worker(new URL('./figures.worker.ts', import.meta.url), { type: 'module' })
  const remote = createBirpc<Drawing, object>(
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

interface Asked {
  hash: string
  flow: Flow
  state: LotState
  farm: FarmFigures
}

/**
 * Draws intervals in a thread of their own, one set at a time: what is asked for meanwhile waits, and only the last of
 * it is drawn. `drawn` is told of every set that was still wanted when it came.
 */
export function drawings(drawn: (ranges: Ranges, asked: Asked) => void, threadOf = drawingThread) {
  let next: Asked | null = null
  let isBusy = false
  let isOver = false

  async function work() {
    if (isBusy) return
    isBusy = true
    while (next) {
      const asked: Asked = next
      next = null
      const { hash, flow, state, farm } = asked
      const remote = threadOf()
      if (!learnt.has(hash)) {
        learnt.add(hash)
        void remote.learn(hash, flow.anatomy)
      }
      const ranges = await remote.draw(hash, JSON.stringify({ state, farm })).catch(() => null)
      if (ranges && !next && !isOver) drawn(ranges, asked)
    }
    isBusy = false
  }
  return {
    ask(asked: Asked) {
      next = asked
      void work()
    },
    forget: () => (next = null),
    end() {
      isOver = true
      next = null
    },
  }
}
