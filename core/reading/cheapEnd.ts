import { lookup, sidesOf, type Names, type SideName } from '#core/anatomy'
import { sidesIn } from '#core/carcass'
import type { Flow } from '#core/carcass'
import { afterBench, lessWorth } from '#core/ledger'
import { interval, kg, minor, perKg, sumOf, type Interval, type Kg, type Minor } from '#core/measure'
import type { Decision } from '#core/records'
import { takePath } from '#core/plan'
import { alternativesFor } from './alternatives.ts'
import { triedOn } from './groups.ts'
import type { FarmFigures, LotState, Reckoning } from './lot.ts'
import { drawnNets } from './money.ts'
import { offered } from './offered.ts'
import { reckon } from './reckon.ts'

/** A part of which much sells near nothing, made a product: what that would leave over. */
export interface Lift {
  part: string
  names: Names
  sides: readonly SideName[]
  /** Its way now, and the other. */
  from: Names
  to: Names
  path: string
  /** What of it goes for near nothing now, and how much would after. */
  cheapKg: Kg
  leftKg: Kg
  minutes: number
  packs: number
  /** More net, less the fees and hours it takes, where only `sells` of what is new is sold. */
  extra: Minor
  /** How far the dear cuts could drop with Cover as it is, as a ratio of their prices. */
  drop: number
  said: Decision[]
}

/** Below this share of the average price of what sells, a cut goes for near nothing (our own figure). */
const NEAR_NOTHING = 0.35
/** Of a product that is new to its buyers so much is counted as sold (our own figure; docs/sources.md: cheap-end). */
export const SELLS = 0.6

/** Kilograms that come of a part and go for near nothing: by-products, and products at a fraction of the average price. */
function cheapOf(read: Reckoning, outputs: readonly { cut: string | null; kg: Kg }[]): Kg {
  const prices = new Map(read.cuts.map((c) => [c.cut.id, perKg(c.price)]))
  const sold = read.cuts.filter((c) => c.value > 0)
  const average =
    sumOf(sold, (c) => c.value) /
    Math.max(
      1e-9,
      sumOf(sold, (c) => c.kg),
    )
  const { cut } = lookup(read.flow.anatomy)
  const terms = read.plan.terms
  const priceOf = (id: string) => prices.get(id) ?? (terms.get(id)?.index ?? 0) * perKg(read.farm.mince)
  return sumOf(outputs, (o) =>
    o.cut !== null && cut(o.cut)?.kind !== 'loss' && priceOf(o.cut) < NEAR_NOTHING * average ? o.kg : kg(0),
  )
}

/** Sides of a part that are cut alike: what is decided for one is decided for the other. */
function alike(read: Reckoning, part: string): SideName[][] {
  const here = sidesIn(read.flow.anatomy, read.plan.hangs, part)
  const ways = here.map((side) => read.cutting.slot(part, side)?.path)
  return ways.every((w) => w === ways[0]) ? [[...here]] : here.map((side) => [side])
}

/**
 * For every part of which something sells near nothing: the way that leaves most over once its fees and hours are paid and a
 * part of it stays unsold; and how far the prices of the dear cuts could drop for it. Best first; only what pays.
 */
export function cheapEnd(read: Reckoning): Lift[] {
  const { anatomy } = read.flow
  const find = lookup(anatomy)
  const dear = sumOf(read.cuts, (c) =>
    c.value > 0 && perKg(c.price) > (read.money.neededPerKg ?? 0) ? c.value : minor(0),
  )
  return anatomy.parts
    .filter((p) => offered(read, p.id))
    .flatMap((p) =>
      alike(read, p.id).flatMap((sides): Lift[] => {
        if (sides.length === 0 || sides.length > sidesOf(p).length) return []
        const all = alternativesFor(read, p.id, sides)
        const now = all.find((a) => a.inForce)
        const cheap = now ? cheapOf(read, now.outputs) : kg(0)
        if (!now || cheap < 0.05) return []
        const [best] = all
          .filter((a) => !a.inForce && !a.refusal)
          .map((a) => {
            const { money, ...rest } = lessWorth(a.whole, now.whole)
            const extra = afterBench({ ...rest, money: minor(money > 0 ? money * SELLS : money) })
            return { a, rest, extra, left: cheapOf(read, a.outputs) }
          })
          .filter((x) => x.extra > 0 && x.left < cheap - 0.05)
          .sort((x, y) => y.extra - x.extra)
        if (!best) return []
        return [
          {
            part: p.id,
            names: p.names,
            sides,
            from: find.path(now.path)!.names,
            to: find.path(best.a.path)!.names,
            path: best.a.path,
            cheapKg: cheap,
            leftKg: best.left,
            minutes: best.rest.minutes,
            packs: best.rest.packs,
            extra: best.extra,
            drop: dear > 0 ? best.extra / dear : 0,
            said: takePath(anatomy, p.id, sides, best.a.path),
          },
        ]
      }),
    )
    .sort((a, b) => b.extra - a.extra)
}

/** Draws that a lift is judged by: enough for its middle 80 %. */
const DRAWS = 400

/**
 * The likely range of what each lift leaves over: both plans in the same draws, of the difference as much counted as sells.
 * What is spent is taken as it is in the middle.
 */
export function liftRanges(
  base: Flow,
  lot: LotState,
  farm: FarmFigures,
  lifts: readonly Lift[],
): (Interval | null)[] {
  const netsOf = (read: Reckoning) => read.drawnNow && drawnNets(read.drawnNow, read.plan, read.cuts)
  const now = reckon(base, lot, farm, DRAWS)
  const before = netsOf(now)
  return lifts.map((lift) => {
    const then = reckon(base, triedOn(lot, lift.said), farm, DRAWS)
    const after = netsOf(then)
    if (!before || !after) return null
    const spent = then.money.costs.total - now.money.costs.total
    return interval(
      after.map((net, d) => {
        const more = net - before[d]!
        return (more > 0 ? more * SELLS : more) - spent
      }),
    )
  })
}
