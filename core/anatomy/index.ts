/** What is an animal made of, along which lines does it come apart, and what can each part become? */
export { TISSUES } from './types.ts'
export type {
  Anatomy,
  Band,
  ChainFigures,
  Cut,
  CutKind,
  Destination,
  Dressing,
  Line,
  Names,
  NameSet,
  Part,
  Path,
  PathOutput,
  Portion,
  SideName,
  Tissue,
  TissueShares,
} from './types.ts'
export { validateAnatomy } from './validate.ts'
export type { AnatomyFault } from './validate.ts'
export { drawSide } from './map.ts'
export type { HungSide, PartShape } from './map.ts'
export { hog } from './hog/index.ts'
