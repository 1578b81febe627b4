import type { Anatomy, ChainFigures } from '../../types.ts'

/**
 * Dressing, shrink and chill: our own working figures, from memory (docs/sources.md: hog-chain).
 * The head is 4.8 % of live weight, a little less of a skinned one.
 */
export const chain: ChainFigures = {
  liveKg: { low: 15, high: 450 },
  shrink: { mean: 0.97, sd: 0.007 },
  dressings: [
    { id: 'scalded, head off', skin: true, head: false, mean: 0.72, sd: 0.018 },
    { id: 'scalded, head on', skin: true, head: true, mean: 0.768, sd: 0.018 },
    { id: 'skinned, head and feet off', skin: false, head: false, mean: 0.68, sd: 0.02 },
    { id: 'skinned, feet off, head on', skin: false, head: true, mean: 0.72, sd: 0.02 },
  ],
  dressingPossible: { low: 0.5, high: 0.86 },
  chill: { mean: 0.98, sd: 0.003 },
  ageingPerDay: { mean: 0.0025, sd: 0.0008 },
}

/**
 * Common factors between animals and what is left between cutters, as log SDs: set so that total saleable
 * share varies by about 2 points of carcass (docs/sources.md: hog-spread).
 */
export const spread: Anatomy['spread'] = { fat: 0.22, lean: 0.06, bone: 0.08, cutter: 0.14 }

/** Our own drawing of a half carcass hung by the hind leg, seen from inside, back to the left; 400 × 800. */
export const map: Anatomy['map'] = {
  outline: [
    { at: 24, back: 182, eye: 195, belly: 206 },
    { at: 64, back: 176, eye: 196, belly: 214 },
    { at: 112, back: 166, eye: 198, belly: 228 },
    { at: 150, back: 134, eye: 202, belly: 258 },
    { at: 200, back: 100, eye: 204, belly: 292 },
    { at: 250, back: 82, eye: 200, belly: 304 },
    { at: 305, back: 78, eye: 190, belly: 290 },
    { at: 360, back: 80, eye: 180, belly: 296 },
    { at: 440, back: 78, eye: 174, belly: 322 },
    { at: 530, back: 72, eye: 170, belly: 340 },
    { at: 610, back: 70, eye: 172, belly: 336 },
    { at: 680, back: 78, eye: 176, belly: 308 },
    { at: 740, back: 104, eye: 182, belly: 262 },
    { at: 800, back: 150, eye: 186, belly: 226 },
  ],
  foreleg: [
    { at: 676, left: 262, right: 330 },
    { at: 706, left: 274, right: 330 },
    { at: 736, left: 292, right: 328 },
    { at: 760, left: 300, right: 330 },
    { at: 790, left: 300, right: 334 },
  ],
}
