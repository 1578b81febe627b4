import { describe, expect, it } from 'vitest'
import { ANATOMIES, hog } from '#core/anatomy'
import { sayIssue } from '#core/measure'
import {
  checkDecisions,
  conflicts,
  cutSheet,
  nextRedo,
  nextUndo,
  readPlan,
  refusalOf,
  takePath,
  type Command,
  type Decision,
} from './index.ts'

let seq = 0
const id = () => `00000000-0000-7000-8000-${String(++seq).padStart(12, '0')}`
const batch = (
  decisions: Decision[],
  undoes: string | null = null,
  redoes: string | null = null,
): Command[] => {
  const b = id()
  return decisions.map((decision) => ({ id: id(), seq, batch: b, undoes, redoes, decision, at: '' }))
}
const path = (target: string, value: string | null, side: 'left' | 'right' = 'left'): Decision => ({
  field: 'path',
  target,
  side,
  value,
})
const pathOf = (log: Command[], key: string) => readPlan(hog, log).choices.paths.get(key)

describe('the plan is what its commands come to', () => {
  it('the last decision on a field counts, different fields merge', () => {
    const log = [
      ...batch([path('loin', 'loin-chops')]),
      ...batch([path('loin', 'loin-roasts')]),
      ...batch([path('leg', 'leg-grind')]),
    ]
    expect(pathOf(log, 'loin:left')).toBe('loin-roasts')
    expect(pathOf(log, 'leg:left')).toBe('leg-grind')
  })
  it('undo and redo append, walk back and forth, and a new decision ends the redo', () => {
    let log = [
      ...batch([path('loin', 'loin-chops')]),
      ...batch([path('loin', 'loin-roasts'), path('loin', 'loin-roasts', 'right')]),
    ]
    const undo = () => {
      const u = nextUndo(log)!
      log = [...log, ...batch(u.decisions, u.batch)]
    }
    undo()
    expect([pathOf(log, 'loin:left'), pathOf(log, 'loin:right')]).toEqual(['loin-chops', undefined])
    undo()
    expect(pathOf(log, 'loin:left')).toBeUndefined()
    expect(nextUndo(log)).toBeNull()
    const r = nextRedo(log)!
    log = [...log, ...batch(r.decisions, null, r.batch)]
    expect(pathOf(log, 'loin:left')).toBe('loin-chops')
    log = [...log, ...batch([path('leg', 'leg-grind')])]
    expect(nextRedo(log)).toBeNull()
    expect(log).toHaveLength(8)
  })
  it('two windows on the same field conflict and both are shown; on different fields, or agreeing, they merge', () => {
    const log = batch([path('loin', 'loin-roasts')])
    const base = log[0]!.seq - 1
    expect(conflicts(log, base, [path('loin', 'loin-grind')])).toEqual([
      { mine: path('loin', 'loin-grind'), theirs: path('loin', 'loin-roasts'), seq: log[0]!.seq },
    ])
    expect(
      conflicts(log, base, [
        path('leg', 'leg-grind'),
        path('loin', 'loin-roasts'),
        path('loin', 'loin-grind', 'right'),
      ]),
    ).toEqual([])
    expect(conflicts(log, log[0]!.seq, [path('loin', 'loin-grind')])).toEqual([])
  })
})

const door = (target: string, value: boolean) =>
  batch([{ field: 'convention', target, side: 'animal', value }])

describe('the same bones cannot be sold twice', () => {
  const refusal = (log: Command[], part: string, p: string) =>
    refusalOf(hog, readPlan(hog, log), part, ['left'], p)
  it('ribs stay on only under a fresh slab, and the slab cannot become bacon while they do', () => {
    expect(refusal([], 'spare-ribs', 'ribs-on-belly')?.figures?.path).toBe('belly-bacon')
    const slab = batch([path('belly', 'belly-slab')])
    expect(refusal(slab, 'spare-ribs', 'ribs-on-belly')).toBeNull()
    const on = [...slab, ...batch([path('spare-ribs', 'ribs-on-belly')])]
    expect(refusal(on, 'belly', 'belly-bacon')?.code).toBe('shut-out')
    expect(refusalOf(hog, readPlan(hog, on), 'belly', ['right'], 'belly-bacon')).toBeNull()
  })
  it('a skinned hog has no rind and no feet; a choice made before is dropped with its reason', () => {
    const log = [...batch([path('belly', 'belly-slab')]), ...door('skin', false)]
    expect(sayIssue(refusal(log, 'belly', 'belly-slab')!)).toBe(
      'This needs the carcass scalded, skin on; this one is skinned.',
    )
    expect(refusal(log, 'fore-foot', 'fore-foot-kept')?.code).toBe('door-closed')
    expect(readPlan(hog, log).dropped.map((d) => d.path)).toEqual(['belly-slab'])
  })
  it('loin and belly in one are taken together; parting them later lets the other half go', () => {
    const together = takePath(hog, 'loin', ['left'], 'loin-porchetta')
    expect(together.map((d) => [d.target, d.value])).toEqual([
      ['loin', 'loin-porchetta'],
      ['belly', 'belly-porchetta'],
    ])
    const log = [...batch(together), ...batch([path('belly', 'belly-bacon')])]
    const plan = readPlan(hog, log)
    expect(plan.choices.paths.get('loin:left')).toBeUndefined()
    expect(plan.dropped).toMatchObject([{ part: 'loin', issue: { code: 'other-half' } }])
  })
  it('a T-bone behind the split is refused while the tenderloin in front comes out whole', () => {
    const { steer } = ANATOMIES
    const log = batch([
      path('short-loin', 'loin-strip'),
      { field: 'line', target: 'loin-split', side: 'left', value: 'k3' },
    ])
    const issue = refusalOf(steer, readPlan(steer, log), 'short-loin-rear', ['left'], 'rear-tbone')
    expect(issue).toMatchObject({ code: 'shut-out', figures: { path: 'loin-strip' } })
  })
  it('an unknown path is refused', () => expect(refusal([], 'loin', 'leg-grind')?.code).toBe('unknown-id'))
})

describe('decisions are checked before they are kept', () => {
  const check = (species: 'hog' | 'lamb' | 'broiler', ...decisions: Decision[]) =>
    checkDecisions(ANATOMIES[species], [], decisions, false).map((i) => `${i.field}: ${sayIssue(i)}`)
  const ribs = (value: number): Decision => ({ field: 'ribs', target: 'lot', side: 'animal', value })
  it('a long line off the meat, ribs the animal cannot have, a measurement out of bounds', () => {
    expect(check('hog', { field: 'mm', target: 'belly-line', side: 'left', value: 90 })).toEqual([
      'decisions.0.value: Belly line at 90 mm is off the meat. It can lie 5 to 60 mm from the eye.',
    ])
    expect(check('lamb', ribs(14))).toEqual([])
    expect(check('lamb', ribs(16))).toEqual([
      'decisions.0.value: A lamb with 16 ribs was never hung: 12 to 14 occur. Count again from the first rib.',
    ])
    expect(check('broiler', ribs(7))[0]).toContain('was never hung')
    expect(check('hog', { field: 'measure', target: 'fat-depth', side: 'animal', value: 200 })[0]).toContain(
      'Fat over the 10th rib 200 mm is outside 3 to 80 mm',
    )
  })
  it('lines, ways, parts and doors there are not', () => {
    expect(check('hog', { field: 'line', target: 'belly-line', side: 'left', value: 'x' })[0]).toContain(
      'no line',
    )
    expect(check('hog', { field: 'mm', target: 'shoulder-line', side: 'left', value: 9 })[0]).toContain(
      'no long line',
    )
    expect(check('hog', { field: 'convention', target: 'wool', side: 'animal', value: true })[0]).toContain(
      'wool',
    )
    expect(check('lamb', { field: 'measure', target: 'eye-area', side: 'animal', value: 20 })[0]).toContain(
      'eye-area',
    )
    const exempt: Decision = { field: 'route', target: 'lot', side: 'animal', value: 'poultry-exempt' }
    expect(check('hog', exempt)[0]).toContain('no route for a hog')
    expect(check('broiler', exempt)).toEqual([])
    expect(check('broiler', path('bird', 'bird-halves'))[0]).toContain('side of the bird')
  })
  it('half of a saddle, and half of what two parts are cut in together', () => {
    const whole: Decision = { field: 'convention', target: 'split', side: 'animal', value: false }
    expect(check('lamb', whole, path('loin', 'loin-saddle'))[0]).toContain('both sides at once')
    expect(check('lamb', path('loin', 'loin-saddle'), path('loin', 'loin-saddle', 'right'))[0]).toContain(
      'needs the carcass left whole',
    )
    expect(check('hog', path('loin', 'loin-long-chops'))[0]).toContain('cut in one with the belly')
    expect(check('hog', ...takePath(hog, 'loin', ['left'], 'loin-long-chops'))).toEqual([])
  })
})

describe('the cut sheet', () => {
  it('has a row for every part that hangs, sides apart, in the farm’s words', () => {
    const plan = readPlan(hog, batch([path('loin', 'loin-roasts', 'right')]))
    const head = { farm: 'F', lot: 'L', count: 1, date: '2026-11-01', hanging: '', route: '' }
    const sheet = cutSheet(
      hog,
      plan,
      'commonwealth',
      head,
      (part) => part !== 'head' && part !== 'tenderloin',
    )
    const loin = sheet.rows.find((r) => r.part === 'Loin')!
    expect([loin.left, loin.right]).toEqual(['Bone-in chops, fillet left in', 'Boned joints and loin ribs'])
    expect(sheet.rows.map((r) => r.part)).not.toContain('Head')
    expect(sheet.lines[0]!.left).toContain('ribs 2 and 3')
  })
})
