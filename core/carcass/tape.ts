import type { Anatomy } from '#core/anatomy'

/** Divisors of the girth rule, inches and pounds (widely printed extension rule, from memory). */
const DIVISOR: Record<Anatomy['species'], number> = { hog: 400 }
const CM_PER_INCH = 2.54

/** Live weight in lb from heart girth and body length: girth² × length / 400 in inches for hogs. About ± 5–10 %. */
export function tapeWeightLb(
  species: Anatomy['species'],
  girth: number,
  length: number,
  unit: 'in' | 'cm' = 'in',
): number {
  const inches = (x: number) => (unit === 'cm' ? x / CM_PER_INCH : x)
  return (inches(girth) ** 2 * inches(length)) / DIVISOR[species]
}
