import { TISSUES, type Anatomy } from '#core/anatomy'
import { kg, type Kg } from '#core/measure'
import { evaluate, newYield } from './evaluate.ts'
import { LAID, NO_CHOICES, type Flow, type FlowSetting } from './flow.ts'
import { setFlow } from './setting.ts'
import { lengthOf } from './lay.ts'
import { pour } from './pour.ts'

const T = TISSUES.length
/** kg of meat in a litre. */
const DENSITY = 1.05
/** More of it is bone than this: a saw went through it, no seam was followed. */
const ON_THE_BONE = 0.03
/** A knife that misses more than this of a piece is seen and goes back. */
const MOST = 0.2

/** Log SD of the mass of a piece so many mm long when one of its ends is cut. */
const missedIn = ({ besideMm }: Anatomy['spread'], length: number, ends = 1): number =>
  Math.min(MOST, (besideMm * Math.sqrt(ends)) / length)
/** The same of a piece of so many kg: it is about as long as the third root of its volume. */
export const missedAt = (spread: Anatomy['spread'], piece: Kg): number =>
  piece <= 0 ? 0 : missedIn(spread, 100 * Math.cbrt(piece / DENSITY))

/** Log SD by which every slot of a carcass of `count` animals is heavier or lighter for where its lines fell. */
export function lineSds(flow: Flow, setting: FlowSetting, inputs: Float64Array, count: number): Float64Array {
  const { slots, lengths, axisMm } = flow[LAID]
  const { spread, bands } = flow.anatomy
  return Float64Array.from(slots, (slot, s) => {
    const own = TISSUES.reduce((sum, _, t) => sum + inputs[s * T + t]!, 0)
    const across = missedAt(spread, kg(own / count / (slot.side === 'animal' ? 2 : 1)))
    const length = lengths[s]
    const ends = length ? Number('line' in length.from) + Number('line' in length.to) : 0
    if (!length || ends === 0) return across
    const { mm } = lengthOf(length, axisMm, setting.lineAt[slot.side === 'right' ? 'right' : 'left'])
    const hasLongLine = bands.some((b) => b.spans.some((x) => x.part === slot.part && x.below))
    return mm > 0 ? Math.hypot(missedIn(spread, mm, ends), hasLongLine ? across : 0) : 0
  })
}

/** Mass of every slot's tissue on a reference carcass (slot × 5 + tissue), of a slot that the usual plan leaves empty as another way fills it. */
function usualMass(flow: Flow): Float64Array {
  const { slots, rowSlot, shares, slotOf } = flow[LAID]
  const setting = setFlow(flow, NO_CHOICES)
  const { referenceKg, bands, parts, chain } = flow.anatomy
  const live = kg(referenceKg / chain.dressing.mean)
  const inputs = pour(flow, setting, {}, kg(referenceKg), live)
  const y = newYield(flow)
  evaluate(flow, setting, inputs, y)
  const mass = y.slotKg
  const isEmpty = (s: number) => TISSUES.every((_, t) => mass[s * T + t] === 0)
  for (const part of parts) {
    const off = slotOf.get(part.id, 'animal')
    if (part.offCarcass && off !== undefined && isEmpty(off)) {
      const { share, tissue } = part.offCarcass
      TISSUES.forEach((name, t) => (mass[off * T + t] = live * share * tissue[name]))
    }
    const band = bands.find((b) => b.id === part.extraction?.band)
    if (!band) continue
    for (const side of ['left', 'right'] as const) {
      const s = slotOf.get(part.id, side)
      if (s !== undefined && isEmpty(s))
        TISSUES.forEach((name, t) => (mass[s * T + t] = (band.tissue[name] * referenceKg) / 2))
    }
  }
  slots.forEach((slot, s) => {
    for (const { start, end } of slot.paths)
      for (let r = start; r < end; r++) {
        const next = rowSlot[r]!
        if (next < 0 || !isEmpty(next)) continue
        for (let t = 0; t < T; t++) mass[next * T + t] = shares.standard[r * T + t]! * mass[s * T + t]!
      }
  })
  return mass
}

/**
 * How much more or less than meant a cutter lets go into each row, as a log SD: what a knife misses of a piece of its
 * size, and of a muscle besides what stays behind of its seam. Known apart, it is the row's own.
 */
export function knifeSds(flow: Flow): Float64Array {
  const { slots, rowSd, rowSlot, slotOf, shares } = flow[LAID]
  const { spread, roles } = flow.anatomy
  const pool = slotOf.get(roles.trim, 'animal')
  const mass = usualMass(flow)
  const out = new Float64Array(rowSd.length)
  slots.forEach((slot, s) => {
    const sides = slot.side === 'animal' ? 2 : 1
    for (const { start, end } of slot.paths)
      for (let r = start; r < end; r++) {
        const of = (t: number) => shares.standard[r * T + t]! * mass[s * T + t]!
        const green = TISSUES.reduce((sum, _, t) => sum + of(t), 0)
        const isSeamed = rowSlot[r] !== pool && green > 0 && of(2) / green <= ON_THE_BONE
        const seam = isSeamed ? spread.cutter : 0
        out[r] = Number.isNaN(rowSd[r]!) ? Math.hypot(missedAt(spread, kg(green / sides)), seam) : rowSd[r]!
      }
  })
  return out
}

/** Fat that a cutter leaves on more or less than another, % of the carcass, 1 SD. */
const FAT_ON = 1.5
/** As much as a row's odds can move and still be trimming. */
const MOST_FAT_ON = 0.5

/** The cutter's own habit for all that goes to be minced. */
export const toTrimSd = (flow: Flow): number => flow.anatomy.spread.toTrim

/**
 * By how much the odds of fat being trimmed off vary between cutters, as a log SD, so that `FAT_ON` of a reference
 * carcass under its usual plan more or less is left on: where a part's fat all goes one way there is nothing to leave.
 */
export function fatOnSd(flow: Flow): number {
  const { slots, rowSlot, shares } = flow[LAID]
  const { roles, referenceKg } = flow.anatomy
  const setting = setFlow(flow, NO_CHOICES)
  const mass = usualMass(flow)
  let moved = 0
  slots.forEach((_, s) => {
    for (let r = setting.start[s]!; r < setting.end[s]!; r++) {
      const next = rowSlot[r]!
      if (next < 0 || slots[next]!.part !== roles.fat) continue
      const share = shares.standard[r * T + 1]!
      moved += mass[s * T + 1]! * share * (1 - share)
    }
  })
  return moved > 0 ? Math.min(MOST_FAT_ON, ((FAT_ON / 100) * referenceKg) / moved) : 0
}
