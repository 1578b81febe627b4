import { describe, expect, it } from 'vitest'
import { SPECIES, type SideName } from '#core/anatomy'
import { sayIssue } from '#core/measure'
import { ANATOMIES } from '#core/species'
import { checkDecisions, readPlan, refusalOf, takePath, wayTo, NO_LOG, tried } from './index.ts'
import type { FactBody } from '#core/records'
import { down, dressed, ticked } from './testing.ts'

describe('what would have to change for a way that is refused', () => {
  const { hog, lamb } = ANATOMIES
  it('the carcass left whole, and both sides taken', () => {
    const way = wayTo(lamb, readPlan(lamb, NO_LOG), 'loin', ['left'], 'loin-saddle')!
    expect(way).toMatchObject({ conventions: [{ id: 'split', value: false }], bothSides: true, paths: [] })
    expect(checkDecisions(lamb, tried(NO_LOG, way.facts), way.decisions, false)).toEqual([])
  })
  it('the belly a fresh slab before the ribs stay on it', () => {
    const way = wayTo(hog, readPlan(hog, NO_LOG), 'spare-ribs', ['left', 'right'], 'ribs-on-belly')!
    expect(way.paths).toEqual([{ part: 'belly', path: 'belly-slab' }])
    expect(checkDecisions(hog, NO_LOG, way.decisions, false)).toEqual([])
  })
  it('bacon needs the ribs lifted first', () => {
    const on = tried(NO_LOG, [
      ...takePath(hog, 'belly', ['left', 'right'], 'belly-slab'),
      ...takePath(hog, 'spare-ribs', ['left', 'right'], 'ribs-on-belly'),
    ])
    const way = wayTo(hog, readPlan(hog, on), 'belly', ['left', 'right'], 'belly-bacon')!
    expect(way.paths.map((p) => p.part)).toEqual(['spare-ribs'])
    expect(checkDecisions(hog, on, way.decisions, false)).toEqual([])
  })
  it('never another age, and of a carcass that hangs no other dressing than was said: facts are corrected, not taken to have a cut', () => {
    const old = tried(NO_LOG, [dressed('under30', false)])
    const chops = (log: typeof old) =>
      wayTo(ANATOMIES.steer, readPlan(ANATOMIES.steer, log), 'short-loin', ['left', 'right'], 'loin-tbone')
    expect(chops(NO_LOG)).not.toBeNull()
    expect(chops(old)).toBeNull()
    const refusal = refusalOf(
      ANATOMIES.steer,
      readPlan(ANATOMIES.steer, old),
      'short-loin',
      ['left'],
      'loin-tbone',
    )
    expect(sayIssue(refusal!)).toMatch(/correct its day of birth on Hang, by papers or teeth/)
    const saddle = (...facts: FactBody[]) =>
      wayTo(lamb, readPlan(lamb, tried(NO_LOG, facts)), 'loin', ['left'], 'loin-saddle')
    const killed: FactBody = { kind: 'observation', what: 'killed', value: '2026-11-02' }
    expect(saddle(dressed('split', true))).not.toBeNull()
    expect(saddle(dressed('split', true), killed)).toBeNull()
  })
  it('for every refused way of every species the change offered makes it possible, unless it is an age', () => {
    for (const s of SPECIES) {
      const a = ANATOMIES[s]
      const closed = tried(
        NO_LOG,
        a.conventions.map((c): FactBody => dressed(c.id, !c.usual)),
      )
      const plan = readPlan(a, closed)
      for (const path of a.paths) {
        const sides: SideName[] =
          a.parts.find((p) => p.id === path.part)!.scope === 'animal' ? ['animal'] : ['left', 'right']
        if (!refusalOf(a, plan, path.part, sides, path.id)) continue
        const way = wayTo(a, plan, path.part, sides, path.id)
        if (path.needs?.includes('under30') && plan.conventions.under30 === false) {
          expect(way, path.id).toBeNull()
          continue
        }
        expect(way, path.id).not.toBeNull()
        const after = readPlan(a, tried(closed, [...way!.facts, ...way!.decisions]))
        expect(after.choices.paths.get(path.part, sides[0]!), path.id).toBe(path.id)
        expect(refusalOf(a, after, path.part, sides, path.id), path.id).toBeNull()
      }
    }
  })
  it('is nothing for a way there is not, and only itself for one that is free', () => {
    const plan = readPlan(hog, NO_LOG)
    expect(wayTo(hog, plan, 'loin', ['left'], 'loin-of-old')).toBeNull()
    expect(wayTo(hog, plan, 'wing', ['left'], 'loin-roasts')).toBeNull()
    expect(wayTo(hog, plan, 'loin', ['left'], 'loin-roasts')).toEqual({
      facts: [],
      conventions: [],
      paths: [],
      bothSides: false,
      decisions: takePath(hog, 'loin', ['left'], 'loin-roasts'),
    })
  })
  it('is nothing where the tool is down or the part is cut', () => {
    const broken = tried(NO_LOG, [down('saw')])
    expect(wayTo(hog, readPlan(hog, broken), 'loin', ['left'], 'loin-rack')).toBeNull()
    const cut = tried(NO_LOG, [ticked('loin')])
    expect(wayTo(hog, readPlan(hog, cut), 'loin', ['left'], 'loin-roasts')).toBeNull()
  })
  it('a skinned hog would have to be scalded: said as the fact it is', () => {
    const skinned = tried(NO_LOG, [dressed('skin', false)])
    expect(wayTo(hog, readPlan(hog, skinned), 'belly', ['left'], 'belly-slab')).toMatchObject({
      facts: [dressed('skin', true)],
      conventions: [{ id: 'skin', value: true }],
      decisions: takePath(hog, 'belly', ['left'], 'belly-slab'),
    })
  })
})
