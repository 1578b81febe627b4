/** What did the animal cost, what is a plan worth, and do the cuts pay for it? */
import './issues.ts'
export { costsOf, feePerKg, feesOf, labourOf, neededPerKg } from './costs.ts'
export { cutCosts } from './cutCosts.ts'
export type { CostRow } from './cutCosts.ts'
export type { CostFigures } from './costs.ts'
export { classesBilled, waysBilled, waysTogether } from './billed.ts'
export type { Billed } from './billed.ts'
export { dealOnEveryBasis } from './deal.ts'
export { REBATE } from './billed.ts'
export type { DealRow } from './deal.ts'
export {
  COST_WORDS,
  eachOf,
  cameOf,
  growthOf,
  kindOf,
  leftOf,
  shareCost,
  spentByKind,
  unaccounted,
} from './costLines.ts'
export type { Bearer, Growth } from './costLines.ts'
export { costsCsv, readCostsCsv } from './costsCsv.ts'
export type { BadRow } from './costsCsv.ts'
export { billedBy, feesFor, inForceOn } from './sheets.ts'
export { FEE_KINDS, feeLabel } from './fees.ts'
export type { FeeKind } from './fees.ts'
export {
  indexWith,
  markedDown,
  priceInForce,
  soldFactor,
  solvedFor,
  takings,
  takingsPerKg,
  unfinishedPerKg,
} from './takings.ts'
export { afterBench, lessWorth, perPlate, valueOf, worthOf } from './valuation.ts'
export type { ValuedCut, ValuingTerms, Worth } from './valuation.ts'
export { solvePrices, onGrid } from './solve.ts'
export type { PriceLine, PriceProblem, PriceSolution } from './solve.ts'
export { earned, targetFor } from './aim.ts'
export { JOINT_METHODS, shareJoint } from './joint.ts'
export type { JointMethod, JointProduct, JointShare } from './joint.ts'
export { sharePrices } from './shares.ts'
export type { SharePrices } from './shares.ts'
