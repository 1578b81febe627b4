import type { Cut, Portion } from '#core/anatomy'
import type { CutUp, Stretch } from '#core/carcass'
import { kg, mm, type Kg, type Mm } from '#core/measure'
import { packSize } from './packSize.ts'
import type { Plan } from './read.ts'

/** How a cut comes out of the saw: whole pieces and packs, and what is left over at the end of what is sawn. */
export interface Portioned {
  pieces: number
  packs: number
  /** Ends and what is too short for another piece, as they go in with the last pack of the cut; none that are opened. */
  end: Kg
  /** The longest end piece, and the thickness it is too short for. */
  endMm: Mm
}
/** A cut that is not portioned, or of which there is none. */
export const NONE: Readonly<Portioned> = { pieces: 0, packs: 0, end: kg(0), endMm: mm(0) }

/** How a cut is divided under the plan. */
export const portionFor = (cut: Cut, own: Plan['portions']): Portion | null => own.get(cut.id) ?? cut.portion

/**
 * Pieces and packs of every cut for a group of `count` animals. Sawn and snapped: as they were laid along their parts
 * (core/carcass/lay.ts); roasts: by target weight; packs: by pack size, where usual that of the farm (`pack`). A way that takes both sides at once is counted
 * once.
 */
export function portionsOf(
  cutting: CutUp,
  count: number,
  pack: Kg,
): ReadonlyMap<string, Readonly<Portioned>> {
  const { anatomy } = cutting.flow
  const own = cutting.choices.portions ?? new Map<string, Portion>()
  const out = new Map<string, Portioned>()
  for (const slot of cutting.slots) {
    if (!slot.holds || (slot.path.pair && slot.side === 'right')) continue
    const sidesAtOnce = slot.path.pair ? 2 : 1
    for (const row of slot.rows) {
      const { cut, stretch } = row
      const portion = cut && portionFor(cut, own)
      if (!portion || row.apart || row.green * sidesAtOnce <= 1e-9) continue
      const each = kg((row.product * sidesAtOnce) / count)
      const held = out.get(cut.id) ?? { ...NONE }
      out.set(cut.id, held)
      held.pieces += count * piecesOf(portion, each, stretch)
      if (portion.kind !== 'sawn' || !stretch) continue
      if (!stretch.opened) held.end = kg(held.end + (count * each * stretch.left) / stretch.mm)
      held.endMm = mm(Math.max(held.endMm, stretch.left))
    }
  }
  for (const cut of anatomy.cuts) {
    const portion = portionFor(cut, own)
    const mass = cutting.cutKg(cut.id)
    if (!portion || mass <= 1e-9) continue
    const held = out.get(cut.id) ?? { ...NONE }
    out.set(cut.id, held)
    if (portion.kind === 'pack') held.pieces = held.packs = Math.ceil(mass / packSize(portion, pack) - 1e-9)
    else held.packs = Math.ceil(held.pieces / portion.perPack)
  }
  return out
}

function piecesOf(portion: Portion, each: Kg, stretch: Stretch | null): number {
  switch (portion.kind) {
    case 'sawn':
    case 'snapped':
      return stretch?.pieces ?? 0
    case 'roast':
      return Math.max(1, Math.round(each / portion.kg))
    case 'whole':
      return portion.perSide
    case 'pack':
      return 0
  }
}
