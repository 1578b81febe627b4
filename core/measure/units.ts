declare const brand: unique symbol
type Branded<B extends string> = number & { readonly [brand]: B }

/** Kilograms: every estimate inside the core. */
export type Kg = Branded<'kg'>
/** Whole grams: what a scale said, kept for ever. */
export type Grams = Branded<'g'>
/** Whole minor currency units (cents, pence). */
export type Minor = Branded<'minor'>
export type MassUnit = 'kg' | 'lb'

/** The international avoirdupois pound, exact by definition (1959 agreement; NIST SP 811, appendix B). */
export const KG_PER_LB = 0.45359237

export const kg = (value: number) => value as Kg
export const grams = (value: number) => Math.round(value) as Grams
export const minor = (value: number) => Math.round(value) as Minor
