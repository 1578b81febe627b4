import { deriveAnatomy } from '../derive.ts'
import { anatomy as steer } from '../steer/index.ts'
import type { Anatomy } from '../types.ts'
import { about } from './about.ts'
import { bands, chain, live, map, measures, spread } from './data/figures.ts'
import { types } from './data/types.ts'
import { more, without } from './data/ways.ts'
import { also, house } from './data/words.ts'

/** The calf: a steer's joints, smaller and leaner, with tables of its own. */
export const anatomy: Anatomy = deriveAnatomy(steer, {
  id: 'calf',
  species: 'calf',
  version: 1,
  about,
  chain,
  referenceKg: 110,
  longer: 0.73,
  pace: 0.55,
  bands,
  words: [
    ['Ground beef', 'Ground veal'],
    ['Beef mince', 'Veal mince'],
    ['Diced beef', 'Diced veal'],
    ['Beef sausage', 'Veal sausage'],
    ['Beef sausages', 'Veal sausages'],
    ['Oxtail', 'Tail'],
    ['Corned', 'Cured'],
  ],
  without,
  more,
  fallbacks: { rib: 'rib-chops', 'short-loin': 'loin-tbone', brisket: 'brisket-grind' },
  live,
  measures,
  types,
  spread,
  graded: null,
  house,
  also,
  map,
  sources: {
    chain: 'calf-chain',
    'chain.days': 'usual-days',
    'chain.ageTrimPerDay': 'age-trim',
    'chain.tapeDivisor': 'tape-rule',
    referenceKg: 'calf-cells',
    axis: 'calf-cells',
    ribs: 'steer-axis',
    lines: 'steer-lines',
    bands: 'calf-cells',
    parts: 'portions',
    'parts.offCarcass': 'calf-live',
    cuts: 'price-index',
    'cuts.portion': 'portions',
    paths: 'calf-paths',
    'paths.process': 'steer-process',
    conventions: 'steer-chain',
    live: 'calf-live',
    measures: 'calf-types',
    types: 'calf-types',
    trim: 'trim-levels',
    spread: 'calf-spread',
    'spread.besideMm': 'common-spread',
    'spread.toTrim': 'common-spread',
    map: 'drawings',
  },
})
