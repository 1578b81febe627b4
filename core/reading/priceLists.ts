import { onGrid, valueOf } from '#core/ledger'
import {
  minor,
  minorOf,
  minus,
  perKg,
  priceIn,
  priceOf,
  sumOf,
  type Minor,
  type UnitPrice,
} from '#core/measure'
import { PLATE } from '#core/plan'
import type { Decision, PriceSheet } from '#core/records'
import type { CutFigure, Reckoning } from './lot.ts'
import { productsOf } from './prices.ts'

/** What a lot would bring at the prices of a list. */
export interface AtPrices {
  net: Minor
  difference: Minor
  /** Net ÷ cost; null where nothing costs. */
  cover: number | null
  /** Cuts of the lot that the list has a price for, and those that keep theirs. */
  priced: number
  kept: number
}

const priced = (sheet: PriceSheet) => new Map(sheet.prices.map((p) => [p.cut, p.price]))

/** The lot at the prices of a list; a cut that the list does not have keeps its price. */
export function atPrices(read: Reckoning, sheet: PriceSheet): AtPrices {
  const prices = priced(sheet)
  const products = productsOf(read)
  const { sale } = read.plan.verdict
  const moved = sumOf(products, (c) => {
    const price = prices.get(c.cut.id)
    return price ? minus(valueOf({ ...c, price }, sale), c.value) : minor(0)
  })
  const net = minor(read.money.net + moved)
  const has = products.filter((c) => prices.has(c.cut.id)).length
  const { total } = read.money.costs
  return {
    net,
    difference: moved,
    cover: total > 0 ? net / total : null,
    priced: has,
    kept: products.length - has,
  }
}

/** One cut at our price and at that of a list, by the unit and by the plate; minor units. */
export interface PricePair {
  cut: CutFigure['cut']
  ours: UnitPrice
  theirs: UnitPrice | null
  /** Theirs less ours, in the farm’s unit; null where the list has none. */
  by: number | null
  /** What of it a person eats costs: lean and fat of a plate, bones and rind paid for with it; null of what is not eaten. */
  plate: { ours: Minor; theirs: Minor | null } | null
}

/** Every cut beside a list. */
export function pricesBeside(read: Reckoning, sheet: PriceSheet): PricePair[] {
  const prices = priced(sheet)
  const { massUnit } = read.farm
  return productsOf(read).map((c) => {
    const theirs = prices.get(c.cut.id) ?? null
    const [our, their] = [c.price, theirs].map((p) => p && minorOf(priceIn(p, massUnit))) as [
      number,
      number | null,
    ]
    const plate = (price: UnitPrice) => minor(perKg(price) * PLATE * (c.kg / c.edible))
    return {
      ...{ cut: c.cut, ours: c.price, theirs, by: their === null ? null : their - our },
      plate: c.edible > 0 ? { ours: plate(c.price), theirs: theirs && plate(theirs) } : null,
    }
  })
}

/** A list with another price of a cut, or with none. */
export const withPrice = (sheet: PriceSheet, cut: string, price: UnitPrice | null): PriceSheet => ({
  ...sheet,
  prices: [...sheet.prices.filter((p) => p.cut !== cut), ...(price ? [{ cut, price }] : [])],
})

/** Decisions that take the prices of a list over, as one step; locked cuts keep theirs. */
export const takeList = (read: Reckoning, sheet: PriceSheet): Decision[] =>
  decisionsFor(read, (c) => priced(sheet).get(c.cut.id) ?? null)

/** The prices of this lot as a list of a place. */
export const listOf = (read: Reckoning): PriceSheet['prices'] =>
  productsOf(read).map((c) => ({ cut: c.cut.id, price: c.price }))

function decisionsFor(read: Reckoning, price: (c: CutFigure) => CutFigure['price'] | null): Decision[] {
  return productsOf(read).flatMap((c): Decision[] => {
    const value = price(c)
    if (!value || read.plan.terms.get(c.cut.id)!.lock) return []
    return [{ field: 'price', target: c.cut.id, side: 'animal', value }]
  })
}

/**
 * Decisions that raise or drop every price by a share (0.05 is up by a twentieth), as one step: each on the endings of the
 * lot, the nearest above for a rise and below for a drop; locks, floors and ceilings are kept.
 */
export function moveAll(read: Reckoning, by: number): Decision[] {
  const { massUnit } = read.farm
  const inUnit = (price: CutFigure['price']) => minorOf(priceIn(price, massUnit))
  return decisionsFor(read, (c) => {
    const { floor, ceiling } = read.plan.terms.get(c.cut.id)!
    const moved = onGrid(inUnit(c.price) * (1 + by), read.plan.ending, by < 0 ? 'down' : 'up')
    const low = floor ? Math.ceil(inUnit(floor) - 1e-9) : 0
    const high = ceiling ? Math.floor(inUnit(ceiling) + 1e-9) : Infinity
    return priceOf(Math.min(high, Math.max(low, moved)), massUnit)
  })
}
