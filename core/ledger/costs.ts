import { fromKg, minor, perKg, type MassUnit, type Minor } from '#core/measure'
import type { Fee, Plan } from '#core/plan'

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

const FEE_WORD = { kill: 'Kill fee', 'cut-wrap': 'Cut and wrap', pack: 'Packing' } as const

function feeAmount(fee: Fee, count: number, hot: number, hanging: number, packs: number): number {
  switch (fee.per) {
    case 'head':
      return fee.amount * count
    case 'pack':
      return fee.amount * packs
    case 'kg':
    case 'lb':
      return fee.amount * fromKg(fee.basis === 'hanging' ? hanging : hot, fee.per as MassUnit)
  }
}

/**
 * All an animal costs: what was entered, and the fees that follow from the plan: per head, per hot or hanging
 * weight (kg in, billed in the fee's unit), per pack. Each row whole minor units; the total is their sum.
 */
export function costsOf(
  plan: Pick<Plan, 'costs' | 'fees'>,
  count: number,
  weights: { hot: number; hanging: number },
  packs: number,
): CostFigures {
  const rows: CostRow[] = plan.costs.map((c) => ({
    id: c.id,
    label: c.label,
    amount: minor(c.amount),
    fromPlan: false,
  }))
  for (const [id, fee] of Object.entries(plan.fees) as [keyof typeof FEE_WORD, Fee][]) {
    rows.push({
      id,
      label: FEE_WORD[id],
      amount: minor(feeAmount(fee, count, weights.hot, weights.hanging, packs)),
      fromPlan: true,
    })
  }
  return { rows, total: minor(rows.reduce((sum, r) => sum + r.amount, 0)) }
}

/** Minor units that fees rise by per kg of hot and of hanging weight: what makes cost follow a drawn carcass. */
export function feePerKg(fees: Plan['fees']): { hot: number; hanging: number } {
  const slope = { hot: 0, hanging: 0 }
  for (const fee of Object.values(fees)) {
    if (fee.per === 'kg' || fee.per === 'lb')
      slope[fee.basis === 'hanging' ? 'hanging' : 'hot'] += perKg({ minor: fee.amount, per: fee.per })
  }
  return slope
}
