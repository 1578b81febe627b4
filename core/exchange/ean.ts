/**
 * The last digit of a number of the EAN/UPC family: from the right, digits weigh 3, 1, 3, 1 … and all together come to a
 * multiple of ten (GS1 General Specifications, section 7.9).
 */
export function checkDigit(digits: string): string {
  const sum = [...digits].toReversed().reduce((s, d, i) => s + Number(d) * (i % 2 === 0 ? 3 : 1), 0)
  return String((10 - (sum % 10)) % 10)
}

/** Whether a number of 8, 12, 13 or 14 digits ends in its own check digit. */
export const isGtin = (text: string): boolean =>
  /^(?:\d{8}|\d{12,14})$/.test(text) && checkDigit(text.slice(0, -1)) === text.at(-1)

const MOST_ITEM = 99_999
const MOST_VALUE = 99_999

/**
 * A number for use within the farm's own shop: prefix 20…29 (restricted circulation, GS1 General Specifications 1.4.5), five
 * digits of what it is, five of what it weighs (grams, or hundredths of a pound) or costs (minor units), and the check digit.
 * Null where a figure has too many digits: then the code says the pack's number instead.
 */
export function restrictedEan(prefix: number, item: number, value: number): string | null {
  if (item > MOST_ITEM || value > MOST_VALUE || value < 0) return null
  const body = `${prefix}${String(item).padStart(5, '0')}${String(value).padStart(5, '0')}`
  return body + checkDigit(body)
}

/** What a number of the restricted range says: which cut by the farm's own count, and its weight or price; null where it is none. */
export function readRestricted(text: string): { prefix: number; item: number; value: number } | null {
  const found = /^(2\d)(\d{5})(\d{5})\d$/.exec(text.trim())
  if (!found || !isGtin(text.trim())) return null
  const [, prefix, item, value] = found
  return { prefix: Number(prefix), item: Number(item), value: Number(value) }
}
