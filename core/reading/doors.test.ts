import { describe, expect, it } from 'vitest'
import { SPECIES, type Species } from '#core/anatomy'
import type { Said } from '#core/plan'
import { flowOf } from '../carcass/testing.ts'
import { dressed, way } from '../plan/testing.ts'
import { decideBy, doorsOf, reckon } from './index.ts'
import { FARM, lotOf, opening } from './testing.ts'

function doors(species: Species, said: readonly Said[] = []) {
  const lot = lotOf(species, said)
  const flow = flowOf(species)
  return doorsOf(flow, lot, FARM, reckon(flow, lot, FARM, 0))
}
const door = (all: ReturnType<typeof doors>, id: string) => all.find((d) => d.id === id)!
const named = (list: { american: string }[]) => list.map((n) => n.american)

describe('doors that close at booking (common practice)', () => {
  it('a skinned hog gives no rind-on bacon, no crackling, no trotters: said before it is booked', () => {
    const skin = door(doors('hog'), 'skin')
    expect(skin.is).toContain('scald')
    const shut = named(skin.wouldShut).join(' | ').toLowerCase()
    for (const word of ['feet', 'rind', 'crackling']) expect(shut).toContain(word)
    expect(skin.shut).toEqual([])
    expect(skin.takeHome).toBeLessThan(0)
    const skinned = door(doors('hog', [dressed('skin', false)]), 'skin')
    expect(named(skinned.shut)).toEqual(named(skin.wouldShut))
  })
  it('a lamb that is split gives no saddle; left whole it would, and nothing would be shut', () => {
    const split = door(doors('lamb'), 'split')
    expect(named(split.shut).join(' ')).toContain('Saddle')
    expect(split.wouldShut).toEqual([])
  })
  it('a steer of 30 months: what goes with the backbone, in kilograms and money', () => {
    const age = door(
      doors('steer', [way('short-loin', 'loin-tbone'), way('short-loin', 'loin-tbone', 'right')]),
      'under30',
    )
    expect(named(age.wouldShut).join(' ')).toContain('T-bone')
    expect(age.money).not.toBe(0)
  })
  it('offal that is left: what keeping it would take home; kept, what leaving it would lose', () => {
    const left = door(doors('steer'), 'liver')
    expect(left).toMatchObject({ is: 'not kept', other: 'kept' })
    expect(left.takeHome).toBeGreaterThan(2)
    expect(named(left.shut)).toContain('Liver')
    const kept = door(doors('steer', [way('liver', 'liver-kept', 'animal')]), 'liver')
    expect(kept.takeHome).toBeCloseTo(-left.takeHome, 6)
  })
  it.each(SPECIES)('%s: what the other choice says is what the lot comes to when it is said', (species) => {
    const said = opening(species)
    const before = reckon(flowOf(species), lotOf(species, said), FARM, 0)
    const all = doors(species, said)
    expect(all.length).toBeGreaterThan(2)
    for (const d of all) {
      const after = reckon(flowOf(species), lotOf(species, [...said, ...d.said]), FARM, 0)
      expect(after.worth.takeHome - before.worth.takeHome, d.id).toBeCloseTo(d.takeHome, 9)
      expect(after.worth.money - before.worth.money, d.id).toBe(d.money)
    }
  })
  it('the last day to decide is the one before the kill', () => {
    expect(decideBy('2026-12-01')).toBe('2026-11-30')
    expect(decideBy('2027-01-01')).toBe('2026-12-31')
    expect(decideBy(null)).toBeNull()
  })
})
