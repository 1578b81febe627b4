import { openedFrom, sidesOf, type Part, type SideName } from '#core/anatomy'
import { sumOf, type Kg } from '#core/measure'
import { isLater } from '#core/plan'
import type { Hold } from '#core/records'
import type { Reckoning } from './lot.ts'
import { partFigure, type PartFigure } from './parts.ts'

/** A part that is not cut today, alike on these sides, and what it weighs there. */
export interface HeldPart extends PartFigure {
  part: string
  names: Part['names']
  sides: SideName[]
  hold: Hold
}

/** What is held, down the carcass; a part that nothing is left of is not, and what waits in another waits with it. */
export function heldParts(read: Reckoning): HeldPart[] {
  const { anatomy } = read.flow
  return anatomy.parts.flatMap((part) => {
    const held = sidesOf(part).flatMap((side) => {
      const hold = read.plan.held.get(part.id, side)
      const outer = openedFrom(anatomy, part.id)
      const waits = outer !== null && isLater(anatomy, read.plan.held, outer, side)
      return hold && !waits ? [{ side, hold }] : []
    })
    return [...new Set(held.map((h) => h.hold))].flatMap((hold) => {
      const sides = held.filter((h) => h.hold === hold).map((h) => h.side)
      const figure = partFigure(read, part.id, sides)
      return figure.kg > 0 ? [{ part: part.id, names: part.names, sides, hold, ...figure }] : []
    })
  })
}

/** All that is held. */
export const heldMass = (read: Reckoning): Kg => sumOf(heldParts(read), (p) => p.kg)

/** What becomes of a part that is held, in words. */
export const HOLD_WORDS: Record<Hold, string> = {
  chilled: 'uncut, held in the cold',
  frozen: 'uncut, frozen',
  sold: 'uncut, sold as it is',
  taken: 'uncut, taken home',
  later: 'cut another day, as planned',
}
