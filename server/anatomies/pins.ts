import { ANATOMY_FORM, readAnatomy, type Anatomy } from '#core/anatomy'
import { ANATOMIES } from '#core/species'
import { compile, type Flow } from '#core/carcass'

/** An anatomy that lots are pinned to: as it was written, and as it is read today. */
export interface Pinned {
  hash: string
  body: unknown
  anatomy: Anatomy
  /** Written in an earlier form: pieces, intervals and minutes follow today's rules. */
  old: boolean
}

const pins = new Map<string, Pinned>()
const flows = new WeakMap<Anatomy, Flow>()
/** Enough for every species, its own additions, and the versions a farm's lots hang on at once. */
const MOST_PINS = 24

/** A pinned body brought up to today's form, once per hash: a pin never changes. */
export function anatomyOf(hash: string, body: unknown): Pinned {
  const held = pins.get(hash)
  if (held) return held
  const read = readAnatomy(body, ANATOMIES)
  if (!read.ok) throw new Error(`The figures ${hash.slice(0, 8)} cannot be read.`)
  const { anatomy, form } = read.value
  const pinned = { hash, body, anatomy, old: form < ANATOMY_FORM - 1 }
  if (pins.size >= MOST_PINS) pins.delete(pins.keys().next().value!)
  pins.set(hash, pinned)
  return pinned
}

/** A pin that was read before; what a hash names never changes. */
export const heldPin = (hash: string): Pinned | null => pins.get(hash) ?? null

/** The compiled flow of an anatomy, once while it is held. */
export function flowOf(anatomy: Anatomy): Flow {
  const flow = flows.get(anatomy) ?? compile(anatomy)
  flows.set(anatomy, flow)
  return flow
}
