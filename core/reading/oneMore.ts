import type { Flow } from '#core/carcass'
import { solvedFor } from '#core/ledger'
import { fromKg, gramsOf, minor, sumOf, toKg, type Minor } from '#core/measure'
import { triedOn } from './groups.ts'
import type { FarmFigures, LotState, Reckoning, WeighingRow } from './lot.ts'
import { reckon } from './reckon.ts'

/** What one more of something changes of what is left over, all else as it is: net less the costs that follow, minor units. */
export interface OneMore {
  /** One more of the farm’s unit of weight on the rail; null before there is a weight, and of a lot that is split. */
  hanging: Minor | null
  /** One more point of dressing: a hundredth of the live weight more on the rail. */
  dressing: Minor | null
  /** One minor unit more on the price of every cut that sells, per the farm’s unit. */
  price: Minor
  /** One more day of hanging. */
  day: Minor
}

const gain = (read: Reckoning): number => read.money.net - read.money.costs.total

/** A lot as a scale on the day of cutting would have shown it. */
function hungAt(lot: LotState, kilograms: number): LotState {
  const shown = { value: kilograms, unit: 'kg' } as const
  const weighing: WeighingRow = {
    ...{ id: 'hung', stage: 'hanging', basis: 'aged', source: 'scale', corrects: null, stands: true, at: '' },
    shown,
    grams: gramsOf(shown),
  }
  return { ...lot, weighings: [weighing] }
}

/** Reads the lot anew with one more of each: fees, minutes and packs follow, prices stay. */
export function oneMore(base: Flow, lot: LotState, farm: FarmFigures, read: Reckoning): OneMore {
  const at = (other: LotState) => gain(reckon(base, other, farm, 0))
  const { weights } = read
  const heavier = (more: number): Minor | null =>
    weights && !lot.apart ? minor(at(hungAt(lot, weights.aged + more)) - at(hungAt(lot, weights.aged))) : null
  const { massUnit } = read.farm
  const sells = read.cuts.filter((c) => c.value > 0)
  const days = read.plan.days + 1
  return {
    hanging: heavier(toKg(1, massUnit)),
    dressing: weights && heavier(weights.live / 100),
    price: minor(sumOf(sells, (c) => fromKg(c.kg, massUnit) * solvedFor(c.kg, c).factor)),
    day: minor(at(triedOn(lot, [{ field: 'days', target: 'lot', side: 'animal', value: days }])) - at(lot)),
  }
}
