import { refuse, type Outcome } from './issue.ts'
import { parseMass } from './mass.ts'
import type { MassUnit, TypedMass } from './units.ts'

/** What is colder or hotter than this no carcass is, °C. */
const COLDEST = -40
const HOTTEST = 60

/** A temperature as it was typed, °C to a tenth: plain figures are °C, "40 F" is Fahrenheit; a comma is a point. Within what a carcass has, or within `low` and `high`. */
export function parseTemperature(
  text: string,
  field: string,
  { low, high } = { low: COLDEST, high: HOTTEST },
): Outcome<number> {
  const typed = text.trim()
  const found = /^([-−]?\d+(?:[.,]\d+)?)\s*°?\s*([cf])?$/i.exec(typed)
  const value = found ? Number(found[1]!.replace(',', '.').replace('−', '-')) : Number.NaN
  const c = found?.[2]?.toLowerCase() === 'f' ? ((value - 32) * 5) / 9 : value
  if (!(c >= low && c <= high)) return refuse('temperature-unreadable', field, { typed, low, high })
  return { ok: true, value: Number(c.toFixed(1)) }
}

/** A whole number as it was typed, within its bounds. */
export function parseWhole(
  text: string,
  field: string,
  { low, high }: { low: number; high: number },
): Outcome<number> {
  const typed = text.trim()
  const value = /^\d+$/.test(typed) ? Number(typed) : Number.NaN
  if (!(value >= low && value <= high)) return refuse('number-unreadable', field, { typed, low, high })
  return { ok: true, value }
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
