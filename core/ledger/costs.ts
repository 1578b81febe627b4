import { fromKg, kg, minor, perKg, priceOf, sumOf, type Kg, type Minor } from '#core/measure'
import type { Plan } from '#core/plan'
import type { Fee, FeeBasis } from '#core/records'
import { REBATE, type Billed } from './billed.ts'
import type { CostRow } from './cutCosts.ts'
import { feeLabel } from './fees.ts'

export interface CostFigures {
  rows: CostRow[]
  total: Minor
}

/** What a fee counts: heads, packs, or kilograms of the weight, the ways or the class of cuts it is for. */
function countedBy({ fee, per, basis, on }: Fee, billed: Billed): { heads: number; packs: number; kg: Kg } {
  if (on && 'ways' in on) {
    const ways = on.ways.flatMap((id) => billed.ways?.get(id) ?? [])
    return { heads: sumOf(ways, (w) => w.heads), packs: 0, kg: sumOf(ways, (w) => w.kg) }
  }
  if (on) {
    const { kg: mass, packs } = billed.classes?.get(on.to) ?? { kg: kg(0), packs: 0 }
    return { heads: mass > 0 ? billed.count : 0, packs, kg: mass }
  }
  const weights: Record<FeeBasis, Kg> = {
    live: billed.live ?? kg(0),
    hot: billed.hot,
    rebate: kg(billed.hot * REBATE),
    cold: billed.cold ?? billed.hanging,
    hanging: billed.hanging,
    packed: billed.packed ?? kg(0),
  }
  const { count, killed = count, packs } = billed
  // A plant bills what it killed, food or not.
  const heads = fee === 'kill' ? killed : count
  return { heads, packs, kg: per === 'kg' || per === 'lb' ? weights[basis ?? 'hot'] : kg(0) }
}

/** With its least: of the whole, or of each animal by what is its share of it. */
function atLeast({ least = minor(0), leastPer = 'lot' }: Fee, amount: number, billed: Billed): number {
  if (leastPer === 'lot') return Math.max(amount, least)
  const n = Math.max(1, Math.round(billed.count))
  const shares = billed.heads ?? Array.from({ length: n }, () => 1 / n)
  return sumOf(shares, (share) => Math.max(amount * share, least))
}

function feeAmount(fee: Fee, billed: Billed): Minor {
  const { heads, packs, kg: mass } = countedBy(fee, billed)
  const many = fee.per === 'head' ? heads : fee.per === 'pack' ? packs : fromKg(mass, fee.per)
  const amount = minor(many > 0 ? atLeast(fee, fee.amount * many, billed) : 0)
  return fee.credit ? minor(-amount) : amount
}

const total = (rows: readonly CostRow[]): Minor => sumOf(rows, (r) => r.amount)

/**
 * Fees that follow from the plan: per head, per weight on its basis (billed in the fee's unit), per pack; of ways, as they are
 * taken; of classes of cuts, by what comes of them. A fee that bills nothing is nothing, whatever its least.
 */
export function feesOf(fees: Plan['fees'], billed: Billed): CostRow[] {
  return Object.values(fees).map((fee) => ({
    id: fee.fee,
    label: feeLabel(fee),
    amount: feeAmount(fee, billed),
    fromPlan: true,
  }))
}

/** Minutes at the bench at the farm's rate for an hour, whole minor units. */
export const labourOf = (minutes: number, hour: Minor): Minor => minor((minutes / 60) * hour)

/**
 * All an animal costs: what was entered (the family’s own work where it counts), the fees that follow from the plan, and the plan's minutes at the farm's rate.
 * Each row whole minor units; the total is their sum.
 */
export function costsOf(
  plan: Pick<Plan, 'costs' | 'fees' | 'countsUnpaid'>,
  billed: Billed,
  hour: Minor,
): CostFigures {
  const labour = labourOf(billed.minutes, hour)
  const rows: CostRow[] = [
    ...plan.costs
      .filter((c) => plan.countsUnpaid || !c.unpaid)
      .map(({ id, label, amount }) => ({ id, label, amount, fromPlan: false })),
    ...feesOf(plan.fees, billed),
    ...(billed.cutCosts ?? []),
    ...(labour > 0 ? [{ id: 'labour', label: 'Labour at the bench', amount: labour, fromPlan: true }] : []),
  ]
  return { rows, total: total(rows) }
}

/** Minor units that fees rise by per kg of hot and of hanging weight: what makes cost follow a drawn carcass. */
export function feePerKg(fees: Plan['fees']): { hot: number; hanging: number } {
  const slope = { hot: 0, hanging: 0 }
  for (const { amount, per, basis, on, credit } of Object.values(fees)) {
    if (on || basis === 'live' || basis === 'packed' || (per !== 'kg' && per !== 'lb')) continue
    const rate = perKg(priceOf(amount, per)) * (credit ? -1 : 1) * (basis === 'rebate' ? REBATE : 1)
    slope[basis === 'hanging' || basis === 'cold' ? 'hanging' : 'hot'] += rate
  }
  return slope
}

/** Average price per kg that so many kilograms must bring to pay a need; null when there is nothing to sell. */
export const neededPerKg = (need: number, sold: Kg): number | null => (sold > kg(0) ? need / sold : null)
