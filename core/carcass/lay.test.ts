import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { SPECIES, type Portion, type Species } from '#core/anatomy'
import { ANATOMIES } from '#core/species'
import { kg } from '#core/measure'
import { portionsOf } from '#core/plan'
import { choose, cutUp } from './testing.ts'

const { hog } = ANATOMIES

const sawn = (thicknessMm: number, kerfMm = 1.2): Portion => ({
  kind: 'sawn',
  thicknessMm,
  kerfMm,
  perPack: 2,
})
const rowOf = (c: ReturnType<typeof cutUp>, part: string, cut: string) =>
  c.cutting.slot(part, 'left')!.rows.find((r) => r.cut?.id === cut)!
const pieces = (c: ReturnType<typeof cutUp>, cut: string, count = 1) =>
  portionsOf(c.cutting, count, kg(0.5)).get(cut)?.pieces ?? 0

describe('length is spent once', () => {
  it('chops = floor((length less its ends) / (thickness + kerf)) a side', () => {
    const c = cutUp('hog', choose({}, { portions: { 'bone-in-chop': sawn(30) } }), { kg: hog.referenceKg })
    const all = hog.axis
      .filter((s) => (s.rib ? s.rib > 2 : /lumbar|front/.test(s.id)))
      .reduce((x, s) => x + s.mm, 0)
    const { stretch } = rowOf(c, 'loin', 'bone-in-chop')
    expect(stretch!.mm).toBeCloseTo(all, 9)
    expect(stretch!.usable).toBeCloseTo(all - 60, 9)
    expect(stretch!.pieces).toBe(Math.floor((all - 60) / 31.2))
    expect(stretch!.left).toBeCloseTo(all - stretch!.pieces * 31.2, 9)
    expect(pieces(c, 'bone-in-chop')).toBe(2 * stretch!.pieces)
  })
  it('a rack and chops of one loin share its length: two racks, and chops of the rear half only', () => {
    const c = cutUp('hog', choose({ loin: 'loin-rack' }), { kg: 85 })
    const [rack, chops] = [rowOf(c, 'loin', 'rack-roast').stretch!, rowOf(c, 'loin', 'bone-in-chop').stretch!]
    const whole = rowOf(cutUp('hog', choose(), { kg: 85 }), 'loin', 'bone-in-chop').stretch!
    expect(rack.mm + chops.mm).toBeCloseTo(whole.mm, 9)
    expect(chops.pieces).toBeLessThan(whole.pieces * 0.55)
  })
  it.each(SPECIES)(
    '%s: no way takes more of a part than there is, nor its ends twice (any way, thickness, weight)',
    (species) => {
      const a = ANATOMIES[species]
      const sawnCuts = a.cuts.filter((c) => c.portion?.kind === 'sawn').map((c) => c.id)
      fc.assert(
        fc.property(
          fc.constantFrom(...a.paths),
          fc.double({ min: 8, max: 80, noNaN: true }),
          fc.double({ min: 0.4, max: 2, noNaN: true }),
          (way, thick, size) => {
            const portions = Object.fromEntries(sawnCuts.map((id) => [id, sawn(thick)]))
            const c = cutUp(species, choose({ [way.part]: way.id }, { portions }), {
              kg: a.referenceKg * size,
            })
            for (const { rows } of c.cutting.slots) {
              const laid = rows.flatMap((r) => (r.stretch ? [{ ...r.stretch, cut: r.cut!.id }] : []))
              for (const x of laid.filter((x) => sawnCuts.includes(x.cut)))
                expect(x.pieces * (thick + x.kerf)).toBeLessThanOrEqual(x.usable + 1e-6)
              expect(Math.max(0, ...laid.map((x) => x.dust))).toBeLessThan(0.2)
            }
          },
        ),
        { seed: 12, numRuns: 60 },
      )
    },
  )
  it('ways that are cut from one length lie beside each other in it', () => {
    for (const a of Object.values(ANATOMIES))
      for (const p of a.paths) {
        const own = p.outputs.flatMap((o) => (o.along ? [o.along] : []))
        own.sort((x, y) => x[0] - y[0])
        own.forEach(([from, to], i) => {
          expect(from, p.id).toBeLessThan(to)
          if (i > 0) expect(from, p.id).toBeGreaterThanOrEqual(own[i - 1]![1])
        })
      }
  })
})

describe('a gauge that is set to come out', () => {
  it('leaves nothing of a shank but its ends: five slices, near 50 mm', () => {
    const row = rowOf(cutUp('steer', choose(), { kg: 320 }), 'foreshank', 'shank-cut')
    const { pieces: n, thick, kerf, left, usable } = row.stretch!
    expect(n).toBe(5)
    expect(Math.abs(thick - 50)).toBeLessThan(5)
    expect(n * (thick + kerf)).toBeCloseTo(usable, 9)
    expect(left).toBeCloseTo(0, 9)
  })
  it('as thick as said, what is too short for another is left', () => {
    const as = choose({}, { portions: { 'shank-cut': sawn(50) } })
    const { left, pieces: n } = rowOf(cutUp('steer', as, { kg: 320 }), 'foreshank', 'shank-cut').stretch!
    expect(n).toBe(4)
    expect(left).toBeGreaterThan(20)
  })
})

describe('the saw', () => {
  it('takes cuts × kerf ÷ length of what it passes, to 1e-9; thinner chops weigh less in all', () => {
    const at = (mm: number) =>
      cutUp('hog', choose({}, { portions: { 'bone-in-chop': sawn(mm) } }), { kg: 85 })
    const masses = [12, 25, 38].map((mm) => {
      const c = at(mm)
      const row = rowOf(c, 'loin', 'bone-in-chop')
      const { pieces: n, mm: length } = row.stretch!
      expect(row.green - row.product).toBeCloseTo((row.green * n * 1.2) / length, 9)
      const { carcass, added, products, byProducts, losses } = c.balance
      expect(carcass + added).toBeCloseTo(products + byProducts + losses, 9)
      return row.product
    })
    expect(masses[0]).toBeLessThan(masses[1]!)
    expect(masses[1]).toBeLessThan(masses[2]!)
    const { green, product } = rowOf(at(25), 'loin', 'bone-in-chop')
    expect(1 - product / green).toBeGreaterThan(0.035)
    expect(1 - product / green).toBeLessThan(0.06)
  })
  it('a knife takes none, and a cut that is no slice neither', () => {
    const c = cutUp('hog', choose({ loin: 'loin-boneless-chops' }), { kg: 85 })
    expect(rowOf(c, 'loin', 'boneless-chop')).toMatchObject({ stretch: { kerf: 0, dust: 0 } })
    expect(rowOf(cutUp('steer', choose({ rib: 'rib-roast' })), 'rib', 'rib-roast').stretch!.dust).toBe(0)
  })
  it('an anatomy older than types has its dust in its ways', () => {
    const c = cutUp({ ...hog, types: [] }, choose(), { kg: 85 })
    expect(rowOf(c, 'loin', 'bone-in-chop').stretch).toMatchObject({ kerf: 1.2, dust: 0 })
  })
})

describe('pieces as they are counted (common practice, from memory)', () => {
  const at = (species: Species, way: Record<string, string>, kg: number, more = {}) =>
    cutUp(species, choose(way, more), { kg })
  it('about ten good loin chops from both sides of a mid-size lamb', () => {
    expect(pieces(at('lamb', {}, 20), 'loin-chop')).toBeGreaterThanOrEqual(9)
    expect(pieces(at('lamb', {}, 20), 'loin-chop')).toBeLessThanOrEqual(11)
  })
  it('half a rib of a 125 kg side of beef: 7 ± 2 steaks of 20–25 mm', () => {
    for (const thick of [20, 25]) {
      const half = at('steer', { rib: 'rib-half' }, 250, { portions: { 'rib-steak': sawn(thick) } })
      expect(Math.abs(pieces(half, 'rib-steak') / 2 - 7)).toBeLessThanOrEqual(2)
    }
  })
  it('blade steaks lie behind the neck: 8 to 12 of both sides', () => {
    const n = pieces(at('steer', { chuck: 'chuck-blade-steaks' }, 250), 'blade-steak')
    expect(n).toBeGreaterThanOrEqual(8)
    expect(n).toBeLessThanOrEqual(20)
  })
  it('long-bone steaks are counted on the rib, not again on the plate', () => {
    const long = { rib: 'rib-long-bone', plate: 'plate-long-bone' }
    expect(pieces(at('steer', long, 320), 'long-bone-steak')).toBe(14)
  })
  it('snapped rib chops are one to a vertebra: eight from each rack of eight ribs', () => {
    expect(pieces(at('lamb', { rack: 'rack-chops' }, 20), 'rib-chop')).toBe(16)
    expect(
      pieces(at('lamb', { rack: 'rack-chops' }, 20, { lines: { 'rack-end-line': '11|12' } }), 'rib-chop'),
    ).toBe(14)
  })
  it('a 25 mm T-bone of a middle steer weighs 0.5–0.75 kg', () => {
    const c = at('steer', {}, 320)
    const each = c.cut('tbone') / pieces(c, 'tbone')
    expect(each).toBeGreaterThan(0.5)
    expect(each).toBeLessThan(0.75)
  })
  it('a hog’s loin snapped gives 16–19 a side by shoulder line', () => {
    for (const [line, low, high] of [
      ['2|3', 18, 19],
      ['5|6', 15, 17],
    ] as const) {
      const { vertebrae } = rowOf(
        at('hog', {}, 84, { lines: { 'shoulder-line': line } }),
        'loin',
        'bone-in-chop',
      ).stretch!
      expect(vertebrae).toBeGreaterThanOrEqual(low)
      expect(vertebrae).toBeLessThanOrEqual(high)
    }
  })
  it('a saddle, a crown and a bird are counted once, not once a side', () => {
    const whole = { conventions: { split: false } }
    const of = (species: Species, way: Record<string, string>, count = 1) =>
      cutUp(species, choose(way), { ...whole, kg: ANATOMIES[species].referenceKg * count, count })
    expect(pieces(of('lamb', { loin: 'loin-saddle' }), 'saddle')).toBe(1)
    expect(pieces(of('lamb', { rack: 'rack-crown' }, 4), 'crown', 4)).toBe(4)
    expect(pieces(of('broiler', {}, 60), 'whole-bird', 60)).toBe(60)
    expect(pieces(of('broiler', { bird: 'bird-parts' }, 60), 'drumstick', 60)).toBe(120)
  })
})

describe('a length', () => {
  const loin = (kg: number, count = 1) =>
    rowOf(cutUp('hog', choose(), { kg, count }), 'loin', 'bone-in-chop').stretch!.mm
  it('goes with the third root of the weight of one animal: eight animals of eight times the weight have the same', () => {
    expect(loin(800)).toBeCloseTo(2 * loin(100), 6)
    expect(loin(800, 8)).toBeCloseTo(loin(100), 6)
  })
  it('is none of a part that is not cut along one', () => {
    expect(
      cutUp('hog')
        .cutting.slot('trim', 'animal')!
        .rows.every((r) => r.stretch === null),
    ).toBe(true)
  })
})
