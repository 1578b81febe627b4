import { fromKg, massDigits, roundToSum, type Kg, type MassUnit } from '#core/measure'
import type { Reckoning } from './lot.ts'

/** Weights as every screen shows them, in the farm's unit: rounded together, so that they add up by hand. */
export interface Shown {
  cuts: Map<string, number>
  carcass: number
  /** Offal kept from outside the carcass. */
  kept: number
  added: number
  products: number
  byProducts: number
  losses: number
  difference: number
}

/** Rounds a lot's cuts to the carcass the stair shows: carcass + kept + added =
 * products + by-products + losses + difference. */
export function shownWeights(read: Reckoning, unit: MassUnit): Shown {
  const digits = massDigits(unit)
  const round = (x: number) => Number(x.toFixed(digits))
  const figure = (kg: Kg) => round(fromKg(kg, unit))
  const { carcass, kept, added, difference } = read.balance
  const whole = {
    carcass: figure(carcass),
    kept: figure(kept),
    added: figure(added),
    difference: figure(difference),
  }
  const figures = roundToSum(
    read.cuts.map((c) => fromKg(c.kg, unit)),
    digits,
    whole.carcass + whole.kept + whole.added - whole.difference,
  )
  const cuts = new Map(read.cuts.map((c, i) => [c.cut.id, figures[i]!]))
  const sum = (kind: string) =>
    round(read.cuts.reduce((s, c) => (c.cut.kind === kind ? s + cuts.get(c.cut.id)! : s), 0))
  return { ...whole, cuts, products: sum('product'), byProducts: sum('by-product'), losses: sum('loss') }
}
