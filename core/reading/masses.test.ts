import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { ANATOMIES } from '#core/species'
import { compile } from '#core/carcass'
import { minor, priceOf } from '#core/measure'
import { tried, type Said } from '#core/plan'
import { massKey, rangesOf, reckon } from './index.ts'
import { FARM, lotOf, packOf } from './testing.ts'

const FLOW = compile(ANATOMIES.hog)
const cut = fc.constantFrom('bacon', 'bone-in-chop', 'ground')
const price = fc.integer({ min: 100, max: 3000 }).map((n) => priceOf(n, 'lb'))
const onCut = { target: cut, side: fc.constant('animal' as const) }
const onLot = { target: fc.constant('lot' as const), side: fc.constant('animal' as const) }
const money = fc.oneof(
  fc.record({ field: fc.constantFrom('price', 'floor', 'ceiling'), ...onCut, value: price }),
  fc.record({ field: fc.constant('lock'), ...onCut, value: fc.boolean() }),
  fc.record({ field: fc.constant('sold'), ...onCut, value: fc.double({ min: 0, max: 1, noNaN: true }) }),
  fc.record({ field: fc.constant('target'), ...onLot, value: fc.nat(90_000).map(minor) }),
  fc.record({
    kind: fc.constant('cost'),
    label: fc.constantFrom('Feed', 'Weaner'),
    amount: fc.nat(90_000).map(minor),
  }),
) as fc.Arbitrary<Said>
const loin: Said = { field: 'path', target: 'loin', side: 'left', value: 'loin-boneless' }

describe('what a cut is sold for does not change what it weighs (common practice)', () => {
  it('whatever is priced and paid: the draws before are the draws after, and every range of a mass is the same', () => {
    fc.assert(
      fc.property(fc.array(money, { minLength: 1, maxLength: 5 }), (said) => {
        const lot = { ...lotOf('hog', [loin]), packs: [packOf('bacon', 8)] }
        const priced = { ...lot, ...tried(lot, said) }
        expect(massKey(priced)).toBe(massKey(lot))
        const before = reckon(FLOW, lot, FARM, 60)
        const drawnAnew = rangesOf(reckon(FLOW, priced, FARM, 60))
        const kept = reckon(FLOW, priced, FARM, before)
        expect(kept.drawn).toBe(before.drawn)
        expect(rangesOf(kept)).toEqual(drawnAnew)
        expect(rangesOf(kept).cuts).toEqual(rangesOf(before).cuts)
      }),
      { numRuns: 20 },
    )
  })

  it('but a way, a weight, a pack, a counted rib and the hand that cuts do', () => {
    const lot = lotOf('hog', [loin])
    const others = [
      { ...lot, ...tried(lot, [{ ...loin, value: 'loin-chops' } as Said]) },
      {
        ...lot,
        ...tried(lot, [{ field: 'hands', target: 'lot', side: 'animal', value: 'novice' } as never]),
      },
      { ...lot, ...tried(lot, [{ kind: 'observation', what: 'ribs', value: 15 }]) },
      { ...lot, packs: [packOf('bacon', 8)] },
      { ...lot, weighings: [...lot.weighings, { ...lot.weighings[0]!, id: 'again' }] },
      { ...lot, count: 2 },
    ]
    expect(new Set([lot, ...others].map(massKey)).size).toBe(others.length + 1)
  })
})
