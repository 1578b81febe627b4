import { uncutWay } from '#core/anatomy'
import {
  JOINT_METHODS,
  labourOf,
  unfinishedPerKg,
  shareJoint,
  type JointMethod,
  type JointProduct,
  type JointShare,
} from '#core/ledger'
import { fromKg, kg, minor, minus, plus, sumOf, type Kg, type Minor, type Outcome } from '#core/measure'
import { finishMinutes, goodsOf, WRAP_MINUTES } from '#core/plan'
import type { CutFigure, Reckoning } from './lot.ts'

/** What the whole animal cost before its cuts cost anything by themselves, and what it is shared over. */
export interface JointCost {
  total: Minor
  joint: Minor
  products: JointRow[]
  by: Record<JointMethod, Outcome<JointShare[]>>
  /** All products together: what they weigh, bring, cost by themselves, and give towards the animal. */
  all: { kg: Kg; value: Minor; separable: Minor; gives: Minor }
}
/** A product with its cut, the interval of its weight while it is not all weighed, and what it gives towards the animal. */
export interface JointRow extends JointProduct {
  cut: CutFigure['cut']
  range: CutFigure['range']
  gives: Minor
}

/** What a part brings of what its cuts would, where it has no price of its own as it is (docs/sources.md: uncut). */
const AS_IT_COMES = 0.85

/** Minutes that only one cut takes: what of the grinding is its own, finishing it, and wrapping its packs. */
function ownMinutes(read: Reckoning): ReadonlyMap<string, number> {
  const minutes = new Map<string, number>()
  const add = (cut: string, more: number) => minutes.set(cut, (minutes.get(cut) ?? 0) + more)
  for (const slot of read.cutting.slots)
    for (const row of slot.holds ? slot.rows : [])
      if (row.cut && slot.path.perKg) add(row.cut.id, slot.path.perKg * row.green)
  for (const c of read.cuts) add(c.cut.id, c.billedPacks * WRAP_MINUTES + finishMinutes(c, read.plan.hands))
  return minutes
}

/** What the green meat of every cut would bring as it comes off the carcass, its part sold uncut. */
function splitOffValues(read: Reckoning): ReadonlyMap<string, Minor> {
  const { plan, farm } = read
  const priceOf = (cut: string) => unfinishedPerKg(plan.terms.get(cut)!, farm.mince)
  const values = new Map<string, number>()
  for (const slot of read.cutting.slots) {
    const uncut = uncutWay(slot.part)
    for (const { cut, green } of slot.holds ? slot.rows : []) {
      if (!cut) continue
      const price = plan.terms.has(uncut) ? priceOf(uncut) : priceOf(cut.id) * AS_IT_COMES
      values.set(cut.id, (values.get(cut.id) ?? 0) + green * price)
    }
  }
  return new Map([...values].map(([cut, value]) => [cut, minor(value)]))
}

/**
 * What the animal cost shared over what is sold of it, by four methods side by side. What is only a cut's own (its packs, its
 * grinding, at the farm's rate for an hour) is no joint cost; all else is.
 */
export function jointCost(read: Reckoning): JointCost {
  const sold = read.cuts.filter((c) => c.value > 0 || (c.cut.kind === 'product' && c.kg > 0))
  const minutes = ownMinutes(read)
  const splitOff = splitOffValues(read)
  const fees = Object.values(read.plan.fees)
  /** Fees of a cut alone: those of its packs, and those of its class by weight. */
  const feesOn = (c: CutFigure) =>
    sumOf(fees, ({ on, per, amount, credit }) => {
      if (credit || (on && !('to' in on && on.to === c.cut.destination))) return 0
      if (per === 'pack') return amount * c.billedPacks
      return on && (per === 'kg' || per === 'lb') ? amount * fromKg(c.kg, per) : 0
    })
  const products = sold.map((c): JointRow => {
    const separable = plus(
      minor(feesOn(c) + goodsOf(c)),
      labourOf(minutes.get(c.cut.id) ?? 0, read.farm.hour),
    )
    return {
      ...{ cut: c.cut, id: c.cut.id, kg: kg(c.kg), range: c.done ? null : c.range },
      ...{ value: c.value, splitOff: splitOff.get(c.cut.id) ?? minor(0) },
      ...{ separable, gives: minus(c.value, separable) },
    }
  })
  const { total } = read.money.costs
  const all = {
    kg: sumOf(products, (p) => p.kg),
    value: sumOf(products, (p) => p.value),
    separable: sumOf(products, (p) => p.separable),
    gives: sumOf(products, (p) => p.gives),
  }
  const joint = minus(total, all.separable)
  const by = Object.fromEntries(
    JOINT_METHODS.map((method) => [method, shareJoint(method, joint, products)]),
  ) as JointCost['by']
  return { total, joint, products, by, all }
}
