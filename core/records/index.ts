/** What is kept? One schema per record, with the parsers it is made of; there is no second set. */
export * from './lists.ts'
export { hashSchema, idSchema, keySchema, lineSchema, textSchema, unheldIn } from './text.ts'
export { daySchema, FIRST_YEAR, instantSchema, LAST_YEAR, zoneSchema } from './time.ts'
export { amountSchema, currencySchema, figureSchema, shownMassSchema } from './figures.ts'
export { authorSchema, correctable, entrySchema, inForce, revisionSchema, UNNAMED } from './entry.ts'
export type { Author, Correctable, Entry } from './entry.ts'
export { clockSchema, crewSchema } from './bench.ts'
export { birdDaySchema, classesSchema, raiseSchema, sampleSchema } from './birds.ts'
export type {
  BirdDay,
  Classes,
  Downgrade,
  LineStationPlan,
  Loss,
  Passed,
  RaiseTo,
  Sample,
  Scald,
  Stopped,
} from './birds.ts'
export type { Check, Closing, Crew, Fault, Work } from './bench.ts'
export {
  newPackEventSchema,
  newPackSchema,
  newWeighingSchema,
  packEventSchema,
  packNumberSchema,
  packSchema,
  weighingSchema,
} from './weights.ts'
export type { NewPack, NewPackEvent, NewWeighing, PackEvent, PackWeighing, Weighing } from './weights.ts'
export { gramsEach, packedIn, unitsOf } from './units.ts'
export type { Unit } from './units.ts'
export {
  acceptanceSchema,
  attachmentSchema,
  costSchema,
  factBodySchema,
  factSchema,
  feeSchema,
  animalSchema,
  medicineSchema,
  newFactSchema,
  observationSchema,
  subjectOf,
  temperatureSchema,
  tickSchema,
  withdrawalSchema,
} from './facts.ts'
export type {
  Acceptance,
  Attachment,
  Cost,
  Fact,
  FactBody,
  Fee,
  Medicine,
  NewFact,
  Observation,
  OneAnimal,
  Icing,
  Temperature,
  Tick,
} from './facts.ts'
export { aimSchema, commandSchema, decisionSchema, LEAN_BOUNDS } from './decisions.ts'
export { unitPriceSchema } from './prices.ts'
export { FINISH_CHANGE } from './finishes.ts'
export type { Finish } from './finishes.ts'
export type { Aim, Command, Decision, Field, OwnUse } from './decisions.ts'
export { ALL_HANGS, hangsSchema } from './hangs.ts'
export type { Hangs } from './hangs.ts'
export { portionSchema, USUAL_PACK } from './portion.ts'
export { SPLIT_BOUNDS, splitSchema } from './split.ts'
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
  goneBy,
  livingOf,
  isGroupFact,
  isGroupField,
  isSplit,
  leavesOf,
  lineageOf,
  onlyLeaf,
  wholeOf,
  withinOf,
} from './groups.ts'
export type { GroupRow } from './groups.ts'
export {
  feeSheetSchema,
  labelSheetSchema,
  priceSheetSchema,
  sheetSchema,
  storedSheetSchema,
} from './sheets.ts'
export type {
  DatedSheet,
  Equipment,
  FeeSheet,
  LabelSheet,
  Overhead,
  PackingItem,
  PackingSheet,
  PracticeSheet,
  PriceSheet,
  SchoolSheet,
  Sheet,
  StoredSheet,
} from './sheets.ts'
export { newPaperSchema, paperSchema, paperWordsSchema } from './papers.ts'
export type { NewPaper, Paper, PaperWords } from './papers.ts'
export { farmSchema, keptFarmSchema } from './farm.ts'
export type { Farm, KeptFarm } from './farm.ts'
export { broughtUp, CONTENT_STEPS, farmUp, lotUp } from './upgrades.ts'
