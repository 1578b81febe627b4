import { describe, expect, it } from 'vitest'
import { CHARTS } from './charts.ts'
import { compare, saleable, tableOf } from './compare.ts'

/** The charts set the cells (`npm run fit`), so this says how well the fit holds, not that it is right elsewhere. */
describe.each(CHARTS)('calibration: $source', (chart) => {
  const rows = compare(chart)
  console.log(`\n${chart.source}\n${tableOf(chart, rows)}`)
  it.each(rows.filter((r) => r.is === 'primal'))('$name within 1.5 points of carcass', (r) =>
    expect(Math.abs(r.points)).toBeLessThanOrEqual(1.5),
  )
  it.each(rows.filter((r) => r.is === 'product' && r.lb >= 5))('$name ($lb lb) within 15 %', (r) =>
    expect(Math.abs(r.ratio - 1)).toBeLessThanOrEqual(0.15),
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
