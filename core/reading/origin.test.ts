import { describe, expect, it } from 'vitest'
import { KG_PER_LB, PLAIN, saysFor } from '#core/measure'
import type { Said } from '#core/plan'
import { flowOf } from '../carcass/testing.ts'
import { cutDone, splitAt } from '../plan/testing.ts'
import { originOfCut, originOfStage, reckon, type LotState } from './index.ts'
import { FARM, lotOf, packOf } from './testing.ts'

const says = saysFor(PLAIN)
const read = (said: Said[] = [], more: Partial<LotState> = {}, stage: 'live' | 'hot' = 'live') =>
  reckon(flowOf('hog'), { ...lotOf('hog', said, stage, stage === 'hot' ? 187 : 260), ...more }, FARM, 100)
const text = (o: ReturnType<typeof originOfCut>) => o!.sentences.join(' ')

describe('where a figure comes from', () => {
  it('a weight: the scale, or what is nearest to it on the chain, and every step between', () => {
    const live = read()
    expect(originOfStage(live, 'live', says)).toEqual({ sentences: ['Weighed: 260.0 lb.'], weak: false })
    const hanging = originOfStage(live, 'hanging', says)!
    expect(hanging.weak).toBe(true)
    expect(text(hanging)).toMatch(
      /^Worked out from the live weight, 260.0 lb \(weighed\): fasting .*; it dresses at 7\d % .*; cooling leaves/,
    )
    expect(text(originOfStage(read([], {}, 'hot'), 'live', says))).toMatch(
      /^Worked back from the hot weight, 187.0 lb/,
    )
    expect(originOfStage(read([], { weighings: [] }), 'hot', says)).toBeNull()
    const guessed = lotOf('hog').weighings.map((w) => ({ ...w, source: 'guess' as const }))
    expect(text(originOfStage(read([], { weighings: guessed }), 'live', says))).toBe(
      'As it was said: 260.0 lb, estimated by eye or tape, ± 12 %.',
    )
  })
  it('what is cut: the hanging weight and the plan, parts on the scale, packs weighed in full', () => {
    const part: Said = {
      kind: 'observation',
      what: 'part',
      of: 'leg',
      side: 'left',
      shown: { value: 22, unit: 'lb' },
    }
    const r = read([part, cutDone('bacon')], { packs: [packOf('bacon', 14, 7)] })
    const cut = text(originOfStage(r, 'cut', says))
    expect(cut).toContain('1 part was put on the scale')
    expect(cut).toContain('1 cut is weighed in full')
    expect(text(originOfStage(r, 'packed', says))).toBe('The packs that were weighed, added up.')
    expect(text(originOfCut(r, 'bacon', says))).toMatch(/^Weighed: 14.0 lb in 7 packs, all of it/)
    expect(text(originOfCut(r, 'fresh-ham', says))).toContain('(one side on the scale)')
  })
  it('a cut: its parts, whose kilograms add up to what goes into it, its way and its process', () => {
    const r = read()
    const chops = originOfCut(r, 'bone-in-chop', says)!
    expect(chops.sentences[0]).toMatch(
      /lb of [\d.]+ lb loin \(estimated\), cut as “Bone-in chops, tenderloin left in”: \d+ % of it/,
    )
    expect(text(originOfCut(r, 'bacon', says))).toContain('Its process adds 3 % and leaves 92 %')
    const green = r.cutting.slots.flatMap((x) => x.rows).filter((row) => row.cut?.id === 'bone-in-chop')
    const all = green.reduce((sum, row) => sum + row.green, 0)
    expect(Number(/^([\d.]+) lb of/.exec(chops.sentences[0]!)![1])).toBeCloseTo(all / KG_PER_LB, 1)
    expect(originOfCut(r, 'tenderloin-of-a-bird', says)).toBeNull()
  })
  it('of a part cut two ways both are named, and what is weighed so far is said', () => {
    const r = read([splitAt('loin', 0.5, 'loin-roasts')], { packs: [packOf('bone-in-chop', 5)] })
    const chops = text(originOfCut(r, 'bone-in-chop', says))
    expect(chops).toContain('tenderloin left in and Boneless roasts and back ribs')
    expect(chops).toContain('5.0 lb of it is weighed;')
  })
})
