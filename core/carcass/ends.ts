import { TISSUES } from '#core/anatomy'
import { LAID, type Flow, type FlowSetting } from './flow.ts'

const T = TISSUES.length
const [LEAN, FAT, SEAM] = [TISSUES.indexOf('lean'), TISSUES.indexOf('fat'), TISSUES.indexOf('seam')]

/** Of the rows of a way, those that are no cut of their own: the one that most of a tissue goes to, or −1. */
export function restRow(flow: Flow, rows: readonly number[], t: number): number {
  const { rowSlot, rowCut, shares } = flow[LAID]
  const { cuts } = flow.anatomy
  return (
    rows
      .filter((r) => rowSlot[r]! >= 0 || cuts[rowCut[r]!]!.kind !== 'product')
      .filter((r) => shares.standard[r * T + t]! > 0)
      .sort((a, b) => shares.standard[b * T + t]! - shares.standard[a * T + t]!)[0] ?? -1
  )
}

/** Ends of a row that are cut off and opened: `share` of it, in a way that lies from `start` to `end`. */
export interface CutOff {
  row: number
  start: number
  end: number
  share: number
}

/**
 * Where a row's ends go, by tissue: lean and what lies in its seams to the trim, fat, bone and skin with the rest of that
 * tissue of the same way; −1 where that way has nowhere for it. A way without trim keeps its ends.
 */
function placesFor(flow: Flow, { row, start, end }: CutOff): number[] | null {
  const { rowSlot, slotOf } = flow[LAID]
  const { roles } = flow.anatomy
  const [trim, fat] = [slotOf.get(roles.trim, 'animal'), slotOf.get(roles.fat, 'animal')]
  const rows = Array.from({ length: end - start }, (_, i) => start + i).filter((r) => r !== row)
  const into = (slot: number | undefined) => rows.find((r) => slot !== undefined && rowSlot[r] === slot)
  const pool = into(trim)
  if (pool === undefined) return null
  return TISSUES.map((_, t) =>
    t === LEAN || t === SEAM ? pool : t === FAT ? (into(fat) ?? pool) : restRow(flow, rows, t),
  )
}

/** Takes ends off rows and lays them with the trim, fat and bones of their way; every tissue stays closed. */
export function endsToTrim(flow: Flow, setting: FlowSetting, all: readonly CutOff[]): void {
  if (all.length === 0) return
  const shares = Float64Array.from(setting.shares)
  for (const cut of all)
    placesFor(flow, cut)?.forEach((to, t) => {
      if (to < 0) return
      const moved = cut.share * shares[cut.row * T + t]!
      shares[cut.row * T + t]! -= moved
      shares[to * T + t]! += moved
    })
  setting.shares = shares
}

/** Whether a way has somewhere for the ends of a row to go. */
export const opensEnds = (flow: Flow, cut: CutOff): boolean => placesFor(flow, cut) !== null
