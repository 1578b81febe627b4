import { kg, type Kg } from '#core/measure'
import { keepsBone, portionFor, roastFor } from '#core/plan'
import type { Reckoning } from '#core/reading'
import type { Decision, Portion } from '#core/records'

/** Households packs are made for: people at a meal (common practice). */
export const HOUSEHOLDS = [2, 4, 8] as const

/** A cut of pieces as it is packed for a household: pieces a pack, what one weighs, and the packs that come of it. */
export interface HouseholdPack {
  cut: string
  pieces: number
  each: Kg
  packs: number
  portion: Portion
}

/** Cuts that are pieces of one bird, packed for so many people: as many pieces as a meal takes, bone and all. */
export function packsFor(read: Reckoning, people: number): HouseholdPack[] {
  return read.cuts.flatMap((c): HouseholdPack[] => {
    const portion = portionFor(c.cut, read.plan.portions)
    const isMeal = c.cut.kind === 'product' && ['R', 'T', 'B'].includes(c.cut.destination)
    if (portion?.kind !== 'whole' || !isMeal || c.pieces === 0) return []
    const each = kg(c.expectedKg / c.pieces)
    // A whole bird is a pack of its own.
    if (c.pieces <= read.count && each > 0.45 * ((read.weights?.aged ?? 0) / read.count)) return []
    const wanted = roastFor(people, keepsBone(read.flow.anatomy, c.cut.id)) / each
    const pieces = Math.min(50, Math.max(1, Math.round(wanted)))
    return [
      {
        cut: c.cut.id,
        pieces,
        each,
        packs: Math.ceil(c.pieces / pieces),
        portion: { ...portion, perPack: pieces },
      },
    ]
  })
}

/** What is decided for such packs. */
export const decideFor = (packs: readonly HouseholdPack[]): Decision[] =>
  packs.map(({ cut, portion }) => ({ field: 'portion', target: cut, side: 'animal', value: portion }))
