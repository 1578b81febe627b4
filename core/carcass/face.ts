import {
  depotOf,
  expectedMeasure,
  TISSUES,
  typeOf,
  type Anatomy,
  type Band,
  type Tissue,
} from '#core/anatomy'
import { kg, type Kg } from '#core/measure'
import { hanging, type Animal } from './animal.ts'
import type { Conventions } from './conventions.ts'
import type { Measured } from './grading.ts'

/** Density of meat, fat and bone taken together, g/cm³ (docs/sources.md: face). */
const DENSITY = 1.05
/** Of the bone at a rib, so much is the rib itself; the rest is the chine (docs/sources.md: face). */
const RIB_OF_BONE = 0.4

/** What a saw across one side of the back shows, cm² of each: the eye, the lean about it, seam fat, cover, skin, bones, tenderloin. */
export interface Face {
  eye: number
  lean: number
  seam: number
  cover: number
  skin: number
  chine: number
  rib: number
  tenderloin: number
  /** Thickness of the fat over the eye, mm: measured, or what is usual; null where nobody knows. */
  fatMm: number | null
  /** Whether the eye and the fat are as they were measured on this very animal. */
  measured: boolean
}

/** One animal's back: what is needed to see across it. */
export interface Back {
  anatomy: Anatomy
  /** One animal, as it hangs when it is cut. */
  carcass: Kg
  conventions: Conventions
  animal: Pick<Animal, 'factors'>
  type: string | null
  measured: Measured
}

const BACK = { eye: 'eye', cover: 'outer', tenderloin: 'psoas' } as const
/** Where the eye is measured: at the last rib but none (common practice). */
const measuredAt = (anatomy: Anatomy): number => anatomy.axis.findLastIndex((s) => s.rib)

/** Whether an animal has a back to look across: an eye band along an axis. */
export const hasFace = (anatomy: Anatomy): boolean => anatomy.bands.some((b) => b.id === BACK.eye)

/** cm² of a tissue of a band in a segment of one side, at this animal's length and weight. */
function areasOf(back: Back): (band: string, tissue: Tissue, segment: number) => number {
  const { anatomy, conventions, carcass, animal } = back
  const of = (band: Band, tissue: Tissue) =>
    band.tissue[tissue] * hanging(anatomy, band, tissue, conventions) * animal.factors[depotOf(band, tissue)]
  const total = anatomy.bands.reduce((sum, b) => sum + TISSUES.reduce((x, t) => x + of(b, t), 0), 0)
  const longer = Math.cbrt(carcass / anatomy.referenceKg)
  return (id, tissue, segment) => {
    const band = anatomy.bands.find((b) => b.id === id)
    if (!band) return 0
    const mass = (carcass * of(band, tissue) * band.along[tissue][segment]! * 0.5) / total
    // kg per mm are 10,000 g per cm.
    return ((mass / (anatomy.axis[segment]!.mm * longer)) * 10_000) / DENSITY
  }
}

/**
 * The face at a place of the axis (segments from the head end), between the segments linearly, since meat does not change at
 * a joint. All of it together is the mass of the back per length; the eye is that measured, or usual at this type and
 * weight, carried along the back as the lean of its band is.
 */
export function faceAt(back: Back, at: number): Face {
  const { anatomy } = back
  const area = areasOf(back)
  const last = anatomy.axis.length - 1
  const middle = Math.min(last, Math.max(0, at - 0.5))
  const [low, high] = [Math.floor(middle), Math.min(last, Math.floor(middle) + 1)]
  const between = (band: string, tissue: Tissue) => {
    const [a, b] = [area(band, tissue, low), area(band, tissue, high)]
    return a + (middle - low) * (b - a)
  }
  const lean = between(BACK.eye, 'lean')
  const site = measuredAt(anatomy)
  const leanThere = area(BACK.eye, 'lean', site)
  const type = typeOf(anatomy, back.type)
  const usual = (id: 'eye-area' | 'fat-depth') =>
    (type && expectedMeasure(type, id, kg(back.carcass))) ??
    anatomy.measures.find((m) => m.id === id)?.usual ??
    null
  const eyeThere = back.measured['eye-area'] ?? usual('eye-area') ?? leanThere * EYE_OF_LEAN
  const eye = Math.min(lean, leanThere > 0 ? (eyeThere * lean) / leanThere : 0)
  const bone = between(BACK.eye, 'bone')
  const isRib = anatomy.axis[Math.min(last, Math.floor(at))]?.rib !== undefined
  return {
    eye,
    lean: lean - eye,
    seam: between(BACK.eye, 'seam') + between(BACK.eye, 'fat'),
    cover: between(BACK.cover, 'fat') + between(BACK.cover, 'seam') + between(BACK.cover, 'lean'),
    skin: between(BACK.cover, 'skin') + between(BACK.eye, 'skin'),
    chine: bone * (isRib ? 1 - RIB_OF_BONE : 1),
    rib: bone * (isRib ? RIB_OF_BONE : 0),
    tenderloin: between(BACK.tenderloin, 'lean') + between(BACK.tenderloin, 'seam'),
    fatMm: back.measured['fat-depth'] ?? usual('fat-depth'),
    measured: back.measured['eye-area'] !== undefined,
  }
}

/** Where nobody measures an eye, so much of the lean of its band is taken for it (docs/sources.md: face). */
const EYE_OF_LEAN = 0.6

/** Weight of a slice of the face, kg: what a chop as thick as that would weigh before it is trimmed. */
export const sliceKg = (face: Face, mm: number): Kg => {
  const { eye, lean, seam, cover, skin, chine, rib, tenderloin } = face
  return kg(((eye + lean + seam + cover + skin + chine + rib + tenderloin) * (mm / 10) * DENSITY) / 1000)
}
