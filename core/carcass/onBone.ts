import { TISSUES } from '#core/anatomy'
import { restRow } from './ends.ts'
import { LAID, type Flow, type FlowSetting } from './flow.ts'

const T = TISSUES.length
const [LEAN, BONE, SEAM] = [TISSUES.indexOf('lean'), TISSUES.indexOf('bone'), TISSUES.indexOf('seam')]

/**
 * Leaves meat on the bones that are cut out: of the lean and seam fat of a part whose bones all come out the share
 * `leaves`, of one that is boned in part so much less. It goes where the bones go; every tissue stays closed.
 */
export function leaveOnBone(flow: Flow, setting: FlowSetting, leaves: number | undefined): void {
  if (!leaves) return
  const { slots, shares: written } = flow[LAID]
  const shares = Float64Array.from(setting.shares)
  slots.forEach((_, s) => {
    leave(setting.start[s]!, setting.end[s]!)
    const behind = setting.rear[s]
    if (behind) leave(behind.start, behind.end)
  })
  setting.shares = shares

  function leave(start: number, end: number) {
    const rows = Array.from({ length: end - start }, (_, i) => start + i)
    const bones = restRow(flow, rows, BONE)
    // One row is all of the part going on as it is: no knife has been at its bones.
    if (bones < 0 || rows.length === 1) return
    const kept = 1 - leaves! * written.standard[bones * T + BONE]!
    for (const t of [LEAN, SEAM]) {
      let left = 0
      for (const r of rows) {
        if (r === bones) continue
        left += shares[r * T + t]! * (1 - kept)
        shares[r * T + t]! *= kept
      }
      shares[bones * T + t]! += left
    }
  }
}
