import { names } from '../../names.ts'
import { birdDoors } from '../../poultry/data/birds.ts'
import { birdMap } from '../../poultry/drawing.ts'
import type { Anatomy, ChainFigures, LiveShare, Measure } from '../../types.ts'

/** Dressing, shrink and chill: our own working figures, from memory (docs/sources.md: duck-chain). */
export const chain: ChainFigures = {
  liveKg: { low: 1, high: 8 },
  shrink: { mean: 0.965, sd: 0.008 },
  dressing: { mean: 0.66, sd: 0.02 },
  dressingPossible: { low: 0.48, high: 0.8 },
  chill: { mean: 0.985, sd: 0.004, atKg: 2.2 },
  common: { shrink: 0.005, dressing: 0.008, chill: 0.003 },
  ageingPerDay: { mean: 0.003, sd: 0.001 },
  days: { usual: 1, low: 0, high: 3 },
  tapeDivisor: null,
}

export const conventions = birdDoors({ points: 5.2, sd: 0.02 }, { mean: 1.03, sd: 0.012 })

/** What is no carcass, % of fasted live weight: our own working figures (docs/sources.md: duck-live). */
export const live: LiveShare[] = (
  [
    ['blood', 'Blood', 4],
    ['feathers', 'Feathers', 6.5],
    ['head', 'Head', 4],
    ['feet', 'Feet', 2.6, 'feet'],
    ['neck', 'Neck', 2.2, 'loose-neck'],
    ['giblets', 'Heart, liver and gizzard', 3, 'loose-giblets'],
    ['fill', 'Guts and what was in them', 11.7],
  ] as const
).map(([id, words, percent, part]) => ({ id, names: names(words), share: percent / 100, ...(part && { part }) }))

export const measures: Measure[] = []

/** Log SDs between ducks (docs/sources.md: duck-spread). */
export const spread: Anatomy['spread'] = { fat: 0.18, lean: 0.035, bone: 0.05, place: 0.025, cutter: 0.035, toTrim: 0.09, besideMm: 3 }

/** How it is built (docs/sources.md: proportions): long and flat, short in the leg, long in neck and wing. */
export const map = birdMap({ width: 0.36, shoulder: 0.84, vent: 0.72, breast: 0.94, breastWidth: 0.96, leg: 0.5, thigh: 0.34, wing: 0.66, neck: 0.36, foot: 0.3 })
