import type { Lot } from '#core/records'
import type { LotChange } from './change.ts'

/** Which device a request comes from: an id a browser minted for itself, in every request that writes. */
export const DEVICE_HEADER = 'x-ekko-device'

/**
 * Which history of the records an answer is of, and a request was made for: another one once a copy was brought back. A revision
 * means another thing there.
 */
export const HISTORY_HEADER = 'x-ekko-history'

/** Which build of the pages the server serves: a page of another one is told to load itself anew. */
export const BUILD_HEADER = 'x-ekko-build'

/** Digits of the code a new device is let in by: short enough to type with a wet thumb. */
export const CODE_DIGITS = 6

/**
 * A lot with what was added to it. One that comes twice or late adds nothing; null where something between was missed:
 * then what came after the lot's own revision is asked for.
 */
export function joined(lot: Lot, change: LotChange): Lot | null {
  if (change.rev <= lot.rev) return lot
  if (change.from > lot.rev) return null
  const join = <R extends { rev: number }>(held: R[], added: readonly R[]): R[] => {
    const fresh = added.filter((r) => r.rev > lot.rev)
    return fresh.length > 0 ? [...held, ...fresh] : held
  }
  return {
    ...lot,
    rev: change.rev,
    groups: join(lot.groups, change.groups),
    weighings: join(lot.weighings, change.weighings),
    commands: join(lot.commands, change.commands),
    facts: join(lot.facts, change.facts),
    packs: join(lot.packs, change.packs),
  }
}
