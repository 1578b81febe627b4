import { minor, perKg, priceOf, toKg, worthAt, type Kg, type Minor, type UnitPrice } from '#core/measure'
import type { CutTerms } from '#core/plan'

/** Share of its price that meat still brings when it does not sell at full price (our own working figure). */
const REST_SHARE = 0.5

/**
 * The price that counts: what was set, or index × the farm's price of mince while nothing is, in whole minor units of the
 * unit mince is priced in. So what a plan brings is the same whichever unit the screen shows.
 */
export function priceInForce(terms: CutTerms, mince: UnitPrice): UnitPrice {
  if (terms.price) return terms.price
  // Rounded once, from the exact rate: a price that lies on a half is not pushed over it.
  return priceOf(Math.round(terms.index * perKg(mince) * toKg(1, mince.per)), mince.per)
}

/** What a price brings on average when a share σ sells at it and the rest at a part δ of it: σ + (1 − σ)·δ. */
export const soldFactor = (sold: number): number => sold + (1 - sold) * REST_SHARE

/** Expected net: displayed weight × price × (σ + (1 − σ)·δ), whole minor units. */
export const takings = (mass: Kg, price: UnitPrice, sold: number): Minor =>
  minor(worthAt(mass, price) * soldFactor(sold))
/** The same for a drawn weight, minor units not rounded. */
export const takingsPerKg = (price: UnitPrice, sold: number): number => perKg(price) * soldFactor(sold)
