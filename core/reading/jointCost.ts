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
  products: (JointProduct & { cut: CutFigure['cut'] })[]
  by: Record<JointMethod, Outcome<JointShare[]>>
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
  const products = sold.map((c): JointCost['products'][number] => ({
    cut: c.cut,
    id: c.cut.id,
    kg: kg(c.kg),
    value: c.value,
    splitOff: splitOff.get(c.cut.id) ?? minor(0),
    separable: plus(minor(feesOn(c) + goodsOf(c)), labourOf(minutes.get(c.cut.id) ?? 0, read.farm.hour)),
  }))
  const { total } = read.money.costs
  const joint = minus(
    total,
    sumOf(products, (p) => p.separable),
  )
  const by = Object.fromEntries(
    JOINT_METHODS.map((method) => [method, shareJoint(method, joint, products)]),
  ) as JointCost['by']
  return { total, joint, products, by }
}

/** Kilograms of all that cost is shared over. */
export const sharedOver = (joint: JointCost): Kg => sumOf(joint.products, (p) => p.kg)
