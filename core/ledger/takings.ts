import { minor, perKg, priceOf, toKg, worthAt, type Kg, type Minor, type UnitPrice } from '#core/measure'
import { REST_BRINGS, type CutTerms } from '#core/plan'

/**
 * The price that counts: what was set, or index × the farm's price of mince while nothing is, in whole minor units of the
 * unit mince is priced in. So what a plan brings is the same whichever unit the screen shows.
 */
export function priceInForce(terms: CutTerms, mince: UnitPrice): UnitPrice {
  if (terms.price) return terms.price
  // Rounded once, from the exact rate: a price that lies on a half is not pushed over it.
  return priceOf(Math.round(terms.index * perKg(mince) * toKg(1, mince.per)), mince.per)
}

/** How much of a cut sells at its price, and what part of it the rest brings. */
export interface Sales {
  sold: number
  rest?: number
}

/** What a price brings on average when a share σ sells at it and the rest at a part δ of it: σ + (1 − σ)·δ. */
export const soldFactor = ({ sold, rest = REST_BRINGS }: Sales): number => sold + (1 - sold) * rest

/** Expected net: displayed weight × price × (σ + (1 − σ)·δ), whole minor units. */
export const takings = (mass: Kg, price: UnitPrice, sales: Sales): Minor =>
  minor(worthAt(mass, price) * soldFactor(sales))
/** The same for a drawn weight, minor units not rounded. */
export const takingsPerKg = (price: UnitPrice, sales: Sales): number => perKg(price) * soldFactor(sales)
