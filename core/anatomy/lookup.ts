import type { Anatomy, Cut, Part, Path, SideName } from './types.ts'

/** An anatomy's parts, cuts and paths by id. */
export interface Lookup {
  part: (id: string) => Part | undefined
  cut: (id: string) => Cut | undefined
  path: (id: string) => Path | undefined
  pathsOf: (part: string) => readonly Path[]
}

const made = new WeakMap<object, Lookup>()

/** Finds by id, without walking the lists each time; made once per anatomy. */
export function lookup(anatomy: Pick<Anatomy, 'parts' | 'cuts' | 'paths'>): Lookup {
  const held = made.get(anatomy)
  if (held) return held
  const parts = new Map(anatomy.parts.map((p) => [p.id, p]))
  const cuts = new Map(anatomy.cuts.map((c) => [c.id, c]))
  const paths = new Map(anatomy.paths.map((p) => [p.id, p]))
  const ofPart = new Map<string, Path[]>(anatomy.parts.map((p) => [p.id, []]))
  for (const p of anatomy.paths) ofPart.get(p.part)?.push(p)
  const found: Lookup = {
    part: (id) => parts.get(id),
    cut: (id) => cuts.get(id),
    path: (id) => paths.get(id),
    pathsOf: (part) => ofPart.get(part) ?? [],
  }
  made.set(anatomy, found)
  return found
}

const BOTH: readonly SideName[] = ['left', 'right']
const ONE: readonly SideName[] = ['animal']
/** The sides a part has: two halves, or the animal. */
export const sidesOf = (part: Pick<Part, 'scope'>): readonly SideName[] =>
  part.scope === 'animal' ? ONE : BOTH
