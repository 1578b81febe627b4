import type { Anatomy } from '../types.ts'
import { axis, bands, lines, parts, quarters, ribs } from './data/cells.ts'
import { cuts } from './data/cuts.ts'
import { chain, conventions, live, map, measures, spread, trim } from './data/figures.ts'
import { types } from './data/types.ts'
import { paths } from './data/paths.ts'
import { also, house } from './data/words.ts'
import { about } from './about.ts'

/** The steer, rough but whole. Base carcass with kidney fat and hanging tender, kidneys out. */
export const anatomy: Anatomy = {
  form: 6,
  id: 'steer',
  species: 'steer',
  version: 1,
  names: about.names,
  chain,
  longBy: 'bone',
  referenceKg: 320,
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
  roles: { fat: 'fat', trim: 'trim', discard: 'inedible', loss: 'cutting-loss' },
  spread,
  graded: { by: 'beef', lb: [450, 1100] },
  quarters,
  house,
  also,
  map,
  sources: {
    chain: 'steer-chain',
    'chain.liveKg': 'steer-bounds',
    'chain.dressingPossible': 'steer-bounds',
    'chain.days': 'usual-days',
    'chain.ageTrimPerDay': 'age-trim',
    'chain.tapeDivisor': 'tape-rule',
    referenceKg: 'steer-cells',
    axis: 'steer-axis',
    ribs: 'steer-axis',
    lines: 'steer-lines',
    bands: 'steer-cells',
    parts: 'portions',
    'parts.offCarcass': 'steer-live',
    cuts: 'price-index',
    'cuts.portion': 'portions',
    paths: 'steer-paths',
    'paths.process': 'steer-process',
    conventions: 'steer-chain',
    live: 'steer-live',
    measures: 'steer-measures',
    types: 'steer-types',
    trim: 'trim-levels',
    spread: 'steer-spread',
    'spread.besideMm': 'common-spread',
    'spread.toTrim': 'common-spread',
    graded: 'grade-formulas',
    map: 'drawings',
  },
}
