import type { Portion } from '#core/anatomy'
import type { Flow, FlowSetting, Yield } from '#core/carcass'
import { toKg, type MassUnit } from '#core/measure'

/** Whole pieces and packs per cut, by cut index. */
export interface Portions {
  pieces: Int32Array
  packs: Int32Array
}

/**
 * Pieces and packs of every cut for a group of `count` animals. Sawn: floor(length / (thickness + kerf)), the
 * part's length scaled with carcass weight to the third root; roasts: by target weight; packs: by pack size.
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
    const part = anatomy.parts.find((p) => p.id === slot.part)!
    for (let r = setting.start[s]!; r < setting.end[s]!; r++) {
      const green = y.rowKg[r]!
      const cut = flow.rowCut[r]!
      const portion = anatomy.cuts[cut]!.portion
      if (!portion || green <= 1e-9) continue
      const each = (green * flow.rowYield[r]!) / count
      const mm = part.length ? lengthMm(flow, setting, slot.side, part.length) * scale : 0
      pieces[cut]! += piecesOf(portion, each, mm) * count
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

function piecesOf(portion: Portion, kg: number, mm: number): number {
  switch (portion.kind) {
    case 'sawn':
      return Math.floor(mm / (portion.thicknessMm + portion.kerfMm))
    case 'roast':
      return Math.max(1, Math.round(kg / portion.kg))
    case 'whole':
      return portion.perSide
    case 'pack':
      return 0
  }
}

function lengthMm(
  flow: Flow,
  setting: FlowSetting,
  side: 'left' | 'right' | 'animal',
  length: { from: string; to: string },
): number {
  const at = setting.lineAt[side === 'right' ? 'right' : 'left']
  const from = length.from === 'start' ? 0 : at[length.from]!
  const to = length.to === 'end' ? flow.anatomy.axis.length : at[length.to]!
  return flow.anatomy.axis.slice(from, to).reduce((sum, s) => sum + s.mm, 0)
}
