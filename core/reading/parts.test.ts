import { describe, expect, it } from 'vitest'
import { sidesOf, SPECIES, type Species } from '#core/anatomy'
import { ANATOMIES } from '#core/species'
import { gramsOf, kgOf } from '#core/measure'
import type { Said } from '#core/plan'
import { flowOf } from '../carcass/testing.ts'
import { partFigure, rangesOf, reckon, withRanges } from './index.ts'
import { FARM, lotOf } from './testing.ts'

/** Central figures with intervals set beside them, as a page has them. */
const read = (species: Species, said: readonly Said[] = []) => {
  const whole = reckon(flowOf(species), lotOf(species, said), FARM)
  const central = reckon(flowOf(species), lotOf(species, said), FARM, 0)
  return { ...withRanges(central, rangesOf(whole)), drawn: whole.drawn }
}
const BOTH = ['left', 'right'] as const

describe('intervals worked out elsewhere', () => {
  it('set beside the central figures they are the same reading; figures that are weighed have none', () => {
    for (const species of SPECIES) {
      const whole = reckon(flowOf(species), lotOf(species), FARM)
      const beside = withRanges(
        reckon(flowOf(species), lotOf(species), FARM, 0),
        JSON.parse(JSON.stringify(rangesOf(whole))),
      )
      expect(beside.stages).toEqual(whole.stages)
      expect(beside.cuts).toEqual(whole.cuts)
      expect(beside.money).toEqual(whole.money)
    }
  })
})

describe('a part as a whole', () => {
  // Standard deviation of a primal’s own weight, animals of one weight and type: 3–6 % (common practice, from memory).
  it.each([
    ['hog', ['leg', 'loin', 'belly', 'shoulder']],
    ['steer', ['chuck', 'rib', 'round', 'short-loin', 'brisket']],
    ['lamb', ['leg', 'shoulder', 'loin', 'rack']],
  ] as const)(
    '%s: primals lie within 3–6 %% of their weight beside that of the carcass (%j)',
    (species, parts) => {
      const r = read(species)
      const carcass = r.drawn!.stages.aged
      for (const part of parts) {
        const at = r.cutting.slots.flatMap((s, i) => (s.part === part ? [i] : []))
        const shares = Array.from(
          carcass,
          (kg, d) => at.reduce((sum, i) => sum + r.drawn!.slots[i]![d]!, 0) / kg,
        )
        const mean = shares.reduce((a, b) => a + b) / shares.length
        const sd = Math.sqrt(shares.reduce((s, x) => s + (x - mean) ** 2, 0) / shares.length)
        expect(sd / mean, part).toBeGreaterThan(0.02)
        expect(sd / mean, part).toBeLessThan(0.07)
      }
    },
  )
  it('its interval holds the figure, and both sides are the sum of the two', () => {
    for (const species of SPECIES) {
      const r = read(species)
      for (const part of ANATOMIES[species].parts) {
        const all = partFigure(r, part.id, sidesOf(part))
        const each = sidesOf(part).map((side) => partFigure(r, part.id, [side]))
        expect(each.reduce((s, x) => s + x.kg, 0)).toBeCloseTo(all.kg, 9)
        if (!all.range) continue
        expect(all.range.low).toBeLessThanOrEqual(all.kg)
        expect(all.range.high).toBeGreaterThanOrEqual(all.kg)
      }
    }
  })
  it('on the scale it is what it weighed, without a range; one weighed side narrows both', () => {
    const shown = { value: 21, unit: 'lb' } as const
    const weighed = (side: 'left' | 'right'): Said =>
      ({ kind: 'observation', what: 'part', of: 'loin', side, shown }) as const
    const [one, both] = [read('hog', [weighed('left')]), read('hog', BOTH.map(weighed))]
    const kg = kgOf(gramsOf(shown))
    expect(partFigure(both, 'loin', BOTH)).toMatchObject({ range: null, weighed: true })
    expect(partFigure(both, 'loin', BOTH).kg).toBeCloseTo(2 * kg, 6)
    expect(partFigure(one, 'loin', ['left'])).toMatchObject({ range: null, weighed: true })
    const width = (r: typeof one) => {
      const { range } = partFigure(r, 'loin', BOTH)
      return range!.high - range!.low
    }
    expect(width(one)).toBeLessThan(width(read('hog')) * 0.8)
  })
  it('without draws there is no range, and it is no weighed figure', () => {
    const r = reckon(flowOf('hog'), lotOf('hog'), FARM, 0)
    expect(partFigure(r, 'loin', BOTH)).toMatchObject({ range: null, weighed: false })
    expect(partFigure(r, 'loin', []).kg).toBe(0)
  })
})
