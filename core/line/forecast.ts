import { interval, quantilesOf, type Interval } from '#core/measure'
import { normalsOf } from '#core/carcass'
import type { LineStationId } from '#core/records'
import type { DayLine } from './day.ts'
import { runLine, type Line, type LineRun } from './run.ts'

/** How far all of a day is off together, and each station by itself: log SD, the same for every bird of it (our own; docs/sources.md: line-spread). */
const OF_THE_DAY = 0.15
const OF_THE_STATION = 0.12

/** A clock time with its likely range, minutes of the day. */
export interface Likely {
  middle: number
  range: Interval | null
}
const likely = (xs: Float64Array): Likely => ({ middle: quantilesOf(xs, [0.5])[0]!, range: interval(xs) })

/** Days that were drawn: when the last bird lay in the ice and when all was done, and what each station and hand did meanwhile. */
export interface Days {
  iced: Float64Array
  ends: Float64Array
  /** Minutes at which the nth bird was through a station, day after day: of the stations that are asked about. */
  at: Map<number, Float64Array>
  busy: Float64Array
  held: Float64Array
  waited: Float64Array
  worked: Float64Array
  /** Days in which birds were left over. */
  unfinished: number
}

/** What is off on the nth day of a line: all of it together, and each station. */
function offOn(line: Line, normal: () => number): Float64Array {
  const day = OF_THE_DAY * normal()
  return Float64Array.from(line.stations, () => Math.exp(day + OF_THE_STATION * normal()))
}
const lastOf = (run: LineRun, line: Line, station: number): number => {
  const birds = run.left.length / line.stations.length
  return station < 0 ? (line.start ?? 0) : run.left[(station + 1) * birds - 1]!
}

/**
 * Draws days of a line, so many at a time: after each lot of them it hears how many are done, and goes on when asked again.
 * A flock's day is common to all its birds: it is drawn once a day and never divided by their number.
 */
export function* drawDays(
  { line, chill }: Pick<DayLine, 'line' | 'chill'>,
  draws: number,
  asked: readonly number[] = [],
  step = 50,
): Generator<number, Days> {
  const birds = line.birds.reduce((a, b) => a + b, 0)
  const S = line.stations.length
  const normal = normalsOf()
  const days: Days = {
    iced: new Float64Array(draws),
    ends: new Float64Array(draws),
    at: new Map(asked.map((s) => [s, new Float64Array(draws * birds)])),
    ...{ busy: new Float64Array(S), held: new Float64Array(S), waited: new Float64Array(S) },
    worked: new Float64Array(line.hands.length),
    unfinished: 0,
  }
  for (let d = 0; d < draws; d++) {
    const run = runLine(line, d + 1, offOn(line, normal))
    const before = chill < 0 ? S - 1 : chill - 1
    days.iced[d] = lastOf(run, line, before)
    days.ends[d] = lastOf(run, line, S - 1)
    if (run.done < birds) days.unfinished++
    for (let s = 0; s < S; s++) {
      days.busy[s]! += run.busy[s]! / draws
      days.held[s]! += run.held[s]! / draws
      days.waited[s]! += run.waited[s]! / draws
    }
    run.worked.forEach((m, h) => (days.worked[h]! += m / draws))
    for (const [s, at] of days.at) at.set(run.left.subarray(s * birds, (s + 1) * birds), d * birds)
    if ((d + 1) % step === 0) yield d + 1
  }
  return days
}

/** The same at once, where nobody waits for it. */
export function allDays(
  day: Pick<DayLine, 'line' | 'chill'>,
  draws: number,
  asked: readonly number[] = [],
): Days {
  const days = drawDays(day, draws, asked)
  for (;;) {
    const next = days.next()
    if (next.done) return next.value
  }
}

/** A station of the day as it goes: share of its time it works, birds that wait before it for how long each, minutes it is held up. */
export interface StationLoad {
  id: LineStationId
  busy: number
  waited: number
  held: number
  /** Minutes from its first bird to its last, on the middle day. */
  from: number
  until: number
}
/** One change of the day, and what it does to the hour the last bird is cold: minutes, below zero sooner. */
export interface WhatIf {
  id: string
  word: string
  minutes: number
}
export interface DayForecast {
  iced: Likely
  end: Likely
  /** Days of a hundred in which not all were done. */
  unfinished: number
  stations: StationLoad[]
  hands: { name: string; share: number }[]
  /** What holds the line up: a station, or the hands. */
  holds: LineStationId | 'hands'
  /** Birds waiting or in work at each station, at even steps of the middle day. */
  picture: { from: number; step: number; at: number[][] }
  pickups: { who: string; at: number; birds: number; chance: number; ready: number }[]
  whatIf: WhatIf[]
}

/** The day that ended in the middle, run again to be shown. */
function middleDay(line: Line, days: Days): LineRun {
  const middle = quantilesOf(days.ends, [0.5])[0]!
  let best = 0
  days.ends.forEach((end, d) => {
    if (Math.abs(end - middle) < Math.abs(days.ends[best]! - middle)) best = d
  })
  const normal = normalsOf()
  let off = offOn(line, normal)
  for (let d = 0; d < best; d++) off = offOn(line, normal)
  return runLine(line, best + 1, off)
}

const STEPS = 96
/** How many birds stood at each station, over the day. */
function pictureOf(line: Line, run: LineRun): DayForecast['picture'] {
  const from = line.start ?? 0
  const birds = run.left.length / line.stations.length
  const end = Math.max(...run.left.filter((t) => !Number.isNaN(t)), from + 1)
  const step = (end - from) / STEPS
  const through = (s: number, t: number) => {
    if (s < 0) return birds
    let n = 0
    while (n < birds && run.left[s * birds + n]! <= t) n++
    return n
  }
  return {
    ...{ from, step },
    at: line.stations.map((_, s) =>
      Array.from(
        { length: STEPS + 1 },
        (_, i) => through(s - 1, from + i * step) - through(s, from + i * step),
      ),
    ),
  }
}

/** Changes worth trying: one more pair of hands, and one more of each thing that can be had twice. */
export function changesOf({ line, stations }: DayLine): { id: string; word: string; line: Line }[] {
  const on = stations.filter((s) => !s.off)
  const helper = { takes: 1.8, from: line.start ?? 0, until: Infinity }
  return [
    {
      id: 'hand',
      word: 'one more pair of practised hands',
      line: {
        ...line,
        hands: [...line.hands, helper],
        stations: line.stations.map((s) => ({ ...s, hands: s.hands && [...s.hands, line.hands.length] })),
      },
    },
    ...on.flatMap((s, i) =>
      s.machine === null
        ? []
        : [
            {
              id: s.id,
              word: s.machine,
              line: {
                ...line,
                stations: line.stations.map((x, k) =>
                  k === i ? { ...x, places: x.places + (s.id === 'bleed' ? 2 : 1) } : x,
                ),
              },
            },
          ],
    ),
  ]
}

/** What the days that were drawn come to; `changed` are the hours of the last bird in the ice under each change. */
export function readDays(
  day: DayLine,
  days: Days,
  changed: readonly { id: string; word: string; iced: Float64Array }[] = [],
): DayForecast {
  const { line, plan, chill } = day
  const run = middleDay(line, days)
  const birds = run.left.length / line.stations.length
  const spans = line.stations.map((_, s) => ({
    from: s === 0 ? (line.start ?? 0) : run.left[(s - 1) * birds]!,
    until: run.left[(s + 1) * birds - 1]!,
  }))
  const stations = line.stations.map((s, i): StationLoad => {
    const { from, until } = spans[i]!
    return {
      id: s.id as LineStationId,
      busy: days.busy[i]! / Math.max(1, (until - from) * s.places),
      waited: i === 0 ? 0 : days.waited[i]! / birds,
      held: days.held[i]!,
      from,
      until,
    }
  })
  const iced = likely(days.iced)
  const until = iced.middle - (line.start ?? 0)
  const kill = stations.slice(0, chill < 0 ? undefined : chill)
  const hands = day.hands.map((name, h) => {
    const { from, until: home } = line.hands[h]!
    const there = Math.min(home, likely(days.ends).middle) - Math.max(from, line.start ?? 0)
    return { name, share: days.worked[h]! / Math.max(1, there) }
  })
  const slowest = kill.reduce((a, b) => (b.busy > a.busy ? b : a), kill[0]!)
  // Of hands that do everything, those on the kill floor are what is short when they never stand idle.
  const onFloor = line.stations
    .slice(0, chill < 0 ? undefined : chill)
    .reduce((sum, s, i) => sum + (s.hands ? days.busy[i]! : 0), 0)
  const handShare = onFloor / Math.max(1, until * line.hands.length)
  return {
    iced,
    end: likely(days.ends),
    unfinished: Math.round((100 * days.unfinished) / days.ends.length),
    stations,
    hands,
    holds: handShare > slowest.busy ? 'hands' : slowest.id,
    picture: pictureOf(line, run),
    pickups: pickupsOf(plan, days, birds),
    whatIf: changed.map(({ id, word, iced: other }) => ({
      ...{ id, word },
      minutes: likely(other).middle - likely(days.iced.subarray(0, other.length)).middle,
    })),
  }
}

/** Who fetches when: how likely theirs are ready, and by when nine in ten days have them; those before are served first. */
function pickupsOf({ pickups }: DayLine['plan'], days: Days, birds: number): DayForecast['pickups'] {
  const at = [...days.at.values()].at(-1)
  if (!at || pickups.length === 0) return []
  const draws = days.ends.length
  let before = 0
  return pickups
    .map((p) => ({ ...p, minutes: Number(p.at.slice(0, 2)) * 60 + Number(p.at.slice(3)) }))
    .toSorted((a, b) => a.minutes - b.minutes)
    .map((p) => {
      before += p.birds
      const nth = Math.min(before, birds) - 1
      const times = Float64Array.from({ length: draws }, (_, d) => at[d * birds + nth]!)
      const chance = before > birds ? 0 : times.filter((t) => t <= p.minutes).length / draws
      return { who: p.who, at: p.minutes, birds: p.birds, chance, ready: quantilesOf(times, [0.9])[0]! }
    })
}

/** SDs beyond which the first of a day say nothing more of the rest. */
const FURTHEST = 3

/**
 * When the last is through a station, told anew from what was ticked off: `counted` birds were through by `now` (the minute
 * of the last tick). Of the days that were drawn, how long the rest took goes by how long the first took, on the logarithm of
 * both (the regression of two normal variables, textbook); what is left of the spread is the interval.
 */
export function toldAnew(
  at: Float64Array,
  birds: number,
  start: number,
  counted: number,
  now: number,
): Likely {
  const days = at.length / birds
  if (counted >= birds) return { middle: now, range: null }
  if (counted < 1) return likely(Float64Array.from({ length: days }, (_, d) => at[(d + 1) * birds - 1]!))
  const x = new Float64Array(days)
  const y = new Float64Array(days)
  for (let d = 0; d < days; d++) {
    const then = at[d * birds + counted - 1]!
    x[d] = Math.log(Math.max(0.1, then - start))
    y[d] = Math.log(Math.max(0.1, at[(d + 1) * birds - 1]! - then))
  }
  const mean = (v: Float64Array) => v.reduce((a, b) => a + b, 0) / days
  const [mx, my] = [mean(x), mean(y)]
  let [sxx, sxy, syy] = [0, 0, 0]
  for (let d = 0; d < days; d++) {
    sxx += (x[d]! - mx) ** 2
    sxy += (x[d]! - mx) * (y[d]! - my)
    syy += (y[d]! - my) ** 2
  }
  const slope = sxx > 0 ? sxy / sxx : 0
  // No day is told by one that lies further off than any: ticked off all at once, they were not killed all at once.
  const furthest = FURTHEST * Math.sqrt(sxx / Math.max(1, days - 1))
  const seen = Math.log(Math.max(0.1, now - start)) - mx
  const middle = my + slope * Math.min(furthest, Math.max(-furthest, seen))
  const sd = Math.sqrt(Math.max(0, syy - slope * sxy) / Math.max(1, days - 2))
  const to = (z: number) => now + Math.exp(middle + z * sd)
  return { middle: to(0), range: { low: to(-1.2816), high: to(1.2816) } }
}
