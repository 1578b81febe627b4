import type { Cut } from '#core/anatomy'
import { kg, minor, minus, sumOf, type Kg, type Minor, type UnitPrice } from '#core/measure'
import type { Plan } from '#core/plan'
import type { Finish, OwnUse } from '#core/records'
import type { SaleRule } from '#core/rules'
import { classesBilled, type Billed } from './billed.ts'
import { feesOf, labourOf } from './costs.ts'
import { cutCosts } from './cutCosts.ts'
import { takings } from './takings.ts'

/** What there is, or will be, of a cut, and at what terms it goes. */
export interface ValuedCut {
  cut: Cut
  kg: Kg
  /** Lean and fat of it, before its process adds or takes; what can be eaten. */
  edible: Kg
  pieces: number
  packs: number
  price: UnitPrice
  sold: number
  rest?: number
  own?: OwnUse | null
  given?: number
  /** What is done to it once it is cut. */
  finishes?: readonly Finish[]
}

/** What a plan is worth, in the figures a choice is judged by. */
export interface Worth {
  takeHome: Kg
  /** Lean and fat of what is sold as meat: what can be eaten of it. */
  edible: Kg
  pieces: number
  packs: number
  /** Expected net at the prices in force, of what may be sold under the route: cuts, shares, or nothing. */
  money: Minor
  fees: Minor
  labour: Minor
  /** What finishes cost beside their minutes, and the help that is paid in meat. */
  goods: Minor
  bone: Kg
  fat: Kg
  minutes: number
}

/** What decides how things are valued: the plan's route, fees and share price, and the farm's hour. */
export type ValuingTerms = Pick<Plan, 'verdict' | 'fees' | 'sharePrice'>

/** Expected net of a cut under the route: nothing where cuts may not be sold by the piece. Whole minor units. */
export const valueOf = (
  c: Pick<ValuedCut, 'cut' | 'kg' | 'price' | 'sold' | 'rest' | 'own' | 'given'>,
  sale: SaleRule,
): Minor => (sale === 'by-the-piece' ? takings(c.kg, c.price, c) : minor(0))

const of = (cuts: readonly ValuedCut[], to: Cut['destination']): Kg =>
  sumOf(cuts, (c) => (c.cut.kind !== 'product' && c.cut.destination === to ? c.kg : kg(0)))

/**
 * The one valuation: mass, pieces, packs, money under what may be sold, fees and labour. Reckoning gives it what was
 * weighed and is still to come, alternatives and comparisons what a plan would bring.
 */
export function worthOf(
  cuts: readonly ValuedCut[],
  terms: ValuingTerms,
  billed: Omit<Billed, 'packs' | 'cutCosts'>,
  hour: Minor,
): Worth {
  const sale = terms.verdict.sale
  const packs = sumOf(cuts, (c) => c.packs)
  const fees = feesOf(terms.fees, { ...billed, packs, classes: classesBilled(cuts) })
  const shares =
    sale === 'live-shares-only' && terms.sharePrice
      ? takings(billed.hanging, terms.sharePrice, { sold: 1 })
      : minor(0)
  return {
    takeHome: sumOf(cuts, (c) => (c.cut.kind === 'product' ? c.kg : kg(0))),
    edible: sumOf(cuts, (c) => c.edible),
    pieces: sumOf(cuts, (c) => c.pieces),
    packs,
    money: sale === 'by-the-piece' ? sumOf(cuts, (c) => valueOf(c, sale)) : shares,
    fees: sumOf(fees, (r) => r.amount),
    labour: labourOf(billed.minutes, hour),
    goods: sumOf(cutCosts(cuts, sale), (r) => r.amount),
    bone: of(cuts, 'N'),
    fat: of(cuts, 'F'),
    minutes: billed.minutes,
  }
}

/** What is left once the plan's own fees and hours are paid: what a choice is judged by. */
export const afterBench = (w: Worth): Minor => minus(minus(minus(w.money, w.fees), w.labour), w.goods)

/** One worth less another, figure by figure. */
export const lessWorth = (a: Worth, b: Worth): Worth => ({
  takeHome: minus(a.takeHome, b.takeHome),
  edible: minus(a.edible, b.edible),
  pieces: a.pieces - b.pieces,
  packs: a.packs - b.packs,
  money: minus(a.money, b.money),
  fees: minus(a.fees, b.fees),
  labour: minus(a.labour, b.labour),
  goods: minus(a.goods, b.goods),
  bone: minus(a.bone, b.bone),
  fat: minus(a.fat, b.fat),
  minutes: a.minutes - b.minutes,
})

/** Money a plate of so much raw meat brings, over all there is to eat; minor units, not rounded. */
export const perPlate = (w: Worth, plate: Kg): number => w.money / Math.max(1, w.edible / plate)
