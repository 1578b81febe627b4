import type { OwnVersion } from '#core/records'
import { insert, own, pins, select, selectOne } from '../store/tables/index.ts'
import type { Tx } from '../store/tx.ts'
import { anatomyOf, heldPin, type Pinned } from './pins.ts'

/** A pin by its hash. Its body is large, so one that was read before is not read again. */
export async function selectPin(tx: Tx, hash: string): Promise<Pinned | null> {
  const held = heldPin(hash)
  if (held) return held
  const pin = await selectOne(tx, pins, 'hash = $1', [hash])
  return pin && anatomyOf(hash, pin.body)
}

/** Pins an anatomy, unless it is pinned already. */
export const insertPin = async (tx: Tx, hash: string, species: string, body: unknown): Promise<void> =>
  void (await tx.query(`${pins.insertion} on conflict do nothing`, [
    pins.rows([{ hash, species, body: body as Record<string, unknown> }]),
  ]))

/** Every version of the farm's own additions, oldest first; of one species, or of all. */
export const selectOwn = (tx: Tx, species: string | null): Promise<OwnVersion[]> =>
  species === null ? select(tx, own) : select(tx, own, 'species = $1', [species])

export const insertOwn = (tx: Tx, version: OwnVersion): Promise<void> => insert(tx, own, [version])
