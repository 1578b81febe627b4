import { latest } from '#core/plan'
import { inForce, type Decision, type FactBody } from '#core/records'
import type { LotState } from './lot.ts'

/** Decisions that move money, or say when and where the work is done, and move no mass. */
const WEIGHTLESS: ReadonlySet<Decision['field']> = new Set<Decision['field']>([
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
  'order',
  'station',
  'closed',
  'cuttingDay',
  'crew',
  'birdDay',
  'raise',
  'classes',
])
/** Facts that move money, or say who signed and when, and move no mass. */
const UNWEIGHED: ReadonlySet<FactBody['kind']> = new Set<FactBody['kind']>([
  'cost',
  'fee',
  'attachment',
  'withdrawal',
  'check',
  'work',
  'closing',
  'temperature',
  'acceptance',
  'icing',
  // Of these only how many are left moves anything, and that is the count.
  'loss',
  'scald',
  'downgrade',
  'passed',
  'stopped',
])

/**
 * What every mass of a lot follows from, as text: equal for two states of it, their masses and draws are the same. A
 * price, a cost, a fee, a signature is not in it (common practice: what a cut is sold for does not change what it weighs).
 */
export function massKey(lot: LotState): string {
  const decided = [...latest(lot.commands).values()].filter((c) => !WEIGHTLESS.has(c.decision.field))
  const seen = inForce(lot.facts).filter((f) => !UNWEIGHED.has(f.fact.kind))
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
