/** When is the last bird in the ice, and what holds the line up? Birds through stations with room: simulated, chilled, told anew as they are ticked off. */
export { runLine } from './run.ts'
export type { Line, LineHand, LineRun, LineStation, Stop } from './run.ts'
export { Calendar } from './calendar.ts'
export { spread, FIXED } from './spread.ts'
