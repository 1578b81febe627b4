import { describe, expect, it } from 'vitest'
import { ANATOMIES, hog, type Portion, type Species } from '#core/anatomy'
import { choose, cutUp } from '../carcass/testing.ts'
import { portionsOf, spanOf, thicknessFor } from './index.ts'

/** Pieces and packs of a cut in `count` animals of `kg` each. */
function portions(
  species: Species,
  cut: string,
  choices = choose(),
  { kg = ANATOMIES[species].referenceKg, count = 1, conventions = {} as Record<string, boolean> } = {},
) {
  const c = cutUp(species, choices, { kg: kg * count, conventions })
  const { pieces, packs } = portionsOf(c.cutting, count, 'lb').get(cut)!
  return { pieces, packs }
}

describe('whole pieces', () => {
  const at = (line: string) => choose({}, { lines: { 'shoulder-line': line } })
  const chops = (line: string, more = {}) => portions('hog', 'bone-in-chop', at(line), more)
  it('sawn chops = floor(length / (thickness + kerf)) a side', () => {
    const ribs = hog.axis.filter((s) => s.rib && s.rib > 2).reduce((sum, s) => sum + s.mm, 0)
    expect(chops('2|3').pieces).toBe(2 * Math.floor((ribs + 6 * 36 + 63) / (25 + 1.2)))
    expect(chops('5|6').pieces).toBeLessThan(chops('2|3').pieces)
  })
  it('a lamb’s loin of 20–23 cm gives 7–8 chops a side (common practice, from memory)', () => {
    const { pieces } = portions('lamb', 'loin-chop')
    expect(pieces).toBeGreaterThanOrEqual(14)
    expect(pieces).toBeLessThanOrEqual(16)
  })
  it('snapped rib chops are one to a vertebra: eight from each rack of eight ribs', () => {
    expect(portions('lamb', 'rib-chop', choose({ rack: 'rack-chops' })).pieces).toBe(16)
    const short = choose({ rack: 'rack-chops' }, { lines: { 'rack-end-line': '11|12' } })
    expect(portions('lamb', 'rib-chop', short).pieces).toBe(14)
  })
  it.each(['hog', 'lamb', 'steer'] as const)(
    '%s: two carcasses 40 %% apart keep their shares but change counts as length, carcass^(1/3)',
    (species) => {
      const cut = { hog: 'bone-in-chop', lamb: 'loin-chop', steer: 'tbone' }[species]
      const { referenceKg, cuts } = ANATOMIES[species]
      const of = (kg: number) => portions(species, cut, choose(), { kg }).pieces
      const ratio = of(referenceKg * 1.4 * 27) / of(referenceKg * 27)
      expect(ratio).toBeCloseTo(Math.cbrt(1.4), 1)
      const share = (kg: number) => cutUp(species, choose(), { kg }).cuts.map((x) => x / kg)
      share(referenceKg * 1.4).forEach((x, i) =>
        expect(x, cuts[i]!.id).toBeCloseTo(share(referenceKg)[i]!, 9),
      )
    },
  )
  it('three hogs give three times one hog, two chops a pack', () => {
    expect(chops('2|3', { count: 3 })).toEqual({
      pieces: 3 * chops('2|3').pieces,
      packs: (3 * chops('2|3').pieces) / 2,
    })
  })
  it('a saddle, a crown and a bird are counted once, not once a side', () => {
    const whole = { conventions: { split: false } }
    expect(portions('lamb', 'saddle', choose({ loin: 'loin-saddle' }), whole).pieces).toBe(1)
    expect(portions('lamb', 'crown', choose({ rack: 'rack-crown' }), { ...whole, count: 4 }).pieces).toBe(4)
    expect(portions('broiler', 'whole-bird', choose(), { count: 60 }).pieces).toBe(60)
    expect(portions('broiler', 'drumstick', choose({ bird: 'bird-parts' }), { count: 60 }).pieces).toBe(120)
  })
})

describe('portions as decided', () => {
  const lamb = cutUp('lamb', choose(), { kg: 24 })
  const at = (own: [string, Portion][]) => portionsOf(lamb.cutting, 1, 'lb', new Map(own)).get('loin-chop')!
  const loin = () => spanOf(lamb.cutting, lamb.cutting.slot('loin', 'left')!, 1)
  it('thickness and kerf decide the count, and what is left over is an end piece shorter than a chop', () => {
    const thick = at([['loin-chop', { kind: 'sawn', thicknessMm: 38, kerfMm: 1.2, perPack: 2 }]])
    expect(thick.pieces).toBe(2 * Math.floor(loin().mm / 39.2))
    expect(thick.endMm).toBeCloseTo(loin().mm - (thick.pieces / 2) * 39.2, 9)
    expect(thick.endMm).toBeLessThan(39.2)
    expect(thick.end).toBeCloseTo((lamb.cut('loin-chop') * thick.endMm) / loin().mm, 9)
  })
  it('a count asked for is met by the thickness it comes to', () => {
    for (const pieces of [5, 7, 9]) {
      const thicknessMm = thicknessFor(loin().mm, pieces, 1.2)
      expect(at([['loin-chop', { kind: 'sawn', thicknessMm, kerfMm: 1.2, perPack: 2 }]]).pieces).toBe(
        2 * pieces,
      )
    }
  })
  it('snapped, there is one to each vertebra of the loin: a rib and six lumbar a side', () => {
    const { pieces, packs } = at([['loin-chop', { kind: 'snapped', perPack: 4 }]])
    expect([pieces, packs]).toEqual([14, 4])
    expect(loin().vertebrae).toBe(7)
  })
  it('a hog’s loin snapped gives 16–19 a side by shoulder line (from memory)', () => {
    for (const [line, low, high] of [
      ['2|3', 18, 19],
      ['5|6', 15, 17],
    ] as const) {
      const c = cutUp('hog', choose({}, { lines: { 'shoulder-line': line } }), { kg: 84 })
      const { vertebrae } = spanOf(c.cutting, c.cutting.slot('loin', 'left')!, 1)
      expect(vertebrae, line).toBeGreaterThanOrEqual(low)
      expect(vertebrae, line).toBeLessThanOrEqual(high)
    }
  })
})
