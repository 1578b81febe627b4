import { describe, expect, it } from 'vitest'
import { SPECIES, type Species } from '#core/anatomy'
import { ANATOMIES } from '#core/species'
import { afterBench } from '#core/ledger'
import { checkDecisions, takePath, type Said } from '#core/plan'
import { flowOf } from '../carcass/testing.ts'
import { alternativesFor, reckon, replan, type Trouble } from './index.ts'
import { FARM as farm, hotLbOf, lotOf } from './testing.ts'
import { down, splitAt, ticked, way } from '../plan/testing.ts'
const again = (species: Species, trouble: Trouble, before: Said[] = []) => {
  const lot = lotOf(species, before, 'hot', hotLbOf(species))
  const read = reckon(flowOf(species), lot, farm, 0)
  const found = replan(read, trouble)
  const after = reckon(
    flowOf(species),
    lotOf(species, [...before, ...found.decisions], 'hot', hotLbOf(species)),
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
      const done: Said[] = (['left', 'right'] as const).map((side) => ticked(part, side))
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
  it('of one side of an animal it plans that side again: found on a hog side, where nothing could be had', () => {
    const side: Said = { kind: 'observation', what: 'hangs', value: { as: 'side', side: 'left' } }
    const { found, after } = again('hog', { kind: 'tool', tool: 'saw' }, [side])
    expect(found.stuck).toEqual([])
    expect(found.changes.length).toBeGreaterThan(1)
    for (const c of found.changes) expect(c.sides.filter((s) => s === 'right')).toEqual([])
    for (const slot of after.cutting.slots) if (slot.holds) expect(slot.path.tool, slot.part).not.toBe('saw')
  })
  it('frees no tenderloin whole through which a line was cut already: found on a hog side half way', () => {
    const lines = (on: boolean): Said[] => (on ? [{ ...ticked('line-leg-line', 'animal') }] : [])
    const frees = (on: boolean) =>
      again('hog', { kind: 'tool', tool: 'saw' }, lines(on)).after.cutting.freed('tenderloin').length
    expect(frees(false)).toBe(2)
    expect(frees(true)).toBe(0)
  })
  it('the difference shown is that of the two plans evaluated apart', () => {
    const { read, found, after } = again('steer', { kind: 'tool', tool: 'saw' })
    expect(found.difference.takeHome).toBeCloseTo(after.balance.products - read.balance.products, 9)
    expect(found.difference.money).toBe(after.money.net - read.money.net)
    expect(found.difference.minutes).toBeCloseTo(after.minutes - read.minutes, 9)
  })
  it('with hands gone it takes less time, every change said can be had, and the difference is that of the plans', () => {
    for (const species of SPECIES) {
      const { read, found, after, lot } = again(species, { kind: 'hands' })
      expect(after.minutes, species).toBeLessThanOrEqual(read.minutes)
      expect(checkDecisions(ANATOMIES[species], lot, found.decisions, false), species).toEqual([])
      expect(after.plan.dropped, species).toEqual([])
      for (const c of found.changes)
        for (const side of c.sides) {
          expect(read.cutting.slot(c.part, side)!.path.id, c.part).toBe(c.from)
          expect(after.cutting.slot(c.part, side)!.path.id, c.part).toBe(c.to)
        }
      expect(found.difference.minutes, species).toBeCloseTo(after.minutes - read.minutes, 9)
      expect(found.difference.takeHome, species).toBeCloseTo(
        after.balance.products - read.balance.products,
        9,
      )
    }
  })
  it('loin and belly cut in one are parted in both, when the saw is down', () => {
    const one = takePath(ANATOMIES.hog, 'loin', ['left', 'right'], 'loin-long-chops')
    const { found, after, lot } = again('hog', { kind: 'tool', tool: 'saw' }, one)
    expect(checkDecisions(ANATOMIES.hog, lot, found.decisions, false)).toEqual([])
    expect(found.changes.map((c) => c.part)).toEqual(expect.arrayContaining(['loin', 'belly']))
    expect(after.plan.dropped).toEqual([])
  })
  it('says for which parts no way is left, and leaves those as they are', () => {
    const { found } = again('hog', { kind: 'tool', tool: 'grinder' })
    expect(found.stuck).toEqual(['trim'])
    expect(found.changes).toEqual([
      { part: 'jowl', sides: ['left', 'right'], from: 'jowl-ground', to: 'jowl-cured' },
    ])
    expect(found.decisions[0]).toEqual(down('grinder'))
    expect(again('broiler', { kind: 'tool', tool: 'grinder' }).found).toMatchObject({
      changes: [],
      stuck: [],
    })
  })
  it('sides that are cut otherwise are planned again each for itself', () => {
    const left = takePath(ANATOMIES.hog, 'loin', ['left'], 'loin-boneless-chops')
    const { found } = again('hog', { kind: 'tool', tool: 'saw' }, left)
    expect(found.changes.filter((c) => c.part === 'loin').map((c) => c.sides)).toEqual([['right']])
  })
  it('a liver that was left already cannot be condemned, nor another organ with it', () => {
    expect(again('hog', { kind: 'condemned', part: 'liver' }).found).toMatchObject({
      changes: [],
      decisions: [],
    })
  })
  it('what is ticked off on one side is planned again on the other only', () => {
    const done: Said[] = [ticked('loin')]
    const { found } = again('hog', { kind: 'tool', tool: 'saw' }, done)
    expect(found.changes.filter((c) => c.part === 'loin').map((c) => c.sides)).toEqual([['right']])
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
  it('a miscut leg takes the way that brings most of those that make no roast', () => {
    const { read, found } = again('hog', { kind: 'miscut', part: 'leg' })
    const to = (path: string) => ANATOMIES.hog.paths.find((p) => p.id === path)!
    const open = alternativesFor(read, 'leg', ['left', 'right']).filter(
      (a) => !a.refusal && !a.inForce && to(a.path).destination !== 'R',
    )
    const best = open.toSorted((a, b) => afterBench(b.whole) - afterBench(a.whole))[0]!
    expect(open.length).toBeGreaterThan(2)
    expect(found.changes).toEqual([
      { part: 'leg', sides: ['left', 'right'], from: 'leg-halves', to: best.path },
    ])
  })
  it('with the saw down a part keeps to the kind of cut it was planned for, the one that brings most', () => {
    const { read, found } = again('hog', { kind: 'tool', tool: 'saw' })
    const path = (id: string) => ANATOMIES.hog.paths.find((p) => p.id === id)!
    const loin = found.changes.find((c) => c.part === 'loin')!
    expect(path(loin.to).destination).toBe(path(loin.from).destination)
    const same = alternativesFor(read, 'loin', ['left', 'right']).filter(
      (a) =>
        !a.refusal && path(a.path).tool !== 'saw' && path(a.path).destination === path(loin.from).destination,
    )
    expect(same.length).toBeGreaterThan(1)
    const hock = found.changes.find((c) => c.part === 'hind-hock')!
    expect(path(hock.to).tool).not.toBe('saw')
  })
  it('a loin cut two ways goes one way when the saw behind the split is down, or when it is miscut', () => {
    const loin: Said[] = (['left', 'right'] as const).flatMap((side) => [
      way('loin', 'loin-boneless-chops', side),
      splitAt('loin', 0.6, 'loin-chops', side),
    ])
    for (const trouble of [
      { kind: 'tool', tool: 'saw' },
      { kind: 'miscut', part: 'loin' },
    ] as const) {
      const { found, after, lot } = again('hog', trouble, loin)
      expect(after.cutting.slot('loin', 'left')!.rear).toBeNull()
      expect(found.changes.some((c) => c.part === 'loin' && c.from === 'loin-chops')).toBe(true)
      expect(checkDecisions(ANATOMIES.hog, lot, found.decisions, false)).toEqual([])
    }
    expect(
      again('hog', { kind: 'condemned', part: 'liver' }, loin).after.cutting.slot('loin', 'left')!.rear,
    ).not.toBeNull()
  })
  it('what is off the carcass takes no hands', () => {
    const kept = takePath(ANATOMIES.hog, 'liver', ['animal'], 'liver-kept')
    expect(again('hog', { kind: 'hands' }, kept).found.changes.map((c) => c.part)).not.toContain('liver')
  })
})
