import type { Anatomy } from '../types.ts'
import { axis, bands, lines, parts, ribs } from './data/cells.ts'
import { cuts } from './data/cuts.ts'
import { chain, conventions, live, map, measures, spread, trim } from './data/figures.ts'
import { types } from './data/types.ts'
import { paths } from './data/paths.ts'
import { also, house } from './data/words.ts'
import { about } from './about.ts'

/** The hog in full. Base carcass scalded, head off, feet on, leaf fat in. */
export const anatomy: Anatomy = {
  form: 6,
  id: 'hog',
  species: 'hog',
  version: 2,
  names: about.names,
  chain,
  longBy: 'bone',
  referenceKg: 84,
  axis,
  ribs,
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
  roles: { fat: 'back-fat', trim: 'trim', discard: 'inedible', loss: 'cutting-loss' },
  spread,
  graded: { by: 'pork', lb: [120, 300] },
  quarters: null,
  house,
  also,
  map,
  sources: {
    chain: 'hog-chain',
    'chain.liveKg': 'hog-bounds',
    'chain.dressingPossible': 'hog-bounds',
    'chain.days': 'usual-days',
    'chain.ageTrimPerDay': 'age-trim',
    'chain.tapeDivisor': 'tape-rule',
    referenceKg: 'hog-cells',
    axis: 'hog-axis',
    ribs: 'hog-axis',
    lines: 'hog-lines',
    bands: 'hog-cells',
    parts: 'portions',
    'parts.offCarcass': 'hog-live',
    cuts: 'price-index',
    'cuts.portion': 'portions',
    paths: 'hog-paths',
    'paths.process': 'hog-process',
    conventions: 'hog-chain',
    live: 'hog-live',
    measures: 'hog-measures',
    types: 'hog-types',
    trim: 'trim-levels',
    spread: 'hog-spread',
    'spread.besideMm': 'common-spread',
    'spread.toTrim': 'common-spread',
    graded: 'grade-formulas',
    map: 'drawings',
  },
}
