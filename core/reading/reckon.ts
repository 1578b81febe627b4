import {
  animalOf,
  chainUnder,
  cutUp,
  disagreements,
  drawLot,
  evidenceOf,
  flowWithRibs,
  sampleChain,
  solveChain,
  type CutUp,
  type Evidence,
  type Flow,
} from '#core/carcass'
import { worthOf } from '#core/ledger'
import { kg, minus, plus, sumOf, type Kg } from '#core/measure'
import { allMinutes, minutesOf, readPlan } from '#core/plan'
import { cutFigures } from './cuts.ts'
import type { CutFigure, FarmFigures, LotState, Reckoning, Weights } from './lot.ts'
import { moneyOf } from './money.ts'
import { stagesOf } from './stages.ts'

const DRAWS = 500

/**
 * Reads a lot whole: the plan on the facts, the weights from the evidence, the carcass cut by the plan, the cuts with
 * what was packed of them, and what it all is worth. Central figures are one evaluation at the chain's medians, so that
 * they add up; ranges are the central 80 % of `draws` seeded draws (none with 0 draws). Weighed figures have none.
 */
export function reckon(base: Flow, lot: LotState, farm: FarmFigures, draws = DRAWS): Reckoning {
  const { count } = lot
  const plan = readPlan(base.anatomy, lot)
  const flow = flowWithRibs(base, plan.ribs)
  const evidence = evidenceOf(lot.weighings)
  const chain = [chainUnder(flow.anatomy, plan.conventions, plan.type), plan.days, count] as const
  const weights = weightsFrom(chain, evidence)
  const hung = { carcass: weights?.aged ?? kg(0), live: weights?.shrunk ?? kg(0) }
  const one = (stage: 'cold' | 'hot') => kg((weights?.[stage] ?? 0) / count)
  const animal = animalOf(flow.anatomy, plan, one('cold'), one('hot'))
  const cutting = cutUp(flow, plan.choices, {
    ...hung,
    conventions: plan.conventions,
    factors: animal.factors,
    count,
  })
  const drawn =
    weights && draws > 0
      ? drawLot(cutting, count, sampleChain(...chain, evidence), draws, animal.spread)
      : null
  const cuts = cutFigures(cutting, plan, count, farm, lot.packs, drawn)
  const packed = sumOf(cuts, (c) => c.billedPacks)
  const bench = minutesOf(cutting, count, packed)
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
    evidence,
    disagreements: disagreements(...chain, evidence),
    weights,
    stages: weights ? stagesOf(weights, evidence, drawn, cuts, lot.packs) : [],
    cuts,
    balance: balanceWith(cutting.balance, cuts),
    unweighedKg: minus(
      intoCuts(cutting.balance),
      sumOf(cuts, (c) => c.weighedKg),
    ),
    bench,
    minutes: billed.minutes,
    worth,
    money: moneyOf(plan, farm, billed, weights !== null, cuts, worth, drawn),
  }
}

function weightsFrom(
  chain: readonly [Parameters<typeof solveChain>[0], number, number],
  evidence: readonly Evidence[],
): Weights | null {
  const points = solveChain(...chain, evidence)
  return points && (Object.fromEntries(points.map((p) => [p.stage, p.kg])) as Weights)
}

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
