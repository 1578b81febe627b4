import same from 'fast-deep-equal/es6'
import { depotOf, lookup, TISSUES, type Band, type Tissue } from '#core/anatomy'
import type { Kg } from '#core/measure'
import { LAID, WHOLE, type Extent, type Flow, type FlowSetting, type Freed } from './flow.ts'
import type { Conventions } from './conventions.ts'
import { AS_WRITTEN, hanging, type DepotFactors } from './animal.ts'
import { conventionIn, unmet } from './conventions.ts'

const T = TISSUES.length
const SIDES = ['left', 'right'] as const
/** Mass of a band's tissue up to a place on the axis; within a segment it lies evenly. */
function upTo(sums: Float64Array, at: number, t: number): number {
  const whole = Math.floor(at)
  const below = sums[whole * T + t]!
  return at === whole ? below : below + (at - whole) * (sums[(whole + 1) * T + t]! - below)
}

/**
 * Pours a carcass of `carcassKg` into the slots: kg of each tissue in each part of each side, as
 * (slot × 5 + tissue); parts that are no carcass get their share of `liveKg` (fasted) where their path keeps them.
 * `factors` are the animal's own, by depot. Lines only move mass between the parts that touch them. Where less than a
 * carcass hangs, `carcassKg` is the weight of that `extent`, nothing lies outside it, and the setting learns its share.
 * Throws a RangeError on an extent that holds nothing.
 */
export function pour(
  flow: Flow,
  setting: FlowSetting,
  state: Conventions,
  carcassKg: Kg,
  liveKg: Kg,
  factors: DepotFactors = AS_WRITTEN,
  extent: Extent = WHOLE,
): Float64Array {
  const { anatomy } = flow
  const { cumulative, spanSlots, slots } = flow[LAID]
  const inputs = new Float64Array(slots.length * T)
  /** Of what is poured, what lies before the place where a slot is split. */
  const ahead = new Float64Array(slots.length * T)
  const last = anatomy.axis.length
  const isWhole = anatomy.conventions.every((c) => !c.removes || conventionIn(c, state))
  const isAll = extent.sides.length === 2 && !extent.parts
  const alike = isAll && areAlike(setting)
  const sides = alike ? (['left'] as const) : SIDES.filter((side) => extent.sides.includes(side))
  let total = 0
  anatomy.bands.forEach((band, b) => {
    const sums = cumulative[b]!
    for (let t = 0; t < T; t++) {
      const all = sums[last * T + t]!
      if (all === 0) continue
      const tissue = TISSUES[t]!
      const factor = (isWhole ? 1 : hanging(anatomy, band, tissue, state)) * factorOf(factors, band, tissue)
      if (factor === 0) continue
      total += all * factor
      for (const side of sides) pourSide(side, b, t, factor * 0.5)
    }
  })
  if (alike) bothAlike(flow, inputs)
  const poured = isAll ? total : inputs.reduce((sum, mass) => sum + mass, 0)
  if (!(poured > 0)) throw new RangeError('no part of the carcass lies there')
  setting.hangs = poured / total
  const scale = carcassKg / poured
  setting.rear.forEach((rear, s) => {
    if (!rear) return
    for (let t = s * T; t < (s + 1) * T; t++)
      setting.front[t] = inputs[t]! > 0 ? ahead[t]! / inputs[t]! : rear.at
  })
  for (let i = 0; i < inputs.length; i++) inputs[i]! *= scale
  if (isAll) pourOffCarcass(flow, setting, state, liveKg, inputs)
  return inputs

  function pourSide(side: 'left' | 'right', b: number, t: number, factor: number) {
    const band = anatomy.bands[b]!
    const sums = cumulative[b]!
    const { spans, extraction } = spanSlots[side][b]!
    const freed = extraction ? setting.extracted[side].get(extraction.part) : undefined
    const at = setting.lineAt[side]
    const oblique = setting.bandLineAt[side][band.id]
    let from = 0
    band.spans.forEach((span, i) => {
      const to = span.until === 'end' ? last : Math.max(from, oblique?.[span.until] ?? at[span.until]!)
      const mass = (upTo(sums, to, t) - upTo(sums, from, t)) * factor
      const start = from
      from = to
      if (mass === 0) return
      const hangs = !extent.parts || extent.parts.includes(span.part)
      const beyond = span.below ?? span.spills
      const hangsFar = hangs || (beyond !== undefined && extent.parts!.includes(beyond.part))
      if (!hangsFar) return
      const { slot, below, from: behind } = spans[i]!
      const before = massBefore(slot, start, to, mass)
      const taken = extraction && freed && hangs ? freedOf(freed, span.part, mass, before) : 0
      if (extraction) inputs[extraction.slot * T + t]! += taken
      const stays = mass - taken
      if (stays === 0) return
      const reached = beyond ? shareOf(start, to, behind) : 0
      const far = reached > 0 ? reached * shareBeyond(band, setting.mm[side][beyond!.line]!) : 0
      if (hangs) inputs[slot * T + t]! += stays * (1 - far)
      if (hangs) ahead[slot * T + t]! += (before - takenBefore(freed, span.part, before)) * (1 - far)
      if (far > 0 && (!extent.parts || extent.parts.includes(beyond!.part))) {
        inputs[below * T + t]! += stays * far
        ahead[below * T + t]! += massBefore(below, start, to, stays) * far
      }
    })

    /** Of a stretch's mass, the share that lies behind a place. */
    function shareOf(start: number, to: number, behind: number): number {
      if (behind <= start) return 1
      if (behind >= to) return 0
      const all = upTo(sums, to, t) - upTo(sums, start, t)
      return (upTo(sums, to, t) - upTo(sums, behind, t)) / all
    }

    /** Of a stretch's mass, what lies before the place where the slot it belongs to is split. */
    function massBefore(slot: number, start: number, to: number, mass: number): number {
      const rear = setting.rear[slot]
      if (!rear) return 0
      if (Number.isNaN(rear.position)) return mass * rear.at
      const until = Math.min(to, Math.max(start, rear.position))
      const all = upTo(sums, to, t) - upTo(sums, start, t)
      return (mass * (upTo(sums, until, t) - upTo(sums, start, t))) / all
    }
  }
}

/** How a part is freed from under another. */
const howFreed = ({ every, from, others }: Freed, part: string) =>
  every ? 'whole' : (from.get(part) ?? (others ? 'whole' : null))

/** Of a stretch under a part, what is freed of it. */
function freedOf(freed: Freed, part: string, mass: number, before: number): number {
  const how = howFreed(freed, part)
  if (how === 'front') return before
  return how === 'rear' ? mass - before : how === 'whole' ? mass : 0
}
const takenBefore = (freed: Freed | undefined, part: string, before: number): number => {
  const how = freed && howFreed(freed, part)
  return how === 'front' || how === 'whole' ? before : 0
}

/** Whether both sides are broken along the same lines, freed and split alike: then one is poured, and the other is it. */
function areAlike({ lineAt, bandLineAt, mm, extracted, rear }: FlowSetting): boolean {
  if (extracted.left.size + extracted.right.size > 0 && !same(extracted.left, extracted.right)) return false
  return (
    rear.every((r) => r === null) &&
    same(lineAt.left, lineAt.right) &&
    same(mm.left, mm.right) &&
    same(bandLineAt.left, bandLineAt.right)
  )
}

/** What was poured of the left side is the right side's too, and twice that of what both share. */
function bothAlike(flow: Flow, inputs: Float64Array) {
  flow[LAID].slots.forEach(({ side, other }, s) => {
    for (let t = 0; t < T; t++) {
      if (side === 'left') inputs[other * T + t] = inputs[s * T + t]!
      else if (side === 'animal') inputs[s * T + t]! *= 2
    }
  })
}

/** Share of a band that lies further from the eye than `mm`; across its reach it lies evenly. */
function shareBeyond(band: Band, mm: number): number {
  const { fromMm = 0, toMm = 0 } = band
  return Math.min(1, Math.max(0, (toMm - mm) / (toMm - fromMm)))
}

function pourOffCarcass(
  flow: Flow,
  setting: FlowSetting,
  state: Conventions,
  liveKg: Kg,
  inputs: Float64Array,
) {
  flow[LAID].slots.forEach((slot, s) => {
    if (slot.offCarcass === 0) return
    const path = slot.paths[setting.pathOf[s]!]!.path
    const part = lookup(flow.anatomy).part(slot.part)!
    if (path.leaves || unmet(flow.anatomy, part.needs, state)) return
    const { tissue } = part.offCarcass!
    TISSUES.forEach((name, t) => (inputs[s * T + t] = liveKg * slot.offCarcass * tissue[name]))
  })
}

const factorOf = (factors: DepotFactors, band: Band, tissue: Tissue): number =>
  factors[depotOf(band, tissue)] * (tissue === 'lean' ? (factors.bands?.[band.id] ?? 1) : 1)
