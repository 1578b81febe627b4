/** What the hand needs beside the plan: what must be ready before the first cut. */
export { iceFor, kitOf, TUB } from './kit.ts'
export type { Kit, KitTool, KitTub } from './kit.ts'
