import type { TypedMass } from '#core/measure'
import { checkDigit } from './ean.ts'

export interface Gs1Pack {
  /** A GTIN the farm has: 8, 12, 13 or 14 digits. Filled up to 14, with a leading 9 where its weight varies. */
  gtin: string
  shown: TypedMass
  /** Packed on (ISO 8601 day), and the lot. */
  packed: string
  lot: string
  /** Its number, as a serial number. */
  number: number
}

/**
 * Signs that an element string may not hold: the standard has 82 (GS1 General Specifications, figure 7.11-1). Brackets are among those it may,
 * and are left out too: whoever reads the words below the bars takes them for the ends of an identifier.
 */
const NOT_IN_82 = /[^!"%&'*+,\-./0-9:;<=>?A-Z_a-z]+/g

/** Six digits of a weight, with three decimals in kg (AI 3103) or two in lb (AI 3202); null where it has too many. */
function netWeight({ value, unit }: TypedMass): { ai: string; text: string } | null {
  const places = unit === 'kg' ? 3 : 2
  const digits = Math.round(value * 10 ** places)
  return digits > 999_999
    ? null
    : { ai: unit === 'kg' ? '3103' : '3202', text: String(digits).padStart(6, '0') }
}

/** What GS1 calls a GTIN-14 of variable measure: indicator 9, and the check digit of the thirteen before it. */
function variable(gtin: string): string {
  const body = `9${gtin.padStart(14, '0').slice(1, 13)}`
  return body + checkDigit(body)
}

/**
 * The element string of a pack of variable weight (GS1 General Specifications, section 3): (01) GTIN, (310n) net weight in kg or
 * (320n) in lb, (13) packed on, (21) the pack's number, (10) lot last, since it may be of any length up to twenty. Null where the weight has too many digits.
 */
export function gs1Elements({
  gtin,
  shown,
  packed,
  lot,
  number,
}: Gs1Pack): [ai: string, text: string][] | null {
  const weight = netWeight(shown)
  if (!weight) return null
  const day = packed.slice(2, 10).replaceAll('-', '')
  const batch = lot.replaceAll(NOT_IN_82, '-').slice(0, 20).replaceAll(/^-|-$/g, '')
  return [
    ['01', variable(gtin)],
    [weight.ai, weight.text],
    ['13', day],
    ['21', String(number).padStart(8, '0')],
    ...(batch ? [['10', batch] as [string, string]] : []),
  ]
}

/** "(01)9…(3103)…": how it is written under the bars, and what a drawer of bar codes reads. */
export const gs1Text = (elements: readonly (readonly [string, string])[]): string =>
  elements.map(([ai, text]) => `(${ai})${text}`).join('')
