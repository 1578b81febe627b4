import { fromKg, minor, pricePer, type MassUnit, type Minor, type UnitPrice } from '#core/measure'
import type { CutTerms } from '#core/plan'

/** Share of its price that meat still brings when it does not sell at full price (our own working figure). */
const REST_SHARE = 0.5

/** The price that counts: what was set, or index × the farm's mince price while nothing is. Whole minor units per `unit`. */
export function priceInForce(terms: CutTerms, mincePerKg: number, unit: MassUnit): UnitPrice {
  if (terms.price) return terms.price
  return { minor: Math.round(pricePer(terms.index * mincePerKg, unit).minor), per: unit }
}

/** What a price brings on average when a share σ sells at it and the rest at a part δ of it: σ + (1 − σ)·δ. */
export const soldFactor = (sold: number): number => sold + (1 - sold) * REST_SHARE

/** Expected net of a cut: displayed weight × price × (σ + (1 − σ)·δ), whole minor units. */
export const takings = (kg: number, price: UnitPrice, sold: number): Minor =>
  minor(fromKg(kg, price.per) * price.minor * soldFactor(sold))
