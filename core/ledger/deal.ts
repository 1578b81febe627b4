import { fromKg, kg, minor, type Kg, type MassUnit, type Minor } from '#core/measure'
import { DEAL_BASES, type DealBasis } from '#core/records'
import { REBATE, type Billed } from './billed.ts'

/** A deal at one price, on one of the weights it may mean. */
export interface DealRow {
  basis: DealBasis
  kg: Kg
  /** What the price comes to on this weight, and beside the weight that was meant. */
  amount: Minor
  difference: Minor
  /** The price on this weight that comes to the same amount; minor units per unit, not rounded. */
  same: number
  /** What each unit that is taken home costs at this amount. */
  takeHome: number | null
}

/**
 * One price on every weight it may be meant on: live, hot, hot less the rebate, cold, as cut. `price` is minor units a unit;
 * weights that are not there are left out.
 */
export function dealOnEveryBasis(
  price: number,
  unit: MassUnit,
  meant: DealBasis,
  { live, hot, cold, hanging }: Pick<Billed, 'live' | 'hot' | 'cold' | 'hanging'>,
  takeHome: Kg,
): DealRow[] {
  const weights: Record<DealBasis, Kg> = {
    ...{ live: live ?? kg(0), hot, cold: cold ?? kg(0), hanging },
    rebate: kg(hot * REBATE),
  }
  const on = (basis: DealBasis) => minor(price * fromKg(weights[basis], unit))
  return DEAL_BASES.filter((basis) => weights[basis] > 0).map((basis) => {
    const amount = on(basis)
    return {
      basis,
      kg: weights[basis],
      amount,
      difference: minor(amount - on(meant)),
      same: (price * weights[meant]) / weights[basis],
      takeHome: takeHome > 0 ? amount / fromKg(takeHome, unit) : null,
    }
  })
}
