import {
  animalOf,
  chainUnder,
  cutUp,
  disagreements,
  drawLot,
  evidenceOf,
  extentOf,
  flowWithRibs,
  sampleChain,
  shareHung,
  solveChain,
  type ChainPoint,
  type CutUp,
  type Flow,
} from '#core/carcass'
import { worthOf } from '#core/ledger'
import { kg, minus, plus, sumOf, type Kg } from '#core/measure'
import { allMinutes, minutesOf, readPlan } from '#core/plan'
import { cutFigures } from './cuts.ts'
import type { CutFigure, FarmFigures, LotState, Reckoning, Weights } from './lot.ts'
import { moneyOf } from './money.ts'
import { stagesOf } from './stages.ts'
import { lessonOf } from './taught.ts'

const DRAWS = 500

/**
 * Reads a lot whole: the plan on the facts, the weights from the evidence, the carcass cut by the plan, the cuts with
 * what was packed of them, and what it all is worth. Central figures are one evaluation at the chain's medians, so that
 * they add up; ranges are the central 80 % of `draws` seeded draws (none with 0 draws), or of those of another reading
 * with the same masses (`massKey`). Weighed figures have none.
 */
export function reckon(
  base: Flow,
  lot: LotState,
  given: FarmFigures,
  draws: number | Pick<Reckoning, 'drawn' | 'drawnNow'> = DRAWS,
): Reckoning {
  const { count } = lot
  const farm = { ...given, mince: given.minces?.[base.anatomy.species] ?? given.mince }
  const plan = readPlan(base.anatomy, lot)
  const flow = flowWithRibs(base, plan.ribs)
  const evidence = evidenceOf(lot.weighings)
  const chain = [chainUnder(flow.anatomy, plan.conventions, plan.type), plan.days, count] as const
  const points = solveChain(...chain, evidence)
  const asHung = points && weightsFrom(points)
  const share = shareHung(flow, plan.hangs, plan.conventions)
  /** Of a side or a part, the animal it is of. */
  const one = (stage: 'cold' | 'hot') => kg((asHung?.[stage] ?? 0) / share / count)
  const animal = animalOf(flow.anatomy, plan, one('cold'), one('hot'))
  const cutAt = (weights: Weights | null) =>
    cutUp(flow, plan.choices, {
      carcass: weights?.aged ?? kg(0),
      live: weights?.shrunk ?? kg(0),
      conventions: plan.conventions,
      extent: extentOf(flow.anatomy, plan.hangs),
      factors: animal.factors,
      tilts: animal.tilts,
      parts: plan.parts,
      cutAway: plan.cutAway,
      count,
    })
  const asPlanned = cutAt(asHung)
  const lesson = points && lessonOf(asPlanned, lot.packs, plan.done, count, points)
  const taught = (lesson && asHung && lesson.central(asHung)) ?? null
  const weights = taught?.weights ?? asHung
  const cutting = taught && taught.weights.aged !== asHung!.aged ? cutAt(taught.weights) : asPlanned
  const drawAnew = (n: number) => {
    const drawn =
      weights && n > 0 ? drawLot(asPlanned, count, sampleChain(...chain, evidence), n, animal.spread) : null
    return { drawn, drawnNow: (drawn && lesson?.draws(drawn)) ?? drawn }
  }
  const { drawn, drawnNow } = typeof draws === 'number' ? drawAnew(draws) : draws
  const cuts = cutFigures(cutting, plan, count, farm, lot.packs, {
    taught: taught?.kg ?? null,
    drawn,
    drawnNow,
  })
  const packed = sumOf(cuts, (c) => c.billedPacks)
  const bench = minutesOf(cutting, count, packed, plan.hands, plan.held)
  const billed = {
    count,
    hot: weights?.hot ?? kg(0),
    hanging: weights?.aged ?? kg(0),
    packs: packed,
    minutes: allMinutes(bench),
  }
  const worth = worthOf(
    cuts.map((c) => ({ ...c, packs: c.billedPacks })),
    plan,
    billed,
    farm.hour,
  )
  return {
    count,
    farm,
    flow,
    plan,
    animal,
    cutting,
    drawn,
    drawnNow,
    parts: {},
    evidence,
    disagreements: disagreements(...chain, evidence),
    weights,
    stages: weights ? stagesOf(plan, weights, evidence, drawnNow, cuts, lot.packs) : [],
    cuts,
    balance: balanceWith(cutting.balance, cuts),
    unweighedKg: minus(
      intoCuts(cutting.balance),
      sumOf(cuts, (c) => c.weighedKg),
    ),
    bench,
    minutes: billed.minutes,
    worth,
    money: moneyOf(plan, farm, billed, weights !== null, cuts, worth, drawnNow),
  }
}

const weightsFrom = (points: readonly ChainPoint[]): Weights =>
  Object.fromEntries(points.map((p) => [p.stage, p.kg])) as Weights

const intoCuts = (b: CutUp['balance']): Kg => plus(b.carcass, b.kept, b.added)

/** The balance of what is weighed and still to come; `difference` is what no cut accounts for. */
function balanceWith(planned: CutUp['balance'], cuts: readonly CutFigure[]): Reckoning['balance'] {
  const of = (kind: CutFigure['cut']['kind']) => sumOf(cuts, (c) => (c.cut.kind === kind ? c.kg : kg(0)))
  const [products, byProducts, losses] = [of('product'), of('by-product'), of('loss')]
  return {
    ...planned,
    products,
    byProducts,
    losses,
    difference: minus(intoCuts(planned), plus(products, byProducts, losses)),
  }
}
