import { z } from 'zod'
import { kg, toKg, type Kg, type MassUnit } from '#core/measure'

/** What a scale says: what lies on it, whether it stands still, whether it is too much for it. */
export interface ScaleReading {
  kg: Kg
  unit: MassUnit
  /** Decimals it shows in its unit. */
  digits: number
  stable: boolean
  overload: boolean
}

/**
 * How a scale writes a line: any text with {state}, {value} and {unit} in it, the words it has for still, moving and too much,
 * and the unit where it says none. Blanks may be more or fewer than written.
 */
export const lineFormatSchema = z.object({
  line: z
    .string()
    .min(7)
    .max(60)
    .refine((t) => t.split('{value}').length === 2, 'It has {value} in it, once.')
    .refine(
      (t) => t.split('{state}').length <= 2 && t.split('{unit}').length <= 2,
      'Each stands in it once.',
    ),
  still: z.string().min(1).max(12),
  moving: z.string().min(1).max(12),
  over: z.string().min(1).max(12),
  unit: z.enum(['kg', 'lb']),
})
export type LineFormat = z.infer<typeof lineFormatSchema>

/** Our own stand-in's line, and two plain ones to start from. */
export const FORMATS = {
  'stand-in': { line: '{state} {value} {unit}', still: '=', moving: '~', over: '!', unit: 'kg' },
  'value first': { line: '{value} {unit} {state}', still: 'S', moving: 'D', over: 'O', unit: 'kg' },
  'value only': { line: '{value}', still: 'S', moving: 'D', over: 'O', unit: 'kg' },
} as const satisfies Record<string, LineFormat>

const escaped = (text: string) => text.replaceAll(/[.*+?^${}()|[\]\\]/g, '\\$&')
const UNITS: Record<string, { of: MassUnit; factor: number }> = {
  kg: { of: 'kg', factor: 1 },
  g: { of: 'kg', factor: 0.001 },
  lb: { of: 'lb', factor: 1 },
  lbs: { of: 'lb', factor: 1 },
  oz: { of: 'lb', factor: 1 / 16 },
}

function patternOf({ line, still, moving, over }: LineFormat): RegExp {
  const parts: Record<string, string> = {
    '{value}': String.raw`(?<value>[+-]?\s?\d{0,7}(?:[.,]\d{1,5})?)`,
    '{unit}': '(?<unit>kg|g|lbs|lb|oz)',
    '{state}': `(?<state>${[still, moving, over].map(escaped).join('|')})`,
  }
  const pattern = line
    .trim()
    .split(/(\{value\}|\{unit\}|\{state\}|\s+)/)
    .filter((t) => t.trim() !== '')
    .map((t) => parts[t] ?? escaped(t.trim()))
    .join(String.raw`\s*`)
  return new RegExp(String.raw`^\s*${pattern}\s*$`, 'i')
}

/** Reads one line of a scale; null where it is another's, or cut off. Without {state} a line is taken as moving: whoever reads on sees when it stands still. */
export function readLine(format: LineFormat, line: string): ScaleReading | null {
  if (line.length > 120) return null
  const found = patternOf(format).exec(line)?.groups
  if (!found) return null
  const state = (found.state ?? format.moving).toLowerCase()
  const isOver = state === format.over.toLowerCase()
  const text = (found.value ?? '').replaceAll(/\s/g, '').replace(',', '.')
  const value = Number(text)
  if (text === '' || Number.isNaN(value)) return isOver ? over(format.unit) : null
  const { of, factor } = UNITS[(found.unit ?? format.unit).toLowerCase()]!
  const decimals = text.split('.')[1]?.length ?? 0
  return {
    kg: kg(toKg(value * factor, of)),
    unit: of,
    digits: factor === 0.001 ? 3 : factor < 1 ? 2 : decimals,
    stable: !isOver && state === format.still.toLowerCase(),
    overload: isOver,
  }
}
const over = (unit: MassUnit): ScaleReading => ({ kg: kg(0), unit, digits: 2, stable: false, overload: true })

/** A reading as a scale of this format writes it. */
export function lineOf(format: LineFormat, r: ScaleReading, value: number): string {
  const state = r.overload ? format.over : r.stable ? format.still : format.moving
  return format.line
    .replace('{state}', state)
    .replace('{value}', value.toFixed(r.digits))
    .replace('{unit}', r.unit)
}
