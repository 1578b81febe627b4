import type { CutUp } from '#core/carcass'
import { classesBilled, cutCosts, waysBilled, worthOf, type Billed } from '#core/ledger'
import { kg, minus, plus, sumOf, toKg, type Kg } from '#core/measure'
import { allMinutes, type BenchMinutes } from '#core/plan'
import type { CutFigure, PackRow, Reckoning } from './lot.ts'
import { moneyOf } from './money.ts'
import { stagesOf } from './stages.ts'

/** What a reading is once its carcass is cut and its cuts are counted. */
type Cut = Omit<
  Reckoning,
  'stages' | 'balance' | 'unweighedKg' | 'minutes' | 'worth' | 'money' | 'parts' | 'missing' | 'billed'
>

/** Share of the lot that each animal is by its own hot weight; none where not every one was weighed alone. */
function headsOf(animals: Reckoning['plan']['animals'], count: number): { heads?: number[] } {
  const hot = animals.flatMap((a) => (a.hot ? toKg(a.hot.value, a.hot.unit) : []))
  const all = sumOf(hot, (x) => x)
  return hot.length === count && all > kg(0) ? { heads: hot.map((x) => x / all) } : {}
}

/** Packs that will be billed of all cuts. */
export const billedPacks = (cuts: readonly CutFigure[]): number => sumOf(cuts, (c) => c.billedPacks)

/** The rest of a reading: the stair, the balance, the minutes and the money of what was cut. */
export function finished(
  of: Cut & { bench: BenchMinutes },
  packs: readonly PackRow[],
  ways = waysBilled(of.cutting, of.count),
): Reckoning {
  const { plan, weights, cuts, farm, cutting, bench, drawnNow } = of
  const minutes = allMinutes(bench)
  const billed: Billed = {
    count: of.count,
    killed: of.killed,
    live: weights?.live ?? kg(0),
    cold: weights?.cold ?? kg(0),
    packed: sumOf(cuts, (c) => (c.cut.kind === 'product' ? c.kg : kg(0))),
    ...headsOf(plan.animals, of.count),
    ways,
    classes: classesBilled(cuts.map((c) => ({ ...c, packs: c.billedPacks }))),
    hot: weights?.hot ?? kg(0),
    hanging: weights?.aged ?? kg(0),
    packs: billedPacks(cuts),
    cutCosts: cutCosts(cuts, plan.verdict.sale),
    minutes,
  }
  const worth = worthOf(
    cuts.map((c) => ({ ...c, packs: c.billedPacks })),
    plan,
    billed,
    farm.hour,
  )
  return {
    ...of,
    billed,
    parts: {},
    missing: null,
    stages: weights ? stagesOf(plan, weights, of.evidence, drawnNow, cuts, packs) : [],
    balance: balanceWith(cutting.balance, cuts),
    unweighedKg: minus(
      intoCuts(cutting.balance),
      sumOf(cuts, (c) => c.weighedKg),
    ),
    minutes,
    worth,
    money: moneyOf(plan, farm, billed, weights !== null, cuts, worth, drawnNow),
  }
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
