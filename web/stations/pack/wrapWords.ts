import type { SupplyItem } from '#core/hand'
import { kg, type Kg } from '#core/measure'
import { PACK_SIZES, type Wrap } from '#core/records'

export const WRAP_WORDS: Record<Wrap, string> = {
  vacuum: 'vacuum bag',
  shrink: 'shrink bag',
  zip: 'zip bag',
  paper: 'freezer paper',
  jar: 'jar',
  tub: 'tub',
}

/** What packs take, in words: "vacuum bag to 2 lb". */
export function supplyWords(item: SupplyItem, mass: (kg: Kg) => string): string {
  switch (item.is) {
    case 'label':
      return 'label'
    case 'twine':
      return 'twine'
    case 'wrap': {
      const what = item.wrap ? WRAP_WORDS[item.wrap] : 'wrapping, not said which'
      return item.upTo === PACK_SIZES.at(-1) ? `${what}, larger` : `${what} to ${mass(kg(item.upTo))}`
    }
  }
}
