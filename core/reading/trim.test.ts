import { describe, expect, it } from 'vitest'
import { ANATOMIES, SPECIES, type Species } from '#core/anatomy'
import { takePath, type Said } from '#core/plan'
import { flowOf } from '../carcass/testing.ts'
import { flowPicture, reckon, trimLedger, type Reckoning } from './index.ts'
import { FARM, lotOf } from './testing.ts'

const read = (species: Species, said: Said[] = []): Reckoning =>
  reckon(flowOf(species), lotOf(species, said), FARM, 200)
const both = (species: Species, part: string, path: string) =>
  takePath(ANATOMIES[species], part, ['left', 'right'], path)

describe('the trim', () => {
  it.each(SPECIES)('%s: what parts give is what the trim becomes, its loss apart', (species) => {
    const r = read(
      species,
      species === 'broiler' ? [{ field: 'path', target: 'bird', side: 'animal', value: 'bird-parts' }] : [],
    )
    const t = trimLedger(r)!
    const used = t.uses.reduce((s, u) => s + u.in, 0)
    expect(used / t.kg).toBeCloseTo(0.98, 6)
    expect(t.classes.reduce((s, c) => s + c.kg, 0)).toBeCloseTo(t.kg, 9)
    expect(r.cutting.partKg(r.flow.anatomy.roles.trim)).toBeCloseTo(t.kg, 9)
  })
  it('fat missing from sausage trim brings it to 28 %, worked back', () => {
    const r = read('hog', [
      { field: 'path', target: 'trim', side: 'animal', value: 'trim-sausage' },
      ...both('hog', 'jowl', 'jowl-cured'),
      ...both('hog', 'leg', 'leg-grind'),
    ])
    const s = trimLedger(r)!.sausage!
    expect((s.kg * s.fat + s.missing) / (s.kg + s.missing)).toBeCloseTo(0.28, 9)
  })
  it('without sausage there is no recipe to meet', () => expect(trimLedger(read('hog'))!.sausage).toBeNull())
})

describe('the flow picture', () => {
  it.each(SPECIES)('%s: what enters any part leaves it, and the live weight is all there', (species) => {
    const r = read(
      species,
      species === 'steer' ? [{ field: 'path', target: 'liver', side: 'animal', value: 'liver-kept' }] : [],
    )
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
