import { describe, expect, it } from 'vitest'
import { ANATOMIES, hog } from '#core/anatomy'
import { mm, sayIssue } from '#core/measure'
import { UNNAMED, type Author, type Decision, type FactBody } from '#core/records'
import {
  checkDecisions,
  checkUndo,
  conflicts,
  nextRedo,
  nextUndo,
  readPlan,
  refusalOf,
  NO_LOG,
  takePath,
  tried,
  unknownFact,
  type CommandRow,
  type Log,
  type Said,
} from './index.ts'

const ME = { device: '00000000-0000-7000-8000-00000000000a', person: UNNAMED }
const OTHER = { device: '00000000-0000-7000-8000-00000000000b', person: UNNAMED }
let seq = 0
const id = () => `00000000-0000-7000-8000-${String(++seq).padStart(12, '0')}`
const batch = (
  decisions: Decision[],
  undoes: string | null = null,
  redoes: string | null = null,
  by: Author = ME,
): CommandRow[] => {
  const b = id()
  return decisions.map((decision) => ({ id: id(), rev: seq, batch: b, undoes, redoes, decision, ...by }))
}
const path = (target: string, value: string | null, side: 'left' | 'right' = 'left'): Decision => ({
  field: 'path',
  target,
  side,
  value,
})
const log = (commands: CommandRow[], ...facts: FactBody[]): Log => tried({ commands, facts: [] }, facts)
const pathOf = (commands: CommandRow[], part: string, side: 'left' | 'right' = 'left') =>
  readPlan(hog, log(commands)).choices.paths.get(part, side)

describe('the plan is what its commands come to', () => {
  it('the last decision on a field counts, different fields merge', () => {
    const all = [
      ...batch([path('loin', 'loin-chops')]),
      ...batch([path('loin', 'loin-roasts')]),
      ...batch([path('leg', 'leg-grind')]),
    ]
    expect(pathOf(all, 'loin')).toBe('loin-roasts')
    expect(pathOf(all, 'leg')).toBe('leg-grind')
  })
  it('undo and redo append, walk back and forth, and a new decision ends the redo', () => {
    let all = [
      ...batch([path('loin', 'loin-chops')]),
      ...batch([path('loin', 'loin-roasts'), path('loin', 'loin-roasts', 'right')]),
    ]
    const undo = () => {
      const u = nextUndo(all, ME)!
      all = [...all, ...batch(u.decisions, u.batch)]
    }
    undo()
    expect([pathOf(all, 'loin'), pathOf(all, 'loin', 'right')]).toEqual(['loin-chops', undefined])
    undo()
    expect(pathOf(all, 'loin')).toBeUndefined()
    expect(nextUndo(all, ME)).toBeNull()
    const r = nextRedo(all, ME)!
    all = [...all, ...batch(r.decisions, null, r.batch)]
    expect(pathOf(all, 'loin')).toBe('loin-chops')
    all = [...all, ...batch([path('leg', 'leg-grind')])]
    expect(nextRedo(all, ME)).toBeNull()
    expect(all).toHaveLength(8)
  })
  it('a price that comes back from the database with its keys in another order is the same price', () => {
    const price = (value: object) => ({ field: 'price', target: 'bacon', side: 'animal', value }) as Decision
    const all = batch([price({ milli: 895000, per: 'lb' })])
    expect(conflicts(all, 0, [price({ per: 'lb', milli: 895000 })])).toEqual([])
    expect(conflicts(all, 0, [price({ per: 'kg', milli: 895000 })])).toHaveLength(1)
  })
  it('undo takes back what was decided on this device, never another’s, nor a field another decided on since', () => {
    const mine = batch([path('loin', 'loin-roasts'), path('leg', 'leg-grind')])
    const theirs = batch([path('belly', 'belly-slab')], null, null, OTHER)
    const all = [...mine, ...theirs]
    expect(nextUndo(all, ME)).toMatchObject({ batch: mine[0]!.batch })
    expect(nextUndo(all, OTHER)).toMatchObject({ batch: theirs[0]!.batch })
    expect(
      checkUndo(all, { undoes: theirs[0]!.batch, redoes: null }, [path('belly', null)], ME),
    ).toMatchObject([{ code: 'undo-not-yours' }])
    const over = [...all, ...batch([path('loin', 'loin-chops')], null, null, OTHER)]
    expect(nextUndo(over, ME)!.decisions).toEqual([path('leg', null)])
    expect(checkUndo(over, { undoes: mine[0]!.batch, redoes: null }, [path('leg', null)], ME)).toEqual([])
    const nobody = { device: UNNAMED, person: UNNAMED }
    const old = batch([path('jowl', 'jowl-fresh')], null, null, nobody)
    expect(nextUndo(old, ME)).toMatchObject({ batch: old[0]!.batch })
  })
  it('two windows on the same field conflict and both are shown; on different fields, or agreeing, they merge', () => {
    const all = batch([path('loin', 'loin-roasts')])
    const base = all[0]!.rev - 1
    expect(conflicts(all, base, [path('loin', 'loin-grind')])).toEqual([
      { mine: path('loin', 'loin-grind'), theirs: path('loin', 'loin-roasts'), rev: all[0]!.rev },
    ])
    expect(
      conflicts(all, base, [
        path('leg', 'leg-grind'),
        path('loin', 'loin-roasts'),
        path('loin', 'loin-grind', 'right'),
      ]),
    ).toEqual([])
    expect(conflicts(all, all[0]!.rev, [path('loin', 'loin-grind')])).toEqual([])
  })
})

const SKINNED: FactBody = { kind: 'observation', what: 'dressing', of: 'skin', value: false }

describe('the same bones cannot be sold twice', () => {
  const refusal = (of: Log, part: string, p: string) => refusalOf(hog, readPlan(hog, of), part, ['left'], p)
  it('ribs stay on only under a fresh slab, and the slab cannot become bacon while they do', () => {
    expect(refusal(NO_LOG, 'spare-ribs', 'ribs-on-belly')).toMatchObject({
      figures: { path: 'belly-bacon' },
    })
    const slab = batch([path('belly', 'belly-slab')])
    expect(refusal(log(slab), 'spare-ribs', 'ribs-on-belly')).toBeNull()
    const on = [...slab, ...batch([path('spare-ribs', 'ribs-on-belly')])]
    expect(refusal(log(on), 'belly', 'belly-bacon')?.code).toBe('shut-out')
    expect(refusalOf(hog, readPlan(hog, log(on)), 'belly', ['right'], 'belly-bacon')).toBeNull()
  })
  it('a skinned hog has no rind and no feet; a choice made before is dropped with its reason', () => {
    const skinned = log(batch([path('belly', 'belly-slab')]), SKINNED)
    expect(sayIssue(refusal(skinned, 'belly', 'belly-slab')!)).toBe(
      'This needs the carcass scalded, skin on; this one is skinned.',
    )
    expect(refusal(skinned, 'fore-foot', 'fore-foot-kept')?.code).toBe('door-closed')
    expect(readPlan(hog, skinned).dropped.map((d) => d.path)).toEqual(['belly-slab'])
  })
  it('loin and belly in one are taken together; parting them later lets the other half go', () => {
    const together = takePath(hog, 'loin', ['left'], 'loin-porchetta')
    expect(together.map((d) => [d.target, d.value])).toEqual([
      ['loin', 'loin-porchetta'],
      ['belly', 'belly-porchetta'],
    ])
    const apart = [...batch(together), ...batch([path('belly', 'belly-bacon')])]
    const plan = readPlan(hog, log(apart))
    expect(plan.choices.paths.get('loin', 'left')).toBeUndefined()
    expect(plan.dropped).toMatchObject([{ part: 'loin', issue: { code: 'other-half' } }])
  })
  it('a T-bone behind the split is refused while the tenderloin in front comes out whole', () => {
    const { steer } = ANATOMIES
    const split = batch([
      path('short-loin', 'loin-strip'),
      { field: 'line', target: 'loin-split', side: 'left', value: 'k3' },
    ])
    const issue = refusalOf(steer, readPlan(steer, log(split)), 'short-loin-rear', ['left'], 'rear-tbone')
    expect(issue).toMatchObject({ code: 'shut-out', figures: { path: 'loin-strip' } })
  })
  it('an unknown path is refused', () =>
    expect(refusal(NO_LOG, 'loin', 'leg-grind')?.code).toBe('unknown-id'))
})

describe('decisions are checked before they are kept', () => {
  const check = (species: 'hog' | 'lamb' | 'broiler', ...said: Said[]) => {
    const anatomy = ANATOMIES[species]
    const facts = said.flatMap((x) => ('kind' in x ? [x] : []))
    const decisions = said.flatMap((x) => ('field' in x ? [x] : []))
    const issues = [
      ...facts.flatMap((f) => unknownFact(anatomy, f) ?? []),
      ...checkDecisions(anatomy, tried(NO_LOG, facts), decisions, false),
    ]
    return issues.map((i) => `${i.field}: ${sayIssue(i)}`)
  }
  const ribs = (value: number): FactBody => ({ kind: 'observation', what: 'ribs', value: value })
  it('a long line off the meat, ribs the animal cannot have, a measurement out of bounds', () => {
    expect(check('hog', { field: 'mm', target: 'belly-line', side: 'left', value: mm(90) })).toEqual([
      'decisions.0.value: Belly line at 90 mm is off the meat. It can lie 5 to 60 mm from the eye.',
    ])
    expect(check('lamb', ribs(14))).toEqual([])
    expect(check('lamb', ribs(16))).toEqual([
      'value: A lamb with 16 ribs was never hung: 12 to 14 occur. Count again from the first rib.',
    ])
    expect(check('broiler', ribs(7))[0]).toContain('was never hung')
    expect(check('hog', { kind: 'observation', what: 'measure', of: 'fat-depth', value: 200 })[0]).toContain(
      'Fat over the 10th rib 200 mm is outside 3 to 80 mm',
    )
  })
  it('lines, ways, parts and doors there are not', () => {
    expect(check('hog', { field: 'line', target: 'belly-line', side: 'left', value: 'x' })[0]).toContain(
      'no line',
    )
    expect(check('hog', { field: 'mm', target: 'shoulder-line', side: 'left', value: mm(9) })[0]).toContain(
      'no long line',
    )
    expect(check('hog', { kind: 'observation', what: 'dressing', of: 'wool', value: true })[0]).toContain(
      'wool',
    )
    expect(check('lamb', { kind: 'observation', what: 'measure', of: 'eye-area', value: 20 })[0]).toContain(
      'eye-area',
    )
    const exempt: FactBody = { kind: 'observation', what: 'route', value: 'poultry-exempt' }
    expect(check('hog', exempt)[0]).toContain('no route for a hog')
    expect(check('broiler', exempt)).toEqual([])
    expect(check('broiler', path('bird', 'bird-halves'))[0]).toContain('side of the bird')
  })
  it('half of a saddle, and half of what two parts are cut in together', () => {
    const whole: FactBody = { kind: 'observation', what: 'dressing', of: 'split', value: false }
    expect(check('lamb', whole, path('loin', 'loin-saddle'))[0]).toContain('both sides at once')
    expect(check('lamb', path('loin', 'loin-saddle'), path('loin', 'loin-saddle', 'right'))[0]).toContain(
      'needs the carcass left whole',
    )
    expect(check('hog', path('loin', 'loin-long-chops'))[0]).toContain('cut in one with the belly')
    expect(check('hog', ...takePath(hog, 'loin', ['left'], 'loin-long-chops'))).toEqual([])
  })
})
