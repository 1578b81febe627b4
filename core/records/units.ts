import { grams, type Grams } from '#core/measure'
import { inForce, type Correctable } from './entry.ts'
import type { Fact } from './facts.ts'
import type { UnitState } from './lists.ts'
import type { PackWeighing } from './weights.ts'

type Made = Pick<
  PackWeighing,
  'id' | 'cut' | 'grams' | 'packs' | 'number' | 'outOf' | 'corrects' | 'stands' | 'at'
>
type Said = Correctable & Pick<Fact, 'fact'>

/** One pack as a thing: its number, the weighing that made it, its share of that, and what became of it. */
export interface Unit {
  number: number
  weighIn: string
  cut: string
  grams: Grams
  state: UnitState
}

/** Grams of each of so many packs weighed together: whole, and all of them (the first ones bear what is left over). */
export function gramsEach(all: number, packs: number): Grams[] {
  const each = Math.floor(all / packs)
  return Array.from({ length: packs }, (_, i) => grams(each + (i < all - each * packs ? 1 : 0)))
}

const voided = (facts: readonly Said[]): ReadonlySet<number> =>
  new Set(inForce(facts).flatMap(({ fact }) => (fact.kind === 'void' ? [fact.pack] : [])))

/** Every pack that was ever made of these weighings, by number, and its state. */
export function unitsOf(packs: readonly Made[], facts: readonly Said[]): Unit[] {
  const standing = inForce(packs)
  const isStanding = new Set(standing.map((p) => p.id))
  const opened = new Set(standing.flatMap((p) => p.outOf ?? []))
  const gone = voided(facts)
  return packs.flatMap((p) => {
    if (p.number === null || !p.stands) return []
    const first = p.number
    return gramsEach(p.grams, p.packs).map((own, i): Unit => {
      const number = first + i
      const state = !isStanding.has(p.id)
        ? 'corrected'
        : opened.has(number)
          ? 'opened'
          : gone.has(number)
            ? 'void'
            : 'here'
      return { number, weighIn: p.id, cut: p.cut, grams: own, state }
    })
  })
}

/**
 * The weighings in force with what of them is still there: packs that were voided, or opened for others, are taken off, so
 * that what was weighed is Σ made − void − opened and selling or eating a pack never lowers it.
 */
export function packedIn<P extends Made>(packs: readonly P[], facts: readonly Said[]): P[] {
  const standing = inForce(packs)
  if (standing.every((p) => !p.outOf) && voided(facts).size === 0) return standing
  const units = unitsOf(packs, facts)
  return standing.flatMap((p) => {
    if (p.number === null) return [p]
    const here = units.filter((u) => u.weighIn === p.id && u.state === 'here')
    if (here.length === 0) return []
    const left = grams(here.reduce((sum, u) => sum + u.grams, 0))
    return here.length === p.packs ? [p] : [{ ...p, packs: here.length, grams: left }]
  })
}
