import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { sidesOf, SPECIES, uncutWay, type Species } from '#core/anatomy'
import { canBeHeld, holdPart, readPlan, takePath, tried, unknownIn } from '#core/plan'
import { HOLDS, type Decision, type Hold } from '#core/records'
import { keepingOf } from '#core/rules'
import { ANATOMIES } from '#core/species'
import { flowOf } from '../carcass/testing.ts'
import { way } from '../plan/testing.ts'
import { heldMass, heldParts, reckon } from './index.ts'
import { FARM, lotOf } from './testing.ts'

const none = readPlan(ANATOMIES.hog, lotOf('hog')).choices.paths
const held = (part: string, hold: Hold, sides = ['left', 'right'] as const, species: Species = 'hog') =>
  holdPart(ANATOMIES[species], none, part, sides, hold)
const read = (said: Decision[], species: Species = 'hog') =>
  reckon(flowOf(species), lotOf(species, said), FARM, 0)

describe('a part left uncut', () => {
  it('is one piece a side: what it held, but for the drip', () => {
    const [cut, uncut] = [read([]), read(held('loin', 'chilled'))]
    const before = cut.cutting.partKg('loin')
    const piece = uncut.cuts.find((c) => c.cut.id === uncutWay('loin'))!
    expect(uncut.cutting.partKg('loin')).toBeCloseTo(before, 9)
    expect(piece.kg).toBeCloseTo(before * 0.995, 9)
    expect(piece.pieces).toBe(2)
    expect(Math.abs(uncut.balance.difference)).toBeLessThan(1e-9)
  })
  it('of no two sides need be alike', () => {
    const r = read(holdPart(ANATOMIES.hog, none, 'loin', ['left'], 'frozen'))
    expect(heldParts(r).map(({ part, sides, hold }) => ({ part, sides, hold }))).toEqual([
      { part: 'loin', sides: ['left'], hold: 'frozen' },
    ])
    expect(r.cuts.find((c) => c.cut.id === uncutWay('loin'))!.pieces).toBe(1)
  })
  it('of any species, any part that can be: nothing is lost, whatever else is planned', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...SPECIES).chain((species) =>
          fc.record({
            species: fc.constant(species),
            parts: fc.subarray(
              ANATOMIES[species].parts.filter((p) => canBeHeld(ANATOMIES[species], p.id)),
              { minLength: 1, maxLength: 5 },
            ),
            hold: fc.constantFrom(...HOLDS),
          }),
        ),
        ({ species, parts, hold }) => {
          const said = parts.flatMap((p) => holdPart(ANATOMIES[species], none, p.id, sidesOf(p), hold))
          const r = read(said, species)
          expect(Math.abs(r.balance.difference)).toBeLessThan(1e-9)
          for (const p of heldParts(r)) expect(p.hold).toBe(hold)
        },
      ),
      { numRuns: 60 },
    )
  })
  it('is offered of every part of a carcass but the pools of both sides; of offal only what is pooled as it comes', () => {
    for (const species of SPECIES)
      for (const p of ANATOMIES[species].parts) {
        const isPooled = ANATOMIES[species].map.kind === 'laid'
        if (p.offCarcass) expect(canBeHeld(ANATOMIES[species], p.id), p.id).toBe(isPooled)
        const { trim, fat } = ANATOMIES[species].roles
        if (p.id === trim || p.id === fat) expect(canBeHeld(ANATOMIES[species], p.id), p.id).toBe(false)
      }
    expect(ANATOMIES.hog.parts.filter((p) => canBeHeld(ANATOMIES.hog, p.id)).map((p) => p.id)).toEqual(
      expect.arrayContaining(['shoulder', 'loin', 'belly', 'leg']),
    )
  })
  it('costs its place on the bench only the wrapping of one piece', () => {
    expect(read(held('loin', 'sold')).bench.hand).toBeLessThan(read([]).bench.hand)
  })
})

describe('what becomes of it', () => {
  it('taken home it brings nothing and still bears its weight; sold as it is it brings its price', () => {
    const of = (hold: Hold) => {
      const r = read(held('loin', hold))
      return {
        plan: r.plan.terms.get(uncutWay('loin'))!,
        kg: r.cuts.find((c) => c.cut.id === uncutWay('loin'))!.kg,
      }
    }
    expect(of('taken').plan.sold).toBe(0)
    expect(of('sold').plan.sold).toBe(1)
    expect(of('taken').kg).toBe(of('sold').kg)
  })
  it('another day it keeps its plan and its kilograms, and takes no minutes today', () => {
    const [today, later] = [read([]), read(held('leg', 'later'))]
    expect(later.cuts.map((c) => [c.cut.id, c.kg])).toEqual(today.cuts.map((c) => [c.cut.id, c.kg]))
    expect(later.bench.hand).toBeLessThan(today.bench.hand)
  })
  it('what comes out of it waits with it, and is counted once', () => {
    const said = [
      ...takePath(ANATOMIES.hog, 'shoulder', ['left', 'right'], 'shoulder-parted'),
      ...held('shoulder', 'later'),
      ...held('butt', 'frozen'),
    ]
    const r = read(said)
    expect(r.cutting.partKg('butt')).toBeGreaterThan(0)
    expect(heldParts(r).map((p) => p.part)).toEqual(['shoulder'])
    expect(heldMass(r)).toBeCloseTo(r.cutting.partKg('shoulder'), 9)
  })
  it('today after all it goes back to its usual way, and nothing is held', () => {
    const said = held('loin', 'chilled')
    const plan = readPlan(ANATOMIES.hog, lotOf('hog', said))
    const back = holdPart(ANATOMIES.hog, plan.choices.paths, 'loin', ['left', 'right'], null)
    const r = read([...said, ...back])
    expect(heldParts(r)).toEqual([])
    expect(r.cuts.map((c) => c.kg)).toEqual(read([]).cuts.map((c) => c.kg))
  })
  it('cut some other way after all, it is held no more', () => {
    const r = read([
      ...held('loin', 'chilled'),
      way('loin', 'loin-chops', 'left'),
      way('loin', 'loin-chops', 'right'),
    ])
    expect(heldParts(r)).toEqual([])
  })
  it('keeps its own way when it waits for another day', () => {
    const chops = [way('loin', 'loin-chops', 'left'), way('loin', 'loin-chops', 'right')]
    const plan = readPlan(ANATOMIES.hog, lotOf('hog', chops))
    expect(
      holdPart(ANATOMIES.hog, plan.choices.paths, 'loin', ['left', 'right'], 'later').every(
        (d) => d.field === 'held',
      ),
    ).toBe(true)
  })
  it('is refused of what cannot be held, by name of the figure', () => {
    const anatomy = ANATOMIES.hog
    const log = lotOf('hog')
    const said = (target: string, side: 'left' | 'animal'): Decision => ({
      field: 'held',
      target,
      side,
      value: 'chilled',
    })
    expect(unknownIn(anatomy, said('liver', 'animal'))?.code).toBe('unknown-id')
    expect(unknownIn(anatomy, said('loin', 'animal'))?.code).toBe('unknown-id')
    expect(unknownIn(anatomy, said('loin', 'left'))).toBeNull()
    expect(readPlan(anatomy, { ...log, ...tried(log, held('loin', 'frozen')) }).held.size).toBe(2)
  })
})

describe('how long it keeps', () => {
  it('days in the cold and months in the freezer (FoodSafety.gov cold food storage chart, from memory)', () => {
    expect(keepingOf('hog')).toEqual({ chilled: '3–5 days', frozen: '4–12 months' })
    expect(keepingOf('lamb').chilled).toBe('3–5 days')
    expect(keepingOf('broiler').chilled).toBe('1–2 days')
    expect(keepingOf('rabbit').chilled).toBe('1–2 days')
  })
})

describe('what it is priced at to begin with', () => {
  const value = (r: ReturnType<typeof reckon>) =>
    r.cuts.reduce((sum, c) => sum + (c.cut.kind === 'loss' ? 0 : c.kg * c.cut.index), 0)
  it.each(['hog', 'lamb', 'steer', 'goat', 'calf'] as const)(
    'of a %s: less than its cuts would bring, and not a third less (common practice: cutting is paid for)',
    (species) => {
      const anatomy = ANATOMIES[species]
      const usual = read([], species)
      for (const part of anatomy.parts.filter((p) => canBeHeld(anatomy, p.id))) {
        if (usual.cutting.partKg(part.id) < 1e-6) continue
        const uncut = read(takePath(anatomy, part.id, sidesOf(part), uncutWay(part.id)), species)
        const own = uncut.cuts.find((c) => c.cut.id === uncutWay(part.id))!
        const brings = own.kg * own.cut.index
        const cutUp = value(usual) - value(uncut) + brings
        // Suet, bones and the like are worth so little that rounding says nothing.
        if (cutUp / own.kg < 0.6) continue
        expect(brings / cutUp, part.id).toBeLessThan(1)
        expect(brings / cutUp, part.id).toBeGreaterThan(0.64)
      }
    },
  )
})
