import { birdTrim } from '../poultry/data/birds.ts'
import type { Anatomy } from '../types.ts'
import { axis, bands, lines, parts } from './data/cells.ts'
import { cuts } from './data/cuts.ts'
import { chain, conventions, live, map, measures, spread } from './data/figures.ts'
import { types } from './data/types.ts'
import { paths } from './data/paths.ts'
import { also, house } from './data/words.ts'
import { about } from './about.ts'

/** The broiler, rough but whole: a bird has no sides. Base bird plucked, without neck, giblets and feet. */
export const anatomy: Anatomy = {
  form: 6,
  id: 'broiler',
  species: 'broiler',
  version: 1,
  names: about.names,
  chain,
  referenceKg: 2,
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
  roles: { fat: 'bird-fat', trim: 'trim', discard: 'inedible', loss: 'cutting-loss' },
  spread,
  graded: null,
  quarters: null,
  house,
  also,
  map,
  sources: {
    chain: 'broiler-chain',
    'chain.liveKg': 'broiler-bounds',
    'chain.dressingPossible': 'broiler-bounds',
    'chain.days': 'usual-days',
    referenceKg: 'broiler-cells',
    axis: 'broiler-cells',
    bands: 'broiler-cells',
    parts: 'broiler-live',
    types: 'broiler-types',
    cuts: 'price-index',
    'cuts.portion': 'portions',
    paths: 'broiler-paths',
    'paths.process': 'broiler-process',
    conventions: 'broiler-chain',
    live: 'broiler-live',
    trim: 'trim-levels',
    spread: 'broiler-spread',
    'spread.besideMm': 'common-spread',
    'spread.toTrim': 'common-spread',
    map: 'drawings',
  },
}
