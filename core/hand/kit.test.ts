import { describe, expect, it } from 'vitest'
import { SPECIES } from '#core/anatomy'
import { kg, KG_PER_LB, sumOf } from '#core/measure'
import { down, onCut, way } from '../plan/testing.ts'
import { flowOf } from '../carcass/testing.ts'
import type { Said } from '#core/plan'
import type { Species } from '#core/records'
import { reckon, type PackRow } from '#core/reading'
import { FARM, lotOf, packOf } from '../reading/testing.ts'
import { iceFor, kitOf, TUB } from './index.ts'

const read = (species: Species, said: Said[] = []) =>
  reckon(flowOf(species), lotOf(species, said, 'hot'), FARM, 0)
const kit = (species: Species, said: Said[] = []) => kitOf(read(species, said))
const tools = (species: Species, said: Said[] = []) => kit(species, said).tools.map((t) => t.id)
const both = (part: string, path: string): Said[] => [way(part, path), way(part, path, 'right')]

describe('tools', () => {
  it('T-bones need a saw, a boneless plan of the same loin none for it (common practice)', () => {
    const sawn = (said: Said[]) =>
      kit('steer', said)
        .tools.find((t) => t.id === 'saw')
        ?.parts.map((p) => p.american)
    expect(sawn(both('short-loin', 'loin-tbone'))).toContain('Short loin')
    expect(sawn(both('short-loin', 'loin-strip')) ?? []).not.toContain('Short loin')
  })
  it('a bird is cut with the knife alone, and a tool that is down says so', () => {
    expect(tools('broiler', [way('bird', 'bird-parts', 'animal')])).not.toContain('saw')
    const saw = kit('hog', [down('saw')]).tools.find((t) => t.id === 'saw')
    expect(saw?.down ?? true).toBe(true)
    expect(kit('hog').tools.find((t) => t.id === 'knife')!.down).toBe(false)
  })
})

describe('tubs', () => {
  it.each(SPECIES)('of a %s hold all that is cut, and nothing of it twice', (species) => {
    const r = read(species)
    const { tubs } = kitOf(r)
    const cut = sumOf(r.cuts, (c) =>
      c.cut.kind !== 'loss' || c.cut.id === 'inedible' ? c.remainingKg : kg(0),
    )
    // A destination with less than a handful has no tub of its own.
    expect(Math.abs(sumOf(tubs, (t) => t.kg) - cut)).toBeLessThan(0.05 * 9)
    for (const t of tubs) expect(t.tubs * TUB).toBeGreaterThanOrEqual(t.most)
    expect(new Set(tubs.map((t) => t.to)).size).toBe(tubs.length)
  })
  it('hold nothing of what is weighed already', () => {
    const tubOf = (packs: PackRow[]) => {
      const lot = { ...lotOf('hog', [], 'hot'), packs }
      return kitOf(reckon(flowOf('hog'), lot, FARM, 0)).tubs.find((t) => t.to === 'G')
    }
    const [all, less] = [tubOf([]), tubOf([packOf('ground-pork', 6)])]
    expect(all!.kg - less!.kg).toBeCloseTo(6 * KG_PER_LB, 2)
    expect(all!.most - less!.most).toBeCloseTo(6 * KG_PER_LB, 2)
  })
})

describe('what goes in', () => {
  it('is all that the balance counts as added, by name: cures, seasoning and what finishes put on', () => {
    const marinated: Said = {
      ...{ field: 'finish', target: 'bone-in-chop', side: 'animal' },
      value: [
        {
          ...{ finish: 'marinated', minutes: 1, change: 0.1, allergens: [] },
          ...{ goods: { milli: 0 as never, per: 'kg' }, extra: { milli: 0 as never, per: 'kg' } },
        },
      ],
    }
    const said = [...both('belly', 'belly-bacon'), way('trim', 'trim-sausage', 'animal'), marinated]
    const r = read('hog', said)
    const { goes } = kitOf(r)
    expect(sumOf(goes, (g) => g.kg)).toBeCloseTo(r.balance.added, 6)
    expect(goes.map((g) => g.name)).toEqual(
      expect.arrayContaining(['cure', 'seasoning', 'water', 'marinade']),
    )
    const chops = r.cuts.find((c) => c.cut.id === 'bone-in-chop')!.kg
    expect(goes.find((g) => g.name === 'marinade')!.kg).toBeCloseTo((chops / 1.1) * 0.1, 6)
  })
})

describe('bags, labels, twine and casing', () => {
  it('there is a bag and a label for every pack, whatever the pack is', () => {
    const r = read('hog', [onCut('portion', 'ground-pork', { kind: 'pack', kg: 2, lb: 4 })])
    const { supplies } = kitOf(r)
    const count = (is: string) => supplies.reduce((s, x) => s + (x.item.is === is ? x.need : 0), 0)
    expect(count('wrap')).toBe(count('label'))
    expect(count('label')).toBe(sumOf(r.cuts, (c) => (c.cut.kind === 'product' ? c.packs : 0)))
  })
  it('a boned roast is tied, one on its bone is not; sausage is cased, mince is not', () => {
    const boned = kit('hog', both('butt', 'butt-boned')).tied
    const onBone = kit('hog', both('butt', 'butt-roasts')).tied
    expect(boned).toBeGreaterThan(onBone)
    expect(kit('hog').casing).toBeNull()
    const { casing } = kit('hog', [way('trim', 'trim-sausage', 'animal')])
    expect(casing!.metres).toBeGreaterThan(casing!.kg)
  })
})

describe('ice for birds', () => {
  it('is 0.36 kg a kg to cool them (worked by hand: 3.4 × 35 ÷ 334), and a sixth more for the water they lie in', () => {
    const { cool, water, reserve } = iceFor(kg(100))
    expect(cool).toBeCloseTo(35.6, 1)
    expect(water).toBeCloseTo(16.3, 1)
    // One weight of ice to one of bird (common practice) is that and a reserve.
    expect(cool + water + reserve).toBeCloseTo(100, 9)
  })
  it('is asked of birds only', () => {
    expect(kit('broiler').ice!.cool).toBeGreaterThan(0)
    expect(kit('hog').ice).toBeNull()
  })
})

describe('the grinder', () => {
  it('runs as long as its throughput in the register says, or between two rates where it is not known', () => {
    const r = read('hog')
    const usual = kitOf(r).grinder!
    const own = kitOf(r, 1.8).grinder!
    expect(own.low).toBe(own.high)
    expect(own.low).toBeCloseTo(own.kg / 1.8, 9)
    expect(usual.low).toBeLessThan(own.low)
    expect(usual.high).toBeGreaterThan(own.low)
  })
})
