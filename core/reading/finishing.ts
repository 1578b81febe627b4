import type { Flow } from '#core/carcass'
import { afterBench, lessWorth, type Worth } from '#core/ledger'
import { fromKg, kg, minorOf, priceOf, sumOf, type Minor } from '#core/measure'
import { extraPerKg, FINISHES, usualFinish, type FinishKind, type Plan } from '#core/plan'
import type { Decision, Finish } from '#core/records'
import { triedOn } from './groups.ts'
import type { FarmFigures, LotState, Reckoning } from './lot.ts'
import { reckon } from './reckon.ts'

/** A finish of a cut: as it is done, or would be, and what the whole plan comes to with it beside without. */
export interface FinishOffer {
  figures: Finish
  taken: boolean
  /** What the cut has not, so that it cannot be done; null where it can. */
  lacks: FinishKind['needs'] | null
  difference: Worth
  /** What it leaves once its hours and what goes on the cut are paid. */
  leaves: Minor
}

/** Less than this share of a cut is no bone or rind to work on. */
const NONE = 0.01

/** What of its tissue a cut lacks for a finish. */
function lackOf(read: Reckoning, cut: string, { needs }: FinishKind): FinishOffer['lacks'] {
  if (!needs) return null
  const rows = read.cutting.slots.flatMap((s) => (s.holds ? s.rows.filter((r) => r.cut?.id === cut) : []))
  const own = sumOf(rows, (r) => r.tissue[needs])
  return own > NONE * sumOf(rows, (r) => r.green) ? null : needs
}

/** The figures a finish was last given in a plan: another cut of it starts with them. */
const saidOf = (plan: Plan, id: Finish['finish']): Finish | undefined =>
  [...plan.terms.values()].flatMap((t) => t.finishes).find((f) => f.finish === id)

/**
 * Decisions that leave a cut with these finishes, as one step. A price that was set is the price of the cut as it is sold: it
 * rises and drops by what the finishes bring more, unless it is locked.
 */
export function takeFinishes(read: Reckoning, cut: string, finishes: readonly Finish[]): Decision[] {
  const { price, lock, finishes: now } = read.plan.terms.get(cut)!
  const at = { target: cut, side: 'animal' } as const
  const more = extraPerKg(finishes) - extraPerKg(now)
  const isMoved = price !== null && !lock && more !== 0 && read.plan.verdict.sale === 'by-the-piece'
  return [
    { field: 'finish', ...at, value: finishes.length > 0 ? [...finishes] : null },
    ...(isMoved ? [{ field: 'price' as const, ...at, value: raised(price, more) }] : []),
  ]
}

/** A price with so many minor units per kg more, whole minor units of its own unit, never below nothing. */
const raised = (price: Finish['extra'], perKg: number) =>
  priceOf(Math.max(0, Math.round(minorOf(price) + perKg / fromKg(kg(1), price.per))), price.per)

/** Every finish for a cut, each valued in the whole plan against the plan without it. `read` is of that lot as it stands. */
export function finishOffers(
  base: Flow,
  lot: LotState,
  farm: FarmFigures,
  read: Reckoning,
  cut: string,
): FinishOffer[] {
  const { finishes } = read.plan.terms.get(cut)!
  const valued = (next: readonly Finish[]) =>
    reckon(base, triedOn(lot, takeFinishes(read, cut, next)), farm, 0).worth
  return FINISHES.map((kind): FinishOffer => {
    const taken = finishes.find((f) => f.finish === kind.id)
    const figures =
      taken ?? saidOf(read.plan, kind.id) ?? usualFinish(kind, read.farm.mince, read.farm.massUnit)
    const difference = taken
      ? lessWorth(read.worth, valued(finishes.filter((f) => f !== taken)))
      : lessWorth(valued([...finishes, figures]), read.worth)
    return {
      ...{ figures, taken: taken !== undefined, lacks: lackOf(read, cut, kind), difference },
      leaves: afterBench(difference),
    }
  })
}
