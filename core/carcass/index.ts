/** What does an animal weigh at every stage, and where does every kilogram of its carcass go? */
import './issues.ts'
export {
  ageTrimOf,
  basisNode,
  evidenceOf,
  withSample,
  sampleChain,
  solveChain,
  disagreements,
} from './chain.ts'
export { STAGE_WORDS, STAGES } from './stages.ts'
export type { AgeTrim, ChainPoint, Evidence, Weighed } from './chain.ts'
export type { Stage } from './stages.ts'
export { chainOf, chainUnder, conventionIn, unmet } from './conventions.ts'
export type { Conventions } from './conventions.ts'
export { heaviestCarcass, judgeWeighing, outsideKind } from './judge.ts'
export type { Job } from './judge.ts'
export { tapeWeightLb } from './tape.ts'
export { SidedMap } from './sided.ts'
export type { Sided, SidedEntry } from './sided.ts'
export { compile, flowWithRibs, NO_CHOICES } from './flow.ts'
export type { Choices, Extent, Finishing, Flow, Split } from './flow.ts'
export { animalOf } from './animalOf.ts'
export type { Animal, DepotFactors, Grade, Tilt } from './animal.ts'
export type { Portions, Stretch } from './lay.ts'
export { chemicalLean } from './blend.ts'
export { cutUp } from './cutUp.ts'
export type { Spoilt } from './spoilt.ts'
export { boxedParts, canHang, extentOf, shareHung, sidesIn } from './extent.ts'
export type { CutRow, CutSlot, CutUp, Hung } from './cutUp.ts'
export { drawLot, normalsOf, seedOf } from './draw.ts'
export { missedAt } from './knife.ts'
export type { Drawn } from './draw.ts'
export { beefCutability, beefYieldGrade, lambYieldGrade, porkFatFreeLean } from './grading.ts'
export type { Measured } from './grading.ts'
export type { Balance } from './evaluate.ts'
export { faceAt, hasFace, sliceKg } from './face.ts'
export type { Back, Face } from './face.ts'
export { drawFace } from './faceDrawing.ts'
export type { FaceDrawing, FacePiece } from './faceDrawing.ts'
