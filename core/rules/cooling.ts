import { CLASS_OF, type Species } from '#core/records'

/** A temperature that was read: hours after the kill, °C, and where: surface, deep in the thickest part, or the air of the cooler. */
export interface TempAt {
  hours: number
  c: number
  where: 'surface' | 'deep' | 'air'
}

/** A limit of cooling, and whether it is kept. */
export interface Cooling {
  id: 'surface' | 'deep' | 'bird' | 'too-fast' | 'ice' | 'drained' | 'ice-days'
  says: string
  /** Not known yet: nothing was read late enough. */
  state: 'kept' | 'broken' | 'open'
  /** The reading that decides. */
  by: TempAt | null
}

const SURFACE = { c: 4, hours: 24 } as const
const DEEP = { c: 7, hours: 48 } as const
/** A beef round is slow: a warm middle before this says nothing. */
const TOO_FAST = { c: 10, hours: 10 } as const
const SHORTENS = new Set(['cattle', 'sheep', 'goats'])
/** Hours a bird has, by its weight, kg (9 CFR 381.66 as it long stood, from memory: 4 h under 4 lb, 6 h from 4 to 8 lb, 8 h above). */
const BIRDS = [
  { below: 1.814, hours: 4 },
  { below: 3.629, hours: 6 },
  { below: Number.POSITIVE_INFINITY, hours: 8 },
] as const

/** Hours in which a bird or a rabbit of so many kg must be at 4 °C all through (9 CFR 381.66 as it long stood; rabbits as small birds). */
export const chillHours = (species: Species, kg: number): number =>
  CLASS_OF[species] === 'rabbits' ? BIRDS[0].hours : BIRDS.find((b) => kg < b.below)!.hours

/** Whether a limit that must be reached by an hour was, judged by the readings of one place. */
function reached(
  id: Cooling['id'],
  says: string,
  readings: readonly TempAt[],
  { c, hours }: { c: number; hours: number },
): Cooling {
  const early = readings.find((r) => r.c <= c && r.hours <= hours)
  if (early) return { id, says, state: 'kept', by: early }
  const late = readings.find((r) => r.hours >= hours && r.c > c)
  return { id, says, state: late ? 'broken' : 'open', by: late ?? null }
}

/**
 * Is it cooled fast enough, and not too fast? Red meat: surface to 4 °C in 24 h, deep to 7 °C in 48 h (common practice; the
 * European Union's carcass limit is 7 °C, from memory); beef, lamb and goat not under 10 °C within 10 h of the kill (cold
 * shortening, common practice). Birds and rabbits to 4 °C by weight. Judged by what was read: nothing is alarmed before its
 * hour, a beef round is slow. `kg`: one animal.
 */
export function coolingOf(species: Species, kg: number, readings: readonly TempAt[]): Cooling[] {
  const of = CLASS_OF[species]
  const at = (where: TempAt['where']) =>
    readings.filter((r) => r.where === where).toSorted((a, b) => a.hours - b.hours)
  if (of === 'poultry' || of === 'rabbits') {
    const hours = chillHours(species, kg)
    return [
      reached('bird', `4 °C (40 °F) in the thickest part within ${hours} h`, at('deep'), { c: 4, hours }),
    ]
  }
  const deep = at('deep')
  const fast = deep.find((r) => r.hours < TOO_FAST.hours && r.c < TOO_FAST.c)
  const past = deep.find((r) => r.hours >= TOO_FAST.hours) ?? null
  return [
    reached('surface', 'Surface to 4 °C (40 °F) within 24 h', at('surface'), SURFACE),
    reached('deep', 'Deep in the leg to 7 °C (45 °F) within 48 h', deep, DEEP),
    ...(SHORTENS.has(of)
      ? [
          {
            id: 'too-fast' as const,
            says: 'Not under 10 °C (50 °F) within 10 h of the kill',
            state: fast ? ('broken' as const) : past ? ('kept' as const) : ('open' as const),
            by: fast ?? past,
          },
        ]
      : []),
  ]
}

/** Meat this warm in the middle is not frozen: the freezer would warm what lies in it (common practice). */
export const FREEZES_BELOW_C = 7
/** The last reading that stands in the way of freezing; null where it is cold, or nobody read it. */
export const tooWarmToFreeze = (readings: readonly TempAt[]): TempAt | null => {
  const last = readings.filter((r) => r.where === 'deep').toSorted((a, b) => b.hours - a.hours)[0]
  return last && last.c > FREEZES_BELOW_C ? last : null
}

/** Ice in a chest is filled up at least so often, and meat lies in it no longer than this (common practice). */
const ICE = { hours: 14, days: 4 } as const

/**
 * Is a chest kept as it must be: ice twice a day (no more than 14 h apart), the water let off each time, four days at the most?
 * `icings` in hours after it was put in, in their order; `until` is the hour it is judged at, or that it was cut.
 */
export function chestOf(icings: readonly { hours: number; drained: boolean }[], until: number): Cooling[] {
  const times = [0, ...icings.map((i) => i.hours).filter((h) => h >= 0 && h <= until), until]
  const gap = Math.max(0, ...times.slice(1).map((h, i) => h - times[i]!))
  const late = gap > ICE.hours
  const wet = icings.some((i) => !i.drained)
  const days = until / 24
  const gapSays = late ? `: once not for ${Math.round(gap)} h` : ''
  return [
    {
      id: 'ice',
      says: `Ice filled up twice a day${gapSays}`,
      state: late ? 'broken' : icings.length > 0 ? 'kept' : 'open',
      by: null,
    },
    {
      id: 'drained',
      says: 'The water let off each time: meat does not lie in it',
      state: wet ? 'broken' : icings.length > 0 ? 'kept' : 'open',
      by: null,
    },
    {
      id: 'ice-days',
      says: `Cut within ${ICE.days} days in ice`,
      state: days > ICE.days ? 'broken' : 'open',
      by: null,
    },
  ]
}
