/** What the hand needs beside the plan: how each way is done, and what must be ready before the first cut. */
export { iceFor, kitOf, TUB } from './kit.ts'
export type { Kit, KitTool, KitTub } from './kit.ts'
export { ACTIONS } from './actions.ts'
export type { Action, ActionId, HandTool } from './actions.ts'
export { placeOf } from './places.ts'
export type { Place } from './places.ts'
export { stepsOf } from './steps.ts'
export type { HandStep } from './steps.ts'
