/** What does a lot come to? One lot read whole: stages, cuts, money and Cover, each estimate with its interval. */
import './issues.ts'
export { massKey } from './masses.ts'
export { reckon } from './reckon.ts'
export { figuresOf } from './lot.ts'
export { groupState, judgeGroupWeight, stateOf, viewOf } from './groups.ts'
export type { KeptLot } from './groups.ts'
export { groupTable, weighedTwice } from './groupTable.ts'
export type {
  CutFigure,
  FarmFigures,
  Gap,
  GroupRead,
  GroupState,
  LotState,
  Missing,
  MoneyFigures,
  PackRow,
  Reckoning,
  StageFigure,
  Uncovered,
  WeighingRow,
} from './lot.ts'
export { shownRows, shownWeights } from './shown.ts'
export type { Shown, ShownRow } from './shown.ts'
export { emptyingOf, sayVerdict, verdictOf } from './emptying.ts'
export type { Emptying, Verdict } from './emptying.ts'
export { faceOfPart } from './face.ts'
export type { FaceOfPart } from './face.ts'
export { fromHanging, LOSS_WORDS, whereItGoes } from './losses.ts'
export type { Loss } from './losses.ts'
export { LEAN_CLASSES, leanOptions, trimLedger } from './trim.ts'
export type { LeanOption, TrimLedger, TrimSource } from './trim.ts'
export { CUT_UP, cutUpFee, mustSell, wholeOrParts, withLeftRanges } from './wholeOrParts.ts'
export type { WholeOrParts, WholeWay } from './wholeOrParts.ts'
export { cascadeOf } from './cascade.ts'
export type { Cascade, CascadePart } from './cascade.ts'
export { DRIED_FACE, flowPicture } from './picture.ts'
export type { FlowLink } from './picture.ts'
export { libraryOf } from './library.ts'
export type { CutEntry, PartEntry } from './library.ts'
export { differencesOf, figuresApart, pairsOf, sayDifference, valuePlan } from './compare.ts'
export type { CutPair, Difference, PlanFigures } from './compare.ts'
export {
  alternativesFor,
  cutAs,
  lineOptions,
  linePlaces,
  outputsOf,
  rankedBy,
  RANKS,
  rearOptions,
  worthAs,
} from './alternatives.ts'
export type { Alternative, LinePlace, Output, Rank, RearOption } from './alternatives.ts'
export { moveUp, weighedOnly } from './moveUp.ts'
export type { MoveUp } from './moveUp.ts'
export { replan } from './replan.ts'
export type { Change, Replan, Trouble } from './replan.ts'
export {
  condemnable,
  cutsOfPart,
  fromInside,
  loneParts,
  offered,
  offeredParts,
  uncutParts,
} from './offered.ts'
export { progressOf, railOn, STANDINGS } from './standing.ts'
export type { Next, Progress, Standing } from './standing.ts'
export { needOf, productsOf, solveLot, takePrices } from './prices.ts'
export { atPrices, listOf, moveAll, pricesBeside, takeList, withPrice } from './priceLists.ts'
export type { PricePair } from './priceLists.ts'
export type { AtPrices } from './priceLists.ts'
export { lateCosts } from './late.ts'
export { judgePacks } from './packing.ts'
export { decideBy, doorsOf } from './doors.ts'
export type { Door } from './doors.ts'
export { originOfCut, originOfStage } from './origin.ts'
export type { Origin } from './origin.ts'
export { missingOf, ODD_Z, sayMissing } from './missing.ts'
export { sayCause, unexplained, whyLess } from './whyLess.ts'
export type { Cause, CauseId, WhyLess } from './whyLess.ts'
export { hungDays } from './hanging.ts'
export type { HungDay } from './hanging.ts'
export { likelyColumns, LIST_COLUMNS, MOST_ROWS, packsOfList, readList } from './packList.ts'
export type { ColumnsAs, ListColumn, ListedPack, RawList } from './packList.ts'
export { rangesOf, withRanges } from './ranges.ts'
export type { Ranges } from './ranges.ts'
export { partFigure } from './parts.ts'
export type { PartFigure } from './parts.ts'
export { HOLD_WORDS, heldMass, heldParts } from './held.ts'
export type { HeldPart } from './held.ts'
export { jointCost } from './jointCost.ts'
export type { JointCost } from './jointCost.ts'
export { oneMore } from './oneMore.ts'
export type { OneMore } from './oneMore.ts'
export { finishesFor, finishOffers, leavesBetween, takeFinishes } from './finishing.ts'
export type { FinishFigures, FinishOffer } from './finishing.ts'
export { dealOf } from './deal.ts'
export type { DealRead } from './deal.ts'
export { costPer } from './costPer.ts'
export type { CostPer } from './costPer.ts'
export { cheapEnd, liftRanges, SELLS } from './cheapEnd.ts'
export type { Lift } from './cheapEnd.ts'
export { judgePart } from './partWeights.ts'
