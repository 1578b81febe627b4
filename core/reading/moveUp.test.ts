import { describe, expect, it } from 'vitest'
import { type Anatomy } from '#core/anatomy'
import { ANATOMIES } from '#core/species'
import { compile } from '#core/carcass'
import { moveUp, reckon, weighedOnly } from './index.ts'
import { FARM, lotOf, packOf } from './testing.ts'
import type { Said } from '#core/plan'
import { anatomiesOf, readBy } from '#core/records'

const { hog } = ANATOMIES
const old = compile(hog)
/** Figures as they may be some day: one way is gone, and loins weigh more by their bands. */
const without = (way: string, more: Partial<Anatomy> = {}): Anatomy => ({
  ...hog,
  version: hog.version + 1,
  paths: hog.paths.filter((p) => p.id !== way),
  ...more,
})
const take = (side: 'left' | 'right', value: string): Said => ({ field: 'path', target: 'loin', side, value })
const rack = [take('left', 'loin-rack'), take('right', 'loin-rack')]

describe('a lot read by newer figures beside its own', () => {
  it('names the ways that are gone, and reads them as usual', () => {
    const found = moveUp(old, compile(without('loin-rack')), lotOf('hog', rack), FARM)
    expect(found.gone.map((g) => [g.what.american, g.value?.american])).toEqual(
      ['Loin', 'Loin'].map((part) => [part, 'Frenched rack and chops']),
    )
    expect(found.after.plan.dropped.map((d) => [d.path, d.issue.code])).toEqual([
      ['loin-rack', 'way-gone'],
      ['loin-rack', 'way-gone'],
    ])
    const usual = reckon(old, lotOf('hog'), FARM, 0)
    expect(found.after.worth.takeHome).toBeCloseTo(usual.worth.takeHome, 9)
    const roast = hog.cuts.find((c) => c.id === 'rack-roast')!.names
    expect(found.cuts.find((c) => c.names === roast)).toMatchObject({ after: null })
    const by = found.cuts.map((c) => Math.abs((c.after ?? 0) - (c.before ?? 0)))
    expect(by).toEqual([...by].sort((a, b) => b - a))
    expect(found.held).toEqual([])
    expect(found.added).toEqual([])
    const back = moveUp(compile(without('loin-rack')), old, lotOf('hog'), FARM)
    expect(back.added.map((n) => n.american)).toEqual(['Frenched rack and chops'])
  })
  it('what is the same is told the same, to the gram', () => {
    const found = moveUp(old, compile(without('loin-rack')), lotOf('hog'), FARM)
    expect(found.gone).toEqual([])
    expect(found.cuts).toEqual([])
  })
  it('a decision that neither knows is no loss of the move', () => {
    const found = moveUp(old, old, lotOf('hog', [take('left', 'loin-by-moonlight')]), FARM)
    expect(found.gone).toEqual([])
  })
  it('what was weighed, seen or ticked off under a name that is gone holds the lot where it is', () => {
    const to: Anatomy = { ...hog, cuts: hog.cuts.filter((c) => c.id !== 'bacon'), measures: [] }
    const lot = {
      ...lotOf('hog', [
        { kind: 'observation', what: 'measure', of: 'fat-depth', value: 20 },
        { kind: 'tick', what: 'cut', of: 'bacon', side: null },
      ] as never),
      packs: [packOf('bacon', 3), packOf('boneless-chop', 2)],
    }
    const names = weighedOnly(hog, to, lot).map((n) => n.american)
    expect(names).toContain('Smoked bacon')
    expect(names.length).toBe(3)
    expect(weighedOnly(hog, hog, lot)).toEqual([])
    const withdrawn = packOf('bacon', 3, 1, { id: 'x', corrects: `p bacon 3 1`, stands: false })
    expect(weighedOnly(hog, to, { packs: [packOf('bacon', 3), withdrawn], facts: [] })).toEqual([])
  })
})

describe('the anatomy a lot is read by', () => {
  const [a, b] = ['a'.repeat(64), 'b'.repeat(64)]
  const move = (value: string | null) => ({
    decision: { field: 'anatomy', target: 'lot', side: 'animal', value } as const,
  })
  it('is the one it was hung with, the last it was moved to, or after an undo the first again', () => {
    expect(readBy({ anatomy: a, commands: [] })).toBe(a)
    expect(readBy({ anatomy: a, commands: [move(b)] })).toBe(b)
    expect(readBy({ anatomy: a, commands: [move(b), move(null)] })).toBe(a)
    expect(anatomiesOf({ anatomy: a, commands: [move(b), move(null)] as never })).toEqual([a, b])
  })
})
