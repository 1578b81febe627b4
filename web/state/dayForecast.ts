import { createBirpc, type BirpcReturn } from 'birpc'
import { onScopeDispose, ref, shallowRef, watch } from 'vue'
import type { DayLine } from '#core/line'
import { latest } from './figures.ts'
import type { DayDrawer, DayHearer, Drawn } from './dayDrawer.ts'

/** So many days are drawn. */
const DRAWS = 1000

/** A day of birds drawn in a thread of its own: how far it is, what it came to, and a way to stop it. */
export function useDayForecast(day: () => DayLine | null) {
  const drawn = shallowRef<Drawn | null>(null)
  const state = ref<'idle' | 'drawing' | 'stopped' | 'failed'>('idle')
  const progress = ref(0)
  let worker: Worker | null = null
  let thread: BirpcReturn<DayDrawer, DayHearer> | null = null
  const threadOf = () => {
    if (thread) return thread
    worker = new Worker(new URL('./line.worker.ts', import.meta.url), { type: 'module' })
    const own = worker
    own.addEventListener('error', () => {
      state.value = 'failed'
      thread = null
    })
    return (thread = createBirpc<DayDrawer, DayHearer>(
      { progress: (done, of) => void (progress.value = done / of) },
      {
        post: (data) => own.postMessage(data),
        on: (hear) => own.addEventListener('message', (e) => hear(e.data)),
        timeout: 2 ** 31 - 1,
      },
    ))
  }
  const draws = latest<DayLine, { drawn: Drawn | null }>(
    async (asked) => {
      state.value = 'drawing'
      progress.value = 0
      return { drawn: await threadOf().draw(asked, DRAWS) }
    },
    (answer) => {
      if (!answer) return void (state.value = 'failed')
      // Stopped: what was drawn before stays, and says that it is of before.
      state.value = answer.drawn ? 'idle' : 'stopped'
      if (answer.drawn) drawn.value = answer.drawn
    },
  )
  const again = () => {
    const wanted = day()
    if (!wanted) return draws.forget()
    // Nothing of the page’s own goes along.
    const asked: DayLine = {
      ...wanted,
      plan: JSON.parse(JSON.stringify(wanted.plan)) as DayLine['plan'],
      stations: wanted.stations.map((s) => ({ ...s, who: [...s.who] })),
      issues: [],
    }
    // What is drawn for another wish ends at its next step.
    if (state.value === 'drawing') void thread?.stop()
    draws.ask(asked)
  }
  const key = () => {
    const asked = day()
    const noSpread = (key: string, value: unknown) => (key === 'spread' ? undefined : value)
    return asked ? JSON.stringify([asked.line, asked.stations, asked.plan, asked.hands], noSpread) : ''
  }
  watch(key, again, { immediate: true })
  onScopeDispose(() => {
    draws.end()
    worker?.terminate()
  })
  return { drawn, state, progress, again, stop: () => void thread?.stop() }
}
