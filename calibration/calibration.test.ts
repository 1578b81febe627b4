import { describe, expect, it } from 'vitest'
import { CHARTS } from './charts.ts'
import { compare, saleable } from './compare.ts'
import { LISTED, foldsOf } from './folds.ts'
import predictions from './predicted.json'
import { findYields, offBand, yieldList } from './yields.ts'

const list = yieldList()
const SPECIES = ['steer', 'hog', 'lamb'] as const

describe('the yield list (handbooks of yields and a national cutout, from memory; docs/sources.md)', () => {
  it('is dealt into two folds by the commit that brought it, before any fit to it', () => {
    expect(LISTED).toMatch(/^[0-9a-f]{40}$/)
    for (const species of SPECIES)
      for (const { row, fold } of foldsOf(list.filter((r) => r.species === species)))
        expect(predictions.find((p) => p.species === species && p.name === row.name)).toMatchObject({
          ...row,
          fold,
        })
  })
  describe.each([0, 1])('fold %i, predicted by a fit that has not seen it', (n) => {
    const fold = predictions.filter((p) => p.fold === n)
    it.each(SPECIES)('%s: four fifths and more of the pieces lie in their bands', (species) => {
      const own = fold.filter((p) => p.species === species)
      expect(own.filter((p) => offBand(p) === 0).length / own.length).toBeGreaterThanOrEqual(0.8)
    })
    it('no piece is more than a fifth off', () =>
      expect(fold.filter((p) => Math.abs(offBand(p)) > 0.2).map((p) => p.name)).toEqual([]))
  })
  it('what ships is what the report says (npm run fit)', () => {
    for (const species of SPECIES)
      for (const { name, found } of findYields(species, list))
        expect(predictions.find((p) => p.species === species && p.name === name)!.shipped, name).toBeCloseTo(
          found,
          1,
        )
  })
  it.each(['broiler', 'turkey', 'duck', 'rabbit', 'goat', 'calf'] as const)(
    '%s, to which nothing was fitted, lies in every band',
    (species) => {
      const found = findYields(species, list)
      expect(found.length).toBeGreaterThan(5)
      expect(found.filter((r) => offBand(r) !== 0)).toEqual([])
    },
  )
  it('refuses a list with a piece that is not cut, and a cut that is not listed', () => {
    const text = '## Yield list\n\n### Beef: x\n\n| tongue | 1–2 |\n'
    expect(() => yieldList(text)).toThrow(/steer: tongue.*steer: chuck with neck/)
  })
})

/** Consumer charts set nothing. Their cuts are trimmed harder than a handbook's, so lines are reported and totals tested. */
describe.each(CHARTS)('$source, at its own trim', (chart) => {
  const rows = compare(chart)
  it.each(rows.filter((r) => r.is === 'primal'))('$name within 2 points of carcass', (r) =>
    expect(Math.abs(r.points)).toBeLessThanOrEqual(2),
  )
  it('saleable within 2 points, with and without what a stricter reading leaves out', () => {
    for (const apart of [false, true]) {
      const { published, found } = saleable(chart, rows, apart)
      expect(Math.abs(found - published)).toBeLessThanOrEqual(2)
    }
  })
})

describe('the charts as recalled', () => {
  it('add up to their carcass and to the saleable share they are quoted with: hog 76.0 and 67.6 %, steer 79.5 %', () => {
    const [hog, steer] = CHARTS.map((c) => ({ chart: c, rows: compare(c) }))
    expect(saleable(hog!.chart, hog!.rows).published).toBeCloseTo(76.0, 1)
    expect(saleable(hog!.chart, hog!.rows, true).published).toBeCloseTo(67.6, 1)
    expect(saleable(steer!.chart, steer!.rows).published).toBeCloseTo(79.5, 1)
  })
})
