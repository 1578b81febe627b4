import { indexWith, solvedFor, solvePrices, type PriceLine, type PriceSolution } from '#core/ledger'
import {
  fromKg,
  minor,
  minorOf,
  minus,
  plus,
  priceIn,
  priceOf,
  sumOf,
  type Minor,
  type Outcome,
  type UnitPrice,
} from '#core/measure'
import type { Decision } from '#core/records'
import type { CutFigure, Reckoning } from './lot.ts'

export const productsOf = (read: Reckoning): CutFigure[] => read.cuts.filter((c) => c.cut.kind === 'product')

/** What the prices must bring: all costs and the target. */
export const needOf = (read: Reckoning): Minor => plus(read.money.costs.total, read.money.target)

/** Prices of this lot's cuts that pay for it: whole minor units of the farm's weight unit, locks and bounds kept. */
export function solveLot(read: Reckoning): Outcome<PriceSolution> {
  const { massUnit, mince } = read.farm
  const products = productsOf(read)
  // What is kept at another figure brings that at any price; meat given costs as much as it counts, at any price.
  const fixed = sumOf(products, (c) => solvedFor(c.kg, c).fixed)
  const given = read.money.costs.rows.find((r) => r.id === 'given')?.amount ?? minor(0)
  const need = minus(minus(needOf(read), fixed), given)
  const inUnit = (price: UnitPrice | null) => price && minor(minorOf(priceIn(price, massUnit)))
  const lines = products.map(({ cut, price, ...c }): PriceLine => {
    const terms = read.plan.terms.get(cut.id)!
    return {
      cut: cut.id,
      names: cut.names,
      quantity: fromKg(c.kg, massUnit) * solvedFor(c.kg, c).factor,
      index: indexWith(terms, mince),
      locked: terms.lock ? inUnit(price) : null,
      floor: inUnit(terms.floor),
      ceiling: inUnit(terms.ceiling),
    }
  })
  const out = solvePrices({ lines, need, ending: read.plan.ending })
  return out.ok ? { ok: true, value: { ...out.value, net: plus(plus(out.value.net, fixed), given) } } : out
}

/** Decisions that take solved prices, as one step; locked cuts and those without an index keep theirs. */
export const takePrices = (read: Reckoning, prices: PriceSolution['prices']): Decision[] =>
  productsOf(read).flatMap(({ cut }): Decision[] => {
    const { lock, index } = read.plan.terms.get(cut.id)!
    const price = prices.get(cut.id)
    return lock || index <= 0 || price === undefined
      ? []
      : [
          {
            field: 'price',
            target: cut.id,
            side: 'animal',
            value: priceOf(price, read.farm.massUnit),
          },
        ]
  })
