import { describe, expect, it } from 'vitest'
import { ANATOMIES, type Species } from '#core/anatomy'
import { checkDecisions, takePath, type Said } from '#core/plan'
import { flowOf } from '../carcass/testing.ts'
import { reckon, replan, type Trouble } from './index.ts'
import { FARM as farm, lotOf } from './testing.ts'
const HOT_LB: Record<Species, number> = { hog: 185, lamb: 60, steer: 700, broiler: 165 }
const again = (species: Species, trouble: Trouble, before: Said[] = []) => {
  const lot = lotOf(species, before, 'hot', HOT_LB[species])
  const read = reckon(flowOf(species), lot, farm, 0)
  const found = replan(read, trouble)
  const after = reckon(
    flowOf(species),
    lotOf(species, [...before, ...found.decisions], 'hot', HOT_LB[species]),
    farm,
    0,
  )
  return { read, found, after, lot }
}
describe('planning again from here', () => {
  it.each(['hog', 'steer'] as const)(
    '%s, saw down: nothing left to cut is planned with it, and what was cut stays',
    (species) => {
      const part = species === 'hog' ? 'loin' : 'rib'
      const done: Said[] = (['left', 'right'] as const).map((side) => ({
        kind: 'tick',
        what: 'step',
        of: part,
        side: side,
      }))
      const { read, found, after, lot } = again(species, { kind: 'tool', tool: 'saw' }, done)
      expect(found.changes.length).toBeGreaterThan(1)
      expect(found.changes.map((c) => c.part)).not.toContain(part)
      expect(checkDecisions(ANATOMIES[species], lot, found.decisions, false)).toEqual([])
      for (const slot of after.cutting.slots)
        if (slot.holds && slot.part !== part && !found.stuck.includes(slot.part))
          expect(slot.path.tool, slot.part).not.toBe('saw')
      const way = (r: typeof read) => r.cutting.slot(part, 'left')!.path.id
      expect(way(after)).toBe(way(read))
    },
  )
  it('the difference shown is that of the two plans evaluated apart', () => {
    const { read, found, after } = again('steer', { kind: 'tool', tool: 'saw' })
    expect(found.difference.takeHome).toBeCloseTo(after.balance.products - read.balance.products, 9)
    expect(found.difference.money).toBe(after.money.net - read.money.net)
    expect(found.difference.minutes).toBeCloseTo(after.minutes - read.minutes, 9)
  })
  it('with hands gone it takes less time, and never more', () => {
    for (const species of ['hog', 'steer', 'lamb', 'broiler'] as const) {
      const { read, after } = again(species, { kind: 'hands' })
      expect(after.minutes, species).toBeLessThanOrEqual(read.minutes)
    }
  })
  it('a condemned liver is left, and nothing else changes', () => {
    const kept = takePath(ANATOMIES.hog, 'liver', ['animal'], 'liver-kept')
    const { found, after } = again('hog', { kind: 'condemned', part: 'liver' }, kept)
    expect(found.changes).toMatchObject([{ part: 'liver', to: 'liver-left' }])
    expect(after.balance.kept).toBe(0)
  })
  it('a miscut rack is no rack any more: it takes another way, and nothing else changes', () => {
    const { found } = again('lamb', { kind: 'miscut', part: 'rack' })
    expect(found.changes.map((c) => c.part)).toEqual(['rack'])
    const to = ANATOMIES.lamb.paths.find((p) => p.id === found.changes[0]!.to)!
    expect(to.destination).not.toBe('R')
    expect(found.difference.takeHome).not.toBe(0)
  })
})
