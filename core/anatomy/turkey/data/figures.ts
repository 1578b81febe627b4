import { names } from '../../names.ts'
import { birdDoors } from '../../poultry/data/birds.ts'
import { birdMap } from '../../poultry/drawing.ts'
import type { Anatomy, ChainFigures, LiveShare, Measure } from '../../types.ts'

/** Dressing, shrink and chill: our own working figures, from memory (docs/sources.md: turkey-chain). */
export const chain: ChainFigures = {
  liveKg: { low: 2, high: 24 },
  shrink: { mean: 0.968, sd: 0.008 },
  dressing: { mean: 0.74, sd: 0.02 },
  dressingPossible: { low: 0.56, high: 0.86 },
  chill: { mean: 0.985, sd: 0.004, atKg: 9 },
  common: { shrink: 0.005, dressing: 0.008, chill: 0.003 },
  ageingPerDay: { mean: 0.003, sd: 0.001 },
  days: { usual: 1, low: 0, high: 3 },
  tapeDivisor: null,
}

export const conventions = birdDoors({ points: 5.2, sd: 0.02 }, { mean: 1.04, sd: 0.014 })

/** What is no carcass, % of fasted live weight: our own working figures (docs/sources.md: turkey-live). */
export const live: LiveShare[] = (
  [
    ['blood', 'Blood', 3.5],
    ['feathers', 'Feathers', 5.5],
    ['head', 'Head', 2.2],
    ['feet', 'Feet', 2.6, 'feet'],
    ['neck', 'Neck', 2.6, 'loose-neck'],
    ['giblets', 'Heart, liver and gizzard', 2.6, 'loose-giblets'],
    ['fill', 'Guts and what was in them', 7],
  ] as const
).map(([id, words, percent, part]) => ({ id, names: names(words), share: percent / 100, ...(part && { part }) }))

export const measures: Measure[] = []

/** Log SDs between turkeys (docs/sources.md: turkey-spread). */
export const spread: Anatomy['spread'] = { fat: 0.25, lean: 0.03, bone: 0.055, place: 0.02, cutter: 0.035, toTrim: 0.09, besideMm: 4.6 }

/** How it is built (docs/sources.md: proportions): broad in the breast, long in the leg. */
export const map = birdMap({ width: 0.47, shoulder: 0.8, vent: 0.52, breast: 0.86, breastWidth: 0.96, leg: 0.64, thigh: 0.3, wing: 0.52, neck: 0.36, foot: 0.26 })
