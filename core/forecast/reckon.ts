import type { Cut } from '#core/anatomy'
import {
  chainUnder,
  currentWeighings,
  disagreements,
  evaluate,
  evidenceOf,
  flowWithRibs,
  holds,
  keptKg,
  newYield,
  pour,
  sampleChain,
  setFlow,
  shiftOf,
  solveChain,
  type Balance,
  type Evidence,
  type Flow,
  type FlowSetting,
  type Shift,
  type Stage,
  type Weighing,
} from '#core/carcass'
import { costsOf, feePerKg, priceInForce, takings, type CostFigures } from '#core/ledger'
import { interval, perKg, type Grams, type Interval, type MassUnit, type UnitPrice } from '#core/measure'
import { minutesOf, portionsOf, readPlan, type Command, type Plan } from '#core/plan'
import { ruleOf, type SaleRule } from '#core/rules'
import { drawLot, type Drawn } from './draw.ts'

/** One weighing of packs of a cut. Never changed: a correction names it. */
export interface PackWeighing {
  id: string
  cut: string
  shown: { value: number; unit: MassUnit }
  grams: Grams
  packs: number
  corrects: string | null
  stands: boolean
  at: string
}

export interface LotState {
  count: number
  weighings: Weighing[]
  commands: Command[]
  packs: PackWeighing[]
}

export interface FarmFigures {
  massUnit: MassUnit
  /** Price of mince, minor units per kg: what indices are relative to until prices are set. */
  mincePerKg: number
}

/** A stop on the stair. A weighed figure has no range. */
export interface StageFigure {
  id: 'live' | 'hot' | 'hanging' | 'cut' | 'packed'
  kg: number
  range: Interval | null
  weighed: boolean
}

export interface CutFigure {
  cut: Cut
  expectedKg: number
  range: Interval | null
  weighedKg: number
  weighedPacks: number
  remainingKg: number
  /** Weighed so far + what is still to come. */
  kg: number
  done: boolean
  pieces: number
  packs: number
  /** Kg of end pieces too short for another whole one, and the longest of them. */
  endKg: number
  endMm: number
  price: UnitPrice
  sold: number
  value: number
}

export interface MoneyFigures {
  costs: CostFigures
  target: number
  net: number
  netRange: Interval | null
  /** Expected net ÷ cost; null where `uncovered` says why. */
  cover: number | null
  uncovered: Uncovered | null
  coverRange: Interval | null
  /** Average price per kg that the products must bring. */
  neededPerKg: number | null
  /** What a kg of products costs: what a household that sells nothing wants to know. */
  costPerKg: number | null
}

/** Why a lot has no Cover: nothing costs, weighs or may be sold yet, or at all. */
export type Uncovered = 'no-costs' | 'no-weight' | 'no-share-price' | 'not-for-sale'

export interface Reckoning {
  /** The flow of this very animal: with its own number of ribs. */
  flow: Flow
  plan: Plan
  /** What measurements of the carcass say, or null without any. */
  shift: Shift | null
  setting: FlowSetting
  evidence: Evidence[]
  disagreements: { stage: Stage; z: number; expectedKg: number }[]
  /** Null while nothing was weighed or estimated. */
  weights: Record<Stage, number> | null
  stages: StageFigure[]
  /** Kg of every tissue in every slot, (slot × 4 + tissue): poured, or opened into from another part. */
  slotKg: Float64Array
  /** Green kg of every active row, before its process. */
  rowKg: Float64Array
  cuts: CutFigure[]
  balance: Balance & { difference: number }
  unweighedKg: number
  minutes: number
  money: MoneyFigures
}

const DRAWS = 500

/**
 * Reads a lot whole. Central figures are one evaluation at the chain's medians, so that they add up; ranges are
 * the central 80 % of `draws` seeded draws of chain, common tissue factors and cutter (none with 0 draws). Weighed
 * figures have none.
 */
export function reckon(base: Flow, lot: LotState, farm: FarmFigures, draws = DRAWS): Reckoning {
  const plan = readPlan(base.anatomy, lot.commands)
  const flow = flowWithRibs(base, plan.ribs)
  const { anatomy } = flow
  const setting = setFlow(flow, plan.choices)
  const evidence = evidenceOf(lot.weighings)
  const chain = [chainUnder(anatomy, plan.conventions), plan.days, lot.count] as const
  const points = solveChain(...chain, evidence)
  const weights = points
    ? (Object.fromEntries(points.map((p) => [p.stage, p.kg])) as Record<Stage, number>)
    : null

  const carcassKg = weights?.aged ?? 0
  const shift = shiftOf(anatomy, plan.measured, (weights?.hot ?? 0) / lot.count)
  const inputs = pour(flow, setting, plan.conventions, carcassKg, weights?.shrunk ?? 0, shift?.factors)
  const y = evaluate(flow, setting, inputs, newYield(flow))
  const portions = portionsOf(flow, setting, y, carcassKg, lot.count, farm.massUnit, plan.portions)
  const drawn =
    weights && draws > 0
      ? drawLot(flow, setting, inputs, lot.count, sampleChain(...chain, evidence), draws, shift?.spread)
      : null

  const packed = currentWeighings(lot.packs)
  const cuts = anatomy.cuts.flatMap((cut, i): CutFigure[] => {
    const own = packed.filter((p) => p.cut === cut.id)
    const expectedKg = y.cutKg[i]!
    const terms = plan.terms.get(cut.id)!
    if (expectedKg <= 1e-9 && own.length === 0) return []
    const weighedKg = own.reduce((sum, p) => sum + p.grams / 1000, 0)
    const remainingKg = terms.done ? 0 : Math.max(0, expectedKg - weighedKg)
    const kg = weighedKg + remainingKg
    const price = priceInForce(terms, farm.mincePerKg, farm.massUnit)
    return [
      {
        cut,
        expectedKg,
        range: drawn ? interval(drawn.cutKg[i]!) : null,
        weighedKg,
        weighedPacks: own.reduce((sum, p) => sum + p.packs, 0),
        remainingKg,
        kg,
        done: terms.done,
        pieces: portions.pieces[i]!,
        packs: portions.packs[i]!,
        endKg: portions.endKg[i]!,
        endMm: portions.endMm[i]!,
        price,
        sold: terms.sold,
        value: takings(kg, price, terms.sold),
      },
    ]
  })
  const kept = keptKg(flow, inputs)
  return {
    flow,
    plan,
    shift,
    setting,
    evidence,
    disagreements: disagreements(...chain, evidence),
    weights,
    stages: weights ? stagesOf(flow, lot, weights, evidence, drawn, cuts) : [],
    slotKg: y.slotKg,
    rowKg: y.rowKg,
    cuts,
    balance: balance(carcassKg, kept, y.added, cuts),
    unweighedKg: carcassKg + kept + y.added - cuts.reduce((sum, c) => sum + c.weighedKg, 0),
    minutes: minutesOf(flow, setting, (slot) => holds(y, slot)) * lot.count,
    money: money(flow, plan, lot.count, weights, cuts, drawn),
  }
}

/** Kilograms of a cut in draw d: what was weighed, and what that draw leaves still to come. */
const drawnKg = (c: CutFigure, kg: number) => (c.done ? c.weighedKg : Math.max(c.weighedKg, kg))

function stagesOf(
  flow: Flow,
  lot: LotState,
  weights: Record<Stage, number>,
  evidence: Evidence[],
  drawn: Drawn | null,
  cuts: CutFigure[],
): StageFigure[] {
  const at = (id: StageFigure['id'], stage: Stage): StageFigure => {
    const range = drawn && interval(drawn.stages[stage])
    const weighed = evidence.some((e) => e.stage === stage && e.sd === 0)
    return { id, kg: weights[stage], range: weighed ? null : range, weighed }
  }
  const products = cuts.filter((c) => c.cut.kind === 'product')
  const index = new Map(flow.anatomy.cuts.map((c, i) => [c.id, i]))
  const total = (of: (c: CutFigure, kg: number) => number) => {
    if (!drawn) return null
    const sums = new Float64Array(drawn.stages.live.length)
    for (const c of products) {
      const own = drawn.cutKg[index.get(c.cut.id)!]!
      for (let d = 0; d < sums.length; d++) sums[d]! += of(c, own[d]!)
    }
    return interval(sums)
  }
  const all = products.length > 0 && products.every((c) => c.done)
  const any = currentWeighings(lot.packs).length > 0
  return [
    at('live', 'live'),
    at('hot', 'hot'),
    at('hanging', 'aged'),
    {
      id: 'cut',
      kg: products.reduce((s, c) => s + c.expectedKg, 0),
      range: total((_, kg) => kg),
      weighed: false,
    },
    ...(any
      ? [
          {
            id: 'packed',
            kg: products.reduce((s, c) => s + c.kg, 0),
            range: all ? null : total(drawnKg),
            weighed: all,
          } as const,
        ]
      : []),
  ]
}

function balance(carcass: number, kept: number, added: number, cuts: CutFigure[]): Reckoning['balance'] {
  const sum = (kind: Cut['kind']) => cuts.reduce((s, c) => s + (c.cut.kind === kind ? c.kg : 0), 0)
  const [products, byProducts, losses] = [sum('product'), sum('by-product'), sum('loss')]
  return {
    carcass,
    kept,
    added,
    products,
    byProducts,
    losses,
    difference: carcass + kept + added - products - byProducts - losses,
  }
}

function money(
  flow: Flow,
  plan: Plan,
  count: number,
  weights: Record<Stage, number> | null,
  cuts: CutFigure[],
  drawn: Drawn | null,
): MoneyFigures {
  const packs = cuts.reduce(
    (sum, c) => sum + (c.done ? c.weighedPacks : Math.max(c.packs, c.weighedPacks)),
    0,
  )
  const billed = { hot: weights?.hot ?? 0, hanging: weights?.aged ?? 0 }
  const costs = costsOf(plan, count, billed, packs)
  const sale = ruleOf(plan.route)?.sale ?? 'by-the-piece'
  const sharePrice = sale === 'live-shares-only' ? plan.sharePrice : null
  const sellable = sale === 'by-the-piece' ? cuts.filter((c) => c.price.minor > 0) : []
  const net = sharePrice
    ? takings(billed.hanging, sharePrice, 1)
    : sellable.reduce((sum, c) => sum + c.value, 0)
  const soldKg = sellable.reduce((sum, c) => sum + c.kg, 0)
  const productKg = cuts.reduce((sum, c) => (c.cut.kind === 'product' ? sum + c.kg : sum), 0)
  const uncovered = whyUncovered(sale, costs.total > 0, weights !== null, sharePrice !== null)
  const cover = uncovered ? null : net / costs.total
  const figures: MoneyFigures = {
    costs,
    target: plan.target,
    net,
    netRange: null,
    cover,
    uncovered,
    coverRange: null,
    neededPerKg: costs.total > 0 && soldKg > 0 ? (costs.total + plan.target) / soldKg : null,
    costPerKg: productKg > 0 ? costs.total / productKg : null,
  }
  if (!drawn) return figures
  const { hot, aged } = drawn.stages
  const nets = sharePrice ? aged.map((kg) => kg * perKg(sharePrice)) : netDraws(flow, sellable, drawn)
  figures.netRange = interval(nets)
  if (cover !== null) {
    const slope = feePerKg(plan.fees)
    figures.coverRange = interval(
      nets.map(
        (n, d) =>
          n /
          (costs.total + slope.hot * (hot[d]! - billed.hot) + slope.hanging * (aged[d]! - billed.hanging)),
      ),
    )
  }
  return figures
}

function whyUncovered(
  sale: SaleRule,
  costs: boolean,
  weight: boolean,
  sharePrice: boolean,
): Uncovered | null {
  if (sale === 'never') return 'not-for-sale'
  if (!costs) return 'no-costs'
  if (!weight) return 'no-weight'
  return sale === 'live-shares-only' && !sharePrice ? 'no-share-price' : null
}

/** Expected net of each draw, minor units, not rounded. */
function netDraws(flow: Flow, sellable: CutFigure[], drawn: Drawn): Float64Array {
  const nets = new Float64Array(drawn.stages.live.length)
  const index = new Map(flow.anatomy.cuts.map((c, i) => [c.id, i]))
  for (const c of sellable) {
    const each = takings(1000, c.price, c.sold) / 1000
    const own = drawn.cutKg[index.get(c.cut.id)!]!
    for (let d = 0; d < nets.length; d++) nets[d]! += each * drawnKg(c, own[d]!)
  }
  return nets
}
