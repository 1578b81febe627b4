/** When is the day done, and what does it depend on? One engine for a carcass at the bench and for birds through a line. */
export { simulate } from './engine.ts'
export type { Day, Hand, Job, Run } from './engine.ts'
export { clockMinutes, crewOf, forecast, OUT_AT_MOST, sayClock } from './forecast.ts'
export type { Asked, Forecast, Waits } from './forecast.ts'
export { NEXT, standings, timedOf } from './live.ts'
export type { Standing } from './live.ts'
export { pacesOf } from './learnt.ts'
export type { Pace, Took } from './learnt.ts'
