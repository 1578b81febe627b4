/** What was decided for a lot, on what is so? Decisions are an append-only list; the plan is what they come to. */
import './issues.ts'
export {
  checkUndo,
  conflicts,
  contestedBy,
  decisionKey,
  latest,
  NO_LOG,
  nextRedo,
  nextUndo,
  standingFact,
  tried,
} from './history.ts'
export type { CommandRow, Conflict, FactConflict, Inverse, Log, Said } from './history.ts'
export { ageTrimIn, coldLogOf, cutOn, sidesWeighed } from './cold.ts'
export type { ColdLog } from './cold.ts'
export { readFacts } from './facts.ts'
export type { FactRow } from './facts.ts'
export type { CostLine, Facts } from './kinds/draft.ts'
export { heldBy, inOnePiece, isMovable, moveLine, partsAt } from './inOnePiece.ts'
export { choicesWith, conventionsOf, readPlan, REST_BRINGS, refusalOf, settle, unableSplit } from './read.ts'
export type { CutTerms, Dropped, Plan } from './read.ts'
export { regionsOf } from './regions.ts'
export type { Region } from './regions.ts'
export {
  allergensOf,
  canBeFinished,
  extraPerKg,
  finishedName,
  FINISHES,
  finishingOf,
  finishKind,
  finishMinutes,
  goodsOf,
  usualFinish,
} from './finishes.ts'
export type { Finished, FinishKind } from './finishes.ts'
export { allMinutes, alongOf, minutesOf, TAKES, WRAP_MINUTES } from './minutes.ts'
export type { BenchMinutes } from './minutes.ts'
export { packSize } from './packSize.ts'
export { NONE as NO_PIECES, portionFor, portionsOf } from './portions.ts'
export {
  EATERS,
  keepsBone,
  mostPieces,
  oddPortion,
  PLATE,
  roastFor,
  sayPortion,
  thicknessFor,
} from './portioning.ts'
export type { Portioned } from './portions.ts'
export { dressedAt, weighedApart } from './animals.ts'
export type { Apart } from './animals.ts'
export { canBeHeld, holdPart, isLater } from './holding.ts'
export { takePath } from './takePath.ts'
export { wayTo } from './wayTo.ts'
export type { WayTo } from './wayTo.ts'
export { adoptPlan, cutPlanOf, readCutPlan, strangersIn } from './cutPlan.ts'
export type { LeftOut, PartCut } from './cutPlan.ts'
export { housePlans } from './house.ts'
export { hungWords } from './hungWords.ts'
export { CATTLE_MONTHS, monthsBetween } from './age.ts'
export { repeated, timesDue } from './repeats.ts'
export { checkDecisions, contradictionIn } from './check.ts'
export { sayRecord, unknownFact, unknownIn } from './kinds/index.ts'
export type { Saying, Sentence } from './kinds/reads.ts'
export { hangs } from './kinds/seen.ts'
export { isTask, WHOLE_STEPS } from './tasks.ts'
export { SCALD, schoolOf, SCHOOL_WORDS, schoolsFor, takesBy } from './schools.ts'
export type { School, Schools } from './schools.ts'
