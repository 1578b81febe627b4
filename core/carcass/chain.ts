import { STAGES, type Stage } from './stages.ts'
import type { ChainFigures } from '#core/anatomy'
import { CATCH, kg, kgOf, readSample, type Kg } from '#core/measure'
import {
  inForce,
  type HangingBasis,
  type Sample,
  type Source,
  type WeighedStage,
  type Weighing,
} from '#core/records'

/** A weight on the chain, with the log SD of its source; 0 for a scale. */
export interface Evidence {
  stage: Stage
  kg: Kg
  sd: number
  id: string
  /** Of some of a flock, for all of it. */
  sampled?: true
}

/** A solved stage: the log-normal's median and log SD. An SD of 0 is a weighed figure. */
export interface ChainPoint {
  stage: Stage
  kg: Kg
  sd: number
}

/** Log SD of a source: a tape reads to about ± 5–10 %, a guess to about ± 12 % (our own working figures, from memory). */
const SOURCE_SD: Record<Source, number> = { scale: 0, plant: 0, tape: 0.06, guess: 0.12 }
const VAGUE = 4

/** Which stage a hanging weight pins, and what it must be divided by to be that stage's weight. */
export function basisNode(basis: HangingBasis): { stage: Stage; factor: number } {
  switch (basis) {
    case 'hot':
      return { stage: 'hot', factor: 1 }
    case 'hot×0.98':
      return { stage: 'hot', factor: 0.98 }
    case 'hot×0.975':
      return { stage: 'hot', factor: 0.975 }
    case 'cold':
      return { stage: 'cold', factor: 1 }
    case 'aged':
    case 'boxed':
      return { stage: 'aged', factor: 1 }
  }
}

/** What a weighing has to say to the chain. */
export type Weighed = Pick<Weighing, 'id' | 'basis' | 'source' | 'grams' | 'corrects' | 'stands'> & {
  stage: WeighedStage
}

/** Evidence per stage: the newest scale weight, or without one the newest estimate. */
export function evidenceOf(weighings: readonly Weighed[]): Evidence[] {
  const best = new Map<Stage, Evidence>()
  for (const w of inForce(weighings)) {
    const { stage, factor } =
      w.stage === 'hanging' ? basisNode(w.basis ?? 'hot') : { stage: w.stage, factor: 1 }
    const e: Evidence = { stage, kg: kg(kgOf(w.grams) / factor), sd: SOURCE_SD[w.source], id: w.id }
    const held = best.get(stage)
    if (!held || e.sd <= held.sd) best.set(stage, e)
  }
  return STAGES.flatMap((s) => best.get(s) ?? [])
}

/**
 * Where nothing of a flock was weighed whole, the newest sample of it is its live weight: its mean for each of `count`, as
 * closely as so many that were caught say it.
 */
export function withSample(
  evidence: readonly Evidence[],
  samples: readonly (Pick<Sample, 'of' | 'day' | 'shown'> & { id: string })[],
  count: number,
): Evidence[] {
  if (evidence.length > 0) return [...evidence]
  const newest = samples.filter((s) => s.of === 'live').toSorted((a, b) => (a.day < b.day ? 1 : -1))[0]
  if (!newest) return []
  const { mean, cv, n } = readSample(newest.shown)
  const sd = Math.hypot(cv / Math.sqrt(n), CATCH)
  return [{ stage: 'live', kg: kg(mean * count), sd, id: newest.id, sampled: true }]
}

/** What is cut off of what hangs as dried face on the day of cutting: a share of it, and its log SD. */
export interface AgeTrim {
  readonly share: number
  readonly sd: number
}
export const NO_AGE_TRIM: AgeTrim = { share: 0, sd: 0 }
/** A face dries on whatever hangs in the open, the longer the deeper (docs/sources.md: age-trim). */
export function ageTrimOf({ ageTrimPerDay: perDay }: ChainFigures, days: number): AgeTrim {
  return perDay && days > 0 ? { share: perDay.mean * days, sd: perDay.sd / perDay.mean } : NO_AGE_TRIM
}

/** What the latest weight in the chain says of one whole animal's hot weight, kg; null where nothing is known. */
export function hotOfOne(
  { shrink, dressing, chill }: ChainFigures,
  evidence: readonly Evidence[],
  animals: number,
): Kg | null {
  const last = evidence.at(-1)
  if (!last || !(animals > 0)) return null
  const to: Record<Stage, number> = {
    live: shrink.mean * dressing.mean,
    shrunk: dressing.mean,
    hot: 1,
    cold: 1 / chill.mean,
    aged: 1 / chill.mean,
  }
  return kg((last.kg * to[last.stage]) / animals)
}

interface Step {
  mean: number
  variance: number
}

/** SD of a ratio for a group of `count`: the animals' own part shrinks with √count, what they have in common does not. */
export const groupSd = (figures: ChainFigures, step: keyof ChainFigures['common'], count: number): number => {
  const { sd } = figures[step]
  const common = Math.min(sd, figures.common[step])
  return Math.sqrt(common ** 2 + (sd ** 2 - common ** 2) / count)
}

/** Steps between log weights: ln(later) = ln(earlier) + N(mean, variance), for a group of `count`. */
function stepsOf(figures: ChainFigures, days: number, count: number): Step[] {
  const step = (mean: number, sd: number): Step => ({ mean: Math.log(mean), variance: (sd / mean) ** 2 })
  const of = (id: keyof ChainFigures['common']) => step(figures[id].mean, groupSd(figures, id, count))
  const aged = 1 - figures.ageingPerDay.mean * days
  return [
    of('shrink'),
    of('dressing'),
    of('chill'),
    step(aged, Math.max(figures.ageingPerDay.sd * days, 1e-6)),
  ]
}

interface Filtered {
  mean: number
  variance: number
}

/** Forward pass of the Gaussian chain (Kalman filter on log weights). */
function filter(steps: Step[], evidence: readonly Evidence[]): Filtered[] {
  const filtered: Filtered[] = []
  STAGES.forEach((stage, i) => {
    const before = filtered[i - 1]
    const step = steps[i - 1]
    let mean = before && step ? before.mean + step.mean : 4.5
    let variance = before && step ? before.variance + step.variance : VAGUE
    const seen = evidence.find((e) => e.stage === stage)
    if (seen) {
      const gain = variance / (variance + seen.sd ** 2)
      mean += gain * (Math.log(seen.kg) - mean)
      variance *= 1 - gain
    }
    filtered.push({ mean, variance })
  })
  return filtered
}

/**
 * Solves the chain both ways from all evidence: median kg and log SD per stage, or nothing without evidence.
 * A stage that was weighed is that weight; the others move around it.
 */
export function solveChain(
  figures: ChainFigures,
  days: number,
  count: number,
  evidence: readonly Evidence[],
): ChainPoint[] | null {
  if (evidence.length === 0) return null
  const steps = stepsOf(figures, days, count)
  const filtered = filter(steps, evidence)
  const smoothed: Filtered[] = [...filtered]
  for (let i = STAGES.length - 2; i >= 0; i--) {
    const [own, next, step] = [filtered[i]!, smoothed[i + 1]!, steps[i]!]
    const predicted = own.variance + step.variance
    const back = own.variance / predicted
    smoothed[i] = {
      mean: own.mean + back * (next.mean - own.mean - step.mean),
      variance: own.variance + back ** 2 * (next.variance - predicted),
    }
  }
  return STAGES.map((stage, i) => ({
    stage,
    kg: kg(Math.exp(smoothed[i]!.mean)),
    sd: Math.sqrt(Math.max(0, smoothed[i]!.variance)),
  }))
}

/** Draws one chain from the posterior (backward sampling), kg per stage; `normal` gives standard normals. */
export function sampleChain(
  figures: ChainFigures,
  days: number,
  count: number,
  evidence: readonly Evidence[],
): (normal: () => number) => number[] {
  const steps = stepsOf(figures, days, count)
  const filtered = filter(steps, evidence)
  return (normal) => {
    const logs = new Array<number>(STAGES.length)
    const last = STAGES.length - 1
    logs[last] = filtered[last]!.mean + Math.sqrt(filtered[last]!.variance) * normal()
    for (let i = last - 1; i >= 0; i--) {
      const [own, step] = [filtered[i]!, steps[i]!]
      const back = own.variance / (own.variance + step.variance)
      const mean = own.mean + back * (logs[i + 1]! - own.mean - step.mean)
      logs[i] = mean + Math.sqrt(Math.max(0, own.variance * (1 - back))) * normal()
    }
    return logs.map(Math.exp)
  }
}

/** Weighings that lie beyond 3 SD of what all the other evidence says: stage, and z. */
export function disagreements(
  figures: ChainFigures,
  days: number,
  count: number,
  evidence: readonly Evidence[],
): { stage: Stage; z: number; expectedKg: Kg }[] {
  return evidence.flatMap((e) => {
    const others = evidence.filter((x) => x !== e)
    const point = solveChain(figures, days, count, others)?.find((p) => p.stage === e.stage)
    if (!point) return []
    const z = (Math.log(e.kg) - Math.log(point.kg)) / Math.sqrt(point.sd ** 2 + e.sd ** 2)
    return Math.abs(z) > 3 ? [{ stage: e.stage, z, expectedKg: point.kg }] : []
  })
}
