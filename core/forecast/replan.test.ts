import { describe, expect, it } from 'vitest'
import { ANATOMIES, type Species } from '#core/anatomy'
import { checkDecisions, replan, takePath, type Decision, type Trouble } from '#core/plan'
import { flowOf } from '../carcass/testing.ts'
import { reckon, tallyWith } from './index.ts'
import { lotOf } from './testing.ts'

const farm = { massUnit: 'lb', mincePerKg: 1300 } as const
const HOT_LB: Record<Species, number> = { hog: 185, lamb: 60, steer: 700, broiler: 165 }
const again = (species: Species, trouble: Trouble, before: Decision[] = []) => {
  const lot = lotOf(species, before, 'hot', HOT_LB[species])
  const read = reckon(flowOf(species), lot, farm, 0)
  const found = replan(read.flow, read.plan, trouble, tallyWith(lot, farm, read))
  const after = reckon(
    flowOf(species),
    lotOf(species, [...before, ...found.decisions], 'hot', HOT_LB[species]),
    farm,
    0,
  )
  return { read, found, after, lot }
}
const toolOf = (r: ReturnType<typeof reckon>, slot: number) =>
  r.flow.slots[slot]!.paths[r.setting.pathOf[slot]!]!.path.tool

describe('planning again from here', () => {
  it.each(['hog', 'steer'] as const)(
    '%s, saw down: nothing left to cut is planned with it, and what was cut stays',
    (species) => {
      const part = species === 'hog' ? 'loin' : 'rib'
      const done: Decision[] = (['left', 'right'] as const).map((side) => ({
        field: 'step',
        target: part,
        side,
        value: true,
      }))
      const { read, found, after, lot } = again(species, { kind: 'tool', tool: 'saw' }, done)
      expect(found.changes.length).toBeGreaterThan(1)
      expect(found.changes.map((c) => c.part)).not.toContain(part)
      expect(checkDecisions(ANATOMIES[species], lot.commands, found.decisions, false)).toEqual([])
      after.flow.slots.forEach((slot, s) => {
        const hangs = after.slotKg.slice(s * 4, s * 4 + 4).some((kg) => kg > 1e-9)
        if (!hangs || slot.part === part || found.stuck.includes(slot.part)) return
        expect(toolOf(after, s), slot.part).not.toBe('saw')
      })
      const slot = read.flow.slotIndex.get(`${part}:left`)!
      expect(toolOf(after, slot)).toBe(toolOf(read, slot))
    },
  )
  it('the difference shown is that of the two plans evaluated apart', () => {
    const { read, found, after } = again('steer', { kind: 'tool', tool: 'saw' })
    expect(found.difference!.takeHomeKg).toBeCloseTo(after.balance.products - read.balance.products, 9)
    expect(found.difference!.money).toBe(after.money.net - read.money.net)
    expect(found.difference!.minutes).toBeCloseTo(after.minutes - read.minutes, 9)
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
    expect(found.difference!.takeHomeKg).not.toBe(0)
  })
})
