import type { Drawn, Evidence, Stage } from '#core/carcass'
import { interval, sumOf } from '#core/measure'
import type { Plan } from '#core/plan'
import { drawnSums } from './cuts.ts'
import type { CutFigure, PackRow, StageFigure, Weights } from './lot.ts'

/** The stops on the stair that what hangs has: weights of the chain (a side was never weighed alive, a boxed loin never hung), what comes of the plan (packs and what is still to come), what is packed so far. */
export function stagesOf(
  { hangs, verdict }: Pick<Plan, 'hangs' | 'verdict'>,
  weights: Weights,
  evidence: readonly Evidence[],
  drawn: Drawn | null,
  cuts: readonly CutFigure[],
  packs: readonly PackRow[],
): StageFigure[] {
  const at = (id: StageFigure['id'], stage: Stage): StageFigure => {
    const weighed = evidence.some((e) => e.stage === stage && e.sd === 0)
    const range = drawn && !weighed ? interval(drawn.stages[stage]) : null
    return { id, kg: weights[stage], range, weighed }
  }
  const seen = (stage: Stage) => evidence.some((e) => e.stage === stage)
  const products = cuts.filter((c) => c.cut.kind === 'product')
  const all = products.length > 0 && products.every((c) => c.done)
  const stages: StageFigure[] = [
    ...(hangs.as === 'whole' ? [at('live', 'live')] : []),
    ...(hangs.as === 'whole' || (hangs.as !== 'part' && seen('hot')) ? [at('hot', 'hot')] : []),
    at('hanging', 'aged'),
  ]
  // Nothing of a casualty is cut.
  if (verdict.food)
    stages.push({
      id: 'cut',
      kg: sumOf(products, (c) => c.kg),
      range: drawn && !all ? interval(drawnSums(drawn, products, (_, kg) => kg)) : null,
      weighed: all,
    })
  if (packs.length > 0)
    stages.push({ id: 'packed', kg: sumOf(products, (c) => c.weighedKg), range: null, weighed: true })
  return stages
}
