import type { Wrap } from '#core/records'

export const WRAP_WORDS: Record<Wrap, string> = {
  vacuum: 'vacuum bag',
  shrink: 'shrink bag',
  zip: 'zip bag',
  paper: 'freezer paper',
  jar: 'jar',
  tub: 'tub',
}
