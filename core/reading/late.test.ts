import { expect, it } from 'vitest'
import { flowOf } from '../carcass/testing.ts'
import { lateCosts, reckon } from './index.ts'
import { FARM, lotOf, packOf } from './testing.ts'

const at = (day: number) => `2026-11-${String(day).padStart(2, '0')}T09:00:00.000Z`

it('a cost that comes after all was packed is told as late, and one from before is not', () => {
  const lot = lotOf('lamb', [], 'hot')
  const planned = reckon(flowOf('lamb'), lot, FARM, 0).cuts.filter((c) => c.cut.kind === 'product')
  const cost = (id: string, day: number) => ({
    ...{ id, corrects: null, stands: true, at: at(day) },
    fact: { kind: 'cost' as const, label: id, amount: 1000 },
  })
  const tick = (of: string) => ({
    ...{ id: `t ${of}`, corrects: null, stands: true, at: at(12) },
    fact: { kind: 'tick' as const, what: 'cut' as const, of, side: 'animal' as const },
  })
  const packed = {
    ...lot,
    packs: planned.map((c) => packOf(c.cut.id, c.kg * 2.2, 1, { at: at(10) })),
    facts: [cost('Feed', 2), cost('Vet’s bill', 20), ...planned.map((c) => tick(c.cut.id))],
  }
  const read = (of: typeof packed) => lateCosts(reckon(flowOf('lamb'), of, FARM, 0), of)
  expect([...read(packed)]).toEqual(['Vet’s bill'])
  expect([...read({ ...packed, facts: packed.facts.slice(0, -1) })]).toEqual([])
})
