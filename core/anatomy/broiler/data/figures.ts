import { names } from '../../names.ts'
import { birdDoors } from '../../poultry/data/birds.ts'
import { birdMap } from '../../poultry/drawing.ts'
import type { Anatomy, ChainFigures, LiveShare, Measure } from '../../types.ts'

/** Dressing, shrink and chill of a fast type: our own working figures, from memory (docs/sources.md: broiler-chain). */
export const chain: ChainFigures = {
  liveKg: { low: 0.8, high: 6.5 },
  shrink: { mean: 0.965, sd: 0.008 },
  dressing: { mean: 0.7, sd: 0.015 },
  dressingPossible: { low: 0.52, high: 0.84 },
  chill: { mean: 0.985, sd: 0.004, atKg: 2 },
  common: { shrink: 0.005, dressing: 0.008, chill: 0.003 },
  ageingPerDay: { mean: 0.003, sd: 0.001 },
  days: { usual: 1, low: 0, high: 3 },
  tapeDivisor: null,
}

export const conventions = birdDoors({ points: 6, sd: 0.016 }, { mean: 1.035, sd: 0.012 })

/** What is no carcass, % of fasted live weight: our own working figures (docs/sources.md: broiler-live). */
export const live: LiveShare[] = (
  [
    ['blood', 'Blood', 3.5],
    ['feathers', 'Feathers', 5],
    ['head', 'Head', 2.7],
    ['feet', 'Feet', 4, 'feet'],
    ['neck', 'Neck', 2.3, 'loose-neck'],
    ['giblets', 'Heart, liver and gizzard', 4, 'loose-giblets'],
    ['fill', 'Guts and what was in them', 8.5],
  ] as const
).map(([id, words, percent, part]) => ({ id, names: names(words), share: percent / 100, ...(part && { part }) }))

export const measures: Measure[] = []

/** Log SDs between birds (docs/sources.md: broiler-spread). */
export const spread: Anatomy['spread'] = { fat: 0.2, lean: 0.03, bone: 0.05, place: 0.025, cutter: 0.035, toTrim: 0.09, besideMm: 3 }

/** How it is built (docs/sources.md: proportions). */
export const map = birdMap({ width: 0.42, shoulder: 0.74, vent: 0.6, breast: 0.82, breastWidth: 0.9, leg: 0.56, thigh: 0.38, wing: 0.62, neck: 0.26, foot: 0.26 })
