import { describe, expect, it } from 'vitest'
import { type Species } from '#core/anatomy'
import { ANATOMIES } from '#core/species'
import { choose, cutUp } from '../carcass/testing.ts'
import { allMinutes, minutesOf } from './index.ts'

const hand = (
  species: Species,
  ways: Record<string, string> = {},
  kg = ANATOMIES[species].referenceKg,
  count = 1,
) => minutesOf(cutUp(species, choose(ways), { kg: kg * count, count }).cutting, count, 0).hand
const BONED: Partial<Record<Species, Record<string, string>>> = {
  hog: { leg: 'leg-seamed', loin: 'loin-boneless-chops', butt: 'butt-boned', picnic: 'picnic-boned' },
  steer: {
    rib: 'rib-eye',
    'short-loin': 'loin-strip',
    foreshank: 'foreshank-grind',
    'hind-shank': 'hind-shank-grind',
  },
}

describe('bench minutes of a skilled hand with a band saw (from memory)', () => {
  it.each([
    ['a hog', 'hog', {}, 40, 60],
    ['a lamb', 'lamb', {}, 23, 32],
    ['a steer, bone in', 'steer', { chuck: 'chuck-blade-steaks' }, 150, 200],
    ['a bird in eight pieces', 'broiler', { bird: 'bird-eight' }, 2, 4.5],
  ] as const)('%s', (_, species, ways, low, high) => {
    expect(hand(species, ways)).toBeGreaterThanOrEqual(low)
    expect(hand(species, ways)).toBeLessThanOrEqual(high)
  })
  it.each(['hog', 'steer'] as const)('%s boned takes a tenth to four fifths more', (species) => {
    const bone = hand(species, species === 'steer' ? { chuck: 'chuck-blade-steaks' } : {})
    expect(hand(species, BONED[species]) / bone).toBeGreaterThan(1.1)
    expect(hand(species, BONED[species]) / bone).toBeLessThan(1.8)
  })
})

describe('minutes grow', () => {
  it('with the carcass, as faces do: eight times the weight, four times the hand; n animals n times', () => {
    expect(hand('hog', {}, 8 * 20)).toBeCloseTo(4 * hand('hog', {}, 20), 6)
    expect(hand('hog', {}, 80, 3)).toBeCloseTo(3 * hand('hog', {}, 80), 6)
  })
  it('with what is ground, half a horsepower 1.6 to 2 kg a minute (from memory), and what is filled', () => {
    const of = (way: string) => {
      const { cutting } = cutUp('hog', choose({ trim: way, leg: 'leg-grind' }), { kg: 85 })
      return minutesOf(cutting, 1, 0).grind / cutting.partKg('trim')
    }
    expect(1 / of('trim-ground')).toBeGreaterThanOrEqual(1.6)
    expect(1 / of('trim-ground')).toBeLessThanOrEqual(2)
    expect(of('trim-sausage')).toBeGreaterThan(of('trim-ground'))
  })
  it('with packs, 1 to 1.5 each; setting up and washing down are 45 to 90, once', () => {
    const { cutting } = cutUp('hog', choose(), { kg: 85 })
    const [none, ten] = [minutesOf(cutting, 1, 0), minutesOf(cutting, 1, 10)]
    expect(ten.wrap).toBeGreaterThanOrEqual(10)
    expect(ten.wrap).toBeLessThanOrEqual(15)
    expect(allMinutes(ten) - allMinutes(none)).toBeCloseTo(ten.wrap, 9)
    expect(none.setUp).toBeGreaterThanOrEqual(45)
    expect(minutesOf(cutUp('hog', choose(), { kg: 170, count: 2 }).cutting, 2, 0).setUp).toBe(none.setUp)
  })
  it('a way of both sides at once is counted once', () => {
    const whole = { conventions: { split: false }, kg: 20 }
    const of = (loin: string) => minutesOf(cutUp('lamb', choose({ loin }), whole).cutting, 1, 0).hand
    const way = (id: string) => ANATOMIES.lamb.paths.find((p) => p.id === id)!.minutes
    expect(of('loin-chops') - of('loin-saddle')).toBeCloseTo(2 * way('loin-chops') - way('loin-saddle'), 9)
  })
  it('a part cut two ways takes of each what its stretch is of the length', () => {
    const belly = (at: number | null) =>
      minutesOf(
        cutUp('hog', choose({}, at === null ? {} : { splits: { belly: { at, path: 'belly-slab' } } }))
          .cutting,
        1,
        0,
      ).hand
    const slab = hand('hog', { belly: 'belly-slab' }, 100)
    expect(slab).not.toBeCloseTo(belly(null), 3)
    expect(belly(0.25)).toBeCloseTo(0.25 * belly(null) + 0.75 * slab, 6)
  })
  it('with hands that do it seldom: a beginner takes three times as long to cut, no longer to grind or wrap', () => {
    const { cutting } = cutUp('hog', choose({}), { kg: 85 })
    const [skilled, beginner] = (['skilled', 'beginner'] as const).map((h) => minutesOf(cutting, 1, 40, h))
    expect(beginner).toEqual({ ...skilled, hand: expect.closeTo(3 * skilled!.hand, 6) })
    expect(minutesOf(cutting, 1, 40)).toEqual(skilled)
  })
})
