import { refuse, type Outcome } from './issue.ts'
import { parseMass } from './mass.ts'
import type { MassUnit, TypedMass } from './units.ts'

/** What is colder or hotter than this no carcass is, °C. */
const COLDEST = -40
const HOTTEST = 60

/** What a figure may be. */
export interface Limits {
  low: number
  high: number
}

/** A temperature as it was typed, °C to a tenth: plain figures are °C, "40 F" is Fahrenheit; a comma is a point. Within what a carcass has, or within `low` and `high`. */
export function parseTemperature(
  text: string,
  field: string,
  { low, high }: Limits = { low: COLDEST, high: HOTTEST },
): Outcome<number> {
  const typed = text.trim()
  const found = /^([-−]?\d+(?:[.,]\d+)?)\s*°?\s*([cf])?$/i.exec(typed)
  const value = found ? Number(found[1]!.replace(',', '.').replace('−', '-')) : Number.NaN
  const c = found?.[2]?.toLowerCase() === 'f' ? ((value - 32) * 5) / 9 : value
  if (!(c >= low && c <= high)) return refuse('temperature-unreadable', field, { typed, low, high })
  return { ok: true, value: Number(c.toFixed(1)) }
}

/** A number as it was typed, within its limits; a comma is a point, and its unit may stand behind it. */
export function parseNumber(text: string, field: string, { low, high }: Limits, unit = ''): Outcome<number> {
  const typed = text.trim()
  const bare = unit !== '' && typed.endsWith(unit) ? typed.slice(0, -unit.length).trim() : typed
  const value = /^[-−+]?(?:\d+(?:[.,]\d*)?|[.,]\d+)$/.test(bare)
    ? Number(bare.replace(',', '.').replace('−', '-'))
    : Number.NaN
  return value >= low && value <= high
    ? { ok: true, value }
    : refuse('number-unreadable', field, { typed, low, high })
}

/** A whole number as it was typed, within its limits. */
export function parseWhole(text: string, field: string, limits: Limits): Outcome<number> {
  const out = parseNumber(text, field, limits)
  return out.ok && !Number.isInteger(out.value)
    ? refuse('number-unreadable', field, { typed: text.trim(), ...limits })
    : out
}

/** Several weights as they were typed one after another: a line each, or apart by a semicolon, a comma and a space, or spaces between plain figures. The first that cannot be read is named. */
export function parseMasses(text: string, unit: MassUnit, field: string): Outcome<TypedMass[]> {
  const plain = /^[\d.\s]+$/.test(text)
  const typed = text.split(plain ? /\s+/ : /[\n;]|,\s/).filter((t) => t.trim() !== '')
  if (typed.length === 0) return refuse('mass-empty', field, {})
  const read = typed.map((t) => parseMass(t, unit, field))
  const wrong = read.find((r) => !r.ok)
  return wrong ?? { ok: true, value: read.flatMap((r) => (r.ok ? [r.value] : [])) }
}
