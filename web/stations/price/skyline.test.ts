import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { HANDLE, placesOf } from './skyline.ts'

const weights = fc.array(fc.double({ min: 0.05, max: 60, noNaN: true }), { minLength: 1, maxLength: 24 })

describe('the skyline', () => {
  it('width is weight: every bar as wide as its share of all weight, however narrow', () => {
    fc.assert(
      fc.property(weights, (all) => {
        const total = all.reduce((s, w) => s + w, 0)
        placesOf(all, 720).forEach((p, i) => expect(p.to - p.from).toBeCloseTo((720 * all[i]!) / total, 6))
      }),
    )
  })
  it('what is pressed is at least 24 px wide, side by side, and fills the same width', () => {
    fc.assert(
      fc.property(weights, (all) => {
        const places = placesOf(all, 720)
        for (const { handle } of places) expect(handle[1] - handle[0]).toBeGreaterThanOrEqual(HANDLE - 1e-6)
        places.slice(1).forEach((p, i) => expect(p.handle[0]).toBeCloseTo(places[i]!.handle[1], 6))
        expect(places.at(-1)!.handle[1]).toBeCloseTo(720, 4)
      }),
    )
  })
  it('on a phone with more cuts than fit, handles are equal', () => {
    const places = placesOf(
      Array.from({ length: 30 }, (_, i) => i + 1),
      300,
    )
    for (const { handle } of places) expect(handle[1] - handle[0]).toBeCloseTo(10, 6)
  })
})
