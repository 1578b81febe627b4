import type { Anatomy } from '../types.ts'
import { axis, bands, lines, parts } from './data/cells.ts'
import { cuts } from './data/cuts.ts'
import { chain, map, spread } from './data/figures.ts'
import { paths } from './data/paths.ts'

/** The hog, rough: fifteen parts, base carcass scalded, head off, feet on, leaf fat and kidneys in. */
export const hog: Anatomy = {
  id: 'hog',
  species: 'hog',
  version: 1,
  names: { american: 'Hog', commonwealth: 'Pig' },
  chain,
  referenceKg: 84,
  axis,
  lines,
  bands,
  parts,
  cuts,
  paths,
  spread,
  map,
}
