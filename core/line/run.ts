import { Calendar } from './calendar.ts'
import type { Spread } from './spread.ts'

/** A station of the line: what is done to birds there, how many at once, and how many may wait before it. */
export interface LineStation {
  id: string
  /** Minutes a load of each kind of bird takes a hand of factor 1, or takes by itself; 0 where that kind passes it by. */
  minutes: readonly number[]
  spread: Spread
  /** Birds of each kind begun together; fewer only when no more of it will come. */
  load: readonly number[]
  /** Loads at once: cones, machines, places at a table. */
  places: number
  /** Birds that may wait before it; those before are held up when it is full. */
  room: number
  /** Who may work there, by their place in the list of hands; null where nobody is needed. */
  hands: readonly number[] | null
}

/** Somebody who works: how much longer than the usual they take, and when they are there, minutes. */
export interface LineHand {
  takes: number
  from: number
  until: number
}

/** A station that stands still from then until then. */
export interface Stop {
  station: number
  from: number
  until: number
}

export interface Line {
  /** Birds of each kind, one kind after another. */
  birds: readonly number[]
  stations: readonly LineStation[]
  hands: readonly LineHand[]
  stops?: readonly Stop[]
  /** Minute of the first bird. */
  start?: number
  /** Hands are wanted first at stations before this one: what lies in the ice can wait. */
  before?: number
  /** Minutes between one kind and the next: water changed, tables washed. */
  between?: number
}

/** One day as it went. */
export interface LineRun {
  /** Minutes at which the first, second, … bird left each station, station after station; NaN for those that never did. */
  left: Float64Array
  /** Birds that came out at the end. */
  done: number
  /** Minutes: each station’s loads in work, and held up because there was no room behind; birds waiting before it. */
  busy: Float64Array
  held: Float64Array
  waited: Float64Array
  /** Minutes each hand worked. */
  worked: Float64Array
  /** What happened, counted: a load done, somebody come or gone, a stop begun or over. */
  events: number
}

/** Nobody is needed. */
const ALONE = -1
/** What may happen beside a load that is done, as it stands on the calendar. */
const [DONE, COME, GO, STOP, ON] = [0, 1, 2, 3, 4]
/** Where station, birds and hand stand in what is written on the calendar. */
const [HAND_BITS, BIRD_BITS, STATION_BITS] = [6, 12, 5]

/**
 * Birds through a line, event by event. What is furthest down the line is begun first, so that nothing lies warm (what lies
 * in the ice can wait: `before`); the quickest free hand takes it. A load is not interrupted; a bird that finds no room behind stays where it is and keeps its
 * place. `seed` draws the times; the same seed draws the same day. `off` is how far each station’s times are off that day.
 */
export function runLine(line: Line, seed = 1, off?: ArrayLike<number>): LineRun {
  const { stations, hands, stops = [], start = 0, between = 0, before = 0 } = line
  const S = stations.length
  const K = line.birds.length
  /** The first bird of the next kind, of each kind. */
  const upTo = Int32Array.from(line.birds, (_, k) => line.birds.slice(0, k + 1).reduce((a, b) => a + b, 0))
  const birds = upTo[K - 1]!
  const last = S - 1
  const left = new Float64Array(S * birds).fill(NaN)
  const [busy, held, waited] = [new Float64Array(S), new Float64Array(S), new Float64Array(S)]
  const worked = new Float64Array(hands.length)
  const minutes = Float64Array.from(stations.flatMap((s, i) => s.minutes.map((m) => m * (off?.[i] ?? 1))))
  const loadOf = Int32Array.from(stations.flatMap((s) => s.load))
  const places = Int32Array.from(stations, (s) => s.places)
  const room = Float64Array.from(stations, (s) => s.room)
  const tables = stations.map((s) => s.spread)
  const shift = Int32Array.from(tables, (t) => 32 - Math.log2(t.length))
  // Hands in order of their pace: the lowest bit that is set is the quickest that is free.
  const order = hands.map((_, i) => i).sort((a, b) => hands[a]!.takes - hands[b]!.takes)
  const takes = Float64Array.from(order, (h) => hands[h]!.takes)
  const serves = Int32Array.from(stations, (s) =>
    s.hands === null
      ? ALONE
      : order.reduce((mask, h, bit) => mask | (s.hands!.includes(h) ? 1 << bit : 0), 0),
  )
  // Which stations a hand may turn to when it is free, and those that need none.
  const servedBy = Int32Array.from(order, (_, bit) =>
    stations.reduce((mask, _s, i) => mask | (serves[i] !== ALONE && (serves[i]! >> bit) & 1 ? 1 << i : 0), 0),
  )
  const alone = stations.reduce(
    (mask, s, i) => mask | (s.hands === null || s.minutes.includes(0) ? 1 << i : 0),
    0,
  )
  const waiting = new Int32Array(S)
  const begun = new Int32Array(S)
  const kind = new Int32Array(S)
  const gone = new Int32Array(S)
  const inUse = new Int32Array(S)
  waiting[0] = birds
  let [free, stopped] = [0, 0]
  /** Birds wait before a station; loads are done at it and find no room: bit by bit. */
  let [waits, full] = [1, 0]
  /** Of those loads how many birds are left and since when, first in first. */
  const fullLoads: { birds: number; since: number }[][] = stations.map(() => [])

  const calendar = new Calendar(
    stations.reduce((n, s) => n + Math.min(s.places, birds), 0) + 2 * (hands.length + stops.length),
  )
  order.forEach((h, bit) => {
    const { from, until } = hands[h]!
    if (until <= start) return
    if (from <= start) free |= 1 << bit
    else calendar.put(from, note(COME, 0, 0, bit))
    if (until !== Infinity) calendar.put(until, note(GO, 0, 0, bit))
  })
  let there = free
  for (const { station, from, until } of stops) {
    if (until <= start) continue
    if (from <= start) stopped |= 1 << station
    else calendar.put(from, note(STOP, station, 0, 0))
    if (until !== Infinity) calendar.put(until, note(ON, station, 0, 0))
  }
  let random = (seed * 2654435761) | 0 || 1
  for (let i = 0; i < 8; i++) {
    random ^= random << 13
    random ^= random >>> 17
    random ^= random << 5
  }
  const early = (1 << before) - 1
  let now = start
  let events = 0
  /** Stations at which something may move or be begun. */
  let dirty = 1

  for (;;) {
    for (;;) {
      dirty &= (waits & ~stopped & (free === 0 ? alone : -1)) | full
      if (dirty === 0) break
      const s = 31 - Math.clz32((dirty & early) !== 0 ? dirty & early : dirty)
      const own = 1 << s
      dirty &= ~own
      if ((full & own) !== 0) {
        const ready = fullLoads[s]!
        let some = false
        while (ready.length > 0) {
          const load = ready[0]!
          const moved =
            s === last
              ? load.birds
              : Math.min(
                  load.birds,
                  room[s + 1]! +
                    (places[s + 1]! - inUse[s + 1]!) * loadOf[(s + 1) * K + kind[s + 1]!]! -
                    waiting[s + 1]!,
                )
          if (moved > 0 && s < last) {
            some = true
            waiting[s + 1]! += moved
            waited[s + 1]! -= moved * now
            waits |= own << 1
            dirty |= own << 1
          }
          load.birds -= Math.max(0, moved)
          if (load.birds > 0) break
          held[s]! += now - load.since
          ready.shift()
          inUse[s]!--
          dirty |= own | (own >> 1)
        }
        if (ready.length === 0) full &= ~own
        // What has moved on comes first.
        if (some && dirty !== own) {
          dirty |= own
          continue
        }
      }
      if ((stopped & own) !== 0) continue
      // What waits is begun, where there is a place and a hand.
      while (waiting[s]! > 0 && inUse[s]! < places[s]!) {
        const k = kind[s]!
        const of = s * K + k
        const rest = upTo[k]! - begun[s]!
        const n = loadOf[of]! < rest ? loadOf[of]! : rest
        if (waiting[s]! < n) break
        let bit = -1
        let time = minutes[of]!
        if (serves[s] !== ALONE && time > 0) {
          const can = free & serves[s]!
          if (can === 0) break
          bit = 31 - Math.clz32(can & -can)
          free &= ~(1 << bit)
          time *= takes[bit]!
        }
        if (shift[s]! < 32) {
          random ^= random << 13
          random ^= random >>> 17
          random ^= random << 5
          time *= tables[s]![random >>> shift[s]!]!
        }
        if (s === 0 && k > 0 && begun[0] === upTo[k - 1]!) time += between
        waiting[s]! -= n
        begun[s]! += n
        if (n === rest && k < K - 1) kind[s]!++
        waited[s]! += n * now
        inUse[s]!++
        busy[s]! += time
        if (bit >= 0) worked[order[bit]!]! += time
        calendar.put(now + time, note(DONE, s, n, bit + 1))
        if (s > 0) dirty |= 1 << (s - 1)
      }
      if (waiting[s] === 0) waits &= ~own
    }
    if (calendar.size === 0) break
    now = calendar.next
    const next = calendar.take()
    events++
    const by = next & ((1 << HAND_BITS) - 1)
    const n = (next >> HAND_BITS) & ((1 << BIRD_BITS) - 1)
    const s = (next >> (HAND_BITS + BIRD_BITS)) & ((1 << STATION_BITS) - 1)
    switch (next >> (HAND_BITS + BIRD_BITS + STATION_BITS)) {
      case DONE: {
        for (let i = 0; i < n; i++) left[s * birds + gone[s]!++] = now
        const own = 1 << s
        if (
          (full & own) === 0 &&
          (s === last ||
            room[s + 1]! +
              (places[s + 1]! - inUse[s + 1]!) * loadOf[(s + 1) * K + kind[s + 1]!]! -
              waiting[s + 1]! >=
              n)
        ) {
          if (s < last) {
            waiting[s + 1]! += n
            waited[s + 1]! -= n * now
            waits |= own << 1
            dirty |= own << 1
          }
          inUse[s]!--
          dirty |= own | (own >> 1)
        } else {
          fullLoads[s]!.push({ birds: n, since: now })
          full |= own
          dirty |= own
        }
        if (by > 0 && (there & (1 << (by - 1))) !== 0) {
          free |= 1 << (by - 1)
          dirty |= servedBy[by - 1]!
        }
        break
      }
      case COME:
        there |= 1 << by
        free |= 1 << by
        dirty |= servedBy[by]!
        break
      case GO:
        there &= ~(1 << by)
        free &= ~(1 << by)
        break
      case STOP:
        stopped |= 1 << s
        break
      case ON:
        stopped &= ~(1 << s)
        dirty |= 1 << s
        break
    }
    if (gone[last] === birds) break
  }
  return { left, done: gone[last]!, busy, held, waited, worked, events }
}

const note = (what: number, station: number, birds: number, hand: number): number =>
  (((((what << STATION_BITS) | station) << BIRD_BITS) | birds) << HAND_BITS) | hand
