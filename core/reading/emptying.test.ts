import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { KG_PER_LB, PLAIN, saysFor } from '#core/measure'
import { flowOf } from '../carcass/testing.ts'
import { cutDone } from '../plan/testing.ts'
import { emptyingOf, reckon, sayVerdict, shownRows, shownWeights, verdictOf } from './index.ts'
import { FARM, lotOf, packOf, someLots } from './testing.ts'

const UNITS = ['lb', 'kg'] as const
const says = saysFor(PLAIN)
const sum = (all: Iterable<number>) => [...all].reduce((s, x) => s + x, 0)

describe('the block as it empties', () => {
  it('what hung is weighed, to come, lost or missing: in any plan, with any packs, by hand', () => {
    fc.assert(
      fc.property(someLots, fc.constantFrom(...UNITS), ({ lot, species }, unit) => {
        const read = reckon(flowOf(species), lot, FARM, 0)
        const e = emptyingOf(read, unit)
        expect(e.weighed + e.toCome + e.lost + e.missing).toBeCloseTo(e.into, 6)
        expect(sum(e.rows.values())).toBeCloseTo(e.toCome, 6)
        const hung =
          (read.balance.carcass + read.balance.kept + read.balance.added) / (unit === 'lb' ? KG_PER_LB : 1)
        expect(Math.abs(e.into - hung)).toBeLessThan(0.16)
      }),
      { numRuns: 60 },
    )
  })
  it('a cut that is all weighed is shown as it was weighed, whatever the rest rounds to', () => {
    fc.assert(
      fc.property(someLots, ({ lot, species }) => {
        const read = reckon(flowOf(species), lot, FARM, 0)
        const shown = shownWeights(read, 'lb')
        for (const c of read.cuts.filter((x) => x.done))
          expect(shown.cuts.get(c.cut.id)).toBeCloseTo(c.weighedKg / KG_PER_LB, 1)
      }),
      { numRuns: 40 },
    )
  })
  it('packed is what was packed, never a forecast', () => {
    fc.assert(
      fc.property(someLots, ({ lot, species }) => {
        const read = reckon(flowOf(species), lot, FARM, 0)
        const packed = read.stages.find((s) => s.id === 'packed')
        const products = new Set(read.cuts.filter((c) => c.cut.kind === 'product').map((c) => c.cut.id))
        const scale = sum(lot.packs.filter((p) => products.has(p.cut)).map((p) => p.grams / 1000))
        expect(packed?.kg ?? 0).toBeCloseTo(scale, 6)
      }),
      { numRuns: 40 },
    )
  })
  it('rows of the block card add up to the tray, cut by cut', () => {
    fc.assert(
      fc.property(someLots, ({ lot, species }) => {
        const read = reckon(flowOf(species), lot, FARM, 0)
        const tray = shownWeights(read, 'lb').cuts
        const rows = shownRows(read, 'lb')
        for (const cut of new Set(rows.map((r) => r.cut)))
          expect(sum(rows.filter((r) => r.cut === cut).map((r) => r.shown))).toBeCloseTo(tray.get(cut)!, 6)
      }),
      { numRuns: 40 },
    )
  })
})

describe('the verdict', () => {
  const read = (...packs: [string, number, boolean][]) => {
    const ticks = packs.flatMap(([cut, , all]) => (all ? [cutDone(cut)] : []))
    const lot = lotOf('hog', ticks, 'hanging', 180)
    const weighings = [{ ...lot.weighings[0]!, basis: 'aged' as const }]
    return reckon(
      flowOf('hog'),
      { ...lot, weighings, packs: packs.map(([cut, lb]) => packOf(cut, lb)) },
      FARM,
    )
  }
  const expected = (cut: string) => read().cuts.find((c) => c.cut.id === cut)!.kg / KG_PER_LB
  const say = (...packs: [string, number, boolean][]) => sayVerdict(verdictOf(read(...packs)), says)
  it('names what is short, the furthest first, and the names add up', () => {
    const text = say(
      ['fresh-ham', expected('fresh-ham') - 5.8, true],
      ['bone-in-chop', expected('bone-in-chop') - 8, true],
    )
    expect(text).toMatch(/^13\.8 lb short: bone-in loin chops 8\.0, .* 5\.8\.$/)
  })
  it('says nothing of what is not all in, and that all is well where it is', () => {
    expect(say()).toBe('Nothing is all in yet.')
    expect(say(['bone-in-chop', 3, false])).toBe('Nothing is all in yet.')
    expect(say(['bone-in-chop', expected('bone-in-chop'), true])).toMatch(
      /^1 of \d+ cuts all in, as expected\.$/,
    )
  })
  it('more than likely is said without waiting for the last pack', () => {
    expect(say(['bone-in-chop', expected('bone-in-chop') + 16, false])).toMatch(
      /^16\.0 lb more than likely: /,
    )
  })
})
