import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { flowOf } from '../carcass/testing.ts'
import { cascadeOf, reckon, shownWeights } from './index.ts'
import { FARM, lotFrom, lotOf, someLots } from './testing.ts'

/** Birds packed whole, over what hung: nothing is left on the block to take up the last step of rounding. */
const PACKED_OVER = [71783, 99919, 0, 0, 0, 0, 14146, 4969, 5, 15, 77622, 0]
/** A lamb whose spiced mince was packed at less than what was put into it. */
const LESS_THAN_ADDED = [46789, 0, 82422, 0, 0, 0, 13801, 11, 12701, 91397, 44506, 7]
const sum = (all: readonly number[]) => all.reduce((s, x) => s + x, 0)

describe('the cascade of where it goes', () => {
  it('nothing without a weight', () =>
    expect(cascadeOf(reckon(flowOf('hog'), { ...lotOf('hog'), weighings: [] }, FARM, 0), 'lb')).toBeNull())
  it('every row is as wide as the row above it, in any plan, packs weighed or not', () => {
    fc.assert(
      fc.property(someLots, ({ lot, species }) => {
        const read = reckon(flowOf(species), lot, FARM, 0)
        const c = cascadeOf(read, 'lb')!
        const parts = sum(c.parts.map((p) => p.kg))
        expect(parts + c.missing.kg).toBeCloseTo(c.block.kg, 4)
        for (const p of c.parts) expect(sum(p.to.map((t) => t.kg))).toBeCloseTo(p.kg, 6)
        expect(sum(c.destinations.map((d) => d.kg))).toBeCloseTo(parts + c.added.kg, 4)
        const gone = sum(c.gone.map((g) => g.kg))
        if (c.gone.length > 0 && c.block.kg + gone <= c.live + 1e-6)
          expect(c.block.kg + gone).toBeCloseTo(c.live, 4)
      }),
      { numRuns: 60, examples: [[lotFrom(LESS_THAN_ADDED)]] },
    )
  })
  it('what is shown adds up by hand, and the last row is the tray: weighed weight beside weighed money', () => {
    fc.assert(
      fc.property(someLots, fc.constantFrom('lb', 'kg'), ({ lot, species }, unit) => {
        const read = reckon(flowOf(species), lot, FARM, 0)
        const c = cascadeOf(read, unit)!
        const tray = shownWeights(read, unit)
        expect(sum(c.parts.map((p) => p.shown)) + c.missing.shown).toBeCloseTo(c.block.shown, 6)
        expect(sum(c.destinations.map((d) => d.shown))).toBeCloseTo(
          tray.products + tray.byProducts + tray.losses,
          6,
        )
        for (const d of c.destinations) {
          const own = read.cuts.filter((x) => x.cut.destination === d.destination)
          expect(d.shown).toBeCloseTo(sum(own.map((x) => tray.cuts.get(x.cut.id)!)), 6)
          expect(d.kg).toBeCloseTo(sum(own.map((x) => x.kg)), 6)
        }
        expect(sum(c.destinations.map((d) => d.money))).toBe(
          sum(read.cuts.filter((x) => x.cut.kind === 'product').map((x) => x.value)),
        )
      }),
      { numRuns: 60 },
    )
  })
  it('what rounding leaves never falls on what there is nothing of', () => {
    fc.assert(
      fc.property(someLots, fc.constantFrom('lb', 'kg'), ({ lot, species }, unit) => {
        const read = reckon(flowOf(species), lot, FARM, 0)
        const { cuts } = shownWeights(read, unit)
        for (const c of read.cuts) if (!c.done && c.kg <= 1e-6) expect(cuts.get(c.cut.id)).toBe(0)
      }),
      { numRuns: 60, examples: [[lotFrom(PACKED_OVER), 'lb']] },
    )
  })
  it('the trim of a hog comes out of several parts and is minced under each of them', () => {
    const c = cascadeOf(reckon(flowOf('hog'), lotOf('hog'), FARM, 0), 'lb')!
    const minced = c.parts.filter((p) => p.to.some((t) => t.destination === 'G'))
    expect(minced.map((p) => p.part)).toEqual(expect.arrayContaining(['belly', 'loin', 'shoulder']))
  })
})
