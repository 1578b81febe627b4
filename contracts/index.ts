export {
  authorSchema,
  farmSchema,
  hashSchema,
  newFactSchema,
  newLotSchema,
  newPackSchema,
  newWeighingSchema,
} from '#core/records'
export type {
  Author,
  Fact,
  Farm,
  KeptFarm,
  Lot,
  NewFact,
  NewLot,
  NewPack,
  NewPackEvent,
  NewWeighing,
  PackEvent,
  OwnVersion,
  StoredPlan,
} from '#core/records'
export * from './bundle.ts'
export * from './copies.ts'
export * from './devices.ts'
export * from './farm.ts'
export * from './instruments.ts'
export * from './lots.ts'
export * from './packs.ts'
export * from './plans.ts'
export * from './problem.ts'
export * from './routes.ts'
export * from './writes.ts'
export { lotChangeSchema } from './change.ts'
export { BUILD_HEADER, CODE_DIGITS, DEVICE_HEADER, HISTORY_HEADER, joined } from './wire.ts'
export type { LotChange, Rung, Said } from './change.ts'
export { askedPaperSchema } from '#core/papers'
export type { AskedPaper, IssuedPaper } from '#core/papers'
