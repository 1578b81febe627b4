import { lookup, openedFrom, type Anatomy } from '#core/anatomy'

/** The parts a cut lies in: those whose ways make it, and the parts these come out of. */
export function partsOfCut(anatomy: Anatomy, cut: string): ReadonlySet<string> {
  const out = new Set<string>()
  for (const path of anatomy.paths) {
    if (!path.outputs.some((o) => o.cut === cut)) continue
    for (let id: string | null = path.part; id !== null && !out.has(id); id = openedFrom(anatomy, id))
      out.add(id)
  }
  return out
}

/** The hanging part most things of a cut come from: where it stands on the wall. */
export function primalOf(anatomy: Anatomy, cut: string): string | null {
  const path = anatomy.paths.find((p) => p.outputs.some((o) => o.cut === cut))
  if (!path) return null
  let id = path.part
  for (let outer = openedFrom(anatomy, id); outer !== null; outer = openedFrom(anatomy, id)) id = outer
  return lookup(anatomy).part(id) ? id : null
}
