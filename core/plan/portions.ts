import { lengthBetween, lookup, positionOf, type Portion } from '#core/anatomy'
import { holds, type Flow, type FlowSetting, type Slot, type Yield } from '#core/carcass'
import { toKg, type MassUnit } from '#core/measure'

/** Whole pieces and packs per cut, by cut index. */
export interface Portions {
  pieces: Int32Array
  packs: Int32Array
}

/**
 * Pieces and packs of every cut for a group of `count` animals. Sawn: floor(length / (thickness + kerf)), the
 * part's length scaled with carcass weight to the third root; snapped: one at every vertebra; roasts: by target
 * weight; packs: by pack size. A way that takes both sides at once is counted once.
 */
export function portionsOf(
  flow: Flow,
  setting: FlowSetting,
  y: Yield,
  carcassKg: number,
  count: number,
  unit: MassUnit,
): Portions {
  const { anatomy } = flow
  const pieces = new Int32Array(anatomy.cuts.length)
  const packs = new Int32Array(anatomy.cuts.length)
  const scale = Math.cbrt(carcassKg / count / anatomy.referenceKg)
  flow.slots.forEach((slot, s) => {
    if (!holds(y, s)) return
    const { path } = slot.paths[setting.pathOf[s]!]!
    const sidesAtOnce = path.pair ? 2 : 1
    if (path.pair && slot.side === 'right') return
    for (let r = setting.start[s]!; r < setting.end[s]!; r++) {
      const green = y.rowKg[r]! * sidesAtOnce
      const cut = flow.rowCut[r]!
      const portion = cut < 0 ? null : anatomy.cuts[cut]!.portion
      if (!portion || green <= 1e-9) continue
      pieces[cut]! +=
        count * piecesOf(portion, (green * flow.rowYield[r]!) / count, spanOf(flow, setting, slot, scale))
    }
  })
  anatomy.cuts.forEach(({ portion }, i) => {
    if (!portion || y.cutKg[i]! <= 1e-9) return
    if (portion.kind === 'pack') {
      packs[i] = Math.ceil(y.cutKg[i]! / (unit === 'kg' ? portion.kg : toKg(portion.lb, 'lb')) - 1e-9)
      pieces[i] = packs[i]!
    } else packs[i] = Math.ceil(pieces[i]! / portion.perPack)
  })
  return { pieces, packs }
}

interface SlotSpan {
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
