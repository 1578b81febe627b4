import { fromKg, kg, minor, perKg, priceOf, sumOf, type Kg, type Minor } from '#core/measure'
import type { Plan } from '#core/plan'
import type { Fee } from '#core/records'
import { feeKind } from './fees.ts'

export interface CostRow {
  id: string
  label: string
  amount: Minor
  fromPlan: boolean
}

export interface CostFigures {
  rows: CostRow[]
  total: Minor
}

/** What a lot is billed by: its animals, its weights, what is packed, and the time at the bench. */
export interface Billed {
  count: number
  hot: Kg
  hanging: Kg
  packs: number
  minutes: number
}

function feeAmount(fee: Fee, billed: Billed): Minor {
  const weight = fee.basis === 'hanging' ? billed.hanging : billed.hot
  switch (fee.per) {
    case 'head':
      return minor(fee.amount * billed.count)
    case 'pack':
      return minor(fee.amount * billed.packs)
    case 'kg':
    case 'lb':
      return minor(fee.amount * fromKg(weight, fee.per))
  }
}

const total = (rows: readonly CostRow[]): Minor => sumOf(rows, (r) => r.amount)

/** Fees that follow from the plan: per head, per hot or hanging weight (billed in the fee's unit), per pack. */
export function feesOf(fees: Plan['fees'], billed: Billed): CostRow[] {
  return Object.values(fees).map((fee) => ({
    id: fee.fee,
    label: feeKind(fee.fee).bill,
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
    ...(labour > 0 ? [{ id: 'labour', label: 'Labour at the bench', amount: labour, fromPlan: true }] : []),
  ]
  return { rows, total: total(rows) }
}

/** Minor units that fees rise by per kg of hot and of hanging weight: what makes cost follow a drawn carcass. */
export function feePerKg(fees: Plan['fees']): { hot: number; hanging: number } {
  const slope = { hot: 0, hanging: 0 }
  for (const fee of Object.values(fees)) {
    if (fee.per === 'kg' || fee.per === 'lb')
      slope[fee.basis === 'hanging' ? 'hanging' : 'hot'] += perKg(priceOf(fee.amount, fee.per))
  }
  return slope
}

/** Average price per kg that so many kilograms must bring to pay a need; null when there is nothing to sell. */
export const neededPerKg = (need: number, sold: Kg): number | null => (sold > kg(0) ? need / sold : null)
