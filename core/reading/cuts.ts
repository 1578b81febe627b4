import type { Cut } from '#core/anatomy'
import type { CutUp, Drawn } from '#core/carcass'
import { priceInForce, valueOf, type ValuedCut } from '#core/ledger'
import { interval, kg, kgOf, minus, plus, sumOf, type Kg } from '#core/measure'
import { finishMinutes, NO_PIECES, portionsOf, type CutTerms, type Plan } from '#core/plan'
import type { CutFigure, FarmFigures, PackRow } from './lot.ts'

/** Less than a microgram is no cut. */
const NOTHING = 1e-9

/** Cuts that are eaten: products but for bones and fat. */
const isEaten = (cut: Cut) => cut.kind === 'product' && !['N', 'F'].includes(cut.destination)

/** Lean and fat of the rows that go to a cut that is eaten, as much as their process leaves of it. */
function edibleOf(cutting: CutUp): ReadonlyMap<string, Kg> {
  const sums = new Map<string, Kg>()
  for (const slot of cutting.slots) {
    if (!slot.holds) continue
    for (const row of slot.rows) {
      const { cut } = row
      if (cut && isEaten(cut)) sums.set(cut.id, plus(sums.get(cut.id) ?? kg(0), row.edible))
    }
  }
  return sums
}

/** Of what was said of a cut’s price, what its figures carry. */
export const saleTerms = ({ sold, rest, finishes, own, given }: CutTerms) => ({
  sold,
  rest,
  finishes,
  own,
  given,
})
type SaleTerms = ReturnType<typeof saleTerms>

/** What a cut plan would bring: every cut that comes of it, its pieces and packs, and the terms it goes at. */
export function plannedCuts(
  cutting: CutUp,
  plan: Pick<Plan, 'terms'>,
  count: number,
  farm: FarmFigures,
): (ValuedCut & Pick<CutFigure, 'endKg' | 'endMm' | keyof SaleTerms>)[] {
  const portions = portionsOf(cutting, count, farm.pack)
  const edible = edibleOf(cutting)
  return cutting.flow.anatomy.cuts.map((cut) => {
    const terms = plan.terms.get(cut.id)!
    const { pieces, packs, end, endMm } = portions.get(cut.id) ?? NO_PIECES
    return {
      cut,
      kg: cutting.cutKg(cut.id),
      edible: edible.get(cut.id) ?? kg(0),
      pieces,
      packs,
      endKg: end,
      endMm,
      price: priceInForce(terms, farm.mince),
      ...saleTerms(terms),
    }
  })
}

/** Every cut of a lot: what is expected of it, what was weighed, and what is still to come. */
export function cutFigures(
  cutting: CutUp,
  plan: Plan,
  count: number,
  farm: FarmFigures,
  /** Those in force. */
  packs: readonly PackRow[],
  known: {
    /** What packs teach: kg of every cut; null with no packs. */
    taught: ReadonlyMap<string, Kg> | null
    drawn: Drawn | null
    drawnNow: Drawn | null
  },
): CutFigure[] {
  const sale = plan.verdict.sale
  return plannedCuts(cutting, plan, count, farm).flatMap((planned): CutFigure[] => {
    const { cut, pieces, price, sold, rest, finishes, own: kept, given, endKg, endMm } = planned
    const own = packs.filter((p) => p.cut === cut.id)
    if (planned.kg <= NOTHING && own.length === 0) return []
    const weighedKg = sumOf(own, (p) => kgOf(p.grams))
    const weighedPacks = sumOf(own, (p) => p.packs)
    const done = plan.done.has(cut.id)
    const now = known.taught?.get(cut.id) ?? planned.kg
    const remainingKg = kg(done ? 0 : Math.max(0, minus(now, weighedKg)))
    // What is all weighed, or weighs more than it was taken for, is set beside what was expected without it.
    const isBeyond = done || (own.length > 0 && remainingKg <= NOTHING)
    const drawn = isBeyond ? known.drawn : known.drawnNow
    return [
      {
        cut,
        expectedKg: isBeyond ? planned.kg : now,
        range: drawn ? interval(drawn.cut.get(cut.id)!) : null,
        weighedKg,
        weighedPacks,
        remainingKg,
        kg: now,
        edible: planned.edible,
        done,
        pieces,
        packs: planned.packs,
        billedPacks: done ? weighedPacks : Math.max(planned.packs, weighedPacks),
        endKg,
        endMm,
        price,
        ...{ sold, rest, finishes, own: kept, given },
        value: valueOf({ ...planned, kg: now }, sale),
      },
    ]
  })
}

/** Minutes that finishing a lot’s cuts takes. */
export const finishing = (
  cuts: readonly Pick<CutFigure, 'finishes' | 'kg' | 'pieces'>[],
  hands: Plan['hands'],
): number => cuts.reduce((sum, c) => sum + finishMinutes(c, hands), 0)

/** Σ of a figure of each cut in every draw. */
export function drawnSums(
  drawn: Drawn,
  cuts: readonly CutFigure[],
  of: (c: CutFigure, drawn: number) => number,
): Float64Array {
  const sums = new Float64Array(drawn.draws)
  for (const c of cuts) {
    const own = drawn.cut.get(c.cut.id)!
    for (let d = 0; d < sums.length; d++) sums[d]! += of(c, own[d]!)
  }
  return sums
}
