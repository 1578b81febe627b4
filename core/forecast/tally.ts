import { evaluate, holds, newYield, pour, type Flow, type FlowSetting, type Yield } from '#core/carcass'
import { costsOf, priceInForce, takings } from '#core/ledger'
import { minutesOf, portionsOf, type Output, type Tally, type TallyPlan } from '#core/plan'
import type { FarmFigures, LotState, Reckoning } from './reckon.ts'

/**
 * Values any setting of this lot's plan: what `alternativesFor` asks of each path. Weights as they stand now,
 * no draws, so that all alternatives of a part fit one frame.
 */
export function tallyWith(lot: Pick<LotState, 'count'>, farm: FarmFigures, read: Reckoning): TallyPlan {
  const { flow } = read
  const { plan, weights, shift } = read
  const carcassKg = weights?.aged ?? 0
  const y = newYield(flow)
  const { cuts } = flow.anatomy
  const prices = cuts.map((c) => {
    const terms = plan.terms.get(c.id)!
    return { price: priceInForce(terms, farm.mincePerKg, farm.massUnit), sold: terms.sold }
  })
  const eaten = cuts.map((c) => c.kind === 'product' && !['N', 'F'].includes(c.destination))
  return (setting, slots) => {
    const inputs = pour(flow, setting, plan.conventions, carcassKg, weights?.shrunk ?? 0, shift?.factors)
    evaluate(flow, setting, inputs, y)
    const portions = portionsOf(flow, setting, y, carcassKg, lot.count, farm.massUnit, plan.portions)
    const tally: Tally = {
      takeHomeKg: 0,
      edibleKg: edibleKg(flow, setting, y, eaten),
      pieces: 0,
      packs: 0,
      money: 0,
      fees: 0,
      boneKg: 0,
      fatKg: 0,
      minutes: minutesOf(flow, setting, (slot) => holds(y, slot)) * lot.count,
    }
    cuts.forEach((cut, i) => {
      const kg = y.cutKg[i]!
      if (cut.kind === 'product') tally.takeHomeKg += kg
      else if (cut.destination === 'N') tally.boneKg += kg
      else if (cut.destination === 'F') tally.fatKg += kg
      tally.pieces += portions.pieces[i]!
      tally.packs += portions.packs[i]!
      tally.money += takings(kg, prices[i]!.price, prices[i]!.sold)
    })
    tally.fees = costsOf(
      { costs: [], fees: plan.fees },
      lot.count,
      { hot: weights?.hot ?? 0, hanging: carcassKg },
      tally.packs,
    ).total
    return { tally, outputs: outputsOf(flow, setting, y, slots) }
  }
}

/** Lean and fat of the rows that go to cuts that are eaten, kg. */
function edibleKg(flow: Flow, setting: FlowSetting, y: Yield, eaten: readonly boolean[]): number {
  const share = flow.shares[setting.trim]
  let kg = 0
  for (let s = 0; s < setting.start.length; s++) {
    const [lean, fat] = [y.slotKg[s * 4]!, y.slotKg[s * 4 + 1]!]
    if (lean + fat === 0) continue
    for (let r = setting.start[s]!; r < setting.end[s]!; r++)
      if (eaten[flow.rowCut[r]!]) kg += (share[r * 4]! * lean + share[r * 4 + 1]! * fat) * flow.rowYield[r]!
  }
  return kg
}

/** What comes of slots, largest first; both sides together. Kg of cuts after their process, of parts as they are. */
function outputsOf(flow: Flow, setting: FlowSetting, y: Yield, slots: readonly number[]): Output[] {
  const sums = new Map<string, Output>()
  for (const s of slots)
    for (let r = setting.start[s]!; r < setting.end[s]!; r++) {
      const to = flow.rowCut[r]!
      const cut = to < 0 ? null : flow.anatomy.cuts[to]!.id
      const part = to < 0 ? flow.slots[flow.rowSlot[r]!]!.part : null
      const key = `${cut}|${part}`
      const held = sums.get(key) ?? { cut, part, kg: 0 }
      held.kg += y.rowKg[r]! * (cut ? flow.rowYield[r]! : 1)
      sums.set(key, held)
    }
  return [...sums.values()].filter((o) => o.kg > 1e-6).sort((a, b) => b.kg - a.kg)
}
