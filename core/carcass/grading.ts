import { TISSUES, type Anatomy, type Measure } from '#core/anatomy'
import { KG_PER_LB, type Kg } from '#core/measure'
import type { TissueFactors } from './pour.ts'

const MM_PER_INCH = 25.4
const CM2_PER_IN2 = 6.4516
export type Measured = Partial<Record<Measure['id'], number>>

/**
 * USDA grade equations, from memory. Inches, square inches, pounds hot carcass weight, percent kidney-pelvic-heart fat.
 * They are measures of four primals or of fat-free lean: used here as shifts only, never as cutting yield.
 */
export const beefYieldGrade = (fat: number, kph: number, hcw: number, eye: number) =>
  2.5 + 2.5 * fat + 0.2 * kph + 0.0038 * hcw - 0.32 * eye
/** Boneless, closely trimmed round, loin, rib and chuck, % of carcass. */
export const beefCutability = (fat: number, kph: number, hcw: number, eye: number) =>
  51.34 - 5.78 * fat - 0.0093 * hcw - 0.462 * kph + 0.74 * eye
export const lambYieldGrade = (fat: number) => 0.4 + 10 * fat
/** Pounds of fat-free lean from hot weight, 10th-rib fat and loin-eye area. */
export const porkFatFreeLean = (hcw: number, fat: number, eye: number) =>
  8.588 + 0.465 * hcw - 21.896 * fat + 3.005 * eye

/** Lean lost per yield grade of a lamb, as a ratio (our own working figure, docs/sources.md: lamb-grade-shift). */
const LEAN_PER_LAMB_GRADE = 0.035
/** What is left of the spread of fatness and muscling once both are measured (docs/sources.md: measured-spread). */
const MEASURED_SPREAD = { fat: 0.6, lean: 0.8 }

/** What the measurements say: factors on the tissues, points of carcass they move, and the grade they make. */
export interface Shift {
  factors: TissueFactors
  leanPoints: number
  fatPoints: number
  grade: { name: string; value: number; unit: string }[]
  spread: Anatomy['spread']
}

/** How measurements of the carcass shift its tissues against a usual one of the same weight; null with none. */
export function shiftOf(anatomy: Anatomy, measured: Measured, hotKg: Kg): Shift | null {
  if (Object.keys(measured).length === 0 || hotKg <= 0) return null
  const of = (id: Measure['id'], from: Measured) =>
    from[id] ?? anatomy.measures.find((m) => m.id === id)?.usual ?? 0
  const hcw = hotKg / KG_PER_LB
  const read = (from: Measured) => ({
    fat: of('fat-depth', from) / MM_PER_INCH,
    eye: of('eye-area', from) / CM2_PER_IN2,
    kph: of('kidney-fat', from),
  })
  const [own, usual] = [read(measured), read({})]
  const tissue = { lean: 0, fat: 0 }
  let all = 0
  for (const b of anatomy.bands) {
    tissue.lean += b.tissue.lean
    tissue.fat += b.tissue.fat + b.tissue.seam
    for (const t of TISSUES) all += b.tissue[t]
  }
  const { ratio, grade } = leanRatio(anatomy, own, usual, hcw)
  const moved = Math.max(-0.4 * tissue.lean, Math.min((ratio - 1) * tissue.lean, 0.7 * tissue.fat))
  const less = 1 - moved / tissue.fat
  const factors: TissueFactors = [1 + moved / tissue.lean, less, 1, 1, less]
  const points = (moved / all) * 100
  return {
    factors,
    leanPoints: points,
    fatPoints: -points,
    grade,
    spread: {
      ...anatomy.spread,
      fat: anatomy.spread.fat * MEASURED_SPREAD.fat,
      lean: anatomy.spread.lean * MEASURED_SPREAD.lean,
    },
  }
}

interface Read {
  fat: number
  eye: number
  kph: number
}

function leanRatio(
  anatomy: Anatomy,
  own: Read,
  usual: Read,
  hcw: number,
): { ratio: number; grade: Shift['grade'] } {
  switch (anatomy.species) {
    case 'hog': {
      const lean = porkFatFreeLean(hcw, own.fat, own.eye)
      return {
        ratio: lean / porkFatFreeLean(hcw, usual.fat, usual.eye),
        grade: [{ name: 'Fat-free lean', value: (lean / hcw) * 100, unit: '% of hot weight' }],
      }
    }
    case 'steer': {
      const cut = beefCutability(own.fat, own.kph, hcw, own.eye)
      return {
        ratio: cut / beefCutability(usual.fat, usual.kph, hcw, usual.eye),
        grade: [
          { name: 'Yield grade', value: beefYieldGrade(own.fat, own.kph, hcw, own.eye), unit: '' },
          { name: 'Closely trimmed round, loin, rib and chuck', value: cut, unit: '%' },
        ],
      }
    }
    case 'lamb': {
      const grade = lambYieldGrade(own.fat)
      return {
        ratio: 1 - LEAN_PER_LAMB_GRADE * (grade - lambYieldGrade(usual.fat)),
        grade: [{ name: 'Yield grade', value: grade, unit: '' }],
      }
    }
    case 'broiler':
      return { ratio: 1, grade: [] }
  }
}
