import type { Anatomy, Portion } from '#core/anatomy'
import { kg, mm, type Kg, type MassUnit, type Mm, type Says } from '#core/measure'
import type { Stretch } from '#core/carcass'
import { packSize } from './packSize.ts'

/** Raw kg a roast needs for each eater, with bone and without (docs/sources.md: eaters). */
const PER_EATER = { boneIn: 0.35, boneless: 0.25 }
/** Edible raw meat on a plate, kg (docs/sources.md: plate). */
export const PLATE = kg(0.2)
/** Households roasts are cut for. */
export const EATERS = [2.5, 4, 6] as const

/** "25 mm (1 in)": in pounds a thickness is said in inches too, to the eighth. */
const MM_PER_IN = 25.4
const EIGHTHS = ['', '⅛', '¼', '⅜', '½', '⅝', '¾', '⅞']
function sayThickness(thickness: number, unit: MassUnit): string {
  if (unit === 'kg') return `${thickness} mm`
  const eighths = Math.max(1, Math.round((thickness / MM_PER_IN) * 8))
  const whole = Math.floor(eighths / 8)
  return `${thickness} mm (${whole > 0 ? whole : ''}${EIGHTHS[eighths % 8]!} in)`
}

/** How a cut is divided, as a processor is told. */
export function sayPortion(p: Portion, says: Pick<Says, 'mass' | 'unit'>, usualPack: Kg): string {
  const packed = 'perPack' in p ? `${p.perPack} to a pack` : ''
  switch (p.kind) {
    case 'sawn': {
      const even = p.even ? 'about ' : ''
      const ends = p.ends === 'trim' ? ', ends to the trim' : ''
      return `${even}${sayThickness(p.thicknessMm, says.unit)} thick, ${packed}${ends}`
    }
    case 'snapped':
      return `one to a vertebra, ${packed}`
    case 'roast':
      return `${says.mass(kg(p.kg))} each, ${packed}`
    case 'pack':
      return `${says.mass(packSize(p, usualPack))} a pack`
    case 'whole':
      return p.perSide === 1 ? `left whole, ${packed}` : `in ${p.perSide}, ${packed}`
  }
}

/** Whether a cut keeps its bone: some way gives it more than a tenth of the bone of its part. */
export const keepsBone = (anatomy: Pick<Anatomy, 'paths'>, cut: string): boolean =>
  anatomy.paths.some((p) => p.outputs.some((o) => o.cut === cut && o.bone > 0.1))

/** Weight of a roast for so many eaters, kg. */
export const roastFor = (eaters: number, boneIn: boolean): Kg =>
  kg(eaters * (boneIn ? PER_EATER.boneIn : PER_EATER.boneless))

/** Thickness that divides a length into so many pieces, mm, to the half millimetre below. */
export const thicknessFor = (length: Mm, pieces: number, kerfMm: number): Mm =>
  mm(Math.floor((length / pieces - kerfMm) * 2) / 2)

/** Thinnest slice, mm, that holds together: off a saw (common practice), and off a knife. */
const THINNEST = { sawn: 8, sliced: 3 }

/** The most pieces a length can give. */
export const mostPieces = (length: Mm, kerfMm: number): number =>
  Math.floor(length / ((kerfMm > 0 ? THINNEST.sawn : THINNEST.sliced) + kerfMm))

/** What is odd about how a cut would be divided; the plan stands all the same. */
export function oddPortion(portion: Portion, each: Kg, span: Pick<Stretch, 'mm'> | null): string | null {
  switch (portion.kind) {
    case 'sawn':
      if (span && span.mm > 0 && portion.thicknessMm + portion.kerfMm > span.mm)
        return `${portion.thicknessMm} mm is thicker than the ${Math.floor(span.mm)} mm there are: nothing comes off whole.`
      if (portion.thicknessMm < THINNEST.sawn)
        return `${portion.thicknessMm} mm on a saw shatters the bone; 12 mm is the usual thinnest.`
      return portion.thicknessMm > 80
        ? `${portion.thicknessMm} mm is a roast rather than a steak or chop.`
        : null
    case 'roast':
      if (each > 0 && each < portion.kg * 0.6) return 'The piece is smaller than that: it stays whole.'
      return portion.kg > 6 ? 'A roast of this size cooks unevenly and fits few ovens.' : null
    case 'pack':
      return portion.kg > 2.5 ? 'A pack this thick freezes slowly; 500 g or 1 lb is usual.' : null
    case 'snapped':
    case 'whole':
      return portion.perPack > 12
        ? `${portion.perPack} to a pack is more than a household eats at once.`
        : null
  }
}
