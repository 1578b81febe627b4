import { lengthBetween, lookup, positionOf, type Cut, type Portion } from '#core/anatomy'
import type { CutSlot, CutUp } from '#core/carcass'
import { kg, mm, toKg, type Kg, type MassUnit, type Mm } from '#core/measure'
import type { Plan } from './read.ts'

/** How a cut comes out of the saw: whole pieces and packs, and what is left over at the end of what is sawn. */
export interface Portioned {
  pieces: number
  packs: number
  /** End pieces too short for another one; they go in with the last pack of the cut. */
  end: Kg
  /** The longest end piece, and the thickness it is too short for. */
  endMm: Mm
}
/** A cut that is not portioned, or of which there is none. */
export const NONE: Readonly<Portioned> = { pieces: 0, packs: 0, end: kg(0), endMm: mm(0) }

export interface SlotSpan {
  mm: Mm
  vertebrae: number
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
  cutting: CutUp,
  count: number,
  unit: MassUnit,
  own: Plan['portions'] = new Map(),
): ReadonlyMap<string, Readonly<Portioned>> {
  const { anatomy } = cutting.flow
  const out = new Map<string, Portioned>()
  for (const slot of cutting.slots) {
    if (!slot.holds || (slot.path.pair && slot.side === 'right')) continue
    const sidesAtOnce = slot.path.pair ? 2 : 1
    let span: SlotSpan | null = null
    for (const row of slot.rows) {
      const { cut } = row
      const portion = cut && portionFor(cut, own)
      if (!portion || row.green * sidesAtOnce <= 1e-9) continue
      const each = kg((row.product * sidesAtOnce) / count)
      span ??= spanOf(cutting, slot, count)
      const n = piecesOf(portion, each, span)
      const held = out.get(cut.id) ?? { ...NONE }
      out.set(cut.id, held)
      held.pieces += count * n
      if (portion.kind !== 'sawn' || span.mm === 0) continue
      const left = mm(span.mm - n * (portion.thicknessMm + portion.kerfMm))
      held.end = kg(held.end + (count * each * left) / span.mm)
      held.endMm = mm(Math.max(held.endMm, left))
    }
  }
  for (const cut of anatomy.cuts) {
    const portion = portionFor(cut, own)
    const mass = cutting.cutKg(cut.id)
    if (!portion || mass <= 1e-9) continue
    const held = out.get(cut.id) ?? { ...NONE }
    out.set(cut.id, held)
    if (portion.kind === 'pack')
      held.pieces = held.packs = Math.ceil(
        mass / (unit === 'kg' ? portion.kg : toKg(portion.lb, 'lb')) - 1e-9,
      )
    else held.packs = Math.ceil(held.pieces / portion.perPack)
  }
  return out
}

function piecesOf(portion: Portion, each: Kg, span: SlotSpan): number {
  switch (portion.kind) {
    case 'sawn':
      return Math.floor(span.mm / (portion.thicknessMm + portion.kerfMm))
    case 'snapped':
      return span.vertebrae
    case 'roast':
      return Math.max(1, Math.round(each / portion.kg))
    case 'whole':
      return portion.perSide
    case 'pack':
      return 0
  }
}

/** Length of a part on this carcass, along which its cuts are sawn, and its vertebrae; 0 where it has none. */
export function spanOf(cutting: CutUp, slot: CutSlot, count: number): SlotSpan {
  const { anatomy } = cutting.flow
  const { length } = lookup(anatomy).part(slot.part)!
  if (!length) return { mm: mm(0), vertebrae: 0 }
  const scale = Math.cbrt(cutting.balance.carcass / count / anatomy.referenceKg)
  if ('mm' in length) return { mm: mm(length.mm * scale), vertebrae: 0 }
  const at = cutting.lineAt(slot.side)
  const place = (id: string) => at[id] ?? positionOf(anatomy.axis, id)
  const [from, to] = [place(length.from), place(length.to)]
  return {
    mm: mm(lengthBetween(anatomy.axis, from, to) * scale),
    vertebrae: Math.max(0, Math.floor(to - from + 1e-9)),
  }
}

/** Bench minutes for one animal: every path taken, both sides. Parts that are not there take none. */
export const minutesOf = (cutting: CutUp): number =>
  cutting.slots.reduce(
    (sum, { path, side, holds }) => (holds && !(path.pair && side === 'right') ? sum + path.minutes : sum),
    0,
  )
