import { deriveAnatomy } from '../derive.ts'
import { anatomy as lamb } from '../lamb/index.ts'
import type { Anatomy } from '../types.ts'
import { about } from './about.ts'
import { bands, chain, live, map, spread } from './data/figures.ts'
import { types } from './data/types.ts'
import { sawn, without } from './data/ways.ts'
import { also, house } from './data/words.ts'

/** The goat: a lamb's joints on a longer, leaner frame, with tables of its own. */
export const anatomy: Anatomy = deriveAnatomy(lamb, {
  id: 'goat',
  species: 'goat',
  version: 1,
  about,
  chain,
  referenceKg: 18,
  longer: 1.04,
  pace: 1,
  bands,
  boned: { onBone: 0.05, sinew: 0.085 },
  words: [
    ['Leg (gigot)', 'Leg'],
    ['Spiced sausage in sheep casing', 'Spiced sausage'],
    ['filled cold into sheep casing', 'filled cold into casing'],
    ['Sheep over 12 months are', 'Goats over 12 months are'],
    ['45 % lamb', '45 % goat'],
    ['Lamb', 'Goat'],
    ['lamb', 'goat'],
  ],
  without,
  more: sawn,
  live,
  measures: [],
  types,
  spread,
  graded: null,
  house,
  also,
  map,
  sources: {
    chain: 'goat-chain',
    'chain.days': 'usual-days',
    'chain.ageTrimPerDay': 'age-trim',
    'chain.tapeDivisor': 'tape-rule',
    referenceKg: 'goat-cells',
    axis: 'goat-cells',
    ribs: 'lamb-axis',
    lines: 'lamb-lines',
    bands: 'goat-cells',
    parts: 'portions',
    'parts.offCarcass': 'goat-live',
    cuts: 'price-index',
    'cuts.portion': 'portions',
    paths: 'lamb-paths',
    'paths.process': 'lamb-process',
    conventions: 'goat-chain',
    live: 'goat-live',
    types: 'goat-types',
    trim: 'trim-levels',
    spread: 'goat-spread',
    'spread.besideMm': 'common-spread',
    'spread.toTrim': 'common-spread',
    map: 'drawings',
  },
})
