import type { Anatomy } from '../types.ts'
import { axis, bands, lines, parts, ribs } from './data/cells.ts'
import { cuts } from './data/cuts.ts'
import { chain, conventions, live, map, measures, spread, trim } from './data/figures.ts'
import { types } from './data/types.ts'
import { paths } from './data/paths.ts'
import { also, house } from './data/words.ts'
import { about } from './about.ts'

/** The lamb, rough but whole. Base carcass with kidneys and their fat. */
export const anatomy: Anatomy = {
  form: 6,
  id: 'lamb',
  species: 'lamb',
  version: 2,
  names: about.names,
  chain,
  longBy: 'bone',
  referenceKg: 20,
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
  graded: { by: 'lamb', lb: [30, 110] },
  quarters: null,
  house,
  also,
  map,
  sources: {
    chain: 'lamb-chain',
    'chain.liveKg': 'lamb-bounds',
    'chain.dressingPossible': 'lamb-bounds',
    'chain.days': 'usual-days',
    'chain.ageTrimPerDay': 'age-trim',
    'chain.tapeDivisor': 'tape-rule',
    referenceKg: 'lamb-cells',
    axis: 'lamb-axis',
    ribs: 'lamb-axis',
    lines: 'lamb-lines',
    bands: 'lamb-cells',
    parts: 'portions',
    'parts.offCarcass': 'lamb-live',
    cuts: 'price-index',
    'cuts.portion': 'portions',
    paths: 'lamb-paths',
    'paths.process': 'lamb-process',
    conventions: 'lamb-chain',
    live: 'lamb-live',
    measures: 'lamb-measures',
    types: 'lamb-types',
    trim: 'trim-levels',
    spread: 'lamb-spread',
    'spread.besideMm': 'common-spread',
    'spread.toTrim': 'common-spread',
    graded: 'grade-formulas',
    map: 'drawings',
  },
}
