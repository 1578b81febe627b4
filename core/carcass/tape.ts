import type { Anatomy } from '#core/anatomy'

/** Divisors of the girth rule, inches and pounds (widely printed extension rule, from memory). */
const DIVISOR: Record<Anatomy['species'], number> = { hog: 400 }

/** Live weight in lb from heart girth and body length in inches: girth² × length / 400 for hogs. About ± 5–10 %. */
export const tapeWeightLb = (species: Anatomy['species'], girthIn: number, lengthIn: number): number =>
  (girthIn ** 2 * lengthIn) / DIVISOR[species]
