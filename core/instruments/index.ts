/** What does an instrument say? Lines of a scale, a scale and a probe as they behave. */
export { FORMATS, lineFormatSchema, lineOf, readLine } from './lines.ts'
export type { LineFormat, ScaleReading } from './lines.ts'
export { scaleModel } from './scale.ts'
export type { ScaleModel } from './scale.ts'
export { probeAt } from './probe.ts'
export type { Chilled } from './probe.ts'
