/** What does an animal weigh at every stage, and where does every kilogram of its carcass go? */
export {
  STAGES,
  basisNode,
  currentWeighings,
  evidenceOf,
  sampleChain,
  solveChain,
  disagreements,
} from './chain.ts'
export type { ChainPoint, Evidence, HangingBasis, Source, Stage, Weighing } from './chain.ts'
export { chainUnder, conventionIn, unmet } from './conventions.ts'
export type { Conventions } from './conventions.ts'
export { heaviestCarcass, judgeWeighing } from './judge.ts'
export { tapeWeightLb } from './tape.ts'
export { compile, flowWithRibs, NO_CHOICES, setFlow, slotKey } from './flow.ts'
export type { Choices, Flow, FlowSetting, Slot } from './flow.ts'
export { pour } from './pour.ts'
export type { TissueFactors } from './pour.ts'
export { beefCutability, beefYieldGrade, lambYieldGrade, porkFatFreeLean, shiftOf } from './grading.ts'
export type { Measured, Shift } from './grading.ts'
export { balanceOf, evaluate, holds, keptKg, newYield, perturb } from './evaluate.ts'
export type { Balance, Yield } from './evaluate.ts'
