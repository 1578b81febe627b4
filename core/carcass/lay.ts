import { lengthBetween, lookup, positionOf, type Anatomy, type Portion, type SideName } from '#core/anatomy'
import { mm, type Kg, type Mm } from '#core/measure'
import { LAID, type Flow, type FlowSetting } from './flow.ts'

/** A stretch of a part's length as a cut takes it: what comes of it in pieces, and what is left of it. */
export interface Stretch {
  /** From its first to its last slice, ends and all. */
  readonly mm: Mm
  /** Less the ends that make no good piece. */
  readonly usable: Mm
  readonly vertebrae: number
  /** Of one saw cut; a knife takes none. */
  readonly kerf: Mm
  /** Of one slice, where the cut is sawn. */
  readonly thick: Mm
  /** Whole pieces, where the cut is sawn or snapped. */
  readonly pieces: number
  /** What makes no good piece: the ends of the part, and what is too short for another one. */
  readonly left: Mm
  /** Share of its mass that turns to dust: cuts × kerf ÷ length. */
  readonly dust: number
}

/** How a cut is divided: as the plan says, or as usual. */
export type Portions = ReadonlyMap<string, Portion>

/** Length of a part on a side at the reference carcass, and its vertebrae; none where it is not cut along a length. */
export function lengthOf(
  anatomy: Anatomy,
  setting: Pick<FlowSetting, 'lineAt'>,
  part: string,
  side: SideName,
): { mm: Mm; vertebrae: number } | null {
  const { length } = lookup(anatomy).part(part)!
  if (!length) return null
  if ('mm' in length) return { mm: mm(length.mm), vertebrae: 0 }
  const at = setting.lineAt[side === 'right' ? 'right' : 'left']
  const place = (id: string) => at[id] ?? positionOf(anatomy.axis, id)
  const [from, to] = [place(length.from), place(length.to)]
  return { mm: lengthBetween(anatomy.axis, from, to), vertebrae: Math.max(0, to - from) }
}

/** Slices of a length: as many as are whole, or, come out even, as many as come nearest to the thickness. */
function slices(usable: number, sawn: Extract<Portion, { kind: 'sawn' }>, kerf: number): number {
  const n = usable / (sawn.thicknessMm + kerf)
  return sawn.even ? Math.round(n) : Math.max(0, Math.floor(n + 1e-9))
}

/**
 * Lays the cuts of a plan along their parts, on a carcass of `each` kg (one animal): lengths go with its third root.
 * Every row takes its own stretch, so no length is cut twice. Answers by row; the share of a row that the saw turns to
 * dust goes into the setting. Anatomies older than types have their dust in the shares of their ways.
 */
export function lay(
  flow: Flow,
  setting: FlowSetting,
  each: Kg,
  portions: Portions,
): ReadonlyMap<number, Stretch> {
  const { anatomy } = flow
  const { slots, rowCut } = flow[LAID]
  const scale = Math.cbrt(each / anatomy.referenceKg)
  const out = new Map<number, Stretch>()
  slots.forEach((slot, s) => {
    const length = lengthOf(anatomy, setting, slot.part, slot.side)
    if (!length || length.mm === 0) return
    const { path, start } = slot.paths[setting.pathOf[s]!]!
    const [front, rear] = (lookup(anatomy).part(slot.part)!.ends ?? [0, 0]).map((x) => x * scale)
    for (let r = start; r < setting.end[s]!; r++) {
      const cut = anatomy.cuts[rowCut[r]!]
      const along = path.outputs[r - start]?.along
      if (!cut || along === null) continue
      const [from, to] = along ?? [0, 1]
      const portion = portions.get(cut.id) ?? cut.portion
      const whole = length.mm * scale * (to - from)
      const ends = (from === 0 ? front! : 0) + (to === 1 ? rear! : 0)
      const usable = Math.max(0, whole - ends)
      const vertebrae = Math.floor(length.vertebrae * (to - from) + 1e-9)
      const sawn = portion?.kind === 'sawn' ? portion : null
      const kerf = sawn && path.tool === 'saw' ? sawn.kerfMm : 0
      const pieces = sawn ? slices(usable, sawn, kerf) : portion?.kind === 'snapped' ? vertebrae : 0
      const slice = sawn?.even ? usable / Math.max(1, pieces) : (sawn?.thicknessMm ?? 0) + kerf
      const left = sawn ? Math.max(0, whole - pieces * slice) : 0
      const dust = anatomy.types.length > 0 ? (pieces * kerf) / whole : 0
      setting.dust[r] = dust
      out.set(r, {
        mm: mm(whole),
        thick: mm(sawn && pieces > 0 ? slice - kerf : 0),
        usable: mm(usable),
        kerf: mm(kerf),
        vertebrae,
        pieces,
        left: mm(left),
        dust,
      })
    }
  })
  return out
}
