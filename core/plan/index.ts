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
export { conflicts, decisionKey, latest, nextRedo, nextUndo } from './history.ts'
export type { Conflict } from './history.ts'
export { conventionsOf, readPlan, refusalOf, takePath } from './read.ts'
export type { CostLine, CutTerms, Dropped, Plan } from './read.ts'
export { portionsOf } from './portions.ts'
export type { Portions } from './portions.ts'
export { alternativesFor, minutesOf } from './alternatives.ts'
export type { Alternative, Tally, TallyPlan } from './alternatives.ts'
export { checkDecisions } from './check.ts'
export { cutSheet } from './cutSheet.ts'
export type { CutSheet } from './cutSheet.ts'
