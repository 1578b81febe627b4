import { lengthBetween, lookup, positionOf, type Cut, type Portion } from '#core/anatomy'
import { holds, type Flow, type FlowSetting, type Slot, type Yield } from '#core/carcass'
import { toKg, type MassUnit } from '#core/measure'
import type { Plan } from './read.ts'

/** Whole pieces and packs per cut, by cut index, and what is left over at the end of what is sawn. */
export interface Portions {
  pieces: Int32Array
  packs: Int32Array
  /** Kg of end pieces too short for another one; they go in with the last pack of the cut. */
  endKg: Float64Array
  /** The longest end piece of a cut, mm, and the thickness it is too short for. */
  endMm: Float64Array
}

/** How a cut is divided under the plan. */
export const portionFor = (cut: Cut, own: Plan['portions']): Portion | null => own.get(cut.id) ?? cut.portion

/**
 * Pieces and packs of every cut for a group of `count` animals. Sawn: floor(length / (thickness + kerf)), the
 * part's length scaled with carcass weight to the third root; snapped: one at every vertebra; roasts: by target
 * weight; packs: by pack size. A way that takes both sides at once is counted once. `own` says how cuts are divided
 * where not as usual.
 */
export function portionsOf(
  flow: Flow,
  setting: FlowSetting,
  y: Yield,
  carcassKg: number,
  count: number,
  unit: MassUnit,
  own: Plan['portions'] = new Map(),
): Portions {
  const { anatomy } = flow
  const size = anatomy.cuts.length
  const out: Portions = {
    pieces: new Int32Array(size),
    packs: new Int32Array(size),
    endKg: new Float64Array(size),
    endMm: new Float64Array(size),
  }
  const scale = Math.cbrt(carcassKg / count / anatomy.referenceKg)
  flow.slots.forEach((slot, s) => {
    if (!holds(y, s)) return
    const { path } = slot.paths[setting.pathOf[s]!]!
    const sidesAtOnce = path.pair ? 2 : 1
    if (path.pair && slot.side === 'right') return
    for (let r = setting.start[s]!; r < setting.end[s]!; r++) {
      const green = y.rowKg[r]! * sidesAtOnce
      const cut = flow.rowCut[r]!
      const portion = cut < 0 ? null : portionFor(anatomy.cuts[cut]!, own)
      if (!portion || green <= 1e-9) continue
      const kg = (green * flow.rowYield[r]!) / count
      const span = spanOf(flow, setting, slot, scale)
      const n = piecesOf(portion, kg, span)
      out.pieces[cut]! += count * n
      if (portion.kind !== 'sawn' || span.mm === 0) continue
      const left = span.mm - n * (portion.thicknessMm + portion.kerfMm)
      out.endKg[cut]! += (count * kg * left) / span.mm
      out.endMm[cut] = Math.max(out.endMm[cut]!, left)
    }
  })
  anatomy.cuts.forEach((c, i) => {
    const portion = portionFor(c, own)
    if (!portion || y.cutKg[i]! <= 1e-9) return
    if (portion.kind === 'pack') {
      out.packs[i] = Math.ceil(y.cutKg[i]! / (unit === 'kg' ? portion.kg : toKg(portion.lb, 'lb')) - 1e-9)
      out.pieces[i] = out.packs[i]!
    } else out.packs[i] = Math.ceil(out.pieces[i]! / portion.perPack)
  })
  return out
}

/** Length a cut of a part is sawn along on this carcass, mm, and its vertebrae; 0 where it has none. */
export function lengthOf(
  flow: Flow,
  setting: FlowSetting,
  slot: number,
  carcassKg: number,
  count: number,
): SlotSpan {
  return spanOf(flow, setting, flow.slots[slot]!, Math.cbrt(carcassKg / count / flow.anatomy.referenceKg))
}

export interface SlotSpan {
  mm: number
  vertebrae: number
}

function piecesOf(portion: Portion, kg: number, span: SlotSpan): number {
  switch (portion.kind) {
    case 'sawn':
      return Math.floor(span.mm / (portion.thicknessMm + portion.kerfMm))
    case 'snapped':
      return span.vertebrae
    case 'roast':
      return Math.max(1, Math.round(kg / portion.kg))
    case 'whole':
      return portion.perSide
    case 'pack':
      return 0
  }
}

/** Length of a part on this carcass, and the vertebrae along it. */
function spanOf(flow: Flow, setting: FlowSetting, slot: Slot, scale: number): SlotSpan {
  const { axis } = flow.anatomy
  const { length } = lookup(flow.anatomy).part(slot.part)!
  if (!length) return { mm: 0, vertebrae: 0 }
  if ('mm' in length) return { mm: length.mm * scale, vertebrae: 0 }
  const at = setting.lineAt[slot.side === 'right' ? 'right' : 'left']
  const place = (id: string) => at[id] ?? positionOf(axis, id)
  const [from, to] = [place(length.from), place(length.to)]
  return { mm: lengthBetween(axis, from, to) * scale, vertebrae: Math.max(0, Math.floor(to - from + 1e-9)) }
}
