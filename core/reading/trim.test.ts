import { describe, expect, it } from 'vitest'
import { ANATOMIES, SPECIES, type Species } from '#core/anatomy'
import { takePath, type Said } from '#core/plan'
import { flowOf } from '../carcass/testing.ts'
import { chemicalLean, flowPicture, LEAN_CLASSES, reckon, trimLedger, type Reckoning } from './index.ts'
import { FARM, lotOf } from './testing.ts'
import { way } from '../plan/testing.ts'

const read = (species: Species, said: Said[] = []): Reckoning =>
  reckon(flowOf(species), lotOf(species, said), FARM, 200)
const both = (species: Species, part: string, path: string) =>
  takePath(ANATOMIES[species], part, ['left', 'right'], path)

describe('the trim', () => {
  it.each(SPECIES)('%s: what parts give is what the trim becomes, its loss apart', (species) => {
    const r = read(species, species === 'broiler' ? [way('bird', 'bird-parts', 'animal')] : [])
    const t = trimLedger(r)!
    const used = t.uses.reduce((s, u) => s + u.in, 0)
    expect(used / t.kg).toBeCloseTo(0.98, 6)
    expect(t.classes.reduce((s, c) => s + c.kg, 0)).toBeCloseTo(t.kg, 9)
    expect(r.cutting.partKg(r.flow.anatomy.roles.trim)).toBeCloseTo(t.kg, 9)
  })
  it('fat missing from sausage trim brings it to 28 %, worked back', () => {
    const r = read('hog', [
      way('trim', 'trim-sausage', 'animal'),
      ...both('hog', 'jowl', 'jowl-cured'),
      ...both('hog', 'leg', 'leg-grind'),
    ])
    const s = trimLedger(r)!.sausage!
    expect((s.kg * s.fat + s.missing * 0.82) / (s.kg + s.missing)).toBeCloseTo(0.28, 9)
  })
  it('without sausage there is no recipe to meet', () => expect(trimLedger(read('hog'))!.sausage).toBeNull())
})

describe('mince of a standard trim, % chemical lean (common practice, from memory), within 3 points', () => {
  it.each([
    ['steer', 80, []],
    ['hog', 72, both('hog', 'jowl', 'jowl-cured')],
    ['lamb', 78, []],
  ] as const)('%s: %d', (species, lean, said) => {
    const found = trimLedger(read(species, [...said]))!.lean * 100
    expect(Math.abs(found - lean)).toBeLessThanOrEqual(3)
  })
  it('reads 94 of pure lean, 86 of 90/10, 79 of 80/20, 56 of 50/50', () => {
    const read = [1, 0.9, 0.8, 0.5].map((lean) => Math.round(chemicalLean(lean, 1 - lean) * 100))
    expect(read).toEqual([94, 86, 79, 56])
  })
})

describe('the trim by lean', () => {
  const r = read('hog', [])
  const t = trimLedger(r)!
  it('each source is the chemical lean of what it gives, seam fat and all, the heaviest first', () => {
    expect(t.sources.map((s) => s.kg)).toEqual(t.sources.map((s) => s.kg).toSorted((a, b) => b - a))
    for (const s of t.sources) {
      const rows = r.cutting.slots
        .filter((x) => x.part === s.part)
        .flatMap((x) => x.rows.filter((row) => row.part === r.flow.anatomy.roles.trim))
      const sum = (of: (x: (typeof rows)[number]) => number) => rows.reduce((n, x) => n + of(x), 0)
      const [lean, fat] = [sum((x) => x.tissue.lean), sum((x) => x.tissue.fat + x.tissue.seam)]
      expect(s.lean, s.part).toBeCloseTo((0.94 * lean + 0.18 * fat) / (lean + fat), 9)
      expect(s.kg, s.part).toBeCloseTo(
        sum((x) => x.green),
        9,
      )
      expect(s.names).toBe(r.flow.anatomy.parts.find((p) => p.id === s.part)!.names)
    }
    expect(t.lean).toBeCloseTo(t.sources.reduce((n, s) => n + s.kg * s.lean, 0) / t.kg, 9)
  })
  it('90/10 from 85 % lean, 80/20 from 75, 70/30 from 60, the rest 50/50 (common practice)', () => {
    expect(LEAN_CLASSES.map((c) => [c.name, c.from])).toEqual([
      ['90/10', 0.85],
      ['80/20', 0.75],
      ['70/30', 0.6],
      ['50/50', 0],
    ])
    for (const s of [...t.sources, ...trimLedger(read('steer'))!.sources]) {
      const from = LEAN_CLASSES.find((c) => c.name === s.class)!.from
      const next = LEAN_CLASSES[LEAN_CLASSES.findIndex((c) => c.name === s.class) - 1]?.from ?? 1.01
      expect(s.lean, s.part).toBeGreaterThanOrEqual(from)
      expect(s.lean, s.part).toBeLessThan(next)
    }
    const classes = new Set([...t.sources, ...trimLedger(read('steer'))!.sources].map((s) => s.class))
    expect(classes.size).toBe(4)
  })
  it('what it becomes is named, but for what is lost on the way', () => {
    expect(t.uses.map((u) => u.cut)).toEqual(['ground-pork'])
    const [use] = t.uses
    expect(use!.out).toBeCloseTo(r.cuts.find((c) => c.cut.id === 'ground-pork')!.kg, 9)
    expect(use!.added).toBe(0)
    expect(use!.names).toBe(r.flow.anatomy.cuts.find((c) => c.id === 'ground-pork')!.names)
  })
  it('sausage under a fifth of fat is dry; it wants 28 %', () => {
    const sausage: Said = way('trim', 'trim-sausage', 'animal')
    const lean = trimLedger(
      read('hog', [
        sausage,
        ...both('hog', 'leg', 'leg-grind'),
        ...both('hog', 'jowl', 'jowl-cured'),
        ...both('hog', 'belly', 'belly-slab'),
      ]),
    )!
    const fat = trimLedger(read('hog', [sausage]))!
    for (const x of [lean, fat]) {
      expect(x.sausage!.fat).toBeCloseTo(1 - x.lean, 9)
      expect(x.sausage!.kg).toBe(x.uses.find((u) => u.cut === 'sausage')!.in)
      expect(x.sausage!.dry).toBe(x.sausage!.fat < 0.2)
      expect(x.sausage!.missing > 0).toBe(x.sausage!.fat < 0.28)
    }
    expect([lean.sausage!.dry, fat.sausage!.dry]).toEqual([true, false])
  })
  it('a bird roasted whole gives none', () =>
    expect(trimLedger(read('broiler'))).toMatchObject({ sources: [], classes: [], kg: 0, lean: 0, uses: [] }))
})

describe('the flow picture', () => {
  it.each(SPECIES)('%s: what enters any part leaves it, and the live weight is all there', (species) => {
    const r = read(species, species === 'steer' ? [way('liver', 'liver-kept', 'animal')] : [])
    const links = flowPicture(r)
    const sum = (key: 'from' | 'to', id: string) =>
      links.filter((l) => l[key] === id).reduce((s, l) => s + l.kg, 0)
    for (const id of new Set(links.map((l) => l.from))) {
      if (id === 'live' || id === 'added') continue
      expect(sum('to', id), id).toBeCloseTo(sum('from', id), 6)
    }
    expect(sum('from', 'live')).toBeCloseTo(r.weights!.live, 6)
    const shown = r.cuts.filter((c) => c.cut.destination === 'T').reduce((s, c) => s + c.kg, 0)
    expect(sum('to', '→T')).toBeCloseTo(shown, 6)
  })
})
