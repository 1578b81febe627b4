import { describe, expect, it } from 'vitest'
import { hog } from '#core/anatomy'
import { compile, evaluate, newYield, pour, setFlow } from '#core/carcass'
import {
  conflicts,
  cutSheet,
  nextRedo,
  nextUndo,
  portionsOf,
  readPlan,
  refusalOf,
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

describe('the same bones cannot be sold twice', () => {
  const refusal = (log: Command[], part: string, p: string) =>
    refusalOf(hog, readPlan(hog, log), part, 'left', p)
  it('ribs stay on only under a fresh slab, and the slab cannot become bacon while they do', () => {
    expect(refusal([], 'spare-ribs', 'ribs-on-belly')?.figures?.path).toBe('belly-bacon')
    const slab = batch([path('belly', 'belly-slab')])
    expect(refusal(slab, 'spare-ribs', 'ribs-on-belly')).toBeNull()
    const on = [...slab, ...batch([path('spare-ribs', 'ribs-on-belly')])]
    expect(refusal(on, 'belly', 'belly-bacon')?.code).toBe('shut-out')
    expect(refusalOf(hog, readPlan(hog, on), 'belly', 'right', 'belly-bacon')).toBeNull()
  })
  it('a skinned hog has no rind and no feet; a choice made before is dropped with its reason', () => {
    const log = [
      ...batch([path('belly', 'belly-slab')]),
      ...batch([{ field: 'skin', target: 'lot', side: 'animal', value: false }]),
    ]
    expect(refusal(log, 'belly', 'belly-slab')?.code).toBe('needs-skin')
    expect(refusal(log, 'fore-foot', 'fore-foot-kept')?.code).toBe('needs-feet')
    expect(readPlan(hog, log).dropped.map((d) => d.path)).toEqual(['belly-slab'])
  })
  it('an unknown path is refused', () => expect(refusal([], 'loin', 'leg-grind')?.code).toBe('unknown-id'))
})

describe('whole pieces', () => {
  const flow = compile(hog)
  const chops = (line: string, carcass = hog.referenceKg, count = 1) => {
    const setting = setFlow(flow, {
      paths: new Map(),
      lines: new Map(['left', 'right'].map((s) => [`shoulder-line:${s}`, line])),
    })
    const y = evaluate(
      flow,
      setting,
      pour(flow, setting, { skin: true, head: false }, carcass * count),
      newYield(flow),
    )
    const i = hog.cuts.findIndex((c) => c.id === 'bone-in-chop')
    const p = portionsOf(flow, setting, y, carcass * count, count, 'lb')
    return { pieces: p.pieces[i]!, packs: p.packs[i]! }
  }
  it('sawn chops = floor(length / (thickness + kerf)) a side', () => {
    const ribs = hog.axis.filter((s) => s.rib && s.rib > 2).reduce((sum, s) => sum + s.mm, 0)
    expect(chops('2|3').pieces).toBe(2 * Math.floor((ribs + 6 * 36 + 63) / (25 + 1.2)))
    expect(chops('5|6').pieces).toBeLessThan(chops('2|3').pieces)
  })
  it('length follows carcass^(1/3): twice the carcass gives about a quarter more chops, not twice', () => {
    expect(chops('2|3', hog.referenceKg * 2).pieces / chops('2|3').pieces).toBeCloseTo(Math.cbrt(2), 1)
  })
  it('three hogs give three times one hog, two chops a pack', () => {
    expect(chops('2|3', hog.referenceKg, 3)).toEqual({
      pieces: 3 * chops('2|3').pieces,
      packs: (3 * chops('2|3').pieces) / 2,
    })
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
