const CM_PER_INCH = 2.54

/**
 * Live weight in lb from heart girth and body length: girth² × length / divisor, inches: 400 for hogs, 300 for cattle
 * and sheep (widely printed extension rule, from memory). About ± 5–10 %.
 */
export function tapeWeightLb(
  divisor: number,
  girth: number,
  length: number,
  unit: 'in' | 'cm' = 'in',
): number {
  const inches = (x: number) => (unit === 'cm' ? x / CM_PER_INCH : x)
  return (inches(girth) ** 2 * inches(length)) / divisor
}
