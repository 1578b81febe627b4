import { lookup } from '#core/anatomy'
import { clockMinutes, crewOf, sayClock } from '#core/clock'
import { iceFor, type Ice } from '#core/hand'
import { gramsOf, issueOf, kg, kgOf, type Issue, type Kg } from '#core/measure'
import { TAKES, WRAP_MINUTES } from '#core/plan'
import type { Reckoning } from '#core/reading'
import { LINE_STATIONS, type BirdDay, type LineStationId, type Species } from '#core/records'
import { chillMinutes, judgeChill } from './chill.ts'
import type { Line, LineStation, Stop } from './run.ts'
import { spread } from './spread.ts'
import { sizeFactor, usualStations, type UsualStation } from './usual.ts'

/** A station of this day: as usual, or as was said of it. */
export interface DayStation extends UsualStation {
  off: boolean
  /** Who works there: names; all where nobody was named. */
  who: readonly string[]
}

/** A day of birds as it is planned, ready to be run. */
export interface DayLine {
  plan: BirdDay
  stations: DayStation[]
  line: Line
  /** Names of the hands, in the order of the line. */
  hands: string[]
  /** How many go through, and how many of the batch are alive. */
  birds: number
  alive: number
  live: Kg
  carcass: Kg
  /** Where the chill stands among the stations that run; −1 where there is none. */
  chill: number
  ice: Ice
  issues: Issue[]
}

/** A day nobody planned: at eight, all of them, in still ice and tap water. */
export const USUAL_DAY: BirdDay = {
  ...{ day: null, begins: '08:00', birds: null, stations: [], freezer: null, pickups: [], also: null },
  chill: { how: 'still', water: null, waterC: 15, ice: null },
}
/** A place between one kind of bird and the next: water changed, tables washed, minutes (our own). */
const BETWEEN = 30
/** Litres of water to a kg of bird in the tub, where nobody said (our own). */
const WATER = 1

const massOf = (shown: BirdDay['chill']['ice']): Kg | null => shown && kgOf(gramsOf(shown))

/** What one weighs, alive and dressed: by its weights, or as the species usually does. */
function eachOf({ weights, count, flow }: Reckoning): { live: Kg; carcass: Kg } {
  const { referenceKg, chain } = flow.anatomy
  return weights
    ? { live: kg(weights.live / count), carcass: kg(weights.hot / count) }
    : { live: kg(referenceKg / chain.dressing.mean), carcass: kg(referenceKg) }
}

/** Cut sooner after the kill, breast toughens, minutes (common practice: about six hours). */
const REST = 360
/** Whether they are cut up as planned, and not only bagged whole. */
function isCut({ flow: { anatomy }, plan }: Reckoning): boolean {
  const [part] = anatomy.parts
  const way = plan.choices.paths.get(part!.id, 'animal') ?? part!.fallback
  return way !== lookup(anatomy).pathsOf(part!.id)[0]?.id
}

/** Minutes a load takes at a station as it usually is, for birds of a weight; what is cut and packed as the plan has it. */
function minutesAt(s: UsualStation, plan: BirdDay, live: Kg, carcass: Kg, read: Reckoning | null): number {
  if (s.id === 'chill') return Math.max(chillMinutes(plan.chill.how, carcass), read && isCut(read) ? REST : 0)
  if (s.id === 'cut' && read) return read.bench.hand / read.count / TAKES[read.plan.hands]
  if (s.id === 'bag' && read && read.bench.wrap > 0) return read.bench.wrap / read.count
  if (s.id === 'bag') return WRAP_MINUTES
  return s.hand ? s.minutes * sizeFactor(live) : s.minutes
}

/** The day of a batch: its stations as they run, who works where, and what cannot be so. `stops` are of stations, by id. */
export function dayLine(
  read: Reckoning,
  stops: readonly { station: LineStationId; from: number; until: number }[] = [],
  plan: BirdDay = read.plan.birdDay ?? USUAL_DAY,
): DayLine {
  const { species } = read.flow.anatomy
  const { live, carcass } = eachOf(read)
  const birds = plan.birds ?? read.count
  const crew = crewOf(read)
  const second = plan.also ? secondKind(plan.also.species) : null
  const usual = union(usualStations(species), second?.stations ?? [])
  const stations = usual.map((s): DayStation => {
    const said = plan.stations.find((x) => x.id === s.id)
    const minutes = said?.minutes ?? minutesAt(s, plan, live, carcass, read)
    return {
      ...s,
      minutes,
      cv: said?.cv ?? s.cv,
      load: said?.load ?? loadOf(s, read),
      places: said?.places ?? s.places,
      room: said?.room ?? s.room,
      off: said?.off ?? (s.id === 'cut' && minutes < 0.05),
      who: said?.who ?? [],
    }
  })
  const on = stations.filter((s) => !s.off)
  const isOf = (of: readonly UsualStation[], id: LineStationId) => of.some((x) => x.id === id)
  const line: Line = {
    birds: [birds, ...(plan.also ? [plan.also.birds] : [])],
    stations: on.map((s): LineStation => ({
      id: s.id,
      minutes: [
        isOf(usualStations(species), s.id) ? s.minutes : 0,
        ...(second ? [second.minutes(s.id, plan)] : []),
      ],
      spread: spread('log-normal', s.cv),
      load: [s.load, ...(second ? [second.load(s.id)] : [])],
      places: s.places,
      room: s.room,
      hands: s.hand
        ? crew.flatMap((p, i) => (s.who.length === 0 || s.who.includes(p.name) ? [i] : []))
        : null,
    })),
    hands: handsOf(crew),
    stops: stops.flatMap((x): Stop[] => {
      const at = on.findIndex((s) => s.id === x.station)
      return at < 0 ? [] : [{ station: at, from: x.from, until: x.until }]
    }),
    start: clockMinutes(plan.begins),
    before: Math.max(
      0,
      on.findIndex((s) => s.id === 'chill'),
    ),
    between: BETWEEN,
  }
  const mass = kg(carcass * birds + (second && plan.also ? second.carcass * plan.also.birds : 0))
  const ice = iceFor(mass, massOf(plan.chill.water) ?? kg(mass * WATER), plan.chill.waterC)
  const hours = (chillMinutes(plan.chill.how, carcass) * 1.15) / 60
  return {
    ...{ plan, stations, line, birds, alive: read.count, live, carcass, ice },
    hands: crew.map((p) => p.name),
    chill: on.findIndex((s) => s.id === 'chill'),
    issues: [
      ...(birds > read.count
        ? [issueOf('more-than-alive', 'birds', { asked: birds, alive: read.count })]
        : []),
      ...on
        .filter((s, i) => s.hand && line.stations[i]!.hands!.length === 0)
        .map((s) => issueOf('station-empty', s.id, { station: s.word })),
      ...judgeChill(species, carcass, ice, massOf(plan.chill.ice), hours, plan.chill.how),
    ],
  }
}

/** Who is there last stays until the end: how long it takes is asked of a day without an evening. */
function handsOf(crew: ReturnType<typeof crewOf>): Line['hands'] {
  const last = crew
    .map((p) => p.until)
    .sort()
    .at(-1)
  return crew.map((p) => ({
    takes: TAKES[p.skill],
    from: clockMinutes(p.from),
    until: p.until === last ? Infinity : clockMinutes(p.until),
  }))
}

/** Birds in scald and drum at once, as the farm is used to. */
const loadOf = (s: UsualStation, read: Reckoning): number =>
  (s.id === 'scald' || s.id === 'pluck') && read.plan.schools.get('load') === 'one' ? 1 : s.load

/** Birds of another species after these: as they usually are. */
function secondKind(species: Species) {
  const stations = usualStations(species)
  const weights: Partial<Record<Species, { live: number; carcass: number }>> = {
    broiler: { live: 2.9, carcass: 2 },
    turkey: { live: 8.5, carcass: 6.3 },
    duck: { live: 3.3, carcass: 2.2 },
    rabbit: { live: 2.6, carcass: 1.4 },
  }
  const { live, carcass } = weights[species] ?? weights.broiler!
  const find = (id: LineStationId) => stations.find((s) => s.id === id)
  return {
    stations,
    carcass,
    load: (id: LineStationId) => find(id)?.load ?? 1,
    minutes: (id: LineStationId, plan: BirdDay) => {
      const s = find(id)
      return s && s.id !== 'cut' ? minutesAt(s, plan, kg(live), kg(carcass), null) : 0
    },
  }
}

/** Stations of both, in the order of the line. */
function union(first: readonly UsualStation[], second: readonly UsualStation[]): UsualStation[] {
  const all = [...first, ...second.filter((s) => !first.some((x) => x.id === s.id))]
  return all.toSorted((a, b) => LINE_STATIONS.indexOf(a.id) - LINE_STATIONS.indexOf(b.id))
}

/** A finish past midnight is no finish of that day. */
export const judgeFinish = (minutes: number): Issue[] =>
  minutes >= 24 * 60 ? [issueOf('past-midnight', 'begins', { clock: sayClock(minutes) })] : []
