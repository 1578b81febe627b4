import type { Drawn } from '#core/carcass'
import {
  costsOf,
  earned,
  feePerKg,
  neededPerKg,
  takingsPerKg,
  targetFor,
  type Billed,
  type Worth,
} from '#core/ledger'
import { interval, kg, minor, perKg, plus, sumOf, type Kg } from '#core/measure'
import type { Plan } from '#core/plan'
import type { SaleRule } from '#core/rules'
import { drawnSums } from './cuts.ts'
import type { CutFigure, FarmFigures, MoneyFigures, Uncovered } from './lot.ts'

const kgOfAll = (cuts: readonly CutFigure[], counts: (c: CutFigure) => boolean): Kg =>
  sumOf(cuts, (c) => (counts(c) ? c.kg : kg(0)))

/** What every draw brings at the prices in force: its cuts, its shares, or nothing; minor units, not rounded. */
export function drawnNets(drawn: Drawn, plan: Plan, cuts: readonly CutFigure[]): Float64Array {
  const { sale } = plan.verdict
  const price = sale === 'live-shares-only' ? plan.sharePrice : null
  if (price) return drawn.stages.aged.map((hung) => hung * perKg(price))
  const sellable = sale === 'by-the-piece' ? cuts.filter((c) => c.price.milli > 0) : []
  return drawnSums(drawn, sellable, (c, own) => takingsPerKg(c.price, c) * own)
}

/** What the lot cost, what it should bring, and whether that covers it. */
export function moneyOf(
  plan: Plan,
  farm: FarmFigures,
  billed: Billed,
  hasWeight: boolean,
  cuts: readonly CutFigure[],
  worth: Worth,
  drawn: Drawn | null,
): MoneyFigures {
  const costs = costsOf(plan, billed, farm.hour)
  const labour = costs.rows.find((r) => r.id === 'labour')?.amount ?? minor(0)
  const spent = { total: costs.total, labour, minutes: billed.minutes }
  const target = targetFor(plan.aim, plan.target, spent)
  const sale = plan.verdict.sale
  const sharePrice = sale === 'live-shares-only' ? plan.sharePrice : null
  const sellable = sale === 'by-the-piece' ? cuts.filter((c) => c.price.milli > 0) : []
  const sold = kgOfAll(sellable, () => true)
  const products = kgOfAll(cuts, (c) => c.cut.kind === 'product')
  const uncovered = whyUncovered(plan.verdict.food, sale, costs.total > 0, hasWeight, sharePrice !== null)
  const figures: MoneyFigures = {
    costs,
    target,
    earned: earned(worth.money, spent),
    net: worth.money,
    netRange: null,
    cover: uncovered ? null : worth.money / costs.total,
    uncovered,
    coverRange: null,
    neededPerKg: costs.total > 0 ? neededPerKg(plus(costs.total, target), sold) : null,
    costPerKg: neededPerKg(costs.total, products),
  }
  if (!drawn) return figures
  const { hot, aged } = drawn.stages
  const nets = drawnNets(drawn, plan, cuts)
  const slope = feePerKg(plan.fees)
  const costIn = (d: number) =>
    costs.total + slope.hot * (hot[d]! - billed.hot) + slope.hanging * (aged[d]! - billed.hanging)
  return {
    ...figures,
    netRange: interval(nets),
    coverRange: figures.cover === null ? null : interval(nets.map((n, d) => n / costIn(d))),
  }
}

function whyUncovered(
  food: boolean,
  sale: SaleRule,
  costs: boolean,
  weight: boolean,
  sharePrice: boolean,
): Uncovered | null {
  if (!food) return 'lost'
  if (sale === 'never') return 'not-for-sale'
  if (!costs) return 'no-costs'
  if (!weight) return 'no-weight'
  return sale === 'live-shares-only' && !sharePrice ? 'no-share-price' : null
}
