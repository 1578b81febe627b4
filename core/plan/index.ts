/** What was decided for a lot? Decisions are an append-only list of commands; the plan is what they come to. */
export {
  commandSchema,
  decisionSchema,
  endingSchema,
  feeBasisSchema,
  routeSchema,
  unitPriceSchema,
} from './commands.ts'
export type { Command, Decision, Ending, Fee, FeeBasis, Field, Route } from './commands.ts'
export { checkUndo, conflicts, decisionKey, latest, nextRedo, nextUndo, tried } from './history.ts'
export type { Conflict } from './history.ts'
export { conventionsOf, readPlan, refusalOf, takePath } from './read.ts'
export type { CostLine, CutTerms, Dropped, Plan } from './read.ts'
export { lengthOf, portionFor, portionsOf } from './portions.ts'
export { EATERS, keepsBone, oddPortion, PLATE_KG, roastFor, thicknessFor } from './portioning.ts'
export type { Portions, SlotSpan } from './portions.ts'
export { alternativesFor, minutesOf } from './alternatives.ts'
export type { Alternative, Output, Tally, TallyPlan } from './alternatives.ts'
export { replan } from './replan.ts'
export type { Change, Replan, Trouble } from './replan.ts'
export { wayTo } from './wayTo.ts'
export type { WayTo } from './wayTo.ts'
export { adoptPlan, cutPlanOf, cutPlanSchema, readCutPlan, strangersIn } from './cutPlan.ts'
export type { CutPlan, LeftOut } from './cutPlan.ts'
export { housePlans } from './house.ts'
export { checkDecisions } from './check.ts'
export { cutSheet } from './cutSheet.ts'
export type { CutSheet } from './cutSheet.ts'
