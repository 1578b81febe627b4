import { minor, sumOf, type Kg, type Minor, type UnitPrice } from '#core/measure'
import { goodsOf } from '#core/plan'
import type { Finish } from '#core/records'
import type { SaleRule } from '#core/rules'
import { givenWorth, type Sales } from './takings.ts'

export interface CostRow {
  id: string
  label: string
  amount: Minor
  fromPlan: boolean
}

/** What of a cut costs by itself. */
interface OwnCost extends Sales {
  kg: Kg
  pieces: number
  price: UnitPrice
  finishes?: readonly Finish[]
}

/** What follows from the cuts themselves: what goes on and round them, and the help that is paid in meat, where it could be sold. */
export function cutCosts(cuts: readonly OwnCost[], sale: SaleRule): CostRow[] {
  const goods = minor(sumOf(cuts, (c) => goodsOf({ ...c, finishes: c.finishes ?? [] })))
  const given = sale === 'by-the-piece' ? sumOf(cuts, (c) => givenWorth(c.kg, c.price, c)) : minor(0)
  const row = (id: string, label: string, amount: Minor): CostRow[] =>
    amount > 0 ? [{ id, label, amount, fromPlan: true }] : []
  return [
    ...row('finishing', 'What goes on and round cuts', goods),
    ...row('given', 'Help paid in meat', given),
  ]
}
