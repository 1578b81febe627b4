import { dealOnEveryBasis, REBATE, type DealRow } from '#core/ledger'
import { minor, type Interval, type Minor } from '#core/measure'
import type { DealBasis } from '#core/records'
import type { Reckoning } from './lot.ts'

/** A deal on a weight: while that is not weighed, what it and the amount likely lie between. */
export interface DealRead extends DealRow {
  range: Interval | null
  amounts: { low: Minor; high: Minor } | null
}

/** One price on every weight of a lot that it may mean (minor units a unit), each with its interval where it is an estimate. */
export function dealOf(read: Reckoning, price: number, meant: DealBasis): DealRead[] {
  const { billed, worth, farm, stages } = read
  const range = (id: 'live' | 'hot' | 'hanging') => stages.find((s) => s.id === id)?.range ?? null
  const [live, hot, hanging] = [range('live'), range('hot'), range('hanging')]
  const scaled = (of: Interval | null, by: number) => of && { low: of.low * by, high: of.high * by }
  const ranges: Record<DealBasis, Interval | null> = {
    ...{ live, hot, hanging, rebate: scaled(hot, REBATE) },
    // Nobody weighs it cold: it lies as far off as what hangs on the day of cutting.
    cold: scaled(hanging, (billed.cold ?? billed.hanging) / billed.hanging),
  }
  return dealOnEveryBasis(price, farm.massUnit, meant, billed, worth.takeHome).map((row) => {
    const own = ranges[row.basis]
    const at = (weight: number) => minor((row.amount * weight) / row.kg)
    return { ...row, range: own, amounts: own && { low: at(own.low), high: at(own.high) } }
  })
}
