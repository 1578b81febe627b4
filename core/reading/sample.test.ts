import { describe, expect, it } from 'vitest'
import { ANATOMIES } from '#core/species'
import { chainUnder, judgeWeighing, withSample } from '#core/carcass'
import { gramsOf } from '#core/measure'
import { tried, type Said } from '#core/plan'
import { flowOf } from '../carcass/testing.ts'
import { massKey, originOfStage, reckon } from './index.ts'
import { FARM, lotOf } from './testing.ts'

const says = { mass: (x: number) => `${x.toFixed(2)} kg` } as never
const sample: Said = {
  kind: 'sample',
  day: '2026-11-01',
  of: 'live',
  shown: [2.7, 2.9, 3, 3.1, 3.3].map((value) => ({ value, unit: 'kg' as const })),
}
const bare = { ...lotOf('broiler'), weighings: [] }
const lot = { ...bare, ...tried(bare, [sample]) }

describe('a flock of which some were weighed, and nothing else', () => {
  const read = reckon(flowOf('broiler'), lot, FARM, 200)
  it('weighs alive what the sample says of all of it, as an estimate, on the stair and on the block', () => {
    const live = read.stages.find((s) => s.id === 'live')!
    expect(live.kg).toBeCloseTo(3 * 40, 1)
    expect(live).toMatchObject({ weighed: false })
    expect(live.range!.low).toBeLessThan(live.kg)
    expect(read.cutting.balance.carcass).toBeGreaterThan(60)
    expect(originOfStage(read, 'live', says)!.sentences[0]).toContain('by a sample that was weighed')
    expect(massKey(lot)).not.toBe(massKey(bare))
  })
  it('is no longer estimated by it once it was weighed', () => {
    const weighed = { ...lot, weighings: lotOf('broiler').weighings }
    expect(reckon(flowOf('broiler'), weighed, FARM, 0).evidence).toHaveLength(1)
  })
  it('is asked about where what hangs would be 95 % of it, and not at 70 %', () => {
    const [known] = withSample([], read.plan.samples, 40)
    const judge = (share: number) => {
      const shown = { value: 120 * share, unit: 'kg' } as const
      const row = {
        id: 'n',
        stage: 'hot',
        basis: null,
        source: 'scale',
        corrects: null,
        stands: true,
      } as const
      const job = { count: 40, hangs: { as: 'whole' }, share: 1, type: null, sample: known } as const
      const chain = chainUnder(ANATOMIES.broiler, {})
      return judgeWeighing(ANATOMIES.broiler, chain, job, [], { ...row, shown, grams: gramsOf(shown) })
    }
    expect(judge(0.95)).toMatchObject([{ code: 'dressing-impossible', confirmable: true }])
    expect(judge(0.68)).toEqual([])
  })
})
