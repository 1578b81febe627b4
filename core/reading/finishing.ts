import { lookup } from '#core/anatomy'
import type { Flow } from '#core/carcass'
import { afterBench, lessWorth, type Worth } from '#core/ledger'
import { fromKg, kg, minorOf, priceOf, sumOf, type Interval, type Minor } from '#core/measure'
import { extraPerKg, FINISHES, usualFinish, type FinishKind, type Plan } from '#core/plan'
import type { Decision, Finish } from '#core/records'
import { triedOn } from './groups.ts'
import type { CutFigure, FarmFigures, LotState, Reckoning } from './lot.ts'
import { reckon } from './reckon.ts'

/** A finish of a cut: as it is done, or would be. */
export interface FinishFigures {
  kind: FinishKind
  figures: Finish
  taken: boolean
  /** What the cut has not, so that it cannot be done; null where it can. */
  lacks: FinishKind['needs'] | null
}

/** What the whole plan comes to with a finish beside without it. */
export interface FinishOffer {
  finish: Finish['finish']
  difference: Worth
  /** What it leaves once its hours and what goes on the cut are paid. */
  leaves: Minor
}

/** Less than this share of a cut is no bone or rind to work on. */
const NONE = 0.01

/** What of its tissue a cut lacks for a finish. */
function lackOf(read: Reckoning, cut: string, { needs }: FinishKind): FinishFigures['lacks'] {
  if (!needs) return null
  const tissue = needs === 'no-bone' ? 'bone' : needs
  const rows = read.cutting.slots.flatMap((s) => (s.holds ? s.rows.filter((r) => r.cut?.id === cut) : []))
  const own = sumOf(rows, (r) => r.tissue[tissue])
  const has = own > NONE * sumOf(rows, (r) => r.green)
  return has === (needs !== 'no-bone') ? null : needs
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

/** Every finish as it is done to a cut, or would be: with what is `tried`, else as it was last said of the lot, else as usual. */
export function finishesFor(read: Reckoning, cut: string, tried: readonly Finish[] = []): FinishFigures[] {
  const { finishes } = read.plan.terms.get(cut)!
  const { mince, massUnit } = read.farm
  const { destination } = lookup(read.flow.anatomy).cut(cut)!
  return FINISHES.flatMap((kind): FinishFigures[] => {
    const of = (all: readonly Finish[]) => all.find((f) => f.finish === kind.id)
    const taken = of(finishes)
    const figures = taken ?? of(tried) ?? saidOf(read.plan, kind.id) ?? usualFinish(kind, mince, massUnit)
    if (!taken && !kind.on.includes(destination)) return []
    return [{ kind, figures, taken: taken !== undefined, lacks: lackOf(read, cut, kind) }]
  })
}

/** Every finish for a cut, each valued in the whole plan against the plan without it. `read` is of that lot as it stands. */
export function finishOffers(
  base: Flow,
  lot: LotState,
  farm: FarmFigures,
  read: Reckoning,
  cut: string,
  tried: readonly Finish[] = [],
): FinishOffer[] {
  const { finishes } = read.plan.terms.get(cut)!
  const valued = (next: readonly Finish[]) =>
    reckon(base, triedOn(lot, takeFinishes(read, cut, next)), farm, 0).worth
  return finishesFor(read, cut, tried)
    .filter((f) => !f.lacks)
    .map(({ kind, figures, taken }): FinishOffer => {
      const difference = taken
        ? lessWorth(read.worth, valued(finishes.filter((f) => f.finish !== kind.id)))
        : lessWorth(valued([...finishes, figures]), read.worth)
      return { finish: kind.id, difference, leaves: afterBench(difference) }
    })
}

/** Between what a finish leaves at the likely least and most of its cut: what goes by the piece stays, all else grows with the weight. */
export function leavesBetween(
  { difference: d }: Pick<FinishOffer, 'difference'>,
  { kind }: Pick<FinishFigures, 'kind'>,
  { kg: mass, range }: Pick<CutFigure, 'kg' | 'range'>,
): Interval | null {
  if (!range || mass <= 0) return null
  const at = (weight: number) => {
    const by = weight / mass
    return by * (d.money - d.goods) - (kind.per === 'kg' ? by : 1) * d.labour - d.fees
  }
  const [low, high] = [at(range.low), at(range.high)]
  return { low: Math.min(low, high), high: Math.max(low, high) }
}
