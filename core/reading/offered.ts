import { lookup, openedFrom, sidesOf, type Anatomy, type SideName } from '#core/anatomy'
import { sidesIn, unmet, type CutSlot } from '#core/carcass'
import type { Reckoning } from './lot.ts'

/**
 * Whether a part can be decided on under the plan: it hangs, or it is offal that could be kept. A skinned hog has no
 * feet, a sawn tenderloin is not there.
 */
export function offered(read: Reckoning, id: string): boolean {
  const { anatomy } = read.flow
  const part = lookup(anatomy).part(id)!
  if (part.offCarcass && sidesIn(anatomy, read.plan.hangs, id).length === 0) return false
  if (part.offCarcass && read.plan.hangs.as === 'whole')
    return !unmet(anatomy, part.needs, read.plan.conventions)
  return read.cutting.partKg(id) > 1e-9
}

/** Parts in the order they are walked: down the carcass, those that can be decided on. */
export const offeredParts = (read: Reckoning): string[] =>
  read.flow.anatomy.parts.map((p) => p.id).filter((id) => offered(read, id))

/** The part itself and those it was opened from, outwards: what is drawn is the outermost. */
export function fromInside(anatomy: Anatomy, part: string): string[] {
  const outer = openedFrom(anatomy, part)
  return outer ? [part, ...fromInside(anatomy, outer)] : [part]
}

/** What there is one of and no drawing shows: offal kept or left, and the trim, fat and bones of both sides together. */
export function loneParts(read: Reckoning): CutSlot[] {
  const { anatomy } = read.flow
  const onMap = new Set(anatomy.map.shapes.flatMap((s) => s.parts))
  return anatomy.parts.flatMap((p) =>
    p.scope === 'animal' && !onMap.has(p.id) && openedFrom(anatomy, p.id) === null && offered(read, p.id)
      ? (read.cutting.slot(p.id, 'animal') ?? [])
      : [],
  )
}

/** Parts that could be condemned: offal that is kept. */
export const condemnable = (read: Reckoning): string[] =>
  read.flow.anatomy.parts
    .filter((p) => p.offCarcass && offered(read, p.id) && !read.cutting.slot(p.id, 'animal')?.path.leaves)
    .map((p) => p.id)

/** Parts that can still be miscut: of the carcass, and not ticked off on any side. */
export const uncutParts = (read: Reckoning): string[] =>
  read.flow.anatomy.parts
    .filter(
      (p) =>
        !p.offCarcass && offered(read, p.id) && !sidesOf(p).some((side) => read.plan.steps.get(p.id, side)),
    )
    .map((p) => p.id)

/** Cuts that a part gives on some sides, as they are planned. */
export function cutsOfPart(read: Reckoning, part: string, sides: readonly SideName[]) {
  const ids = new Set(
    sides.flatMap((side) => read.cutting.slot(part, side)?.rows.flatMap((r) => r.cut?.id ?? []) ?? []),
  )
  return read.cuts.filter((c) => ids.has(c.cut.id))
}
