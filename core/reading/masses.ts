import { latest } from '#core/plan'
import { inForce, movesMass } from '#core/records'
import type { LotState } from './lot.ts'

/**
 * What every mass of a lot follows from, as text: equal for two states of it, their masses and draws are the same. A
 * price, a cost, a fee, a signature is not in it (common practice: what a cut is sold for does not change what it weighs).
 */
export function massKey(lot: LotState): string {
  const decided = [...latest(lot.commands).values()].filter((c) => movesMass(c.decision))
  const seen = inForce(lot.facts).filter((f) => movesMass(f.fact))
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
