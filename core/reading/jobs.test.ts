import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { SPECIES, type Species } from '#core/anatomy'
import { boxedParts, shareHung } from '#core/carcass'
import { adoptPlan, checkDecisions, housePlans, readPlan, refusalOf, takePath, type Said } from '#core/plan'
import { KG_PER_LB } from '#core/measure'
import type { FactBody, Hangs } from '#core/records'
import { ANATOMIES } from '#core/species'
import { flowOf, parted } from '../carcass/testing.ts'
import { lineAt, way } from '../plan/testing.ts'
import { alternativesFor, offeredParts, reckon } from './index.ts'
import { FARM, lotOf, opening } from './testing.ts'

const as = (value: Hangs): FactBody => ({ kind: 'observation', what: 'hangs', value })
const side = (of: 'left' | 'right'): Hangs => ({ as: 'side', side: of })
const part = (of: string): Hangs => ({ as: 'part', part: of })
const read = (species: Species, said: readonly Said[], kg: number, count = 1) => {
  const lot = lotOf(species, said, 'hanging', kg / KG_PER_LB)
  const weighings = lot.weighings.map((w) => ({ ...w, basis: 'boxed' as const }))
  return reckon(flowOf(species), { ...lot, weighings, count }, FARM, 0)
}
/** Of a side, a quarter or a part cut by itself, what each cut weighs. */
const cutsOf = (r: ReturnType<typeof read>) => new Map(r.cuts.map((c) => [c.cut.id, c.kg] as const))
const SIDED = SPECIES.filter((s) => ANATOMIES[s].map.kind === 'sides')

describe('a side', () => {
  it.each(SIDED)('of a %s is half of its whole animal to the gram when both are cut alike', (species) => {
    const W = ANATOMIES[species].referenceKg
    const plan = housePlans(ANATOMIES[species])[1]!
    const whole: Said[] = adoptPlan(
      ANATOMIES[species],
      readPlan(ANATOMIES[species], lotOf(species)),
      plan,
    ).decisions
    const all = cutsOf(read(species, whole, W))
    for (const of of ['left', 'right'] as const) {
      const own = lotOf(species, [as(side(of))])
      const cut = adoptPlan(ANATOMIES[species], readPlan(ANATOMIES[species], own), plan).decisions
      const half = cutsOf(read(species, [as(side(of)), ...cut], W / 2))
      for (const [id, kg] of all) expect(Math.abs(half.get(id)! - kg / 2), id).toBeLessThan(0.0005)
    }
  })
  it('gives the pieces of one side: no chop is half of one, no tongue or liver hangs with it', () => {
    const r = read('hog', [as(side('left')), way('loin', 'loin-chops', 'left')], 42)
    expect(offeredParts(r)).not.toContain('liver')
    expect(r.cutting.slots.every((s) => s.side !== 'right' || s.kg < 1e-9)).toBe(true)
    expect(r.balance.kept).toBe(0)
    expect(Math.abs(r.balance.difference)).toBeLessThan(1e-9)
  })
  it('was never weighed alive: the stair begins where it hangs', () => {
    expect(read('steer', [as(side('right'))], 150).stages.map((s) => s.id)).toEqual(['hanging', 'cut'])
  })
})

it('a box of backs sold for stock gives stock, no mince and no birds (common practice)', () => {
  const box = read('broiler', [as(part('back')), way('back', 'back-sold', 'animal')], 13.6, 36)
  const made = box.cuts.filter((c) => c.kg > 1e-6 && c.cut.kind === 'product').map((c) => c.cut.id)
  expect(made).toEqual(['backs'])
})

describe('a beef quarter', () => {
  const quarter = (of: 'fore' | 'hind'): Hangs => ({ as: 'quarter', side: 'left', quarter: of })
  it('fore and hind of a side re-add to it, cut by cut', () => {
    const flow = flowOf('steer')
    const [fore, hind] = (['fore', 'hind'] as const).map((q) => shareHung(flow, quarter(q), {}))
    expect(fore! + hind!).toBeCloseTo(shareHung(flow, side('left'), {}), 9)
    const [f, h] = (['fore', 'hind'] as const).map((q, i) =>
      cutsOf(read('steer', [as(quarter(q))], 320 * [fore!, hind!][i]!)),
    )
    const half = cutsOf(read('steer', [as(side('left'))], 160))
    // Each quarter is read as of an animal of its own weight: within a gram a kilogram.
    for (const [id, kg] of half)
      expect(Math.abs((f!.get(id) ?? 0) + (h!.get(id) ?? 0) - kg), id).toBeLessThan(0.02)
  })
  it('a fore has chuck, rib, plate, brisket and shank; a hind loin, sirloin, flank and round', () => {
    const parts = (q: 'fore' | 'hind') => offeredParts(read('steer', [as(quarter(q))], 75))
    expect(parts('fore')).toEqual(
      expect.arrayContaining(['chuck', 'rib', 'plate', 'brisket', 'foreshank', 'skirts']),
    )
    expect(parts('fore')).not.toContain('round')
    expect(parts('hind')).toEqual(expect.arrayContaining(['short-loin', 'sirloin', 'flank', 'round', 'suet']))
    expect(parts('hind')).not.toContain('chuck')
  })
})

describe('a part that was bought in', () => {
  it('a hog’s loin gives what a loin gives, with its tenderloin when it is pulled, and nothing of any other part', () => {
    const r = read('hog', [as(part('loin')), way('loin', 'loin-roasts', 'left')], 10)
    expect(offeredParts(r)).toEqual(expect.arrayContaining(['loin', 'tenderloin']))
    expect(r.cutting.partKg('leg') + r.cutting.partKg('belly') + r.cutting.partKg('shoulder')).toBe(0)
    expect(r.cuts.reduce((s, c) => s + c.kg, 0)).toBeCloseTo(10, 6)
  })
  it('three legs of lamb have no left or right: one piece, three times', () => {
    const legs = read('lamb', [as(part('leg')), way('leg', 'leg-whole', 'left')], 9, 3)
    const whole = legs.cuts.find((c) => c.cut.id === 'leg-whole')!
    expect(whole.pieces).toBe(3)
    expect(legs.cutting.slots.filter((s) => s.part === 'leg' && s.holds).map((s) => s.side)).toEqual(['left'])
  })
  it.each(SPECIES)(
    '%s: each part can be cut by itself: its weight goes in, and as much comes out',
    (species) => {
      const a = ANATOMIES[species]
      const parts = boxedParts(a)
      expect(parts.length, species).toBeGreaterThan(3)
      for (const id of parts) {
        const r = read(species, [as(part(id))], a.referenceKg / 10)
        const { balance } = r
        expect(balance.carcass, id).toBeCloseTo(a.referenceKg / 10, 9)
        expect(Math.abs(balance.difference), id).toBeLessThan(1e-9)
        const freed = a.parts
          .filter((p) => p.extraction && p.id !== id)
          .reduce((s, p) => s + r.cutting.partKg(p.id), 0)
        expect(r.cutting.partKg(id) + freed, id).toBeCloseTo(a.referenceKg / 10, 9)
      }
    },
  )
  it('a box of backs is backs', () => {
    const r = read('broiler', [as(part('back')), way('back', 'back-sold', 'animal')], 5, 12)
    expect(r.cuts.filter((c) => c.kg > 0.01).map((c) => c.cut.id)).toEqual(expect.arrayContaining(['backs']))
    expect(r.cutting.partKg('breast')).toBe(0)
  })
  it('a chops’ count is that of its side: the same loin, hung or bought', () => {
    const flow = flowOf('lamb')
    const kg = 20 * shareHung(flow, part('loin'), {})
    const [bought, hung] = [
      read('lamb', [as(part('loin')), way('loin', 'loin-chops', 'left')], kg),
      read('lamb', [as(side('left')), way('loin', 'loin-chops', 'left')], 10),
    ].map((r) => r.cuts.find((c) => c.cut.id === 'loin-chop')!)
    expect(bought!.pieces).toBe(hung!.pieces)
    expect(Math.abs(bought!.kg - hung!.kg)).toBeLessThan(0.01)
  })
})

describe('the ways beside each other', () => {
  it('of a half, of a leg: the way in force is worth what the lot is worth, and the others are what they come to when taken', () => {
    for (const [species, hangs, id, kg, count] of [
      ['steer', side('left'), 'short-loin', 150, 1],
      ['lamb', part('leg'), 'leg', 9, 3],
    ] as const) {
      const r = read(species, [as(hangs)], kg, count)
      for (const a of alternativesFor(r, id, ['left'])) {
        if (a.refusal) continue
        const taken = read(
          species,
          [as(hangs), ...takePath(ANATOMIES[species], id, ['left'], a.path)],
          kg,
          count,
        )
        expect(a.whole.takeHome, a.path).toBeCloseTo(taken.worth.takeHome, 6)
        expect(a.whole.money, a.path).toBe(taken.worth.money)
        if (a.inForce) expect(a.whole.takeHome).toBeCloseTo(r.worth.takeHome, 9)
      }
    }
  })
})

describe('what is not there cannot be planned', () => {
  const refused = (species: Species, hangs: Hangs, d: Said) =>
    'field' in d ? checkDecisions(ANATOMIES[species], lotOf(species, [as(hangs)]), [d], false)[0]?.code : null
  it('the other side, another part, a line on the missing side', () => {
    expect(refused('hog', side('left'), way('loin', 'loin-chops', 'right'))).toBe('not-in-job')
    expect(refused('hog', side('left'), way('loin', 'loin-chops', 'left'))).toBeUndefined()
    expect(refused('hog', part('loin'), way('leg', 'leg-whole', 'left'))).toBe('not-in-job')
    expect(refused('hog', side('left'), lineAt('shoulder-line', '5|6', 'right'))).toBe('not-in-job')
  })
  it('a saddle, a crown, from one side', () => {
    const a = ANATOMIES.lamb
    const lot = lotOf('lamb', [
      as(side('left')),
      { kind: 'observation', what: 'dressing', of: 'split', value: false },
    ])
    expect(refusalOf(a, readPlan(a, lot), 'loin', ['left'], 'loin-saddle')?.code).toBe('side-missing')
  })
  it('long-bone steaks from a rib that came without its plate', () => {
    const a = ANATOMIES.steer
    const plan = readPlan(a, lotOf('steer', [as(part('rib'))]))
    expect(refusalOf(a, plan, 'rib', ['left'], 'rib-long-bone')?.code).toBe('not-in-job')
  })
  it('random ways of random jobs: what is taken is there, and the carcass closes', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...SPECIES),
        fc.nat(),
        fc.array(fc.nat(), { maxLength: 5 }),
        (species, job, picks) => {
          const a = ANATOMIES[species]
          const jobs: Hangs[] = [
            ...(a.map.kind === 'sides' ? [side('left'), side('right')] : []),
            ...(a.quarters ? [{ as: 'quarter', side: 'right', quarter: 'hind' } as const] : []),
            ...boxedParts(a).map(part),
          ]
          const said: Said[] = [
            as(jobs[job % jobs.length]!),
            ...opening(species).slice(0, Object.keys(parted(species)).length),
          ]
          for (const pick of picks) {
            const r = read(species, said, a.referenceKg / 4)
            const parts = offeredParts(r)
            const id = parts[pick % parts.length]!
            const sides = r.cutting.slots.filter((s) => s.part === id && s.holds).map((s) => s.side)
            const ways = a.paths.filter((p) => p.part === id && !refusalOf(a, r.plan, id, sides, p.id))
            const taken = ways[pick % Math.max(1, ways.length)]
            if (taken) said.push(...takePath(a, id, sides, taken.id))
          }
          const r = read(species, said, a.referenceKg / 4)
          expect(Math.abs(r.balance.difference)).toBeLessThan(1e-9)
          expect(r.cuts.every((c) => c.kg >= 0)).toBe(true)
        },
      ),
      { numRuns: 60 },
    )
  })
})
