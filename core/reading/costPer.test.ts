import { describe, expect, it } from 'vitest'
import { fromKg } from '#core/measure'
import { flowOf } from '../carcass/testing.ts'
import { costPer, reckon } from './index.ts'
import { FARM, lotOf } from './testing.ts'

describe('what a head and a pound cost', () => {
  it('is all that was paid over each: nothing of a weight that nobody has', () => {
    const lot = lotOf('broiler', [{ kind: 'cost', label: 'All', amount: 80_000 }], 'hot')
    const read = reckon(flowOf('broiler'), lot, FARM, 0)
    const found = new Map(costPer(read).map((p) => [p.of, p.amount]))
    // 40 birds for $800: $20 a head.
    expect(found.get('head')).toBe(2000)
    expect(found.get('hanging')).toBe(Math.round(80_000 / fromKg(read.weights!.aged, 'lb')))
    expect(found.get('takeHome')!).toBeGreaterThan(found.get('live')!)
    const none = reckon(flowOf('hog'), { ...lotOf('hog'), weighings: [] }, FARM, 0)
    expect(costPer(none)).toEqual([])
  })
})
