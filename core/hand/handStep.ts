import type { Names } from '#core/measure'
import type { ActionId, HandTool } from './actions.ts'

/** One step of a way: what is done, where (a landmark, or what `of` is called, American), with what; `of` is the cut, part or way it is about. */
export interface HandStep {
  action: ActionId
  at: string
  tool: HandTool
  of: Names | null
  /** How, where this farm does it otherwise than usual. */
  how?: string
}
