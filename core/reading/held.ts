import { sidesOf, type Part, type SideName } from '#core/anatomy'
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

/** What is held, down the carcass; a part that nothing is left of is not. */
export function heldParts(read: Reckoning): HeldPart[] {
  const { anatomy } = read.flow
  return anatomy.parts.flatMap((part) => {
    const held = sidesOf(part).flatMap((side) => {
      const hold = read.plan.held.get(part.id, side)
      return hold ? [{ side, hold }] : []
    })
    return [...new Set(held.map((h) => h.hold))].flatMap((hold) => {
      const sides = held.filter((h) => h.hold === hold).map((h) => h.side)
      const figure = partFigure(read, part.id, sides)
      return figure.kg > 0 ? [{ part: part.id, names: part.names, sides, hold, ...figure }] : []
    })
  })
}

/** What becomes of a part that is held, in words. */
export const HOLD_WORDS: Record<Hold, string> = {
  chilled: 'uncut, held in the cold',
  frozen: 'uncut, frozen',
  sold: 'uncut, sold as it is',
  taken: 'uncut, taken home',
  later: 'cut another day, as planned',
}
