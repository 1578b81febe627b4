import { describe, expect, it } from 'vitest'
import { ANATOMIES, SPECIES, type Species } from '#core/anatomy'
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
    { field: 'path', target: 'loin', side: 'left', value: 'loin-roasts' },
    { field: 'line', target: 'shoulder-line', side: 'right', value: '5|6' },
    { field: 'mm', target: 'belly-line', side: 'left', value: mm(40) },
    { field: 'trim', target: 'lot', side: 'animal', value: 'close' },
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
    const skinned = tried(NO_LOG, [{ kind: 'observation', what: 'dressing', of: 'skin', value: false }])
    expect(adopt('hog', rind, skinned).leftOut[0]!.why).toContain('needs the carcass scalded')
  })
  it('leaves what is ticked off as it was cut, and says so; the rest is taken', () => {
    const ticked = tried(NO_LOG, [
      { field: 'path', target: 'leg', side: 'left', value: 'leg-grind' },
      { kind: 'tick', what: 'step', of: 'leg', side: 'left' },
      { kind: 'tick', what: 'step', of: 'break', side: 'animal' },
    ])
    const wanted = housePlans(hog).find((p) => p.name === 'Roasts for winter')!
    const { decisions, leftOut, after } = adopt('hog', { ...wanted, lines: kept.lines }, ticked)
    expect(checkDecisions(hog, ticked, decisions, false)).toEqual([])
    expect(after.choices.paths.get('leg', 'left')).toBe('leg-grind')
    expect(after.choices.paths.get('leg', 'right')).toBe('leg-smoked')
    expect(after.choices.lines.size).toBe(0)
    expect(leftOut.map((l) => l.what)).toEqual(['leg (ham)', 'line'])
  })
  it.each([
    ['cut off', JSON.stringify(kept).slice(0, 40), 'cut off'],
    ['something else', '{"a":1}', 'it is not a plan'],
    ['of another version', JSON.stringify({ ...kept, version: 7 }), 'version 7'],
    ['of no known species', JSON.stringify({ ...kept, species: 'yak' }), 'species'],
  ])('a file that is %s is refused with the reason', (_, text, reason) => {
    const out = readCutPlan(text)
    expect(out.ok ? '' : JSON.stringify(out.issues[0]!.figures)).toContain(reason)
  })
})
