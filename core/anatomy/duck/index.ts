import { birdTrim } from '../poultry/data/birds.ts'
import { laidSources } from '../laidSources.ts'
import type { Anatomy } from '../types.ts'
import { about } from './about.ts'
import { axis, bands, cuts, lines, parts } from './data/cells.ts'
import { chain, conventions, live, map, measures, spread } from './data/figures.ts'
import { paths } from './data/paths.ts'
import { types } from './data/types.ts'
import { also, house } from './data/words.ts'

/** The duck: parted as a broiler is, with a third of it skin and fat, worth rendering. Base bird plucked, without neck, giblets and feet. */
export const anatomy: Anatomy = {
  form: 6,
  id: 'duck',
  species: 'duck',
  version: 1,
  names: about.names,
  chain,
  referenceKg: 2.2,
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
  trim: birdTrim,
  roles: { fat: 'fat', trim: 'trim', discard: 'inedible', loss: 'cutting-loss' },
  spread,
  graded: null,
  quarters: null,
  house,
  also,
  map,
  sources: laidSources('duck', 'broiler-process'),
}
