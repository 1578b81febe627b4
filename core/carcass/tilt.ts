import { TISSUES } from '#core/anatomy'
import type { Tilt } from './animal.ts'
import { LAID, type Flow, type FlowSetting } from './flow.ts'

const T = TISSUES.length
const LEAN = TISSUES.indexOf('lean')

/**
 * Gives an animal's own build to a setting: the rows named take their odds of the lean of their part, whichever way it is
 * cut, and the lean closes again over all rows of that way. Nothing else moves.
 */
export function tilt(flow: Flow, setting: FlowSetting, tilts: readonly Tilt[] | undefined): void {
  if (!tilts?.length) return
  const { slots, rowCut, rowSlot } = flow[LAID]
  const shares = Float64Array.from(setting.shares)
  const outputOf = (r: number) =>
    rowSlot[r]! >= 0 ? slots[rowSlot[r]!]!.part : flow.anatomy.cuts[rowCut[r]!]!.id
  for (const { part, to, odds } of tilts)
    for (const slot of slots)
      if (slot.part === part)
        for (const { start, end } of slot.paths) {
          let all = 0
          for (let r = start; r < end; r++)
            all += shares[r * T + LEAN]! *= to.includes(outputOf(r)) ? odds : 1
          for (let r = start; r < end; r++) shares[r * T + LEAN]! /= all
        }
  setting.shares = shares
}
