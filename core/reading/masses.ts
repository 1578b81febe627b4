import { latest } from '#core/plan'
import { inForce, type Decision, type FactBody } from '#core/records'
import type { LotState } from './lot.ts'

/** Decisions that move money and no mass. */
const MONEY: ReadonlySet<Decision['field']> = new Set<Decision['field']>([
  'index',
  'price',
  'lock',
  'floor',
  'ceiling',
  'sold',
  'rest',
  'own',
  'given',
  'target',
  'aim',
  'unpaid',
  'ending',
  'sharePrice',
])
/** Facts that move money and no mass. */
const PAID: ReadonlySet<FactBody['kind']> = new Set<FactBody['kind']>([
  'cost',
  'fee',
  'attachment',
  'withdrawal',
])

/**
 * What every mass of a lot follows from, as text: equal for two states of it, their masses and draws are the same. A
 * price, a cost, a fee is not in it (common practice: what a cut is sold for does not change what it weighs).
 */
export function massKey(lot: LotState): string {
  const decided = [...latest(lot.commands).values()].filter((c) => !MONEY.has(c.decision.field))
  const seen = inForce(lot.facts).filter((f) => !PAID.has(f.fact.kind))
  return JSON.stringify([
    lot.count,
    lot.weighings.map((w) => w.id),
    decided.map(({ decision }) => [decision.field, decision.target, decision.side, decision.value]).sort(),
    seen.map((f) => f.fact),
    lot.packs.map((p) => p.id),
    lot.half ?? false,
    (lot.apart ?? []).map((g): unknown => [g.share, g.shared, massKey(g)]),
  ])
}
