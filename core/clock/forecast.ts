import { besides, orderedWork, taskMinutes, type Ordered, type Task } from '#core/hand'
import { interval, type Interval } from '#core/measure'
import { TAKES } from '#core/plan'
import type { Reckoning } from '#core/reading'
import type { Crew } from '#core/records'
import { simulate, type Day, type Hand, type Job } from './engine.ts'
import type { Pace } from './learnt.ts'
import type { Standing } from './live.ts'

/** How far steps of a day lie off together, by whose day it is, and each by itself: log SD (our own figures; docs/sources.md: clock). */
const OF_THE_DAY = 0.15
const OF_THE_STEP = 0.25
/** A step that has taken as long as it should still has so much of it before it. */
const STILL = 0.1
/** Meat that lies longer waits in the cold meanwhile, minutes (our own figure; docs/sources.md: clock). */
export const OUT_AT_MOST = 30

/** Minutes of a day, from midnight. */
export const clockMinutes = (clock: string): number => {
  const [h, m] = clock.split(':').map(Number)
  return h! * 60 + m!
}
export const sayClock = (minutes: number): string => {
  const whole = Math.round(minutes)
  const at = ((whole % 1440) + 1440) % 1440
  return `${String(Math.floor(at / 60)).padStart(2, '0')}:${String(at % 60).padStart(2, '0')}`
}

/** One practised as the plan says, from eight until six, where nobody was named. */
export const crewOf = (read: Reckoning): Crew =>
  read.plan.crew ?? [{ name: 'One of us', skill: read.plan.hands, from: '08:00', until: '18:00' }]

/** A part that lies cut off and is not opened for a while: from when until when it belongs back in the cold, minutes of the day. */
export interface Waits {
  part: string
  from: number
  until: number
}

export interface Forecast {
  work: Ordered
  /** What is left to do, when and by whom, minutes of the day. */
  day: Day
  /** How long each step takes as it is reckoned here, minutes. */
  minutes: ReadonlyMap<string, number>
  /** When the last step is done if who is there last stays for it; null where none is left that can be. */
  finish: number | null
  range: Interval | null
  waits: Waits[]
}

/** What a forecast goes by beside the plan. */
export interface Asked {
  /** Minutes of the day from which it is told: when the day begins, or now. */
  from: number
  standing: ReadonlyMap<string, Standing>
  paces: ReadonlyMap<string, Pace>
  /** Normal numbers, and how often a day is drawn. */
  normal: () => number
  draws: number
}

/** The rest of the day, from where it stands: by the steps that are left, who is there, the stations that are to be had. */
export function forecast(read: Reckoning, { from, standing, paces, normal, draws }: Asked): Forecast {
  const work = orderedWork(read)
  const usual = taskMinutes(read, work.tasks)
  const minutes = new Map(work.tasks.map((t) => [t.id, usual.get(t.id)! * (paces.get(t.id)?.by ?? 1)]))
  const left = work.tasks.filter((t) => {
    const state = standing.get(t.id)?.state
    return state !== 'done' && state !== 'skipped'
  })
  const spent = (id: string) => standing.get(id)?.minutes ?? 0
  const rest = (id: string) => {
    const all = minutes.get(id)!
    return Math.max(all * STILL, all - spent(id))
  }
  const skilled = TAKES[read.plan.hands]
  const pace = new Map(crewOf(read).map((p) => [p.name, TAKES[p.skill] / skilled]))
  const hands: Hand[] = crewOf(read)
    .toSorted((a, b) => TAKES[a.skill] - TAKES[b.skill])
    .map((p) => ({ id: p.name, from: clockMinutes(p.from), until: clockMinutes(p.until) }))
  const places = left.filter((t) => work.at.get(t.id) !== null)
  const jobs = places.map((t): Job => ({
    id: t.id,
    needs: work.musts.flatMap((m) => (m.then === t.id ? [m.first] : [])),
    station: work.at.get(t.id)!,
    people: 1,
    // Wrapping and washing down are done by all who are there.
    shared: t.kind === 'pack' || t.kind === 'wash',
  }))
  // What can be nowhere, and all that needs it, waits.
  const stuck = new Set(left.filter((t) => work.at.get(t.id) === null).map((t) => t.id))
  const possible = jobs.filter((j) => !needsStuck(work, stuck, j.id))
  const drawDay = (there: readonly Hand[], factor: (id: string) => number) =>
    simulate(possible, there, (j, h) => rest(j.id) * pace.get(h.id)! * factor(j.id), ROOMS, from)
  const day = drawDay(hands, () => 1)
  // How long it takes is asked of a day without an evening: who is there last stays until all is done.
  const last = Math.max(...hands.map((h) => h.until))
  const staying = hands.map((h) => (h.until === last ? { ...h, until: Infinity } : h))
  const ends = Float64Array.from({ length: draws }, () => {
    const off = OF_THE_DAY * normal()
    const own = new Map(possible.map((j) => [j.id, Math.exp(off + OF_THE_STEP * normal())]))
    return endOf(drawDay(staying, (id) => own.get(id)!)) ?? from
  })
  const blocked = left.filter((t) => !possible.some((j) => j.id === t.id)).map((t) => t.id)
  return {
    work,
    minutes,
    day: { runs: day.runs, left: [...new Set([...day.left, ...blocked])] },
    finish: endOf(drawDay(staying, () => 1)),
    range: draws > 0 && day.runs.length > 0 ? interval(ends) : null,
    waits: waitsOf(read, work, day, standing),
  }
}

/** A table takes as many as stand at it; rail and house too. Of a saw or a grinder there is one. */
const ROOMS = new Map([
  ['table', 8],
  ['rail', 2],
  ['house', 8],
])
const endOf = (day: Day): number | null =>
  day.runs.length > 0 ? Math.max(...day.runs.map((r) => r.until)) : null

function needsStuck({ musts }: Ordered, stuck: ReadonlySet<string>, id: string): boolean {
  if (stuck.size === 0) return false
  if (stuck.has(id)) return true
  // Setting the room in order does not wait for what cannot be done.
  if (id === 'pack' || id === 'wash') return false
  return musts.some((m) => m.then === id && needsStuck({ musts } as Ordered, stuck, m.first))
}

/** Parts that were cut off their neighbours and lie until their turn comes: longer than they should, they go back in the cold. */
function waitsOf(
  read: Reckoning,
  { tasks }: Ordered,
  day: Day,
  standing: ReadonlyMap<string, Standing>,
): Waits[] {
  const run = new Map(day.runs.map((r) => [r.job, r]))
  const isDone = (t: Task) => standing.get(t.id)?.state === 'done'
  const begins = Math.min(...day.runs.map((r) => r.from))
  return tasks.flatMap((t): Waits[] => {
    const own = run.get(t.id)
    if (t.kind !== 'open' || !own) return []
    const cut = read.flow.anatomy.lines.filter((l) => {
      const { ahead, behind } = besides(read.flow.anatomy, l)
      return ahead.includes(t.id) || behind.includes(t.id)
    })
    const off = cut.flatMap((l) => {
      const line = tasks.find((x) => x.id === `line-${l.id}`)
      if (!line) return []
      return isDone(line) ? [begins] : [run.get(line.id)?.until ?? Infinity]
    })
    const from = off.length > 0 ? Math.max(...off) : Infinity
    return own.from - from > OUT_AT_MOST ? [{ part: t.id, from, until: own.from }] : []
  })
}
