import { randomLcg, randomNormal } from 'd3-random'
import { TISSUES, type Anatomy } from '#core/anatomy'
import { STAGES, type Stage } from './chain.ts'
import { insideOf, type CutUp } from './cutUp.ts'
import { evaluate, newYield, perturb } from './evaluate.ts'
import { LAID, type Flow } from './flow.ts'

const SEED = 0.20261124
const T = TISSUES.length

/** Figures of each draw, kilograms, in the same order everywhere. */
export interface Drawn {
  draws: number
  stages: Record<Stage, Float64Array>
  cut: ReadonlyMap<string, Float64Array>
}

const cutters = new WeakMap<Flow, { key: string; factors: Float64Array }>()

/**
 * The cutter's factor for every row and draw, exp(sd·z), the same for every plan: two plans are then compared
 * under the same cutters, and a changed plan draws nothing anew.
 */
function cutterFactors(flow: Flow, count: number, draws: number): Float64Array {
  const key = `${count}|${draws}`
  const held = cutters.get(flow)
  if (held?.key === key) return held.factors
  const normal = randomNormal.source(randomLcg(SEED / 2))(0, 1)
  const { rowSd } = flow[LAID]
  const root = Math.sqrt(count)
  const factors = new Float64Array(draws * rowSd.length)
  for (let i = 0; i < factors.length; i++) factors[i] = Math.exp((rowSd[i % rowSd.length]! / root) * normal())
  cutters.set(flow, { key, factors })
  return factors
}

/** Factors on lean, fat, bone, skin and seam fat of an animal; a fat animal is fat inside and out. */
function drawnFactors(sds: readonly number[], normal: () => number): number[] {
  const factors = sds.map((sd) => Math.exp(sd * normal()))
  return [...factors, factors[1]!]
}

/**
 * Draws whole carcasses: chain, then fatness, muscling and bone of the animal, shared by both sides and every path,
 * then the cutter. For a group of `count` the independent spread shrinks with √count. Same input, same draws.
 */
export function drawLot(
  cutting: CutUp,
  count: number,
  chain: (normal: () => number) => number[],
  draws: number,
  spread: Anatomy['spread'] = cutting.flow.anatomy.spread,
): Drawn {
  const { flow } = cutting
  const { setting, inputs } = insideOf(cutting)
  const normal = randomNormal.source(randomLcg(SEED))(0, 1)
  const { cuts } = flow.anatomy
  const { slots, rowCut } = flow[LAID]
  const root = Math.sqrt(count)
  const sds = [spread.lean / root, spread.fat / root, spread.bone / root, 0]
  const cutter = cutterFactors(flow, count, draws)
  const off = slots.map((s) => s.offCarcass > 0)
  const tissue = TISSUES.map(() => 0)
  inputs.forEach((kg, i) => off[Math.floor(i / T)] || (tissue[i % T]! += kg))
  const stages = Object.fromEntries(STAGES.map((s) => [s, new Float64Array(draws)])) as Drawn['stages']
  const cutKg = cuts.map(() => new Float64Array(draws))
  const share = new Float64Array(rowCut.length * T)
  const own = new Float64Array(inputs.length)
  const out = newYield(flow)
  const [SHRUNK, AGED] = [STAGES.indexOf('shrunk'), STAGES.indexOf('aged')]
  let shrunkMean = 0
  const weights = Array.from({ length: draws }, () => {
    const w = chain(normal)
    shrunkMean += w[SHRUNK]! / draws
    return { w, factors: drawnFactors(sds, normal) }
  })
  weights.forEach(({ w, factors }, d) => {
    STAGES.forEach((s, i) => (stages[s][d] = w[i]!))
    const scale = w[AGED]! / tissue.reduce((total, kg, t) => total + kg * factors[t]!, 0)
    const live = w[SHRUNK]! / shrunkMean
    for (let s = 0; s < off.length; s++)
      for (let t = 0; t < T; t++) own[s * T + t] = inputs[s * T + t]! * (off[s] ? live : factors[t]! * scale)
    evaluate(flow, setting, own, out, perturb(flow, setting, cutter, d, share))
    for (let i = 0; i < cutKg.length; i++) cutKg[i]![d] = out.cutKg[i]!
  })
  return { draws, stages, cut: new Map(cuts.map((c, i) => [c.id, cutKg[i]!])) }
}
