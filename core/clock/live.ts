import type { Facts } from '#core/plan'
import type { Task } from '#core/hand'

/** How a step of the day stands. `minutes` is how long hands were on it, so far or in all. */
export interface Standing {
  state: 'waiting' | 'running' | 'paused' | 'skipped' | 'done'
  minutes: number
  by: string | null
  why: string | null
  /** When it was begun, and when it was done; instants in ms. */
  began: number | null
  ended: number | null
}

const NOT_YET: Standing = { state: 'waiting', minutes: 0, by: null, why: null, began: null, ended: null }

/** Steps that are ticked off are done, whether anybody timed them or not. `now` is an instant, ms. */
export function standings(
  tasks: readonly Task[],
  { work, steps }: Pick<Facts, 'work' | 'steps'>,
  now: number,
): ReadonlyMap<string, Standing> {
  return new Map(
    tasks.map((task) => {
      const timed = timedOf(
        work.filter((w) => w.of === task.id),
        now,
      )
      const ticked = task.sides.every((side) => steps.get(task.id, side) ?? false)
      return [task.id, ticked && timed.state !== 'done' ? { ...timed, state: 'done' as const } : timed]
    }),
  )
}

/** What is written of one step, read in the order it happened. A second start goes on from the first. */
export function timedOf(
  work: readonly Pick<Facts['work'][number], 'did' | 'when' | 'by' | 'why'>[],
  now: number,
): Standing {
  let at: Standing = NOT_YET
  let since: number | null = null
  const inOrder = work.toSorted((a, b) => Date.parse(a.when) - Date.parse(b.when))
  for (const { did, when, by, why } of inOrder) {
    const then = Date.parse(when)
    const minutes = at.minutes + (since === null ? 0 : (then - since) / 60_000)
    const stopped = { ...at, minutes, by }
    switch (did) {
      case 'started':
      case 'resumed':
      case 'handed':
        at = { ...stopped, state: 'running', began: at.began ?? then }
        since = then
        break
      case 'paused':
        at = { ...stopped, state: 'paused', why: why ?? null }
        since = null
        break
      case 'skipped':
        at = { ...stopped, state: 'skipped', why: why ?? null, ended: then }
        since = null
        break
      case 'done':
        at = { ...stopped, state: 'done', ended: then }
        since = null
        break
    }
  }
  return since === null ? at : { ...at, minutes: at.minutes + Math.max(0, now - since) / 60_000 }
}

/** What may be written of a step next. */
export const NEXT: Readonly<Record<Standing['state'], readonly Facts['work'][number]['did'][]>> = {
  waiting: ['started', 'skipped'],
  running: ['paused', 'handed', 'done'],
  paused: ['resumed', 'skipped'],
  skipped: ['resumed'],
  done: [],
}
