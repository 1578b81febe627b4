import { group } from 'd3-array'
import { fromKg, massDigits, roundToSum, sumOf, type Kg, type MassUnit } from '#core/measure'
import type { CutSlot } from '#core/carcass'
import type { Reckoning } from './lot.ts'

/** Weights as every screen shows them, in the farm's unit: rounded together, so that they add up by hand. */
export interface Shown {
  cuts: Map<string, number>
  carcass: number
  /** Offal kept from outside the carcass. */
  kept: number
  added: number
  products: number
  byProducts: number
  losses: number
  difference: number
}

/** A cut of a part as it comes off the block: so much of it on that side, as packs have taught, in the farm's unit. */
export interface ShownRow {
  slot: CutSlot
  cut: string
  shown: number
}

/** What comes of every part, rounded so that the rows of a cut add up to what the tray shows of it. Products only. */
export function shownRows(read: Reckoning, unit: MassUnit): ShownRow[] {
  const { cuts } = shownWeights(read, unit)
  const rows = read.cutting.slots.flatMap((slot) =>
    slot.rows.flatMap((r) =>
      r.cut?.kind === 'product' && r.green > 1e-9 ? [{ slot, cut: r.cut.id, kg: r.product }] : [],
    ),
  )
  const out: ShownRow[] = []
  for (const [cut, own] of group(rows, (r) => r.cut)) {
    const all = sumOf(own, (r) => r.kg)
    const whole = cuts.get(cut) ?? 0
    const figures = roundToSum(
      own.map((r) => (all > 0 ? (r.kg / all) * whole : 0)),
      massDigits(unit),
      whole,
    )
    own.forEach(({ slot }, i) => out.push({ slot, cut, shown: figures[i]! }))
  }
  return out
}

const KINDS = ['product', 'by-product', 'loss'] as const

/**
 * Rounds a lot's cuts to the carcass the stair shows: carcass + kept + added = products + by-products + losses +
 * difference. What is taken home is rounded as the stair rounds it, and what was weighed in full is shown as it was
 * weighed; bones, fat and losses take up what rounding leaves, and none of it falls on what there is nothing of.
 */
export function shownWeights(read: Reckoning, unit: MassUnit): Shown {
  const digits = massDigits(unit)
  const round = (x: number) => Number(x.toFixed(digits))
  const figure = (kg: Kg) => round(fromKg(kg, unit))
  const { carcass, kept, added, difference } = read.balance
  const whole = {
    carcass: figure(carcass),
    kept: figure(kept),
    added: figure(added),
    difference: figure(difference),
  }
  const cuts = new Map(read.cuts.map((c) => [c.cut.id, c.done ? figure(c.kg) : 0]))
  const groups = KINDS.map((kind) => {
    const own = read.cuts.filter((c) => c.cut.kind === kind)
    const open = own.filter((c) => !c.done && c.kg > 1e-6)
    return { kind, own, open, done: sumOf(own, (c) => cuts.get(c.cut.id)!) }
  })
  const last = groups.findLast((g) => g.open.length > 0)
  const into = round(whole.carcass + whole.kept + whole.added)
  const sums = { product: 0, 'by-product': 0, loss: 0 }
  let rest = round(into - whole.difference)
  // The group that takes up what rounding leaves comes when all the others are rounded.
  for (const g of [...groups.filter((x) => x !== last), ...(last ? [last] : [])]) {
    const all = g === last ? rest : figure(sumOf(g.own, (c) => c.kg))
    const figures = roundToSum(
      g.open.map((c) => fromKg(c.kg, unit)),
      digits,
      Math.max(0, round(all - g.done)),
    )
    g.open.forEach((c, i) => cuts.set(c.cut.id, figures[i]!))
    sums[g.kind] = round(g.done + sumOf(figures, (x) => x))
    rest = round(rest - sums[g.kind])
  }
  return {
    ...whole,
    difference: round(whole.difference + rest),
    cuts,
    products: sums.product,
    byProducts: sums['by-product'],
    losses: sums.loss,
  }
}
