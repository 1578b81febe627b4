import { evidenceOf, type Stage } from '#core/carcass'
import { kg, massesToSum, minus, roundToSum, sumOf, type Kg, type MassUnit } from '#core/measure'
import type { LotState, Reckoning, StageFigure } from './lot.ts'

/** What one group of a lot comes to, or all of it. */
export interface GroupFigures {
  hanging: StageFigure | null
  /** Products, packed and still to come. */
  products: StageFigure | null
  packed: Kg
  minutes: number
}

const packedOf = (read: Reckoning): Kg =>
  sumOf(read.cuts, (c) => (c.cut.kind === 'product' ? c.weighedKg : kg(0)))

const figuresOfRead = (read: Reckoning): GroupFigures => ({
  hanging: read.stages.find((s) => s.id === 'hanging') ?? null,
  products: read.stages.find((s) => s.id === 'cut') ?? null,
  packed: packedOf(read),
  minutes: read.minutes,
})

/** A column of groups in figures that add up to what is shown of all; what was weighed stays as it was. */
function column(figures: readonly (StageFigure | null)[], unit: MassUnit): (StageFigure | null)[] {
  if (figures.some((f) => !f || f.weighed)) return [...figures]
  const shown = massesToSum(
    figures.map((f) => f!.kg),
    unit,
  )
  return figures.map((f, i) => ({ ...f!, kg: shown[i]! }))
}

/**
 * A lot that is split as a table: its groups, what was packed of it and of no group, and all of it, their sum: in the
 * figures of a unit that can be added by hand.
 */
export function groupTable(read: Reckoning, unit: MassUnit) {
  const own = read.groups.map((g) => ({ id: g.id, name: g.name, ...figuresOfRead(g.read) }))
  const hanging = column(
    own.map((g) => g.hanging),
    unit,
  )
  const products = column(
    own.map((g) => g.products),
    unit,
  )
  const minutes = roundToSum(
    own.map((g) => g.minutes),
    0,
    Math.round(read.minutes),
  )
  const groups = own.map((g, i) => ({
    ...g,
    hanging: hanging[i]!,
    products: products[i]!,
    minutes: minutes[i]!,
  }))
  const all = figuresOfRead(read)
  const apart = minus(
    all.packed,
    sumOf(groups, (g) => g.packed),
  )
  return { groups, packedApart: kg(apart < 0.0005 ? 0 : apart), all }
}

/** Two scales of one weight lie this far apart before it is said, as a ratio (our own figure). */
const APART = 0.01

/** Weights that were taken both of the whole lot and of every group, and do not agree: those of the groups count. */
export function weighedTwice(read: Reckoning, lot: LotState): { stage: Stage; lot: Kg; groups: Kg }[] {
  return evidenceOf(lot.weighings).flatMap(({ stage, sd, kg: own }) => {
    const now = read.evidence.find((e) => e.stage === stage)
    const isApart = now && sd === 0 && Math.abs(now.kg / own - 1) > APART
    return isApart ? [{ stage, lot: own, groups: now.kg }] : []
  })
}
