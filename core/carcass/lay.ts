import type { Portion } from '#core/anatomy'
import { mm, type Kg, type Mm } from '#core/measure'
import { endsToTrim, opensEnds, type CutOff } from './ends.ts'
import { mmUpTo, placesOf } from './setting.ts'
import { LAID, type Flow, type FlowSetting, type SlotLength } from './flow.ts'

/** A stretch of a part's length as a cut takes it: what comes of it in pieces, and what is left of it. */
export interface Stretch {
  /** Of the part's length, shares from the front. */
  readonly from: number
  readonly to: number
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
  /** Whether that is opened for the trim; else it goes in with the last pack. */
  readonly opened: boolean
  /** Share of its mass that turns to dust: cuts × kerf ÷ length, less the ends where they are opened. */
  readonly dust: number
}

/** How a cut is divided: as the plan says, or as usual. */
export type Portions = ReadonlyMap<string, Portion>

/** Millimetres, at the reference carcass, and vertebrae of a part's length. */
export function lengthOf(length: SlotLength, axisMm: Float64Array, at: Readonly<Record<string, number>>) {
  if (length.mm !== null) return { mm: length.mm, vertebrae: 0 }
  const [from, to] = placesOf(length, at)
  return { mm: Math.max(0, mmUpTo(axisMm, to) - mmUpTo(axisMm, from)), vertebrae: Math.max(0, to - from) }
}

/**
 * How much longer an animal of so many kg is than the reference: lengths go with the third root of its weight, or of its
 * bone, of which it has `bone` times what is written.
 */
export const lengthScale = ({ anatomy }: Flow, each: Kg, bone = 1): number =>
  Math.cbrt((each * (anatomy.longBy === 'bone' ? bone : 1)) / anatomy.referenceKg)

/** Slices of a length: as many as are whole, or, come out even, as many as come nearest to the thickness. */
function slices(usable: number, sawn: Extract<Portion, { kind: 'sawn' }>, kerf: number): number {
  const n = usable / (sawn.thicknessMm + kerf)
  return sawn.even ? Math.round(n) : Math.max(0, Math.floor(n + 1e-9))
}

/**
 * Lays the cuts of a plan along their parts, lengths `scale` times those of the reference carcass.
 * `kerfs` is what a saw takes beside the usual. Every row takes its own stretch, so no length is cut twice. Answers by row; the share of a row that the saw turns to
 * dust, and ends that are opened for the trim, go into the setting. Anatomies older than types have their dust in the shares of their ways.
 */
export function lay(
  flow: Flow,
  setting: FlowSetting,
  scale: number,
  portions: Portions,
  kerfs = 1,
): ReadonlyMap<number, Stretch> {
  const { anatomy } = flow
  const { slots, rowCut, lengths, axisMm } = flow[LAID]
  const out = new Map<number, Stretch>()
  const cutOff: CutOff[] = []
  slots.forEach((slot, s) => {
    const own = lengths[s]
    if (!own) return
    const length = lengthOf(own, axisMm, setting.lineAt[slot.side === 'right' ? 'right' : 'left'])
    if (length.mm === 0) return
    const behind = setting.rear[s]
    const [front, rear] = own.ends
    layRows(setting.pathOf[s]!, [0, behind?.at ?? 1])
    if (behind) layRows(behind.pathOf, [behind.at, 1])

    /** The rows of a way laid along its part, or along the stretch of it that is its own. */
    function layRows(pathOf: number, [first, past]: readonly [number, number]) {
      const { path, start, end } = slot.paths[pathOf]!
      for (let r = start; r < end; r++) {
        const made = anatomy.cuts[rowCut[r]!]
        if (made?.kind !== 'product') continue
        const portion = portions.get(made.id) ?? made.portion
        const { along, last } = path.outputs[r - start] ?? {}
        if (along === null) continue
        const at = last === undefined ? (along?.[0] ?? 0) : Math.max(0, 1 - last / length.mm)
        const from = first + at * (past - first)
        const to = first + (along?.[1] ?? 1) * (past - first)
        const whole = length.mm * scale * (to - from)
        const ends = ((from === 0 ? front : 0) + (to === 1 ? rear : 0)) * scale
        const usable = Math.max(0, whole - ends)
        const vertebrae = Math.floor(length.vertebrae * (to - from) + 1e-9)
        const sawn = portion?.kind === 'sawn' ? portion : null
        const kerf = sawn && path.tool === 'saw' ? sawn.kerfMm * kerfs : 0
        const pieces = sawn ? slices(usable, sawn, kerf) : portion?.kind === 'snapped' ? vertebrae : 0
        const slice = sawn?.even ? usable / Math.max(1, pieces) : (sawn?.thicknessMm ?? 0) + kerf
        const left = sawn ? Math.max(0, whole - pieces * slice) : 0
        const off = { row: r, start, end, share: left / whole }
        const opened = sawn?.ends === 'trim' && left > 0 && opensEnds(flow, off)
        if (opened) cutOff.push(off)
        const cut = whole - (opened ? left : 0)
        const dust = anatomy.types.length > 0 && cut > 0 ? (pieces * kerf) / cut : 0
        setting.dust[r] = dust
        out.set(r, {
          from,
          to,
          mm: mm(whole),
          thick: mm(sawn && pieces > 0 ? slice - kerf : 0),
          usable: mm(usable),
          kerf: mm(kerf),
          vertebrae,
          pieces,
          left: mm(left),
          opened,
          dust,
        })
      }
    }
  })
  endsToTrim(flow, setting, cutOff)
  return out
}

/** Whole slices by the segment of the axis that their middle lies in, from the head end; none where the part has no place on it. */
export function slicesBySegment(
  flow: Flow,
  setting: FlowSetting,
  s: number,
  { from, pieces, thick, kerf }: Stretch,
  scale: number,
): ReadonlyMap<string, number> {
  const { lengths, slots, axisMm } = flow[LAID]
  const own = lengths[s]
  const found = new Map<string, number>()
  if (!own || own.mm !== null || pieces === 0) return found
  const lines = setting.lineAt[slots[s]!.side === 'right' ? 'right' : 'left']
  const start = mmUpTo(axisMm, placesOf(own, lines)[0])
  const first = start + from * lengthOf(own, axisMm, lines).mm + (from === 0 ? own.ends[0] : 0)
  for (let i = 0; i < pieces; i++) {
    const middle = first + ((i + 0.5) * (thick + kerf)) / scale
    const next = axisMm.findIndex((x) => x > middle)
    const { id } = flow.anatomy.axis[(next < 0 ? axisMm.length : next) - 1]!
    found.set(id, (found.get(id) ?? 0) + 1)
  }
  return found
}
