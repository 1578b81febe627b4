/** What is kept? One schema per record, with the parsers it is made of; there is no second set. */
import './issues.ts'
export * from './lists.ts'
export * from './words.ts'
export * as typed from './form.ts'
export { limitsOf, readForm } from './form.ts'
export type { Filled, FormField, FormFields } from './form.ts'
export { hashSchema, idSchema, keySchema, lineSchema, textSchema, unheldIn } from './text.ts'
export { clockSchema, daySchema, FIRST_YEAR, instantSchema, LAST_YEAR, zoneSchema } from './time.ts'
export { amountSchema, currencySchema, figureSchema, packNumberSchema, shownMassSchema } from './figures.ts'
export { authorSchema, correctable, entrySchema, inForce, revisionSchema, UNNAMED } from './entry.ts'
export type { Author, Correctable, Entry } from './entry.ts'
export {
  DECISIONS,
  decisionSchema,
  EVENTS,
  factBodySchema,
  formOf,
  formUp,
  FACTS,
  goneBy,
  isGroupFact,
  isGroupField,
  movesMass,
  PICTURED,
  picturesOf,
  rightOf,
  sheetSchema,
  SHEETS,
  sheetUp,
  subjectOf,
} from './kinds/index.ts'
export type { Decision, DecisionOf, FactBody, FactKind, FactOf, Field, Forms, Sheet } from './kinds/index.ts'
export type { Attachment, Medicine, Observation, OneAnimal } from './kinds/animal.ts'
export type { Downgrade, Loss, Passed, Sample, Scald, Stopped } from './kinds/batch.ts'
export type { Check, Closing, Fault, Tick, Work } from './kinds/bench.ts'
export type { Acceptance, Icing, Temperature } from './kinds/cold.ts'
export type { Cost, Fee } from './kinds/money.ts'
export type {
  Equipment,
  FeeSheet,
  LabelSheet,
  Overhead,
  PackingSheet,
  PracticeSheet,
  PriceSheet,
  SchoolSheet,
} from './kinds/sheets.ts'
export { crewSchema } from './bench.ts'
export type { Crew } from './bench.ts'
export { birdDaySchema, classesSchema, lineStationSchema, raiseSchema } from './birds.ts'
export type { BirdDay, Classes, LineStationPlan, RaiseTo } from './birds.ts'
export {
  newPackEventSchema,
  newPackSchema,
  newWeighingSchema,
  packEventSchema,
  packSchema,
  weighingSchema,
} from './weights.ts'
export type { NewPack, NewPackEvent, NewWeighing, PackEvent, PackWeighing, Weighing } from './weights.ts'
export { gramsEach, packedIn, unitsOf } from './units.ts'
export type { Unit } from './units.ts'
export { factSchema, newFactSchema } from './facts.ts'
export type { Fact, NewFact } from './facts.ts'
export { commandSchema } from './decisions.ts'
export type { Command } from './decisions.ts'
export { aimSchema } from './aims.ts'
export type { Aim, OwnUse } from './aims.ts'
export { unitPriceSchema } from './prices.ts'
export { FINISH_CHANGE } from './finishes.ts'
export type { Finish } from './finishes.ts'
export { ALL_HANGS, hangsSchema } from './hangs.ts'
export type { Hangs } from './hangs.ts'
export { portionSchema, USUAL_PACK } from './portion.ts'
export { LEAN_BOUNDS, SPLIT_BOUNDS, splitSchema } from './split.ts'
export type { Portion } from './portion.ts'
export { ownAdditionsSchema, ownVersionSchema } from './own.ts'
export type { OwnAdditions, OwnVersion } from './own.ts'
export { cutPlanSchema, storedPlanSchema } from './plans.ts'
export type { CutPlan, StoredPlan } from './plans.ts'
export { anatomiesOf, groupSchema, readBy, lotHeadSchema, lotSchema, newLotSchema } from './lots.ts'
export type { Group, Lot, LotHead, NewLot } from './lots.ts'
export {
  animalsIn,
  constituentsOf,
  childrenOf,
  condemnedBy,
  livingOf,
  isSplit,
  leavesOf,
  lineageOf,
  onlyLeaf,
  wholeOf,
  withinOf,
} from './groups.ts'
export type { GroupRow } from './groups.ts'
export { storedSheetSchema } from './sheets.ts'
export type { DatedSheet, StoredSheet } from './sheets.ts'
export type { PackingItem } from './packing.ts'
export { newPaperSchema, paperSchema, paperWordsSchema } from './papers.ts'
export type { NewPaper, Paper, PaperWords } from './papers.ts'
export { farmSchema, keptFarmSchema } from './farm.ts'
export type { Farm, KeptFarm } from './farm.ts'
export { broughtUp } from './kinds/kind.ts'
export type { Family } from './kinds/kind.ts'
export { CONTENT_STEPS, farmUp, lotUp } from './upgrades.ts'
