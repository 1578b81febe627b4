import { issueOf, type Outcome } from '#core/measure'
import type { OwnAdditions } from '#core/records'
import { withSeam, type Anatomy, type Part, type Path } from './types.ts'
import { validateAnatomy } from './validate.ts'

/**
 * The anatomy with a farm's own additions, checked like our own data: closure of every tissue, no circle, no unknown
 * part, cut or convention. Refused with what is wrong and by how much; the anatomy itself is never changed.
 */
export function extendAnatomy(anatomy: Anatomy, own: OwnAdditions): Outcome<Anatomy> {
  if (own.species !== anatomy.species)
    return {
      ok: false,
      issues: [
        issueOf('own-unsound', 'species', {
          where: own.species,
          what: `is not the ${anatomy.names.american.toLowerCase()}`,
        }),
      ],
    }
  const extended: Anatomy = {
    ...anatomy,
    cuts: [...anatomy.cuts, ...own.cuts],
    parts: [...anatomy.parts, ...own.parts.map((p): Part => ({ ...p, scope: ownScope(anatomy, own, p.id) }))],
    paths: [...anatomy.paths, ...own.paths.map((p) => ({ ...p, outputs: p.outputs.map(withSeam) }) as Path)],
  }
  const faults = validateAnatomy(extended)
  if (faults.length === 0) return { ok: true, value: extended }
  return {
    ok: false,
    issues: faults.map(({ where, what }) => issueOf('own-unsound', fieldOf(own, where), { where, what })),
  }
}

/** An own part has sides when what it comes out of has. */
function ownScope(anatomy: Anatomy, own: OwnAdditions, id: string, seen: string[] = []): Part['scope'] {
  const parents = own.paths.filter((p) => p.outputs.some((o) => o.part === id)).map((p) => p.part)
  const sided = parents.some((p) => {
    const known = anatomy.parts.find((x) => x.id === p)
    if (known) return known.scope === 'side'
    return !seen.includes(p) && ownScope(anatomy, own, p, [...seen, id]) === 'side'
  })
  return sided ? 'side' : 'animal'
}

function fieldOf(own: OwnAdditions, where: string): string {
  for (const list of ['paths', 'parts', 'cuts'] as const) {
    const i = own[list].findIndex((x) => x.id === where)
    if (i >= 0) return `${list}.${i}`
  }
  return 'paths'
}
