/** What is an animal made of, along which lines does it come apart, and what can each part become? */
import './issues.ts'
export { DEPOTS, NAMED_TISSUES, SIDES, SPECIES, TISSUES, TOOLS, TRIM_LEVELS, withSeam } from './types.ts'
export type {
  About,
  Anatomy,
  AnimalType,
  Band,
  ChainFigures,
  Convention,
  CrossLine,
  CompositionRow,
  Cut,
  Depot,
  CutKind,
  Destination,
  Line,
  LiveShare,
  LongLine,
  Measure,
  MeasureId,
  Names,
  NameSet,
  Part,
  Path,
  PathOutput,
  Point,
  Portion,
  Process,
  SideName,
  Species,
  NamedShares,
  Tissue,
  TissueShares,
  Tool,
  TrimLevel,
} from './types.ts'
export {
  builtAt,
  compositionAt,
  depotOf,
  dressingOf,
  expectedMeasure,
  readAt,
  tissuesAt,
  typeOf,
  typesOf,
  UNSURE,
  writtenDepots,
} from './composition.ts'
export type { DepotShares } from './composition.ts'
export { lengthBetween, linePositions, linesThrough, positionOf, withRibs } from './axis.ts'
export { lookup, sidesOf } from './lookup.ts'
export type { Lookup } from './lookup.ts'
export { openedFrom, openingWay, partOrder, validateAnatomy } from './validate.ts'
export type { AnatomyFault } from './validate.ts'
export { extendAnatomy } from './own.ts'
export { closedWay, openShare, usualGoal, withoutWay, withWay } from './ownWay.ts'
export type { Goal, WayDraft, WayLine } from './ownWay.ts'
export { ANATOMY_FORM, readAnatomy } from './forms.ts'
export type { Today } from './forms.ts'
export { drawHung, drawUsual } from './map.ts'
export type { AxisLevel, Hung, HungSide, LineMark, PartShape } from './map.ts'
export { loadAbout, loadAnatomy } from './load.ts'
export { isUncut, uncutWay, withUncut } from './uncut.ts'
export { finderOf } from './finder.ts'
export type { Called } from './finder.ts'
export { falseFriendsIn } from './falseFriends.ts'
export type { FalseFriend } from './falseFriends.ts'
