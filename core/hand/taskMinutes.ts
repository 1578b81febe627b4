import { alongOf, finishMinutes, takesBy } from '#core/plan'
import type { Reckoning } from '#core/reading'
import type { Task, TaskKind } from './order.ts'

/** Of the hand minutes of a plan, what goes to taking out, off and apart before parts are opened; and of setting up, what comes first (our own figures; docs/sources.md: clock). */
const BREAKING = 0.15
const READY = 2 / 3
const BREAKS: Partial<Record<TaskKind, number>> = {
  dress: 0,
  cavity: 1.5,
  glands: 0.5,
  off: 1.5,
  free: 1,
  line: 1,
}

/** How long the steps of a plan take, minutes, for the hands that are planned: they add up to the minutes of its day. */
export function taskMinutes(read: Reckoning, tasks: readonly Task[]): Map<string, number> {
  const { bench, plan, cutting } = read
  const opened = (task: Task, of: 'minutes' | 'perKg') =>
    cutting.slots
      .filter(
        (s) => s.part === task.id && task.sides.includes(s.side) && !(s.path.pair && s.side === 'right'),
      )
      .reduce((sum, s) => {
        const own = alongOf(s, (p) => (p[of] ?? 0) * takesBy(plan.schools, p))
        return sum + (of === 'perKg' ? own * s.kg : own)
      }, 0)
  const weights = (of: (task: Task) => number) => {
    const all = new Map(tasks.map((t) => [t.id, of(t)]))
    const sum = [...all.values()].reduce((s, x) => s + x, 0)
    return (id: string, minutes: number) => (sum > 0 ? (minutes * all.get(id)!) / sum : 0)
  }
  const breaks = (t: Task) => BREAKS[t.kind] ?? 0
  const breaking = tasks.some((t) => breaks(t) > 0) ? BREAKING : 0
  const [byBreaking, byHand, byMill, byFinish] = [
    weights(breaks),
    weights((t) => (t.kind === 'open' ? opened(t, 'minutes') : 0)),
    weights((t) => (t.kind === 'open' ? opened(t, 'perKg') : 0)),
    weights((t) => {
      const cut = read.cuts.find((c) => `finish-${c.cut.id}` === t.id)
      return t.kind === 'finish' && cut ? finishMinutes(cut, plan.hands) : 0
    }),
  ]
  return new Map(
    tasks.map(({ id, kind }) => [
      id,
      byBreaking(id, bench.hand * breaking) +
        byHand(id, bench.hand * (1 - breaking)) +
        byMill(id, bench.grind) +
        byFinish(id, bench.finish) +
        (kind === 'pack' ? bench.wrap : 0) +
        (kind === 'ready' ? bench.setUp * READY : kind === 'wash' ? bench.setUp * (1 - READY) : 0),
    ]),
  )
}
