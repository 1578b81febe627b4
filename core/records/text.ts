import { z } from 'zod'

/** Control signs (the database holds no NUL) and halves of a pair, which no file or database can hold. */
const UNHELD = /[\p{Cc}\p{Cs}]/u
const UNHELD_BUT_BREAKS = /[^\P{Cc}\n\t]|\p{Cs}/u
/** What takes no ink: spaces, joiners, marks of direction, the blank of braille. */
const NO_INK = /[\p{Z}\p{C}\p{Default_Ignorable_Code_Point}\u2800]/gu

const hasInk = (text: string) => text.replace(NO_INK, '').length > 0

const typed = (max: number, unheld: RegExp) =>
  z
    .string()
    .refine((text) => !unheld.test(text), 'It holds a sign that cannot be kept or printed. Type it anew.')
    .trim()
    .max(max, `It is longer than ${max} signs. Shorten it.`)

/** A name or a line a person typed: trimmed, at least one sign that can be seen, at most `max` (UTF-16 units). */
export const lineSchema = (max: number) =>
  typed(max, UNHELD).refine(hasInk, 'Nothing that can be read was typed. Type a name.')

/** Text of several lines a person typed, perhaps none: trimmed, at most `max`. */
export const textSchema = (max: number) => typed(max, UNHELD_BUT_BREAKS)

/** An id minted by a page (RFC 9562), small letters: the same id in capitals is the same id. */
export const idSchema = z.uuid('It is not an id.').transform((id) => id.toLowerCase())

/** The name a thing has in an anatomy or a plan: a cut, a part, a line and its setting. */
export const keySchema = z.string().regex(/^[\w|:.+×-]{1,60}$/u, 'It is not the name of anything here.')

const HALF_OR_NUL = /[\0\p{Cs}]/u

/** Where in a body from outside a text stands that no database holds (NUL, half of a pair); null when nowhere. */
export function unheldIn(body: unknown, where: string[] = []): string[] | null {
  if (typeof body === 'string') return HALF_OR_NUL.test(body) ? where : null
  if (typeof body !== 'object' || body === null) return null
  for (const [key, value] of Object.entries(body)) {
    const at = [...where, key]
    if (HALF_OR_NUL.test(key)) return where
    const found = unheldIn(value, at)
    if (found) return found
  }
  return null
}

/** SHA-256 in hex. */
export const hashSchema = z.string().regex(/^[0-9a-f]{64}$/, 'It is not a hash.')
