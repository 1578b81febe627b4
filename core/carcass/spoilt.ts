import { TISSUES, type SideName } from '#core/anatomy'
import { evaluate, newYield, type Yield } from './evaluate.ts'
import { LAID, type Flow, type FlowSetting } from './flow.ts'
import type { Kg } from '#core/measure'

const T = TISSUES.length

/** What of a cut went another way than planned: kg as it lay on the block, to a cut or part of the same way, or to waste. */
export interface Spoilt {
  readonly part: string
  readonly side: SideName
  readonly cut: string
  readonly to: string | null
  readonly kg: Kg
}

/**
 * Moves what was spoilt off its rows, one mishap after another in the order they happened: lean, fat and bone go together, so
 * every tissue stays closed, and what went to trim is there to be ground. Waste is the loss of its row, as dust is.
 */
export function moveSpoilt(
  flow: Flow,
  setting: FlowSetting,
  inputs: Float64Array,
  all: readonly Spoilt[],
): Yield {
  const out = evaluate(flow, setting, inputs, newYield(flow))
  for (const one of all) {
    const found = rowsOf(flow, setting, one)
    if (!found) continue
    const { from, to } = found
    const held = out.rowKg[from]!
    if (held <= 0) continue
    const share = Math.min(1, one.kg / held)
    if (to === null) {
      setting.dust = Float64Array.from(setting.dust)
      setting.dust[from] = 1 - (1 - setting.dust[from]!) * (1 - share)
    } else {
      setting.shares = Float64Array.from(setting.shares)
      for (let t = 0; t < T; t++) {
        const moved = share * setting.shares[from * T + t]!
        setting.shares[from * T + t]! -= moved
        setting.shares[to * T + t]! += moved
      }
    }
    evaluate(flow, setting, inputs, out)
  }
  return out
}

/** The row it came off and the one it went to; null where the way that is taken now makes no such cut. */
function rowsOf(
  flow: Flow,
  { start, end, rear }: FlowSetting,
  { part, side, cut, to }: Spoilt,
): { from: number; to: number | null } | null {
  const { slotOf, rowCut, rowSlot, slots } = flow[LAID]
  const s = slotOf.get(part, side)
  if (s === undefined) return null
  const ways = [{ start: start[s]!, end: end[s]! }, ...(rear[s] ? [rear[s]] : [])]
  for (const way of ways) {
    const rows = Array.from({ length: way.end - way.start }, (_, i) => way.start + i)
    const makes = (id: string) =>
      rows.find((r) =>
        rowSlot[r]! >= 0 ? slots[rowSlot[r]!]!.part === id : flow.anatomy.cuts[rowCut[r]!]!.id === id,
      )
    const from = makes(cut)
    const goes = to === null ? null : makes(to)
    if (from !== undefined && goes !== undefined) return { from, to: goes }
  }
  return null
}
