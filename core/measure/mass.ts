import { refuse, type Outcome } from './issue.ts'
import type { Interval } from './interval.ts'
import { grams, kg, KG_PER_LB, type Grams, type Kg, type MassUnit, type TypedMass } from './units.ts'

const NUMBER = '(-?\\d+(?:[.,]\\d+)?|-?[.,]\\d+)'
const UNITS: Record<string, { unit: MassUnit; scale: number }> = {
  kg: { unit: 'kg', scale: 1 },
  g: { unit: 'kg', scale: 0.001 },
  lb: { unit: 'lb', scale: 1 },
  oz: { unit: 'lb', scale: 1 / 16 },
}
const UNIT = '(kgs?|kilos?|kilograms?|g|grams?|grammes?|lbs?|pounds?|#|oz|ounces?)'
const PLAIN = new RegExp(`^${NUMBER}\\s*${UNIT}?\\.?$`, 'i')
const POUNDS_OUNCES = new RegExp(`^(\\d+)\\s*(?:lbs?|pounds?|#)\\.?\\s*${NUMBER}\\s*(?:oz|ounces?)\\.?$`, 'i')

function unitNamed(word: string | undefined, fallback: MassUnit) {
  const w = (word ?? fallback).toLowerCase()
  if (w === '#' || w.startsWith('l') || w.startsWith('p')) return UNITS.lb!
  if (w.startsWith('o')) return UNITS.oz!
  return w.startsWith('k') ? UNITS.kg! : UNITS.g!
}

/**
 * Reads a weight typed freely: "260 lb", "118kg", "12lb 6oz", "450 g"; a bare figure is in `fallback`.
 * Refuses what is no weight, is not above zero, or has a comma that could mean two things ("1,150").
 */
export function parseMass(text: string, fallback: MassUnit, field = 'weight'): Outcome<TypedMass> {
  const typed = text.trim()
  if (typed === '') return refuse('mass-empty', field, {})
  const both = POUNDS_OUNCES.exec(typed)
  if (both) {
    const ounces = Number(both[2]!.replace(',', '.'))
    if (ounces >= 16 || ounces < 0) return refuse('mass-unreadable', field, { typed })
    return positive(Number(both[1]) + ounces / 16, 'lb', typed, field)
  }
  const plain = PLAIN.exec(typed)
  if (!plain) return refuse('mass-unreadable', field, { typed })
  const [, digits = '', word] = plain
  if (/^-?\d{1,3},\d{3}$/.test(digits)) {
    return refuse('mass-ambiguous', field, {
      typed,
      large: digits.replace(',', ''),
      small: digits.replace(',', '.'),
    })
  }
  const { unit, scale } = unitNamed(word, fallback)
  return positive(Number(digits.replace(',', '.')) * scale, unit, typed, field)
}

function positive(value: number, unit: MassUnit, typed: string, field: string): Outcome<TypedMass> {
  if (!(value > 0)) return refuse('mass-not-positive', field, { typed })
  return { ok: true, value: { value, unit } }
}

export const toKg = (value: number, unit: MassUnit): Kg => kg(unit === 'kg' ? value : value * KG_PER_LB)
/** A mass in a unit asked for: a figure, no longer kilograms. */
export const fromKg = (mass: Kg, unit: MassUnit): number => (unit === 'kg' ? mass : mass / KG_PER_LB)
/** Whole grams of a typed weight: 0.5 g is finer than any scale on a farm. */
export const gramsOf = (mass: TypedMass): Grams => grams(toKg(mass.value, mass.unit) * 1000)

/** Decimals a screen shows for a unit: a tenth of a pound, five hundredths of a kilogram's worth. */
export const massDigits = (unit: MassUnit) => (unit === 'kg' ? 2 : 1)

/** Half the width of a likely range, in the unit shown, from which on whole units or tenths are all that is known. */
const KNOWN_TO = [
  { from: 5, digits: 0 },
  { from: 0.5, digits: 1 },
]

/** Decimals an estimate is known to: ± 8 kg is no reason to show ten grams. A weighed figure has all of its unit's. */
export function knownDigits(range: Interval | null, unit: MassUnit): number {
  const half = range ? fromKg(kg(range.high - range.low), unit) / 2 : 0
  const known = KNOWN_TO.find((k) => half >= k.from)?.digits ?? massDigits(unit)
  return Math.min(known, massDigits(unit))
}

/** A mass as its figure says it, rounded as shown: what stands beside it is reckoned from figures a person can see. */
export const asShown = (mass: Kg, unit: MassUnit): Kg =>
  toKg(Number(fromKg(mass, unit).toFixed(massDigits(unit))), unit)

/** "187.4 lb": a mass in kg, in the unit asked for. */
export function formatMass(mass: Kg, unit: MassUnit, digits = massDigits(unit)): string {
  return `${fromKg(mass, unit).toFixed(digits)} ${unit}`
}

/** "180.2–194.9 lb": the ends of an interval of kg. */
export function formatMassRange(range: Interval, unit: MassUnit, digits = massDigits(unit)): string {
  return `${fromKg(kg(range.low), unit).toFixed(digits)}–${fromKg(kg(range.high), unit).toFixed(digits)} ${unit}`
}
