import type { Anatomy } from '#core/anatomy'
import type { CutPlan } from '#core/records'

/** The house plans of a species, as plans like any other. */
export function housePlans(anatomy: Anatomy): CutPlan[] {
  return anatomy.house.map((h) => ({
    format: 'ekko-plan',
    version: 1,
    species: anatomy.species,
    name: h.name,
    says: h.says,
    trim: h.trim ?? 'standard',
    lines: [],
    mm: [],
    paths: h.ways.split(',').flatMap((way) => {
      const [part, path] = way.trim().split(' ') as [string, string]
      const animal = anatomy.parts.find((p) => p.id === part)?.scope === 'animal'
      return (animal ? (['animal'] as const) : (['left', 'right'] as const)).map((side) => ({ part, side, path }))
    }),
    portions: [],
  }))
}
