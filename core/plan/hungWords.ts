import { lookup, type Anatomy } from '#core/anatomy'
import type { Names } from '#core/measure'
import type { Hangs } from '#core/records'

const alike = (text: string): Names => ({ american: text, commonwealth: text })

/** What of an animal hangs, as it is called: "left side", "right hind quarter", "loin"; null for all of it. */
export function hungWords(anatomy: Anatomy, hangs: Hangs): Names | null {
  switch (hangs.as) {
    case 'whole':
      return null
    case 'side':
      return alike(`${hangs.side} side`)
    case 'quarter':
      return alike(`${hangs.side} ${hangs.quarter} quarter`)
    case 'part': {
      const { american, commonwealth } = lookup(anatomy).part(hangs.part)?.names ?? alike(hangs.part)
      return { american: american.toLowerCase(), commonwealth: commonwealth.toLowerCase() }
    }
  }
}
