import { names } from '../../names.ts'
import { limbOf, outlineOf, type Proportions } from '../../outline.ts'
import { anatomy as lamb } from '../../lamb/index.ts'
import type { Fitted } from '../../fitted.ts'
import type { Anatomy, ChainFigures, LiveShare, SidesMap } from '../../types.ts'

/** Dressing, shrink and chill: our own working figures, from memory (docs/sources.md: goat-chain). */
export const chain: ChainFigures = {
  liveKg: { low: 5, high: 130 },
  shrink: { mean: 0.955, sd: 0.015 },
  dressing: { mean: 0.47, sd: 0.03 },
  dressingPossible: { low: 0.34, high: 0.62 },
  chill: { mean: 0.975, sd: 0.005, atKg: 18 },
  common: { shrink: 0.005, dressing: 0.008, chill: 0.003 },
  ageingPerDay: { mean: 0.0045, sd: 0.001 },
  ageTrimPerDay: { mean: 0.0014, sd: 0.0006 },
  days: { usual: 3, low: 1, high: 7 },
  tapeDivisor: 300,
}

/** Where its mass lies beside a lamb's: more neck and shoulder, lighter rack and loin (docs/sources.md: goat-cells). */
export const bands: Fitted = {
  neck: { lean: 1.95, fat: 1.4, bone: 1.75, seam: 1.9 },
  fore: { lean: 1.0, bone: 1.08, seam: 0.95 },
  'fore shank': { lean: 1.12, bone: 1.1 },
  eye: { lean: 0.89, bone: 0.88, seam: 0.85 },
  psoas: { lean: 0.95 },
  'rib plate': { lean: 1.0, bone: 0.95 },
  flank: { lean: 1.15, fat: 1.2 },
  brisket: { lean: 1.1, fat: 1.1, bone: 1.1 },
  hind: { lean: 0.9, bone: 0.95, seam: 1 },
  'hind shank': { lean: 1.1, bone: 1.05 },
  kidney: { lean: 1.05 },
}

/** What is no carcass, % of fasted live weight: our own working figures (docs/sources.md: goat-live). */
export const live: LiveShare[] = (
  [
    ['pelt', 'Skin', 8.5],
    ['blood', 'Blood', 4],
    ['head', 'Head', 7, 'head'],
    ['feet', 'Feet', 3, 'feet'],
    ['liver', 'Liver', 2, 'liver'],
    ['heart', 'Heart', 0.5, 'heart'],
    ['lungs', 'Lungs', 1.4],
    ['tract', 'Stomachs and gut, empty', 7.5, 'tract'],
    ['gut-fat', 'Gut fat', 2.5],
    ['spleen', 'Spleen', 0.15, 'spleen'],
    ['sweetbreads', 'Sweetbreads', 0.15, 'sweetbreads'],
    ['testicles', 'Testicles, or udder', 0.75, 'testicles'],
    ['rest', 'Bladder and the rest', 0.45],
    ['fill', 'What was in the gut', 15.1],
  ] as const
).map(([id, words, percent, part]) => ({ id, names: names(words), share: percent / 100, ...(part && { part }) }))

/** Log SDs between goats (docs/sources.md: goat-spread). */
export const spread: Anatomy['spread'] = { fat: 0.26, lean: 0.035, bone: 0.055, place: 0.045, cutter: 0.085, toTrim: 0.08, besideMm: 4 }

/** How it is built (docs/sources.md: proportions): long in neck and leg, shallow in the chest. */
const BUILD: Proportions = { shank: 0.125, shankWidth: 0.028, leg: 0.25, legWidth: 0.178, waist: 0.142, loinCurve: 0.048, chest: 0.25, chestAt: 0.68, shoulder: 0.22, neck: 0.17, neckWidth: 0.082, foreShank: 0.19 }
const theirs = lamb.map as SidesMap
export const map: SidesMap = { ...theirs, outline: outlineOf(BUILD), limb: limbOf(BUILD) }
