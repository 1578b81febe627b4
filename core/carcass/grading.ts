import { TISSUES, type Anatomy, type Measure, type MeasureId } from '#core/anatomy'
import { KG_PER_LB, type Kg } from '#core/measure'
import type { Animal, Grade } from './animal.ts'

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

/** The spread of an animal that is left once its fat and its eye were measured. */
export const onceMeasured = (spread: Anatomy['spread']): Anatomy['spread'] => ({
  ...spread,
  fat: spread.fat * MEASURED_SPREAD.fat,
  lean: spread.lean * MEASURED_SPREAD.lean,
})

/** The published grade of what was measured, with what is usual for the rest; none outside the weights it is stated for. */
export function gradeOf(
  anatomy: Anatomy,
  measured: Measured,
  hotKg: Kg,
  usual: (id: MeasureId) => number | null,
): { grade: Grade[]; outside: boolean } {
  const hcw = hotKg / KG_PER_LB
  if (Object.keys(measured).length === 0 || hcw <= 0 || !anatomy.graded) return { grade: [], outside: false }
  const [low, high] = anatomy.graded.lb
  if (hcw < low || hcw > high) return { grade: [], outside: true }
  const own = readWith((id) => measured[id] ?? usual(id) ?? 0)
  return { grade: leanRatio(anatomy, own, own, hcw).grade, outside: false }
}

const readWith = (of: (id: MeasureId) => number): Read => ({
  fat: of('fat-depth') / MM_PER_INCH,
  eye: of('eye-area') / CM2_PER_IN2,
  kph: of('kidney-fat'),
})

/**
 * An animal of an anatomy older than types: one composition, in which measurements move lean against fat by the ratio
 * of the published formula to that of a usual carcass. Kept so that a lot hung then gives the kilograms it gave.
 */
export function fixedShift(anatomy: Anatomy, measured: Measured, hotKg: Kg): Animal {
  const sums = { lean: 0, fat: 0, bone: 0, skin: 0 }
  for (const b of anatomy.bands) for (const t of TISSUES) sums[t === 'seam' ? 'fat' : t] += b.tissue[t]
  const all = sums.lean + sums.fat + sums.bone + sums.skin
  const usual = (id: MeasureId) => anatomy.measures.find((m) => m.id === id)?.usual ?? 0
  const hcw = hotKg / KG_PER_LB
  const isMeasured = Object.keys(measured).length > 0 && hcw > 0
  const { ratio, grade } = isMeasured
    ? leanRatio(
        anatomy,
        readWith((id) => measured[id] ?? usual(id)),
        readWith(usual),
        hcw,
      )
    : { ratio: 1, grade: [] }
  const moved = Math.max(-0.4 * sums.lean, Math.min((ratio - 1) * sums.lean, 0.7 * sums.fat))
  const [more, less] = [1 + moved / sums.lean, 1 - moved / sums.fat]
  const points = (moved / all) * 100
  return {
    factors: { lean: more, eye: more, outer: less, seam: less, kidney: less, bone: 1, skin: 1 },
    made: {
      lean: (sums.lean + moved) / all,
      fat: (sums.fat - moved) / all,
      bone: sums.bone / all,
      skin: sums.skin / all,
    },
    moved: isMeasured ? { lean: points, fat: -points } : null,
    grade,
    outsideGrade: false,
    tilts: [],
    spread: isMeasured ? onceMeasured(anatomy.spread) : anatomy.spread,
    beyond: null,
  }
}

interface Read {
  fat: number
  eye: number
  kph: number
}

function leanRatio(anatomy: Anatomy, own: Read, usual: Read, hcw: number): { ratio: number; grade: Grade[] } {
  switch (anatomy.graded?.by) {
    case 'pork': {
      const lean = porkFatFreeLean(hcw, own.fat, own.eye)
      return {
        ratio: lean / porkFatFreeLean(hcw, usual.fat, usual.eye),
        grade: [{ name: 'Fat-free lean', value: (lean / hcw) * 100, unit: '% of hot weight' }],
      }
    }
    case 'beef': {
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
    case undefined:
      return { ratio: 1, grade: [] }
  }
}
