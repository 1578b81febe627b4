import { names } from '../../names.ts'
import { limbOf, outlineOf, type Proportions } from '../../outline.ts'
import { anatomy as steer } from '../../steer/index.ts'
import type { Fitted } from '../../fitted.ts'
import type { Anatomy, ChainFigures, LiveShare, Measure, SidesMap } from '../../types.ts'

/** Dressing, shrink and chill, hide off: our own working figures, from memory (docs/sources.md: calf-chain). */
export const chain: ChainFigures = {
  liveKg: { low: 40, high: 420 },
  shrink: { mean: 0.965, sd: 0.012 },
  dressing: { mean: 0.58, sd: 0.03 },
  dressingPossible: { low: 0.44, high: 0.7 },
  chill: { mean: 0.978, sd: 0.004, atKg: 110 },
  common: { shrink: 0.005, dressing: 0.008, chill: 0.003 },
  ageingPerDay: { mean: 0.004, sd: 0.001 },
  ageTrimPerDay: { mean: 0.0014, sd: 0.0006 },
  days: { usual: 5, low: 2, high: 10 },
  tapeDivisor: 300,
}

/** Where its mass lies beside a steer's: a heavier hind leg, thin in the plate and brisket (docs/sources.md: calf-cells). */
export const bands: Fitted = {
  belly: { lean: 0.78, fat: 0.85, bone: 1.05 },
  brisket: { lean: 0.72, fat: 0.75, bone: 0.8, seam: 0.8 },
  'rib plate': { lean: 0.86, bone: 0.9 },
  flank: { lean: 0.85, fat: 0.8 },
  fore: { lean: 0.98, bone: 1.02 },
  'fore shank': { lean: 1.15, bone: 1.12 },
  hind: { lean: 1.14, bone: 1.18, seam: 1.1 },
  'hind shank': { lean: 1.2, bone: 1.1 },
  eye: { lean: 0.96, bone: 0.94 },
  skirt: { lean: 0.85 },
}

/** What is no carcass, % of fasted live weight: our own working figures (docs/sources.md: calf-live). */
export const live: LiveShare[] = (
  [
    ['hide', 'Hide', 8],
    ['tail', 'Tail', 0.25, 'tail'],
    ['blood', 'Blood', 4.5],
    ['head', 'Head', 4.5, 'head'],
    ['feet', 'Feet', 3.2, 'feet'],
    ['liver', 'Liver', 1.6, 'liver'],
    ['heart', 'Heart', 0.55, 'heart'],
    ['lungs', 'Lungs', 1.4],
    ['kidneys', 'Kidneys', 0.35, 'kidneys'],
    ['spleen', 'Spleen and sweetbreads', 0.65, 'spleen'],
    ['tract', 'Stomachs and gut, empty', 4.2, 'tract'],
    ['gut-fat', 'Gut fat', 1.2],
    ['fill', 'What was in the gut', 11.6],
  ] as const
).map(([id, words, percent, part]) => ({ id, names: names(words), share: percent / 100, ...(part && { part }) }))

export const measures: Measure[] = [
  { id: 'fat-depth', names: names('Fat over the 12th rib'), unit: 'mm', low: 0, high: 12, usual: 2 },
]

/** Log SDs between calves (docs/sources.md: calf-spread). */
export const spread: Anatomy['spread'] = { fat: 0.22, lean: 0.03, bone: 0.055, place: 0.04, cutter: 0.085, toTrim: 0.1, besideMm: 5 }

/** How it is built (docs/sources.md: proportions): a steer, long in the shank, shallow in chest and flank. */
const BUILD: Proportions = { shank: 0.125, shankWidth: 0.046, leg: 0.235, legWidth: 0.222, waist: 0.178, loinCurve: 0.036, chest: 0.3, chestAt: 0.71, shoulder: 0.272, neck: 0.11, neckWidth: 0.112, foreShank: 0.19 }
const theirs = steer.map as SidesMap
export const map: SidesMap = { ...theirs, outline: outlineOf(BUILD), limb: limbOf(BUILD) }
