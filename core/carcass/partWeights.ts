import { TISSUES } from '#core/anatomy'
import { LAID, type Flow, type FlowSetting } from './flow.ts'
import type { Sided } from './sided.ts'
import type { Kg } from '#core/measure'

const T = TISSUES.length
/** Parts that were weighed are never said to be all of a carcass: something is always left between them (our own figure). */
const MOST = 0.995

/** Writes what was weighed and cut away of parts into the setting. */
export function partsInto(
  flow: Flow,
  setting: FlowSetting,
  parts: Sided<Kg> | undefined,
  cutAway: Sided<Kg> | undefined,
): void {
  const { slotOf } = flow[LAID]
  for (const [of, into] of [
    [parts, setting.weighed],
    [cutAway, setting.cutAway],
  ] as const)
    for (const { id, side, value } of of ?? []) {
      const s = slotOf.get(id, side)
      if (s !== undefined) into[s] = value
    }
}

/**
 * Brings parts that were weighed to their weight, and the rest of the carcass to what is left of it: kg of each tissue of
 * each slot. A part that nothing was poured into stays empty.
 */
export function toWeighed(flow: Flow, weighed: Float64Array, inputs: Float64Array, carcass: number): void {
  const { slots } = flow[LAID]
  const massAt = (s: number) => {
    let mass = 0
    for (let t = s * T; t < (s + 1) * T; t++) mass += inputs[t]!
    return mass
  }
  const masses = slots.map((slot, s) => (slot.offCarcass > 0 ? 0 : massAt(s)))
  const isWeighed = (s: number) => !Number.isNaN(weighed[s]!) && masses[s]! > 0
  let [sum, rest] = [0, 0]
  masses.forEach((mass, s) => {
    if (isWeighed(s)) sum += weighed[s]!
    else rest += mass
  })
  if (sum === 0) return
  const least = Math.min(1, (MOST * carcass) / sum)
  const others = (carcass - sum * least) / rest
  masses.forEach((mass, s) => {
    if (mass === 0) return
    const scale = isWeighed(s) ? (weighed[s]! * least) / mass : others
    for (let t = s * T; t < (s + 1) * T; t++) inputs[t]! *= scale
  })
}
