/** How sure is each figure? One lot read whole: stages, cuts, money and Cover, each estimate with its interval. */
export { shownWeights } from './shown.ts'
export type { Shown } from './shown.ts'
export { whereItGoes } from './losses.ts'
export type { Loss } from './losses.ts'
export { drawLot } from './draw.ts'
export type { Drawn } from './draw.ts'
export { reckon } from './reckon.ts'
export { blockCard, stepDone } from './blockCard.ts'
export type { BlockCard, CardStep } from './blockCard.ts'
export { letter, SHARES } from './letter.ts'
export type { Letter, Share } from './letter.ts'
export { flowPicture, LEAN_CLASSES, trimLedger } from './trimLedger.ts'
export type { FlowLink, TrimLedger, TrimSource } from './trimLedger.ts'
export { libraryOf } from './library.ts'
export type { CutEntry, PartEntry } from './library.ts'
export { differencesOf, sayDifference, valuePlan } from './compare.ts'
export type { Difference, PlanFigures, Says } from './compare.ts'
export { tallyWith } from './tally.ts'
export type {
  CutFigure,
  FarmFigures,
  LotState,
  MoneyFigures,
  PackWeighing,
  Reckoning,
  StageFigure,
  Uncovered,
} from './reckon.ts'
