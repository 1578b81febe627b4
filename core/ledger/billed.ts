import type { Destination } from '#core/anatomy'
import type { CutUp } from '#core/carcass'
import { kg, plus, type Kg } from '#core/measure'
import type { CostRow } from './cutCosts.ts'

/** Animals a way is taken on, and what its part weighs on them. */
export interface WayBilled {
  heads: number
  kg: Kg
}
/** What comes of a class of cuts: its products, and their packs. */
export interface ClassBilled {
  kg: Kg
  packs: number
}

/** What a lot is billed by: its animals, its weights, what is packed, the time at the bench; ways taken and classes of cuts. */
export interface Billed {
  count: number
  /** Animals killed, where some were condemned after it. */
  killed?: number
  hot: Kg
  hanging: Kg
  packs: number
  minutes: number
  live?: Kg
  cold?: Kg
  /** What is packed and will be: products. */
  packed?: Kg
  /** Share of the lot that each animal is, by its own hot weight where all were weighed alone. */
  heads?: readonly number[]
  ways?: ReadonlyMap<string, WayBilled>
  classes?: ReadonlyMap<Destination, ClassBilled>
  /** What follows from the cuts themselves: what goes on them, what is given of them. */
  cutCosts?: readonly CostRow[]
}

/** A cooler rebate takes 2 % off the hot weight (common practice). */
export const REBATE = 0.98

const NO_WAY: WayBilled = { heads: 0, kg: kg(0) }

/** Every way that is taken on meat, with the animals and the kilograms: a side is half an animal, a pair of both one. */
export function waysBilled(cutting: CutUp, count: number): ReadonlyMap<string, WayBilled> {
  const ways = new Map<string, WayBilled>()
  for (const slot of cutting.slots) {
    if (!slot.holds) continue
    const heads = slot.side === 'animal' ? count : count / 2
    const parts = slot.rear
      ? [
          { path: slot.path, share: slot.rear.at },
          { path: slot.rear.path, share: 1 - slot.rear.at },
        ]
      : [{ path: slot.path, share: 1 }]
    for (const { path, share } of parts) {
      const held = ways.get(path.id) ?? NO_WAY
      ways.set(path.id, { heads: held.heads + heads * share, kg: kg(held.kg + slot.kg * share) })
    }
  }
  return ways
}

/** Ways of several groups as those of the lot. */
export function waysTogether(all: readonly ReadonlyMap<string, WayBilled>[]): ReadonlyMap<string, WayBilled> {
  const sum = new Map<string, WayBilled>()
  for (const ways of all)
    for (const [id, { heads, kg: mass }] of ways) {
      const held = sum.get(id) ?? NO_WAY
      sum.set(id, { heads: held.heads + heads, kg: plus(held.kg, mass) })
    }
  return sum
}

/** What comes of every class of cuts. */
export function classesBilled(
  cuts: readonly { cut: { destination: Destination; kind: string }; kg: Kg; packs: number }[],
): ReadonlyMap<Destination, ClassBilled> {
  const sum = new Map<Destination, ClassBilled>()
  for (const { cut, kg: mass, packs } of cuts) {
    if (cut.kind !== 'product') continue
    const held = sum.get(cut.destination) ?? { kg: kg(0), packs: 0 }
    sum.set(cut.destination, { kg: plus(held.kg, mass), packs: held.packs + packs })
  }
  return sum
}
