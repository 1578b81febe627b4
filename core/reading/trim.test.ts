import { describe, expect, it } from 'vitest'
import { SPECIES, type Species } from '#core/anatomy'
import { ANATOMIES } from '#core/species'
import { takePath, type Said } from '#core/plan'
import { chemicalLean } from '#core/carcass'
import { flowOf } from '../carcass/testing.ts'
import { flowPicture, LEAN_CLASSES, leanOptions, reckon, trimLedger, type Reckoning } from './index.ts'
import { FARM, lotOf, opening } from './testing.ts'
import { onLot, way } from '../plan/testing.ts'

const read = (species: Species, said: Said[] = []): Reckoning =>
  reckon(flowOf(species), lotOf(species, said), FARM, 200)
const both = (species: Species, part: string, path: string) =>
  takePath(ANATOMIES[species], part, ['left', 'right'], path)

describe('the trim', () => {
  it.each(SPECIES)('%s: what parts give is what the trim becomes, its loss apart', (species) => {
    const r = read(species, opening(species))
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
    const half: Said = way('trim', 'trim-half', 'animal')
    const lean = trimLedger(
      read('hog', [
        half,
        ...both('hog', 'leg', 'leg-grind'),
        ...both('hog', 'jowl', 'jowl-cured'),
        ...both('hog', 'belly', 'belly-slab'),
      ]),
    )!
    const fat = trimLedger(read('hog', [half]))!
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

describe('fat put to the trim, or pulled off it', () => {
  const bin = (r: Reckoning) => r.cutting.partKg(r.flow.anatomy.roles.fat)
  const lean = (species: Species, to: number | null, more: Said[] = []) =>
    read(species, [...more, onLot('lean', to)])
  it.each([
    ['hog', 0.82],
    ['steer', 0.85],
    ['lamb', 0.85],
  ] as const)(
    '%s: fatter gains what the fat bin loses, leaner (%d) costs kilograms; no gram is made or lost',
    (species, to) => {
      const [falls, fatter, leaner] = [null, 0.65, to].map((reads) => lean(species, reads))
      for (const r of [fatter!, leaner!]) {
        const { carcass, kept, added, products, byProducts, losses } = r.balance
        expect(products + byProducts + losses).toBeCloseTo(carcass + kept + added, 9)
        const t = trimLedger(r)!
        expect(t.lean).toBeCloseTo(trimLedger(falls!)!.lean, 9)
        expect(t.blended).toBeCloseTo(bin(falls!) - bin(r), 9)
      }
      expect(trimLedger(fatter!)!.reads).toBeCloseTo(0.65, 9)
      expect(trimLedger(leaner!)!.reads).toBeCloseTo(to, 9)
      expect(fatter!.balance.products).toBeGreaterThan(falls!.balance.products)
      expect(leaner!.balance.products).toBeLessThan(falls!.balance.products)
    },
  )
  it('leaner than a knife can make it, it is as lean as the knife makes it', () => {
    const most = trimLedger(lean('lamb', 0.92))!
    expect(most.reads).toBeLessThan(0.92)
    expect(most.reads).toBeGreaterThan(most.lean)
  })
  it('80/20 from 90/10 by Pearson’s square: a fifth of fat is put to it (worked by hand)', () => {
    const t = trimLedger(lean('steer', 0.7))!
    // Parts of trim : fat = (0.70 − 0.18) : (lean of the trim − 0.70).
    expect(t.blended / t.kg).toBeCloseTo((t.lean - 0.7) / (0.7 - 0.18), 2)
  })
  it('sausage has its fat from the bin, so that none is short while fat lies beside it', () => {
    const before = read('hog', [...both('hog', 'jowl', 'jowl-cured')])
    const sausage = read('hog', [...both('hog', 'jowl', 'jowl-cured'), way('trim', 'trim-sausage', 'animal')])
    const t = trimLedger(sausage)!
    expect(t.sausage!.fat).toBeGreaterThanOrEqual(0.28 - 1e-9)
    expect(Math.max(0, t.sausage!.missing)).toBeCloseTo(0, 9)
    expect(bin(before) - bin(sausage)).toBeCloseTo(t.blended, 9)
  })
  it('each lean asked for is worth what the plan with it is', () => {
    const r = read('steer')
    for (const o of leanOptions(r)) {
      const then = o.lean === null ? r : lean('steer', o.lean)
      expect(o.difference.takeHome).toBeCloseTo(then.balance.products - r.balance.products, 9)
      expect(o.reads).toBeCloseTo(trimLedger(then)!.reads, 9)
    }
    expect(leanOptions(lean('steer', 0.8)).find((o) => o.inForce)!.lean).toBe(0.8)
  })
  it('the flow picture shows it, and still closes', () => {
    for (const to of [0.65, 0.85]) {
      const r = lean('hog', to)
      const links = flowPicture(r)
      const sum = (key: 'from' | 'to', id: string) =>
        links.filter((l) => l[key] === id).reduce((s, l) => s + l.kg, 0)
      for (const id of ['trim', r.flow.anatomy.roles.fat])
        expect(sum('to', id), id).toBeCloseTo(sum('from', id), 6)
    }
  })
  it('in every species fat is opened after the trim, so that it can be put to it', () => {
    for (const species of SPECIES) {
      const { slots } = read(species).cutting
      const { trim, fat } = ANATOMIES[species].roles
      const at = (part: string) => slots.findIndex((s) => s.part === part)
      if (at(fat) >= 0) expect(at(fat), species).toBeGreaterThan(at(trim))
    }
  })
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
