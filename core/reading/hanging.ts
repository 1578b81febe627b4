import type { Flow } from '#core/carcass'
import { kg, minor, sumOf, type Kg, type Minor } from '#core/measure'
import { triedOn } from './groups.ts'
import type { FarmFigures, LotState, Reckoning } from './lot.ts'
import { reckon } from './reckon.ts'

/** A day in the cold: what would hang then, what would come of it, and what is left over of the money. */
export interface HungDay {
  day: number
  hanging: Kg
  /** Of what hangs, cut off as dried face. */
  face: Kg
  cut: Kg
  left: Minor
}

/** Further than this nobody hangs one of these by plan; a week more than planned is looked at. */
const A_WEEK = 7

/**
 * What each day more in the cooler costs: the lot read as if cut on every day up to a week past the usual or the planned one.
 * Null before there is a weight, and once it was weighed aged (then it does not hang any more).
 */
export function hungDays(base: Flow, lot: LotState, farm: FarmFigures, read: Reckoning): HungDay[] | null {
  if (!read.weights || lot.apart || read.evidence.some((e) => e.stage === 'aged')) return null
  const last = Math.min(60, Math.max(read.flow.anatomy.chain.days.high, read.plan.days) + A_WEEK)
  return Array.from({ length: last + 1 }, (_, day) => {
    const then = reckon(
      base,
      triedOn(lot, [{ field: 'days', target: 'lot', side: 'animal', value: day }]),
      farm,
      0,
    )
    return {
      day,
      hanging: then.weights!.aged,
      face: then.cutting.ageTrim,
      cut: sumOf(then.cuts, (c) => (c.cut.kind === 'product' ? c.kg : kg(0))),
      left: minor(then.money.net - then.money.costs.total),
    }
  })
}
