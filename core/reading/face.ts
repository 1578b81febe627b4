import { lookup } from '#core/anatomy'
import { faceAt, hasFace, sliceKg, type Back, type Face } from '#core/carcass'
import { kg, mm, type Kg, type Mm } from '#core/measure'
import { portionFor } from '#core/plan'
import type { Half } from '#core/records'
import type { Reckoning } from './lot.ts'

/** What a saw shows across a part, at a share of its length from the front. */
export interface FaceOfPart {
  face: Face
  /** The segment of the axis it lies in: "rib 10". */
  place: string
  /** Places of the part's ends on the axis, segments from the head end. */
  from: number
  to: number
  /** How thick the part's pieces are sawn, and what a slice so thick weighs before it is trimmed. */
  thickness: Mm
  slice: Kg
}

/** A saw that nothing was said to. */
const USUAL_MM = 25

/** The face across a part of the back; null where it is none, or nothing was weighed. */
export function faceOfPart(read: Reckoning, part: string, side: Half, share: number): FaceOfPart | null {
  const { flow, weights, count, plan, animal, cutting } = read
  const { anatomy } = flow
  const length = lookup(anatomy).part(part)?.length
  if (!weights || !length || !('from' in length) || !hasFace(anatomy)) return null
  const holdsEye = anatomy.bands.some((b) => b.id === 'eye' && b.spans.some((s) => s.part === part))
  if (!holdsEye || !cutting.slot(part, side)?.holds) return null
  const lines = cutting.lineAt(side)
  const place = (line: string | undefined, end: number) => (line === undefined ? end : (lines[line] ?? end))
  const from = place(length.from, 0)
  const to = place(length.to, anatomy.axis.length)
  if (!(to > from)) return null
  const back: Back = {
    anatomy,
    carcass: kg(weights.aged / count),
    conventions: plan.conventions,
    animal,
    type: plan.type,
    measured: plan.measured,
  }
  const at = from + Math.min(1, Math.max(0, share)) * (to - from)
  const face = faceAt(back, at)
  const sawn = cutting
    .slot(part, side)!
    .rows.map((r) => r.cut && portionFor(r.cut, plan.portions))
    .find((p) => p?.kind === 'sawn')
  const thickness = mm(sawn?.kind === 'sawn' ? sawn.thicknessMm : USUAL_MM)
  const segment = anatomy.axis[Math.min(anatomy.axis.length - 1, Math.floor(at - 1e-9))]!
  return { face, place: segment.id, from, to, thickness, slice: sliceKg(face, thickness) }
}
