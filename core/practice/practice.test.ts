import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { SPECIES, type Species } from '#core/anatomy'
import { SidedMap } from '#core/carcass'
import { orderedWork } from '#core/hand'
import { cutAs, reckon } from '#core/reading'
import { ANATOMIES } from '#core/species'
import { flowOf } from '../carcass/testing.ts'
import { FARM, lotOf } from '../reading/testing.ts'
import {
  cutAt,
  faultAsked,
  faultItems,
  judgeOrder,
  knownOf,
  linesOf,
  namesAsked,
  nextOf,
  orderAsked,
  placeBy,
  placedLine,
  shuffled,
  type Try,
} from './index.ts'

const read = (species: Species) => reckon(flowOf(species), lotOf(species, [], 'hot'), FARM, 0)
const line = (species: Species, id: string) => linesOf(ANATOMIES[species]).find((l) => l.id === id)!
/** Numbers that are the same each time. */
const numbers =
  (seed = 1) =>
  () =>
    (seed = (seed * 16_807) % 2_147_483_647) / 2_147_483_647
const BROKEN = SPECIES.filter((s) => linesOf(ANATOMIES[s]).length > 0)

describe('a line placed by hand', () => {
  it.each(BROKEN)(
    '%s: where the school has it is right and moves nothing, a rib away is one off',
    (species) => {
      const r = read(species)
      for (const l of linesOf(ANATOMIES[species])) {
        const at = placeBy(ANATOMIES[species], l.id)
        expect(placedLine(r, l, at), l.id).toMatchObject({ right: true, off: 0, kg: 0, money: 0 })
        const off = placedLine(r, l, at + 1)
        expect([off.right, off.off], l.id).toEqual([false, 1])
        expect(off.kg, l.id).toBeCloseTo(off.perSegment.kg, 9)
        expect(off.kg, `${l.id}: what lies ahead grows`).toBeGreaterThan(0)
        // The same joint the other way: less lies ahead of it, and no joint of a carcass is nothing.
        // One that lies on another by its school, as the rib end on the shoulder line, has nothing ahead to lose.
        if (l.settings.find((s) => s.id === l.fallback)!.at.startsWith('=')) continue
        const back = placedLine(r, l, at - 1)
        expect(back.kg / r.weights!.aged, `${l.id}: ahead shrinks`).toBeLessThan(-0.0005)
      }
    },
  )
  it('moves as many kilograms as the plan with that setting does, part by part', () => {
    let seen = 0
    for (const species of BROKEN) {
      const r = read(species)
      for (const l of linesOf(ANATOMIES[species]))
        for (const s of l.settings) {
          if (s.id === l.fallback) continue
          const lines = new SidedMap(
            (['left', 'right'] as const).map((side) => ({ id: l.id, side, value: s.id })),
          )
          const planned = cutAs(r, { ...r.plan.choices, lines })
          const placed = cutAt(r, l, placeBy(ANATOMIES[species], l.id, s.id), s.id)
          for (const p of ANATOMIES[species].parts)
            expect(placed.partKg(p.id), `${species} ${l.id} ${s.id} ${p.id}`).toBeCloseTo(
              planned.partKg(p.id),
              9,
            )
          seen++
        }
    }
    expect(seen).toBeGreaterThan(5)
  })
  it('of a hog: the shoulder line a rib too far back gives the shoulder one rib of the loin, at two hand-counted places', () => {
    const r = read('hog')
    const shoulder = line('hog', 'shoulder-line')
    const at = placeBy(ANATOMIES.hog, 'shoulder-line')
    const ribs = ANATOMIES.hog.axis.filter((s) => s.rib && ANATOMIES.hog.axis.indexOf(s) < at)
    // Counted on the axis by hand: as many ribs as it has lie ahead of the line.
    expect(ANATOMIES.hog.axis[at - 1]!.rib).toBe(ribs.length)
    const [one, two] = [placedLine(r, shoulder, at + 1), placedLine(r, shoulder, at + 2)]
    expect(two.kg).toBeGreaterThan(one.kg)
    expect(one.kg / r.weights!.aged).toBeGreaterThan(0.005)
    expect(one.kg / r.weights!.aged).toBeLessThan(0.06)
    expect(placedLine(r, shoulder, at - 1).kg).toBeLessThan(0)
  })
  it('costs money where what it becomes brings less, and gains it the other way about', () => {
    const r = read('steer')
    const rib = line('steer', 'chuck-line')
    const at = placeBy(ANATOMIES.steer, 'chuck-line')
    // A rib of prime rib that goes with the chuck (common practice).
    expect(placedLine(r, rib, at + 1).money).toBeLessThan(0)
    expect(placedLine(r, rib, at - 1).money).toBeGreaterThan(0)
  })
  it('the sirloin line of a steer and the leg line of a hog one joint forward cost kilograms, not nothing (common practice: a joint of sirloin)', () => {
    // Of the weights a joint is told by: 680 lb of steer, 185 lb of hog.
    const forward = (species: Species, id: string, lb: number, part: string) => {
      const r = reckon(flowOf(species), lotOf(species, [], 'hot', lb), FARM, 0)
      const [l, at] = [line(species, id), placeBy(ANATOMIES[species], id)]
      expect(placedLine(r, l, at - 1).kg).toBeLessThan(-1)
      return cutAt(r, l, at).partKg(part) - cutAt(r, l, at - 1).partKg(part)
    }
    const [steer, hog] = [
      forward('steer', 'sirloin-line', 680, 'short-loin'),
      forward('hog', 'leg-line', 185, 'loin'),
    ]
    expect([steer > 3.5 && steer < 4, hog > 1.9 && hog < 2.6], `${steer}, ${hog}`).toEqual([true, true])
  })
  it('half a rib is right, three quarters is not', () => {
    const at = placeBy(ANATOMIES.lamb, 'rack-end-line')
    const of = (by: number) => placedLine(read('lamb'), line('lamb', 'rack-end-line'), at + by).right
    expect([of(0.5), of(-0.5), of(0.75)]).toEqual([true, true, false])
  })
})

describe('an order to be found', () => {
  it('can be found: the right one breaks nothing; the wrong way round it says which step, and why', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), fc.constantFrom(...BROKEN), (seed, species) => {
        const asked = orderAsked(orderedWork(read(species)), numbers(seed))
        expect(asked.tasks.length).toBeGreaterThan(3)
        const { right } = judgeOrder(
          asked,
          asked.tasks.map((t) => t.id),
        )
        expect(judgeOrder(asked, right).broken).toEqual([])
        const wrong = judgeOrder(asked, right.toReversed()).broken
        expect(wrong.length).toBe(asked.musts.length)
        for (const m of wrong) expect(m.why.length).toBeGreaterThan(8)
      }),
      { numRuns: 40 },
    )
  })
})

describe('names and faults', () => {
  it('a name is asked among four, itself among them once', () => {
    const drawn = ANATOMIES.hog.parts.slice(0, 12).map((p) => p.id)
    for (const part of drawn) {
      const ids = namesAsked(ANATOMIES.hog, part, drawn, numbers(7)).map((n) => n.id)
      expect(new Set(ids).size).toBe(4)
      expect(ids).toContain(part)
    }
  })
  it('of three things seen one went wrong, and it is what goes wrong with that action', () => {
    for (const action of faultItems()) {
      const { seen } = faultAsked(action, numbers(11))
      expect(seen).toHaveLength(3)
      expect(seen.filter((s) => s.wrong)).toHaveLength(1)
      expect(new Set(seen.map((s) => s.text)).size).toBe(3)
    }
  })
  it('shuffling loses nothing', () => {
    expect(shuffled([1, 2, 3, 4, 5], numbers(3)).toSorted()).toEqual([1, 2, 3, 4, 5])
  })
})

describe('what is asked next', () => {
  const tried = (of: string, right: boolean): Try => ({ of, right, at: '2026-01-01T00:00:00Z', kg: 0 })
  it('what was missed comes again before what is new, but not at once', () => {
    const items = ['a', 'b', 'c']
    expect(nextOf(items, [])).toBe('a')
    expect(nextOf(items, [tried('a', false)])).toBe('b')
    expect(nextOf(items, [tried('a', false), tried('b', true)])).toBe('a')
    expect(nextOf(items, [tried('a', false), tried('b', true), tried('a', true)])).toBe('c')
    expect(nextOf(items, [tried('a', true), tried('b', true), tried('c', true)])).toBe('a')
    expect(nextOf(['a'], [tried('a', false)])).toBe('a')
    expect(nextOf([], [])).toBeNull()
  })
  it('is known by how often it was tried and right', () => {
    expect(knownOf([tried('a', false), tried('a', true)], 'a')).toEqual({
      tries: 2,
      right: 1,
      missed: false,
      last: 1,
    })
  })
})
