import { randomLcg, randomNormal } from 'd3-random'
import type { Cut } from '#core/anatomy'
import {
  currentWeighings,
  disagreements,
  evaluate,
  evidenceOf,
  newYield,
  perturb,
  pour,
  sampleChain,
  setFlow,
  solveChain,
  STAGES,
  type Balance,
  type Evidence,
  type Flow,
  type FlowSetting,
  type Stage,
  type Weighing,
} from '#core/carcass'
import { costsOf, feePerKg, priceInForce, takings, type CostFigures } from '#core/ledger'
import { interval, perKg, type Grams, type Interval, type MassUnit, type UnitPrice } from '#core/measure'
import {
  dressingOf,
  minutesOf,
  portionsOf,
  readPlan,
  type Command,
  type Plan,
  type Tally,
  type TallyPlan,
} from '#core/plan'
import { ruleOf, type SaleRule } from '#core/rules'

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
  plan: Plan
  setting: FlowSetting
  evidence: Evidence[]
  disagreements: { stage: Stage; z: number; expectedKg: number }[]
  /** Null while nothing was weighed or estimated. */
  weights: Record<Stage, number> | null
  stages: StageFigure[]
  inputs: Float64Array
  cuts: CutFigure[]
  balance: Balance & { difference: number }
  unweighedKg: number
  minutes: number
  money: MoneyFigures
}

const DRAWS = 500
const SEED = 0.20261124

interface Drawn {
  stages: Record<Stage, Float64Array>
  cutKg: Float64Array[]
}

/**
 * Reads a lot whole. Central figures are one evaluation at the chain's medians, so that they add up; ranges are
 * the central 80 % of `draws` seeded draws of chain, common tissue factors and cutter (none with 0 draws). Weighed
 * figures have none.
 */
export function reckon(flow: Flow, lot: LotState, farm: FarmFigures, draws = DRAWS): Reckoning {
  const { anatomy } = flow
  const plan = readPlan(anatomy, lot.commands)
  const setting = setFlow(flow, plan.choices)
  const dressing = dressingOf(anatomy, plan.dressing)
  const evidence = evidenceOf(lot.weighings)
  const chain = [anatomy.chain, dressing, plan.days, lot.count] as const
  const points = solveChain(...chain, evidence)
  const weights = points
    ? (Object.fromEntries(points.map((p) => [p.stage, p.kg])) as Record<Stage, number>)
    : null

  const carcassKg = weights?.aged ?? 0
  const inputs = pour(flow, setting, plan.dressing, carcassKg)
  const y = evaluate(flow, setting, inputs, newYield(flow))
  const portions = portionsOf(flow, setting, y, carcassKg, lot.count, farm.massUnit)
  const drawn =
    weights && draws > 0
      ? draw(flow, setting, inputs, lot.count, sampleChain(...chain, evidence), draws)
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
        price,
        sold: terms.sold,
        value: takings(kg, price, terms.sold),
      },
    ]
  })
  return {
    plan,
    setting,
    evidence,
    disagreements: disagreements(...chain, evidence),
    weights,
    stages: weights ? stagesOf(flow, lot, weights, evidence, drawn, cuts) : [],
    inputs,
    cuts,
    balance: balance(carcassKg, y.added, cuts),
    unweighedKg: carcassKg + y.added - cuts.reduce((sum, c) => sum + c.weighedKg, 0),
    minutes: minutesOf(flow, setting, present(inputs)) * lot.count,
    money: money(flow, plan, lot.count, weights, cuts, drawn),
  }
}

/** Whether a slot has any meat to open. */
const present = (inputs: Float64Array) => (slot: number) => {
  const i = slot * 4
  return inputs[i]! + inputs[i + 1]! + inputs[i + 2]! + inputs[i + 3]! > 1e-9
}

const cutters = new WeakMap<Flow, { key: string; factors: Float64Array }>()

/**
 * The cutter's factor for every row and draw, exp(sd·z), the same for every plan: two plans are then compared
 * under the same cutters, and a changed plan draws nothing anew.
 */
function cutterFactors(flow: Flow, sd: number, draws: number): Float64Array {
  const key = `${sd}|${draws}`
  const held = cutters.get(flow)
  if (held?.key === key) return held.factors
  const normal = randomNormal.source(randomLcg(SEED / 2))(0, 1)
  const factors = Float64Array.from({ length: draws * flow.rowCut.length }, () => Math.exp(sd * normal()))
  cutters.set(flow, { key, factors })
  return factors
}

/** Draws whole carcasses: chain, then fatness, muscling and bone of the animal, then the cutter. */
function draw(
  flow: Flow,
  setting: FlowSetting,
  inputs: Float64Array,
  count: number,
  chain: (normal: () => number) => number[],
  draws: number,
): Drawn {
  const normal = randomNormal.source(randomLcg(SEED))(0, 1)
  const { spread, cuts } = flow.anatomy
  const root = Math.sqrt(count)
  const sds = [spread.lean / root, spread.fat / root, spread.bone / root, 0]
  const cutter = cutterFactors(flow, spread.cutter / root, draws)
  const tissue = [0, 0, 0, 0]
  inputs.forEach((kg, i) => (tissue[i % 4]! += kg))
  const stages = Object.fromEntries(STAGES.map((s) => [s, new Float64Array(draws)])) as Drawn['stages']
  const cutKg = cuts.map(() => new Float64Array(draws))
  const share = new Float64Array(flow.rowShare.length)
  const own = new Float64Array(inputs.length)
  const out = newYield(flow)
  for (let d = 0; d < draws; d++) {
    const weights = chain(normal)
    STAGES.forEach((s, i) => (stages[s][d] = weights[i]!))
    const factors = sds.map((sd) => Math.exp(sd * normal()))
    const sum = tissue.reduce((total, kg, t) => total + kg * factors[t]!, 0)
    const scale = weights[STAGES.length - 1]! / sum
    for (let i = 0; i < own.length; i++) own[i] = inputs[i]! * factors[i % 4]! * scale
    evaluate(flow, setting, own, out, perturb(flow, setting, cutter, d, share))
    for (let i = 0; i < cutKg.length; i++) cutKg[i]![d] = out.cutKg[i]!
  }
  return { stages, cutKg }
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

function balance(carcass: number, added: number, cuts: CutFigure[]): Reckoning['balance'] {
  const sum = (kind: Cut['kind']) => cuts.reduce((s, c) => s + (c.cut.kind === kind ? c.kg : 0), 0)
  const [products, byProducts, losses] = [sum('product'), sum('by-product'), sum('loss')]
  return {
    carcass,
    added,
    products,
    byProducts,
    losses,
    difference: carcass + added - products - byProducts - losses,
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

/**
 * Values any setting of this lot's plan: what `alternativesFor` asks of each path. Weights as they stand now,
 * no draws, so that all alternatives of a part fit one frame.
 */
export function tallyWith(
  flow: Flow,
  lot: Pick<LotState, 'count'>,
  farm: FarmFigures,
  read: Reckoning,
): TallyPlan {
  const { plan, weights } = read
  const carcassKg = weights?.aged ?? 0
  const y = newYield(flow)
  const prices = flow.anatomy.cuts.map((c) => {
    const terms = plan.terms.get(c.id)!
    return { price: priceInForce(terms, farm.mincePerKg, farm.massUnit), sold: terms.sold }
  })
  const byId = new Map(flow.anatomy.cuts.map((c, i) => [c.id, i]))
  return (setting): Tally => {
    const inputs = pour(flow, setting, plan.dressing, carcassKg)
    evaluate(flow, setting, inputs, y)
    const portions = portionsOf(flow, setting, y, carcassKg, lot.count, farm.massUnit)
    const tally: Tally = {
      takeHomeKg: 0,
      pieces: 0,
      packs: 0,
      money: 0,
      fees: 0,
      boneKg: y.cutKg[byId.get('bones')!]!,
      fatKg: y.cutKg[byId.get('back-fat')!]!,
      minutes: minutesOf(flow, setting, present(inputs)) * lot.count,
    }
    flow.anatomy.cuts.forEach((cut, i) => {
      const kg = y.cutKg[i]!
      if (cut.kind === 'product') tally.takeHomeKg += kg
      tally.pieces += portions.pieces[i]!
      tally.packs += portions.packs[i]!
      tally.money += takings(kg, prices[i]!.price, prices[i]!.sold)
    })
    tally.fees = costsOf(
      { costs: [], fees: plan.fees },
      lot.count,
      { hot: weights?.hot ?? 0, hanging: carcassKg },
      tally.packs,
    ).total
    return tally
  }
}
