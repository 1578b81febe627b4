declare const brand: unique symbol
type Branded<B extends string> = number & { readonly [brand]: B }

/** Kilograms: every estimate inside the core. */
export type Kg = Branded<'kg'>
/** Whole grams: what a scale said, kept for ever. */
export type Grams = Branded<'g'>
/** Millimetres: lengths along the carcass, thicknesses, distances from the eye. */
export type Mm = Branded<'mm'>
/** Whole minor currency units (cents, pence). */
export type Minor = Branded<'minor'>
/** Whole thousandths of a minor currency unit: prices per kg or lb. */
export type Milli = Branded<'milli'>
export const MASS_UNITS = ['kg', 'lb'] as const
export type MassUnit = (typeof MASS_UNITS)[number]

/** A weight as it was typed or shown on a scale; `value` is in `unit`. */
export interface TypedMass {
  value: number
  unit: MassUnit
}

/** The international avoirdupois pound, exact by definition (1959 agreement; NIST SP 811, appendix B). */
export const KG_PER_LB = 0.45359237

export const kg = (value: number) => value as Kg
export const grams = (value: number) => Math.round(value) as Grams
export const mm = (value: number) => value as Mm
/** Rounded to a whole unit; a half goes up. */
export const minor = (value: number) => Math.round(value) as Minor
export const milli = (value: number) => Math.round(value) as Milli
export const kgOf = (weighed: Grams) => (weighed / 1000) as Kg

/** Σ of a figure over a list, in the figure's own unit. */
export function sumOf<T, B extends number>(list: Iterable<T>, figure: (item: T) => B): B {
  let sum = 0
  for (const item of list) sum += figure(item)
  return sum as B
}
/** a − b, a + b and a × factor, in their own unit. */
export const minus = <B extends number>(a: B, b: B) => (a - b) as B
export const plus = <B extends number>(...all: B[]) => all.reduce<number>((s, x) => s + x, 0) as B
export const times = <B extends number>(a: B, factor: number) => (a * factor) as B
