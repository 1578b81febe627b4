import type { Lot } from '#contracts'
import type { Anatomy } from '#core/anatomy'
import type { GroupRow } from '#core/records'

/** Whether there is anything to split: several animals, or the two sides of one that has no sides of its own. */
export const canSplit = (lot: Pick<Lot, 'count'>, anatomy: Anatomy): boolean =>
  lot.count > 1 || hasNoSides(anatomy)
/** Birds and rabbits are planned whole; their two sides differ as groups. */
export const hasNoSides = (anatomy: Anatomy): boolean => anatomy.map.kind !== 'sides'

/** "12", "one side of each of 12": how many of a group there are. */
export const sayAnimals = ({ animals, half }: Pick<GroupRow, 'animals' | 'half'>): string =>
  half ? `one side of ${animals === 1 ? 'it' : `each of ${animals}`}` : String(animals)
