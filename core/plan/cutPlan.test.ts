import { describe, expect, it } from 'vitest'
import { SPECIES, type Species } from '#core/anatomy'
import { ANATOMIES } from '#core/species'
import { mm } from '#core/measure'
import type { CutPlan } from '#core/records'
import {
  adoptPlan,
  checkDecisions,
  cutPlanOf,
  housePlans,
  readCutPlan,
  readPlan,
  tried,
  NO_LOG,
  type Log,
} from './index.ts'
import { dressed, lineAt, longAt, onLot, ticked, way } from './testing.ts'

const adopt = (species: Species, plan: CutPlan, before: Log = NO_LOG) => {
  const a = ANATOMIES[species]
  const { decisions, leftOut } = adoptPlan(a, readPlan(a, before), plan)
  return { decisions, leftOut, after: readPlan(a, tried(before, decisions)) }
}

describe('house plans', () => {
  const plans = SPECIES.flatMap((s) => housePlans(ANATOMIES[s]).map((p) => [s, p.name, p] as const))
  it.each(plans)('%s, “%s” can be had whole from an animal dressed as usual', (species, _, plan) => {
    const { decisions, leftOut, after } = adopt(species, plan)
    expect(leftOut).toEqual([])
    expect(checkDecisions(ANATOMIES[species], NO_LOG, decisions, false)).toEqual([])
    for (const p of plan.paths) expect(after.choices.paths.get(p.part, p.side)).toBe(p.path)
    expect(after.choices.trim).toBe(plan.trim)
  })
  it('lets each species choose among at least six', () => {
    for (const s of SPECIES) expect(housePlans(ANATOMIES[s]).length, s).toBeGreaterThanOrEqual(6)
  })
})

describe('a plan kept under a name', () => {
  const { hog } = ANATOMIES
  const before = tried(NO_LOG, [
    way('loin', 'loin-roasts'),
    lineAt('shoulder-line', '5|6', 'right'),
    longAt('belly-line', 40),
    onLot('trim', 'close'),
    { field: 'portion', target: 'bacon', side: 'animal', value: { kind: 'pack', kg: 0.3, lb: 0.66 } },
  ])
  const kept = cutPlanOf(hog, readPlan(hog, before), 'Autumn hogs')
  it('goes out as JSON and comes back the same, and is the same plan on another animal', () => {
    const read = readCutPlan(JSON.stringify(kept))
    expect(read).toEqual({ ok: true, value: kept })
    const { after, leftOut } = adopt('hog', kept)
    expect(leftOut).toEqual([])
    expect(cutPlanOf(hog, after, 'Autumn hogs')).toEqual(kept)
  })
  it('changes nothing where it is in force already, and puts back what it leaves open', () => {
    expect(adopt('hog', kept, before).decisions).toEqual([])
    const plain: CutPlan = { ...kept, paths: [], lines: [], mm: [], portions: [], trim: 'standard' }
    const { after } = adopt('hog', plain, before)
    expect([after.choices.paths.size, after.choices.lines.size, after.choices.mm.size]).toEqual([0, 0, 0])
    expect(after.portions.size).toBe(0)
  })
  it('says what cannot be kept: another species, retired ways, doors the slaughter closed', () => {
    expect(adopt('lamb', kept)).toMatchObject({ decisions: [], leftOut: [{ what: 'Autumn hogs' }] })
    const old: CutPlan = {
      ...kept,
      paths: [...kept.paths, { part: 'loin', side: 'right', path: 'loin-of-old' }],
    }
    const { leftOut, after } = adopt('hog', old)
    expect(leftOut).toEqual([{ what: 'loin: loin-of-old', why: 'this animal’s figures do not know it' }])
    expect(after.choices.paths.get('loin', 'left')).toBe('loin-roasts')
    const rind: CutPlan = { ...kept, paths: [{ part: 'belly', side: 'left', path: 'belly-slab' }] }
    const skinned = tried(NO_LOG, [dressed('skin', false)])
    expect(adopt('hog', rind, skinned).leftOut[0]!.why).toContain('needs the carcass scalded')
  })
  it('leaves what is ticked off as it was cut, and says so; the rest is taken', () => {
    const cut = tried(NO_LOG, [way('leg', 'leg-grind'), ticked('leg'), ticked('break', 'animal')])
    const wanted = housePlans(hog).find((p) => p.name === 'Roasts for winter')!
    const { decisions, leftOut, after } = adopt('hog', { ...wanted, lines: kept.lines }, cut)
    expect(checkDecisions(hog, cut, decisions, false)).toEqual([])
    expect(after.choices.paths.get('leg', 'left')).toBe('leg-grind')
    expect(after.choices.paths.get('leg', 'right')).toBe('leg-smoked')
    expect(after.choices.lines.size).toBe(0)
    expect(leftOut.map((l) => l.what)).toEqual(['leg (ham)', 'line'])
  })
  it('names each thing that is left out once, with its own reason', () => {
    const strange: CutPlan = {
      ...kept,
      paths: [
        { part: 'loin', side: 'left', path: 'belly-slab' },
        { part: 'loin', side: 'animal', path: 'loin-roasts' },
        { part: 'wing', side: 'left', path: 'loin-roasts' },
        { part: 'leg', side: 'left', path: 'leg-grind' },
      ],
      lines: [
        { line: 'belly-line', side: 'left', setting: 'x' },
        { line: 'shoulder-line', side: 'left', setting: '9|9' },
        { line: 'shoulder-line', side: 'right', setting: '4|5' },
      ],
      mm: [
        { line: 'belly-line', side: 'left', mm: mm(61) },
        { line: 'belly-line', side: 'right', mm: mm(60) },
        { line: 'shoulder-line', side: 'left', mm: mm(20) },
      ],
      portions: [
        { cut: 'tbone', portion: { kind: 'snapped', perPack: 2 } },
        { cut: 'bacon', portion: { kind: 'pack', kg: 0.3, lb: 0.66 } },
      ],
    }
    const { leftOut, after } = adopt('hog', strange)
    expect(new Set(leftOut.map((l) => l.why))).toEqual(new Set(['this animal’s figures do not know it']))
    expect(leftOut.map((l) => l.what)).toEqual([
      'loin: belly-slab',
      'loin: loin-roasts',
      'wing: loin-roasts',
      'belly-line: x',
      'shoulder-line: 9|9',
      'belly-line: 61 mm',
      'shoulder-line: 20 mm',
      'tbone',
    ])
    expect([...after.choices.paths]).toEqual([{ id: 'leg', side: 'left', value: 'leg-grind' }])
    expect([...after.choices.lines]).toEqual([{ id: 'shoulder-line', side: 'right', value: '4|5' }])
    expect([...after.choices.mm]).toEqual([{ id: 'belly-line', side: 'right', value: 60 }])
    expect([...after.portions.keys()]).toEqual(['bacon'])
  })
  it('ways that fall with another are named with the reason of their own side', () => {
    const half: CutPlan = {
      ...kept,
      lines: [],
      mm: [],
      portions: [],
      paths: [
        { part: 'loin', side: 'left', path: 'loin-long-chops' },
        { part: 'belly', side: 'left', path: 'belly-long-chops' },
        { part: 'loin', side: 'right', path: 'loin-long-chops' },
        { part: 'leg', side: 'right', path: 'leg-grind' },
      ],
    }
    const { leftOut, after } = adopt('hog', half)
    expect(leftOut).toEqual([
      {
        what: 'Loin and belly in one: long chops',
        why: 'This is cut in one with the belly, which is planned otherwise.',
      },
    ])
    expect(after.choices.paths.get('loin', 'left')).toBe('loin-long-chops')
    expect(after.choices.paths.get('loin', 'right')).toBeUndefined()
    const ribs: CutPlan = { ...half, paths: [{ part: 'spare-ribs', side: 'left', path: 'ribs-on-belly' }] }
    expect(adopt('hog', ribs).leftOut[0]!.why).toContain('Ribs stay on only under a fresh belly slab')
    expect(adopt('hog', ribs).after.choices.paths.size).toBe(0)
  })
  it('a plan for another animal says for which', () =>
    expect(adopt('lamb', kept).leftOut).toEqual([
      { what: 'Autumn hogs', why: 'it is for a hog, this is a lamb' },
    ]))
  it('once broken, lines are left out only where the plan has them elsewhere', () => {
    const broken = tried(before, [ticked('break', 'animal')])
    expect(adopt('hog', kept, broken)).toMatchObject({ decisions: [], leftOut: [] })
    const said = 'The line is ticked off as cut. Untick it on the block card first, if it is not.'
    const left = (more: Partial<CutPlan>) => adopt('hog', { ...kept, ...more }, broken).leftOut
    expect(left({ lines: [] })).toEqual([{ what: 'line', why: said }])
    expect(left({ lines: [{ line: 'shoulder-line', side: 'right', setting: '4|5' }] })).toEqual([
      { what: 'line', why: said },
    ])
    expect(left({ mm: [{ line: 'belly-line', side: 'left', mm: mm(41) }] })).toEqual([
      { what: 'line', why: said },
    ])
    expect(left({ mm: [{ line: 'belly-line', side: 'right', mm: mm(40) }] })).toHaveLength(1)
  })
  it('a ticked part with no way of its own goes back to none; where it agrees nothing is said', () => {
    const cut = tried(NO_LOG, [ticked('loin')])
    const { decisions, leftOut } = adopt(
      'hog',
      { ...kept, lines: [], mm: [], portions: [], trim: 'standard' },
      cut,
    )
    expect(decisions).toEqual([])
    expect(leftOut).toEqual([
      {
        what: 'loin',
        why: 'The loin is ticked off as cut. Untick it on the block card first, if it is not.',
      },
    ])
  })
  it.each([
    ['cut off', JSON.stringify(kept).slice(0, 40), 'cut off'],
    ['something else', '{"a":1}', 'it is not a plan'],
    ['nothing at all', 'null', 'it is not a plan'],
    ['of another version', JSON.stringify({ ...kept, version: 7 }), 'version 7'],
    ['of no known species', JSON.stringify({ ...kept, species: 'yak' }), 'species'],
  ])('a file that is %s is refused with the reason', (_, text, reason) => {
    const out = readCutPlan(text)
    expect(out.ok ? '' : JSON.stringify(out.issues[0]!.figures)).toContain(reason)
  })
})
