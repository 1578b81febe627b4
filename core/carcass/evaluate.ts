import { TISSUES } from '#core/anatomy'
import type { Flow, FlowSetting } from './flow.ts'

const T = TISSUES.length

/** What comes of a carcass: kg per cut, kg per row before its process, and the mass processes added. */
export interface Yield {
  cutKg: Float64Array
  rowKg: Float64Array
  added: number
}

export const newYield = (flow: Flow): Yield => ({
  cutKg: new Float64Array(flow.anatomy.cuts.length),
  rowKg: new Float64Array(flow.rowCut.length),
  added: 0,
})

/**
 * One pass: masses of all cuts from the parts' tissue (`inputs`, kg) through the active rows. `share` is the
 * flow's own, or one drawn by `perturb`. Process: product = green × yield, and green + added = product + loss.
 */
export function evaluate(
  flow: Flow,
  setting: FlowSetting,
  inputs: Float64Array,
  out: Yield,
  share = flow.rowShare,
): Yield {
  const { rowCut, rowAdded, rowYield, lossCut } = flow
  const { start, end } = setting
  const { cutKg, rowKg } = out
  cutKg.fill(0)
  let added = 0
  for (let s = 0; s < start.length; s++) {
    const i = s * T
    const lean = inputs[i]!
    const fat = inputs[i + 1]!
    const bone = inputs[i + 2]!
    const skin = inputs[i + 3]!
    for (let r = start[s]!, stop = end[s]!; r < stop; r++) {
      const j = r * T
      const green = share[j]! * lean + share[j + 1]! * fat + share[j + 2]! * bone + share[j + 3]! * skin
      rowKg[r] = green
      const inflow = green * rowAdded[r]!
      const product = green * rowYield[r]!
      added += inflow
      cutKg[rowCut[r]!]! += product
      cutKg[lossCut]! += green + inflow - product
    }
  }
  out.added = added
  return out
}

/**
 * Draws the cutter: each active row's share is multiplied by its factor in draw `d` and every tissue closed
 * again to 1, so mass is conserved in each draw. `factors` holds one row of factors per draw. Writes into `share`.
 */
export function perturb(
  flow: Flow,
  setting: FlowSetting,
  factors: Float64Array,
  d: number,
  share: Float64Array,
): Float64Array {
  const { rowShare, rowCut } = flow
  const offset = d * rowCut.length
  for (let s = 0; s < setting.start.length; s++) {
    const from = setting.start[s]!
    const to = setting.end[s]!
    let lean = 0
    let fat = 0
    let bone = 0
    let skin = 0
    for (let r = from; r < to; r++) {
      const f = factors[offset + r]!
      const j = r * T
      lean += share[j] = rowShare[j]! * f
      fat += share[j + 1] = rowShare[j + 1]! * f
      bone += share[j + 2] = rowShare[j + 2]! * f
      skin += share[j + 3] = rowShare[j + 3]! * f
    }
    for (let r = from; r < to; r++) {
      const j = r * T
      share[j]! /= lean
      share[j + 1]! /= fat
      share[j + 2]! /= bone
      share[j + 3]! /= skin
    }
  }
  return share
}

/** carcass + added = products + by-products + losses, all kg. */
export interface Balance {
  carcass: number
  added: number
  products: number
  byProducts: number
  losses: number
}

export function balanceOf(flow: Flow, inputs: Float64Array, y: Yield): Balance {
  const sums = { product: 0, 'by-product': 0, loss: 0 }
  flow.anatomy.cuts.forEach((c, i) => (sums[c.kind] += y.cutKg[i]!))
  return {
    carcass: inputs.reduce((a, b) => a + b, 0),
    added: y.added,
    products: sums.product,
    byProducts: sums['by-product'],
    losses: sums.loss,
  }
}
