import { isUncut, lookup, openedFrom, uncutWay, type Anatomy, type SideName } from '#core/anatomy'
import { SidedMap, type Sided } from '#core/carcass'
import type { Decision, Hold } from '#core/records'
import { takePath } from './takePath.ts'

/** Whether a part may be held: it can be left uncut. */
export const canBeHeld = (anatomy: Anatomy, part: string): boolean =>
  anatomy.paths.some((p) => p.part === part && isUncut(p))

/** A hold stands where its part is left uncut, or where it keeps its plan for another day. */
export function heldIn(anatomy: Anatomy, paths: Sided<string>, wanted: Sided<Hold>): SidedMap<Hold> {
  const find = lookup(anatomy)
  const isSo = (part: string, side: SideName, hold: Hold) => {
    const way = find.path(paths.get(part, side) ?? find.part(part)?.fallback ?? '')
    return way !== undefined && isUncut(way) === (hold !== 'later')
  }
  return new SidedMap([...wanted].filter((h) => isSo(h.id, h.side, h.value)))
}

/** Whether a part is cut another day: itself, or what it comes out of. */
export function isLater(anatomy: Anatomy, held: Sided<Hold>, part: string, side: SideName): boolean {
  if (held.size === 0) return false
  if (held.get(part, side) === 'later') return true
  const outer = openedFrom(anatomy, part)
  return outer !== null && isLater(anatomy, held, outer, side)
}

/**
 * The decisions that hold a part on these sides, or cut it today after all (null): held uncut it takes that way; for
 * another day, or today again, it goes back to its usual way where it was uncut and else stays as planned. `taken` are the plan’s ways.
 */
export function holdPart(
  anatomy: Anatomy,
  taken: Sided<string>,
  part: string,
  sides: readonly SideName[],
  hold: Hold | null,
): Decision[] {
  const find = lookup(anatomy)
  const uncut = uncutWay(part)
  const usual = find.part(part)!.fallback
  const now = (side: SideName) => taken.get(part, side) ?? usual
  const wantsUncut = hold !== null && hold !== 'later'
  const moved = sides.filter((side) => (now(side) === uncut) !== wantsUncut)
  const paths = takePath(anatomy, part, moved, wantsUncut ? uncut : usual)
  return [...paths, ...sides.map((side): Decision => ({ field: 'held', target: part, side, value: hold }))]
}
