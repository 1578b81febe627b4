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
export { judgeWeighing } from './judge.ts'
export { tapeWeightLb } from './tape.ts'
export { compile, pour, setFlow, slotKey } from './flow.ts'
export type { Choices, DressingState, Flow, FlowSetting, Slot } from './flow.ts'
export { balanceOf, evaluate, newYield, perturb } from './evaluate.ts'
export type { Balance, Yield } from './evaluate.ts'
