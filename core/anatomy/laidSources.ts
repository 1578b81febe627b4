import type { Anatomy, Species } from './types.ts'

/** Where the figures of a bird or rabbit come from (docs/sources.md): its own lines, and those that are common to all. */
export const laidSources = (species: Species, processes: string): Anatomy['sources'] => ({
  chain: `${species}-chain`,
  'chain.days': 'usual-days',
  referenceKg: `${species}-cells`,
  axis: `${species}-cells`,
  bands: `${species}-cells`,
  parts: `${species}-live`,
  types: `${species}-types`,
  cuts: 'price-index',
  'cuts.portion': 'portions',
  paths: `${species}-paths`,
  'paths.process': processes,
  conventions: `${species}-chain`,
  live: `${species}-live`,
  trim: 'trim-levels',
  spread: `${species}-spread`,
  'spread.besideMm': 'common-spread',
  'spread.toTrim': 'common-spread',
  map: 'drawings',
})
