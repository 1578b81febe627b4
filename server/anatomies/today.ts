import { extendAnatomy, SPECIES, type Anatomy, type Species } from '#core/anatomy'
import { ANATOMIES } from '#core/species'
import { digestOf } from '../store/outcomes.ts'
import { anatomyOf, type Pinned } from './pins.ts'
import * as q from './queries.ts'
import type { Tx } from '../store/tx.ts'

/** Today's anatomy of a species with the farm's own additions; those that a newer anatomy no longer fits stay out. */
export async function anatomyOfToday(tx: Tx, species: Species): Promise<Anatomy> {
  const own = (await q.selectOwn(tx, species)).at(-1)
  const extended = own && extendAnatomy(ANATOMIES[species], own.body)
  return extended?.ok ? extended.value : ANATOMIES[species]
}

const hashes = new WeakMap<Anatomy, string>()
/** The hash of an anatomy, worked out once: it is large, and ours never change while the program runs. */
function hashOf(anatomy: Anatomy): string {
  const known = hashes.get(anatomy) ?? digestOf(anatomy)
  hashes.set(anatomy, known)
  return known
}

/** The hash a new lot of a species is pinned to today; it is kept by who hangs one, or moves one up to it. */
export async function todaysPin(tx: Tx, species: Species): Promise<{ hash: string; anatomy: Anatomy }> {
  const anatomy = await anatomyOfToday(tx, species)
  return { hash: hashOf(anatomy), anatomy }
}

/** Hashes of today's anatomies. */
export async function todaysPins(tx: Tx): Promise<Record<Species, string>> {
  const found = {} as Record<Species, string>
  for (const species of SPECIES) found[species] = (await todaysPin(tx, species)).hash
  return found
}

/** An anatomy by its hash: one that lots are pinned to, or one of today's that none is yet. */
export async function pinBy(tx: Tx, hash: string): Promise<Pinned | null> {
  const held = await q.selectPin(tx, hash)
  if (held) return held
  for (const species of SPECIES) {
    const today = await todaysPin(tx, species)
    if (today.hash === hash) return anatomyOf(hash, today.anatomy)
  }
  return null
}
