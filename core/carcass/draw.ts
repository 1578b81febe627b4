import { randomLcg, randomNormal } from 'd3-random'
import { isUncut, TISSUES, type Anatomy } from '#core/anatomy'
import { STAGES, type Stage } from './stages.ts'
import { insideOf, type CutUp } from './cutUp.ts'
import { evaluate, newYield, perturb } from './evaluate.ts'
import { LAID, type Flow } from './flow.ts'
import { toWeighed } from './partWeights.ts'
import { fatOnSd, knifeSds, lineSds, toTrimSd } from './knife.ts'
import { isBeside } from './setting.ts'

const SEED = 0.20261124
/** The seed of the nth group of a lot: other animals than those of its sisters. */
export const seedOf = (nth: number): number => (SEED + nth * 0.618034) % 1
const T = TISSUES.length
/** The seed of how much of the face dries. */
const DRIED = SEED / 3
/** More than this of a carcass is never cut off it as dried face (trade bound, from memory). */
const MOST_DRIED = 0.15

/** Figures of each draw, kilograms, in the same order everywhere. */
export interface Drawn {
  draws: number
  stages: Record<Stage, Float64Array>
  cut: ReadonlyMap<string, Float64Array>
  /** All that every part holds, side by side, in the order of the cutting's slots. */
  slots: readonly Float64Array[]
}

/** Standard normals of a seed in [0, 1): the same again each time. */
export const normalsOf = (seed = SEED): (() => number) => randomNormal.source(randomLcg(seed))(0, 1)

const cutters = new WeakMap<Flow, { key: string; factors: Float64Array }>()

/**
 * The cutter's factor for every row and draw, exp(sd·z), the same for every plan: two plans are then compared
 * under the same cutters, and a changed plan draws nothing anew.
 */
function cutterFactors(flow: Flow, draws: number): Float64Array {
  const key = String(draws)
  const held = cutters.get(flow)
  if (held?.key === key) return held.factors
  const normal = randomNormal.source(randomLcg(SEED / 2))(0, 1)
  const { rowSlot, slots } = flow[LAID]
  const rowSd = knifeSds(flow)
  const { roles } = flow.anatomy
  const at = (part: string) => slots.findIndex((slot) => slot.part === part)
  const [pool, fat] = [at(roles.trim), at(roles.fat)]
  const habits = [toTrimSd(flow), fatOnSd(flow)]
  const factors = new Float64Array(draws * rowSd.length).fill(1)
  // No knife touches what is left uncut.
  const cutRows = slots.flatMap((slot) =>
    slot.paths
      .filter(({ path }) => !isUncut(path))
      .flatMap(({ start, end }) => Array.from({ length: end - start }, (_, i) => start + i)),
  )
  for (let d = 0; d < draws; d++) {
    const [toTrim, toFat] = habits.map((sd) => Math.exp(sd * normal()))
    for (const r of cutRows) {
      const habit = rowSlot[r] === pool ? toTrim! : rowSlot[r] === fat ? toFat! : 1
      factors[d * rowSd.length + r] = Math.exp(rowSd[r]! * normal()) * habit
    }
  }
  cutters.set(flow, { key, factors })
  return factors
}

/** Factors on lean, fat, bone, skin and seam fat of an animal; a fat animal is fat inside and out. */
function drawnFactors(sds: readonly number[], normal: () => number): number[] {
  const factors = sds.map((sd) => Math.exp(sd * normal()))
  return [...factors, factors[1]!]
}

/**
 * Where the mass lies: a factor for every slot that anything is poured into, drawn once a part, the same on both sides, as
 * animals are built and as the lines fall. Every part is drawn, so that what a plan leaves alone is drawn alike.
 */
function placing(flow: Flow, inputs: Float64Array, sds: Float64Array) {
  const { slots } = flow[LAID]
  const ids = [...new Set(slots.map((slot) => slot.part))]
  const partOf = Int32Array.from(slots, (slot) => ids.indexOf(slot.part))
  const poured = Int32Array.from(slots.keys()).filter((s) => {
    for (let t = s * T; t < (s + 1) * T; t++) if (inputs[t]! > 0) return true
    return false
  })
  const z = new Float64Array(ids.length)
  return {
    poured,
    factors(normal: () => number): Float64Array {
      for (let p = 0; p < z.length; p++) z[p] = normal()
      const out = new Float64Array(slots.length)
      for (const s of poured) out[s] = Math.exp(sds[s]! * z[partOf[s]!]!)
      return out
    },
  }
}

/**
 * Draws whole carcasses: chain, then fatness, muscling and bone of the animal, shared by both sides and every path,
 * where its mass lies, then the cutter. For a group of `count` the animals' own spread shrinks with √count; lines and
 * cutter are common to all. Same input, same draws; another `seed` draws other animals under the same cutter.
 */
export function drawLot(
  cutting: CutUp,
  count: number,
  chain: (normal: () => number) => number[],
  draws: number,
  spread: Anatomy['spread'] = cutting.flow.anatomy.spread,
  seed = SEED,
): Drawn {
  const { flow } = cutting
  const { setting, inputs } = insideOf(cutting)
  const normal = normalsOf(seed)
  const { cuts } = flow.anatomy
  const { slots, rowCut, discardCut } = flow[LAID]
  const root = Math.sqrt(count)
  const sds = [spread.lean / root, spread.fat / root, spread.bone / root, 0]
  const placeSd = lineSds(flow, setting, inputs, count).map((line) => Math.hypot(spread.place / root, line))
  const place = placing(flow, inputs, placeSd)
  const cutter = cutterFactors(flow, draws)
  const { ageTrim } = setting
  const dried = normalsOf(DRIED)
  const isWeighed = setting.weighed.some((x) => !Number.isNaN(x))
  const off = slots.map((_, s) => isBeside(flow, setting, s))
  const stages = Object.fromEntries(STAGES.map((s) => [s, new Float64Array(draws)])) as Drawn['stages']
  const cutKg = cuts.map(() => new Float64Array(draws))
  const slotKg = slots.map(() => new Float64Array(draws))
  const share = new Float64Array(rowCut.length * T)
  const own = new Float64Array(inputs.length)
  const out = newYield(flow)
  evaluate(flow, setting, inputs, out)
  const holding = [...slots.keys()].filter((s) => {
    for (let t = s * T; t < (s + 1) * T; t++) if (out.slotKg[t]! > 0) return true
    return false
  })
  // What the plan makes none of, no draw makes any of.
  const made = Int32Array.from(cuts.keys()).filter((i) => out.cutKg[i]! > 0)
  const [SHRUNK, AGED] = [STAGES.indexOf('shrunk'), STAGES.indexOf('aged')]
  let shrunkMean = 0
  const weights = Array.from({ length: draws }, () => {
    const w = chain(normal)
    shrunkMean += w[SHRUNK]! / draws
    const factors = drawnFactors(sds, normal)
    const places = place.factors(normal)
    return { w, factors, places }
  })
  weights.forEach(({ w, factors, places }, d) => {
    STAGES.forEach((s, i) => (stages[s][d] = w[i]!))
    let all = 0
    for (const s of place.poured)
      if (!off[s]) for (let t = 0; t < T; t++) all += inputs[s * T + t]! * factors[t]! * places[s]!
    const gone =
      ageTrim.share > 0 ? Math.min(MOST_DRIED, ageTrim.share * Math.exp(ageTrim.sd * dried())) * w[AGED]! : 0
    const left = w[AGED]! - gone
    const scale = left / all
    const live = w[SHRUNK]! / shrunkMean
    for (const s of place.poured)
      for (let t = 0; t < T; t++)
        own[s * T + t] = inputs[s * T + t]! * (off[s] ? live : factors[t]! * places[s]! * scale)
    if (isWeighed) toWeighed(flow, setting.weighed, own, left)
    evaluate(flow, setting, own, out, perturb(flow, setting, cutter, d, share, holding))
    out.cutKg[discardCut]! += gone
    for (const i of made) cutKg[i]![d] = out.cutKg[i]!
    for (const s of holding) {
      const held = slotKg[s]!
      for (let t = s * T; t < (s + 1) * T; t++) held[d]! += out.slotKg[t]!
    }
  })
  return { draws, stages, cut: new Map(cuts.map((c, i) => [c.id, cutKg[i]!])), slots: slotKg }
}
