/** What does a hand know already, and what does a miss cost? Lines, names, orders and faults, tried on the same model. */
export {
  cutAt,
  judgeOrder,
  linesOf,
  namesAsked,
  orderAsked,
  placeBy,
  placedLine,
  RIGHT_WITHIN,
  shuffled,
} from './lines.ts'
export type { Placed } from './lines.ts'
export { faultAsked, faultItems } from './faults.ts'
export type { FaultAsked } from './faults.ts'
export { knownOf, nextOf } from './tries.ts'
export type { Known, Try } from './tries.ts'
