import { TISSUES } from '#core/anatomy'
import { kg, type Kg } from '#core/measure'
import { blend } from './blend.ts'
import { LAID, type Flow, type FlowSetting } from './flow.ts'
import { isBeside } from './setting.ts'

const T = TISSUES.length

/** What comes of a carcass: kg per cut, kg per row before its process, kg in every slot, and the mass processes added. */
export interface Yield {
  cutKg: Float64Array
  rowKg: Float64Array
  /** (slot × 5 + tissue), what was poured and what other parts opened into. */
  slotKg: Float64Array
  added: number
}

export const newYield = (flow: Flow): Yield => ({
  cutKg: new Float64Array(flow.anatomy.cuts.length),
  rowKg: new Float64Array(flow[LAID].rowCut.length),
  slotKg: new Float64Array(flow[LAID].slots.length * T),
  added: 0,
})

/**
 * One pass: masses of all cuts from the parts' tissue (`inputs`, kg) through the active rows; a row leads to a cut or
 * on into a part that stands behind it. `share` is the setting's, or one drawn by `perturb`.
 * Process: product = what the saw leaves of green × yield, and green + added = product + loss.
 */
export function evaluate(
  flow: Flow,
  setting: FlowSetting,
  inputs: Float64Array,
  out: Yield,
  share = setting.shares,
): Yield {
  const { rowCut, rowSlot, lossCut, discardCut } = flow[LAID]
  const { start, end, added: puts, yields, dust, rear, front, cutAway, blend: blended } = setting
  const { cutKg, rowKg, slotKg } = out
  cutKg.fill(0)
  slotKg.set(inputs)
  let added = 0
  for (let s = 0; s < start.length; s++) {
    const i = s * T
    if (blended && s === blended.trim) blend(slotKg, blended)
    const behind = rear[s]!
    let lean = slotKg[i]!
    let fat = slotKg[i + 1]!
    let bone = slotKg[i + 2]!
    let skin = slotKg[i + 3]!
    let seam = slotKg[i + 4]!
    let from = start[s]!
    let stop = end[s]!
    if (lean + fat + bone + skin + seam === 0) {
      rowKg.fill(0, from, stop)
      if (behind) rowKg.fill(0, behind.start, behind.end)
      continue
    }
    let kept = 1
    if (cutAway[s]! > 0) {
      const all = lean + fat + bone + skin + seam
      const gone = Math.min(cutAway[s]!, all)
      cutKg[discardCut]! += gone
      kept = 1 - gone / all
      lean *= kept
      fat *= kept
      bone *= kept
      skin *= kept
      seam *= kept
    }
    for (let stretch = behind ? 0 : 1; stretch < 2; stretch++) {
      if (behind) {
        const isRear = stretch === 1
        from = isRear ? behind.start : start[s]!
        stop = isRear ? behind.end : end[s]!
        lean = kept * slotKg[i]! * (isRear ? 1 - front[i]! : front[i]!)
        fat = kept * slotKg[i + 1]! * (isRear ? 1 - front[i + 1]! : front[i + 1]!)
        bone = kept * slotKg[i + 2]! * (isRear ? 1 - front[i + 2]! : front[i + 2]!)
        skin = kept * slotKg[i + 3]! * (isRear ? 1 - front[i + 3]! : front[i + 3]!)
        seam = kept * slotKg[i + 4]! * (isRear ? 1 - front[i + 4]! : front[i + 4]!)
      }
      for (let r = from; r < stop; r++) {
        const j = r * T
        const l = share[j]! * lean
        const f = share[j + 1]! * fat
        const b = share[j + 2]! * bone
        const k = share[j + 3]! * skin
        const m = share[j + 4]! * seam
        const green = l + f + b + k + m
        rowKg[r] = green
        const next = rowSlot[r]!
        if (next >= 0) {
          const n = next * T
          slotKg[n]! += l
          slotKg[n + 1]! += f
          slotKg[n + 2]! += b
          slotKg[n + 3]! += k
          slotKg[n + 4]! += m
          continue
        }
        const left = green * (1 - dust[r]!)
        const inflow = left * puts[r]!
        const product = left * yields[r]!
        added += inflow
        cutKg[rowCut[r]!]! += product
        cutKg[lossCut]! += green + inflow - product
      }
    }
  }
  out.added = added
  return out
}

/**
 * Draws the cutter: each active row's share is multiplied by its factor in draw `d` and every tissue closed
 * again to 1, so mass is conserved in each draw. `factors` holds one row of factors per draw. Writes into `share`, of the
 * slots that hold meat.
 */
export function perturb(
  flow: Flow,
  setting: FlowSetting,
  factors: Float64Array,
  d: number,
  share: Float64Array,
  live: readonly number[],
): Float64Array {
  const rowShare = setting.shares
  const offset = d * flow[LAID].rowCut.length
  for (const s of live) {
    close(setting.start[s]!, setting.end[s]!)
    const behind = setting.rear[s]
    if (behind) close(behind.start, behind.end)
  }
  return share

  function close(from: number, to: number) {
    // One row takes all there is, whoever cuts.
    if (to - from === 1) return share.set(rowShare.subarray(from * T, to * T), from * T)
    let lean = 0
    let fat = 0
    let bone = 0
    let skin = 0
    let seam = 0
    for (let r = from; r < to; r++) {
      const f = factors[offset + r]!
      const j = r * T
      lean += share[j] = rowShare[j]! * f
      fat += share[j + 1] = rowShare[j + 1]! * f
      bone += share[j + 2] = rowShare[j + 2]! * f
      skin += share[j + 3] = rowShare[j + 3]! * f
      seam += share[j + 4] = rowShare[j + 4]! * f
    }
    const [a, b, c, e, g] = [1 / lean, 1 / fat, 1 / bone, 1 / skin, 1 / seam]
    for (let r = from; r < to; r++) {
      const j = r * T
      share[j]! *= a
      share[j + 1]! *= b
      share[j + 2]! *= c
      share[j + 3]! *= e
      share[j + 4]! *= g
    }
  }
}

/** carcass + kept + added = products + by-products + losses; `kept` came from outside the carcass (offal). */
export interface Balance {
  carcass: Kg
  kept: Kg
  added: Kg
  products: Kg
  byProducts: Kg
  losses: Kg
}

/** `ageTrim` kg hung with it and were cut off before any of it was opened. */
export function balanceOf(
  flow: Flow,
  setting: FlowSetting,
  inputs: Float64Array,
  y: Yield,
  ageTrim: Kg,
): Balance {
  const sums = { product: 0, 'by-product': 0, loss: 0 }
  flow.anatomy.cuts.forEach((c, i) => (sums[c.kind] += y.cutKg[i]!))
  let [kept, all] = [0, 0]
  flow[LAID].slots.forEach((_, s) => {
    const beside = isBeside(flow, setting, s)
    for (let t = 0; t < T; t++) {
      all += inputs[s * T + t]!
      if (beside) kept += inputs[s * T + t]!
    }
  })
  return {
    carcass: kg(all - kept + ageTrim),
    kept: kg(kept),
    added: kg(y.added),
    products: kg(sums.product),
    byProducts: kg(sums['by-product']),
    losses: kg(sums.loss),
  }
}
