import { describe, expect, it } from 'vitest'
import { ANATOMIES } from '#core/species'
import { kg, KG_PER_LB } from '#core/measure'
import { hangs, unknownFact, type Said } from '#core/plan'
import type { FactBody } from '#core/records'
import { flowOf } from '../carcass/testing.ts'
import { flowPicture, judgePart, reckon } from './index.ts'
import { FARM, lotOf } from './testing.ts'

const seen = (
  what: 'part' | 'cut-away',
  of: string,
  lb: number,
  side: 'left' | 'right' | 'animal' = 'left',
) => ({ kind: 'observation', what, of, side, shown: { value: lb, unit: 'lb' } }) satisfies FactBody
const read = (...said: Said[]) => reckon(flowOf('hog'), lotOf('hog', said, 'hot', 187), FARM, 100)

describe('parts on the scale', () => {
  it('are read off the facts, by side; the newest of a part corrects the one before', () => {
    const r = read(seen('part', 'leg', 22), seen('part', 'leg', 23), seen('part', 'leg', 21, 'right'))
    expect(r.plan.parts.get('leg', 'left')! / KG_PER_LB).toBeCloseTo(23, 2)
    expect(r.cutting.partKg('leg', 'left') / KG_PER_LB).toBeCloseTo(23, 2)
    expect(r.cutting.partKg('leg', 'right') / KG_PER_LB).toBeCloseTo(21, 2)
  })
  it('what is cut away is neither sold nor lost sight of: it is among the by-products, and in the picture', () => {
    const [before, after] = [read(), read(seen('cut-away', 'shoulder', 3))]
    const discards = (r: typeof before) => r.cuts.find((c) => c.cut.id === r.flow.anatomy.roles.discard)!.kg
    expect((discards(after) - discards(before)) / KG_PER_LB).toBeGreaterThan(2.8)
    expect(after.money.net).toBeLessThan(before.money.net)
    const links = flowPicture(after)
    const sum = (key: 'from' | 'to', id: string) =>
      links.filter((l) => l[key] === id).reduce((s, l) => s + l.kg, 0)
    expect(sum('to', 'shoulder')).toBeCloseTo(sum('from', 'shoulder'), 6)
  })
  it('cannot weigh more than the rest of the carcass leaves, nor lose more than there is', () => {
    const r = read(seen('part', 'leg', 40))
    const code = (what: 'part' | 'cut-away', of: string, lb: number) =>
      judgePart(r, what, of, 'left', kg(lb * KG_PER_LB))?.code
    const left = r.balance.carcass / KG_PER_LB - 40
    expect(code('part', 'shoulder', left - 0.1)).toBeUndefined()
    expect(code('part', 'shoulder', left + 0.1)).toBe('part-above-carcass')
    expect(code('part', 'leg', left + 39)).toBeUndefined()
    const loin = r.cutting.partKg('loin', 'left') / KG_PER_LB
    expect(code('cut-away', 'loin', loin - 0.01)).toBeUndefined()
    expect(code('cut-away', 'loin', loin + 0.01)).toBe('cut-away-above-part')
  })
  it('name a part there is, on a side it has; only what hangs is weighed as a part', () => {
    const code = (fact: FactBody) => unknownFact(ANATOMIES.hog, fact)?.code ?? null
    expect(code(seen('part', 'leg', 20))).toBeNull()
    expect(code(seen('part', 'leg', 20, 'animal'))).toBe('unknown-id')
    expect(code(seen('part', 'wing', 20))).toBe('unknown-id')
    expect(code(seen('part', 'butt', 5))).toBe('unknown-id')
    expect(code(seen('cut-away', 'butt', 1))).toBeNull()
    expect([hangs(ANATOMIES.hog, 'leg'), hangs(ANATOMIES.hog, 'butt')]).toEqual([true, false])
  })
})
