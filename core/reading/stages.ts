import type { Drawn, Evidence, Stage } from '#core/carcass'
import { interval, sumOf } from '#core/measure'
import { inForce } from '#core/records'
import { drawnKg, drawnSums } from './cuts.ts'
import type { CutFigure, PackRow, StageFigure, Weights } from './lot.ts'

/** The stops on the stair: weights of the chain, what the plan would give, and what is packed so far. */
export function stagesOf(
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
  const products = cuts.filter((c) => c.cut.kind === 'product')
  const total = (of: (c: CutFigure, drawn: number) => number) =>
    drawn && interval(drawnSums(drawn, products, of))
  const all = products.length > 0 && products.every((c) => c.done)
  const stages: StageFigure[] = [
    at('live', 'live'),
    at('hot', 'hot'),
    at('hanging', 'aged'),
    {
      id: 'cut',
      kg: sumOf(products, (c) => c.expectedKg),
      range: total((_, kg) => kg),
      weighed: false,
    },
  ]
  if (inForce(packs).length > 0)
    stages.push({
      id: 'packed',
      kg: sumOf(products, (c) => c.kg),
      range: all ? null : total(drawnKg),
      weighed: all,
    })
  return stages
}
