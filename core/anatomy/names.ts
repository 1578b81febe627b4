import type { Names } from '#core/measure'

/** `American | Commonwealth`; one name serves both sets. */
export function names(text: string): Names {
  const [american, commonwealth = american] = text.split('|').map((x) => x.trim())
  return { american: american!, commonwealth: commonwealth! }
}
