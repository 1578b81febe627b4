import { mean, quantileSorted, standardDeviation } from 'simple-statistics'
import { describe, expect, it } from 'vitest'
import { type Species } from '#core/anatomy'
import { ANATOMIES } from '#core/species'
import { interval, KG_PER_LB } from '#core/measure'
import { choose, cutUp, flowOf } from '../carcass/testing.ts'
import { drawLot } from '#core/carcass'
import type { Said } from '#core/plan'
import { reckon } from './index.ts'
import { FARM, lotOf } from './testing.ts'
import { measured } from '../plan/testing.ts'

/** Draws of a carcass whose weight on the block is known: what varies is the animal and the cutter. */
function drawn(species: Species, ways: Record<string, string> = {}, draws = 3000, count = 1) {
  const kg = ANATOMIES[species].referenceKg
  const c = cutUp(species, choose(ways), { kg: kg * count })
  const weights = [2, 1.9, 1.02, 1, 1].map((x) => x * kg * count)
  const d = drawLot(c.cutting, count, () => weights, draws)
  const { cuts } = c.flow.anatomy
  const saleable = Array.from({ length: draws }, (_, i) =>
    cuts.reduce((sum, cut) => (cut.kind === 'product' ? sum + d.cut.get(cut.id)![i]! : sum), 0),
  )
  const points = saleable.map((x) => (x / kg / count) * 100)
  return { ...c, kg: kg * count, d, saleable, points, cutDraws: (id: string) => d.cut.get(id)! }
}

describe('spread of total saleable share, points of carcass (our target, from memory), by a statistics package', () => {
  it.each([
    ['hog', 2],
    ['steer', 2.5],
    ['lamb', 2.5],
  ] as const)('%s: SD %d within a fifth', (species, target) => {
    const sd = standardDeviation(drawn(species).points)
    expect(sd).toBeGreaterThan(target * 0.8)
    expect(sd).toBeLessThan(target * 1.2)
  })
})

describe('draws', () => {
  it('have the mean of the central estimate, in every species, and lose no mass', () => {
    for (const species of ['hog', 'lamb', 'steer', 'broiler'] as const) {
      const { saleable, balance, d, kg } = drawn(
        species,
        species === 'broiler' ? { bird: 'bird-parts' } : {},
        1000,
      )
      expect(mean(saleable) / balance.products, species).toBeCloseTo(1, 2)
      const added = balance.added
      for (const i of [0, 499, 999]) {
        const all = [...d.cut.values()].reduce((s, own) => s + own[i]!, 0)
        expect(Math.abs(all - kg - added), species).toBeLessThan(0.5 * added + 1e-6)
      }
    }
  })
  it('are the same for the same input', () => {
    const [a, b] = [drawn('lamb', {}, 50), drawn('lamb', {}, 50)]
    expect(a.saleable).toEqual(b.saleable)
  })
  it('a batch of 64 birds varies less than one, but more than an eighth: knife and lines are common to all', () => {
    const sd = (count: number) =>
      standardDeviation(drawn('broiler', { bird: 'bird-parts' }, 2000, count).points)
    expect(sd(64)).toBeLessThan(sd(1))
    expect(sd(64)).toBeGreaterThan(sd(1) / 8)
  })
  const width = (of: Float64Array) => (standardDeviation([...of]) / mean([...of])) * 100
  it.each([
    ['steer', 'rib-eye', { rib: 'rib-eye' }, 5, 8],
    ['steer', 'tbone', {}, 4, 8],
    ['steer', 'flank-steak', {}, 8, 12],
    ['steer', 'tri-tip', {}, 8, 12],
    ['steer', 'hanger', {}, 8, 12],
    ['steer', 'ground-beef', {}, 6, 10],
    ['hog', 'bone-in-chop', {}, 4, 8],
    ['hog', 'butt-roast', {}, 5, 8],
    ['hog', 'tenderloin', { loin: 'loin-roasts' }, 8, 12],
    ['lamb', 'rack', {}, 5, 9],
    ['lamb', 'leg-whole', {}, 4, 8],
  ] as const)(
    '%s %s varies by so much of its own weight when the carcass is weighed (trade, from memory)',
    (species, cut, ways, low, high) => {
      const sd = width(drawn(species, ways, 2000).cutDraws(cut))
      expect(sd).toBeGreaterThanOrEqual(low)
      expect(sd).toBeLessThanOrEqual(high)
    },
  )
  it('intervals are the package’s 10 % and 90 % quantiles of the same draws', () => {
    const own = [...drawn('steer').cutDraws('tbone')].sort((x, y) => x - y)
    const range = interval(Float64Array.from(own))!
    expect(range.low).toBeCloseTo(quantileSorted(own, 0.1), 1)
    expect(range.high).toBeCloseTo(quantileSorted(own, 0.9), 1)
  })
  it('a carcass whose fat and eye were measured is known more closely', () => {
    const eye: Said[] = [measured('fat-depth', 12), measured('eye-area', 80)]
    const width = (measured: boolean) => {
      const lot = lotOf('steer', measured ? eye : [], 'hot', 650)
      const r = reckon(flowOf(ANATOMIES.steer), lot, FARM)
      const { low, high } = r.stages.find((s) => s.id === 'cut')!.range!
      return (high - low) / KG_PER_LB
    }
    expect(width(true)).toBeLessThan(width(false))
  })
})
