import { describe, expect, it } from 'vitest'
import { SPECIES, type Species } from '#core/anatomy'
import { ANATOMIES } from '#core/species'
import { KG_PER_LB, sumOf, type Kg } from '#core/measure'
import { takePath, type Said } from '#core/plan'
import { flowOf } from '../carcass/testing.ts'
import { flowPicture, reckon, whereItGoes, type FlowLink, type Reckoning } from './index.ts'
import { FARM, lotOf } from './testing.ts'
import { dressed } from '../plan/testing.ts'

const read = (species: Species, ...said: Said[]): Reckoning =>
  reckon(flowOf(species), lotOf(species, said), FARM, 0)
const kept = (species: Species, part: string) =>
  takePath(ANATOMIES[species], part, ['animal'], `${part}-kept`)
const from = (links: FlowLink[], id: string) => links.filter((l) => l.from === id)
const mass = (links: FlowLink[], a: string, b: string) =>
  links.find((l) => l.from === a && l.to === b)?.kg ?? 0
const total = (links: readonly { kg: Kg }[]) => sumOf(links, (l) => l.kg)

describe('the picture of where the meat goes', () => {
  it('nothing without a weight', () =>
    expect(flowPicture(reckon(flowOf('hog'), { ...lotOf('hog'), weighings: [] }, FARM, 0))).toEqual([]))
  it.each(SPECIES)('%s: each link once, and every destination is what its cuts come to', (species) => {
    const r = read(species)
    const links = flowPicture(r)
    expect(new Set(links.map((l) => `${l.from} ${l.to}`)).size).toBe(links.length)
    for (const to of new Set(r.cuts.map((c) => c.cut.destination)).values())
      expect(total(links.filter((l) => l.to === `→${to}`)), to).toBeCloseTo(
        sumOf(r.cuts, (c) => (c.cut.destination === to ? c.kg : (0 as Kg))),
        6,
      )
  })
  it('a lamb: parts hang from the carcass, trim comes out of them, kept liver beside it, the rest is gone', () => {
    const r = read('lamb', ...kept('lamb', 'liver'))
    const links = flowPicture(r)
    expect(from(links, 'live').map((l) => l.to)).toEqual(['liver', 'carcass', 'gone'])
    expect(mass(links, 'live', 'carcass')).toBeCloseTo(r.balance.carcass, 9)
    expect(mass(links, 'live', 'liver')).toBeCloseTo(r.balance.kept, 9)
    expect(mass(links, 'live', 'gone')).toBeCloseTo(r.weights!.live - r.balance.carcass - r.balance.kept, 9)
    expect(total(from(links, 'carcass'))).toBeCloseTo(r.balance.carcass, 6)
    const parts = new Set(from(links, 'carcass').map((l) => l.to))
    expect(parts).toEqual(
      new Set([
        'leg',
        'loin',
        'rack',
        'breast',
        'shoulder',
        'foreshank',
        'neck',
        'kidney-fat',
        'kidneys',
        'dried-face',
      ]),
    )
    expect(mass(links, 'trim', '→G') + mass(links, 'trim', '→X')).toBeCloseTo(r.cutting.partKg('trim'), 6)
    expect(mass(links, 'liver', '→O')).toBeCloseTo(r.cuts.find((c) => c.cut.id === 'liver')!.kg, 9)
  })
  it('a cure adds to the bacon what its process says, and no more than the bacon is', () => {
    const r = read('hog')
    const links = flowPicture(r)
    expect(total(from(links, 'added'))).toBeCloseTo(r.balance.added, 6)
    expect(mass(links, 'added', '→C')).toBeGreaterThan(0)
    const cured = sumOf(r.cuts, (c) => (c.cut.destination === 'C' ? c.kg : (0 as Kg)))
    expect(mass(links, 'belly', '→C')).toBeCloseTo(cured - mass(links, 'added', '→C'), 6)
  })
  it('a chill tank that puts on more than shrink and gut took: water is added to the carcass', () => {
    const tank: Said = dressed('tank', true)
    const r = read('broiler', tank)
    expect(mass(flowPicture(r), 'live', 'gone')).toBeGreaterThan(0)
    const odd = { ...r, weights: { ...r.weights!, live: r.balance.carcass - 1 } } as Reckoning
    const links = flowPicture(odd)
    expect(mass(links, 'added', 'carcass')).toBeCloseTo(1 + r.balance.kept, 9)
    expect(mass(links, 'live', 'carcass')).toBeCloseTo(r.balance.carcass - 1 - r.balance.kept, 9)
    expect(mass(links, 'live', 'gone')).toBe(0)
  })
})

describe('where the rest of the animal went', () => {
  const lamb = read('lamb')
  const of = (r: Reckoning, id: string) => whereItGoes(r).find((l) => l.id === id)
  it('the steps in their order, each what its name says', () => {
    const { weights, balance } = lamb
    expect(whereItGoes(lamb).map((l) => l.id)).toEqual([
      'shrink',
      'dressing',
      'cooler',
      'age-trim',
      'bone',
      'fat',
      'discard',
      'saw',
    ])
    expect(of(lamb, 'shrink')!.kg).toBeCloseTo(weights!.live - weights!.shrunk, 9)
    expect(of(lamb, 'dressing')!.kg).toBeCloseTo(weights!.shrunk - weights!.hot, 9)
    expect(of(lamb, 'cooler')!.kg).toBeCloseTo(weights!.hot - weights!.aged, 9)
    expect(of(lamb, 'saw')!.kg).toBeCloseTo(balance.losses, 9)
    const by = (to: string) =>
      sumOf(lamb.cuts, (c) => (c.cut.kind === 'by-product' && c.cut.destination === to ? c.kg : (0 as Kg)))
    expect(of(lamb, 'bone')!.kg).toBeCloseTo(by('N'), 9)
    expect(of(lamb, 'fat')!.kg).toBeCloseTo(by('F'), 9)
    expect(of(lamb, 'discard')!.kg).toBeCloseTo(by('O') + by('X') - lamb.cutting.ageTrim, 9)
  })
  it('each step leaves what the one before left less its own', () => {
    let left = lamb.weights!.live as number
    for (const l of whereItGoes(lamb)) {
      left -= l.kg
      expect(l.left, l.id).toBeCloseTo(left, 9)
    }
  })
  it('offal that is kept is not lost: the dressing loss falls by it, and what is taken home holds it', () => {
    const with_ = read('lamb', ...kept('lamb', 'liver'))
    expect(of(lamb, 'dressing')!.kg - of(with_, 'dressing')!.kg).toBeCloseTo(with_.balance.kept, 9)
    expect(with_.balance.kept).toBeGreaterThan(0.5)
    const home = (r: Reckoning) => whereItGoes(r).at(-1)!.left
    const liver = with_.cuts.find((c) => c.cut.id === 'liver')!.kg
    expect(home(with_) - home(lamb)).toBeCloseTo(liver, 9)
  })
  it('what is dressed off is named by its usual shares, and what was in the gut is the rest', () => {
    const { of: parts, kg: off } = of(lamb, 'dressing')!
    expect(total(parts)).toBeCloseTo(off, 9)
    const { live } = ANATOMIES.lamb
    const fill = live.find((l) => l.id === 'fill')!
    expect(parts.at(-1)!.names).toEqual(fill.names)
    for (const l of live.filter((x) => x.id !== 'fill'))
      expect(parts.find((p) => p.names === l.names)!.kg, l.id).toBeCloseTo(l.share * lamb.weights!.shrunk, 9)
    for (const l of whereItGoes(lamb)) if (l.id !== 'dressing') expect(l.of).toEqual([])
    const liver = live.find((l) => l.part === 'liver')!
    const keptLiver = of(read('lamb', ...kept('lamb', 'liver')), 'dressing')!
    expect(keptLiver.of.some((p) => p.names === liver.names)).toBe(false)
  })
  it('where less was dressed off than the usual shares come to, all are scaled to it and the gut was empty', () => {
    const heavy = lotOf('lamb', [], 'live', 100)
    const hot = { ...lotOf('lamb', [], 'hot', 66).weighings[0]!, id: 'h' }
    const r = reckon(flowOf('lamb'), { ...heavy, weighings: [...heavy.weighings, hot] }, FARM, 0)
    const dressing = of(r, 'dressing')!
    expect(dressing.kg).toBeLessThan(0.35 * 100 * KG_PER_LB)
    expect(total(dressing.of)).toBeCloseTo(dressing.kg, 6)
    const names = ANATOMIES.lamb.live.find((l) => l.id === 'fill')!.names
    expect(dressing.of.some((p) => p.names === names)).toBe(false)
  })
})
