import {
  minor,
  perKg,
  priceOf,
  toKg,
  times,
  worthAt,
  type Kg,
  type Minor,
  type UnitPrice,
} from '#core/measure'
import { extraPerKg, REST_BRINGS, type CutTerms } from '#core/plan'
import type { OwnUse } from '#core/records'

/** What an index and the extras of finishes come to, or the price that was set; minor units per kg, not rounded. */
const perKgInForce = ({ price, index, finishes }: CutTerms, mince: UnitPrice): number =>
  price ? perKg(price) : index * perKg(mince) + extraPerKg(finishes)

/**
 * The price that counts: what was set, or index × the farm's price of mince and the extras of its finishes while nothing is,
 * in whole minor units of the unit mince is priced in. So what a plan brings is the same whichever unit the screen shows.
 */
export function priceInForce(terms: CutTerms, mince: UnitPrice): UnitPrice {
  if (terms.price) return terms.price
  // Rounded once, from the exact rate: a price that lies on a half is not pushed over it.
  return priceOf(Math.round(perKgInForce(terms, mince) * toKg(1, mince.per)), mince.per)
}

/** What a cut would go for before it is finished; minor units per kg, never below nothing. */
export const unfinishedPerKg = (terms: CutTerms, mince: UnitPrice): number =>
  Math.max(0, perKg(priceInForce(terms, mince)) - extraPerKg(terms.finishes))

/** The index a cut goes by with its finishes: what they bring more is a part of the price of mince too. */
export const indexWith = ({ index, finishes }: CutTerms, mince: UnitPrice): number =>
  index > 0 && finishes.length > 0 ? index + extraPerKg(finishes) / perKg(mince) : index

/** Where a cut goes: how much is kept and given; of what is for sale how much sells at its price, and what part of it the rest brings. */
export interface Sales {
  sold: number
  rest?: number
  own?: OwnUse | null
  given?: number
}

/** What a price brings on average when a share σ of what is for sale sells at it and the rest at a part δ of it: σ + (1 − σ)·δ. */
export const soldFactor = ({ sold, rest = REST_BRINGS, own, given = 0 }: Sales): number =>
  Math.max(0, 1 - (own?.share ?? 0) - given) * (sold + (1 - sold) * rest)

/** Of a price, what all of it counts as: what sells, what is given, and what is kept at that price. */
const countedAtPrice = (sales: Sales): number =>
  soldFactor(sales) + (sales.given ?? 0) + (sales.own && !sales.own.at ? sales.own.share : 0)

/** What the own table keeps, where it counts as another figure than its price; minor units, not rounded. */
const keptAtOther = (mass: Kg, { own }: Sales): number =>
  own?.at ? worthAt(times(mass, own.share), own.at) : 0

/** Expected net: displayed weight × price × what sells of it, and what is kept and given; whole minor units. */
export const takings = (mass: Kg, price: UnitPrice, sales: Sales): Minor =>
  minor(worthAt(mass, price) * countedAtPrice(sales) + keptAtOther(mass, sales))
/** The same for each kg of a drawn weight, minor units not rounded. */
export const takingsPerKg = (price: UnitPrice, sales: Sales): number =>
  perKg(price) * countedAtPrice(sales) + (sales.own?.at ? perKg(sales.own.at) * sales.own.share : 0)

/** What meat that is given for help is worth: it counts as brought, and the help as a cost of as much. */
export const givenWorth = (mass: Kg, price: UnitPrice, { given = 0 }: Sales): Minor =>
  minor(worthAt(mass, price) * given)

/** For solving: how much of a weight moves with its price beyond what it is given for, and what it brings whatever its price. */
export const solvedFor = (mass: Kg, sales: Sales): { factor: number; fixed: Minor } => ({
  factor: countedAtPrice(sales) - (sales.given ?? 0),
  fixed: minor(keptAtOther(mass, sales)),
})

/** What does not sell at its price takes off what it would bring if all did; whole minor units, never above nothing. */
export const markedDown = (mass: Kg, price: UnitPrice, sales: Sales): Minor =>
  minor(worthAt(mass, price) * (soldFactor(sales) - soldFactor({ ...sales, sold: 1 })))
