import { laidSources } from '../laidSources.ts'
import type { Anatomy } from '../types.ts'
import { about } from './about.ts'
import { axis, bands, cuts, lines, parts } from './data/cells.ts'
import { chain, conventions, live, map, measures, spread, trim } from './data/figures.ts'
import { paths } from './data/paths.ts'
import { types } from './data/types.ts'
import { also, house } from './data/words.ts'

/** The rabbit: jointed by the knife, never sawn. Base carcass without head, feet, pelt and offal. */
export const anatomy: Anatomy = {
  form: 6,
  id: 'rabbit',
  species: 'rabbit',
  version: 1,
  names: about.names,
  chain,
  referenceKg: 1.4,
  axis,
  ribs: null,
  lines,
  bands,
  parts,
  cuts,
  paths,
  conventions,
  live,
  measures,
  types,
  trim,
  roles: { fat: 'fat', trim: 'trim', discard: 'inedible', loss: 'cutting-loss' },
  spread,
  graded: null,
  quarters: null,
  house,
  also,
  map,
  sources: laidSources('rabbit', 'rabbit-process'),
}
