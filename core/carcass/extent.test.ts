import { describe, expect, it } from 'vitest'
import { SPECIES } from '#core/anatomy'
import { ANATOMIES } from '#core/species'
import type { Extent } from './index.ts'
import { choose, cutUp } from './testing.ts'

const W = 100
const of = (species: (typeof SPECIES)[number], extent?: Extent, kg = W, choices = choose()) =>
  cutUp(species, choices, { kg, liveKg: kg * 1.7, ...(extent && { extent }) })
/** An extent at the weight it has in a carcass of `W` kg. */
const within = (species: (typeof SPECIES)[number], extent: Extent, choices = choose()) =>
  of(species, extent, W * of(species, extent).cutting.hangs, choices)
const onCarcass = (x: ReturnType<typeof of>) =>
  new Map(x.cutting.slots.flatMap((s) => (s.offCarcass > 0 ? [] : [[`${s.part} ${s.side}`, s.kg] as const])))

describe('what hangs is the whole, a side, a quarter or a part', () => {
  it.each(SPECIES)('%s: two sides are the whole, part by part', (species) => {
    const [left, right] = (['left', 'right'] as const).map((side) =>
      onCarcass(within(species, { sides: [side] })),
    )
    for (const [slot, kg] of onCarcass(of(species)))
      expect(left!.get(slot)! + right!.get(slot)!).toBeCloseTo(kg, 9)
  })
  it('a beef side quartered between the 12th and 13th rib: the fore is some 52 % of it, the hind 48 (common practice)', () => {
    const [fore, hind] = [
      ['chuck', 'rib', 'brisket', 'foreshank', 'plate', 'skirts'],
      ['short-loin', 'sirloin', 'tenderloin', 'round', 'hind-shank', 'flank', 'suet', 'hanger'],
    ].map((parts) => within('steer', { sides: ['left'], parts }))
    expect(Math.abs(fore!.balance.carcass / (W / 2) - 0.52)).toBeLessThan(0.025)
    expect(fore!.balance.carcass + hind!.balance.carcass).toBeCloseTo(W / 2, 9)
    expect(fore!.part('round') + hind!.part('chuck')).toBe(0)
  })
  it.each(SPECIES)('%s: every part boxed alone, at its weight, is the carcass once', (species) => {
    // What is freed from under a part came in with it.
    const freed = new Set(ANATOMIES[species].parts.flatMap((p) => (p.extraction ? [p.id] : [])))
    const parts = [
      ...new Set(
        of(species)
          .cutting.slots.filter((s) => s.offCarcass === 0 && !freed.has(s.part))
          .map((s) => s.part),
      ),
    ]
    const shares = parts.flatMap((part) => {
      if (of(species).part(part) === 0) return []
      return [of(species, { sides: ['left', 'right'], parts: [part] }).cutting.hangs]
    })
    expect(shares.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9)
  })
  it('a loin that is bought in gives the chops it gives in its side: as many, as heavy, and nothing else', () => {
    const chops = choose({ loin: 'loin-chops' })
    const extent: Extent = { sides: ['left'], parts: ['loin'] }
    const [alone, side] = [within('hog', extent, chops), within('hog', { sides: ['left'] }, chops)]
    const rowOf = (x: typeof alone) =>
      x.cutting.slot('loin', 'left')!.rows.find((r) => r.cut?.id === 'bone-in-chop')!
    expect(rowOf(alone).stretch).toEqual(rowOf(side).stretch)
    expect(rowOf(alone).product).toBeCloseTo(rowOf(side).product, 9)
    expect(alone.cutting.slot('ham', 'left')?.kg ?? 0).toBe(0)
    expect(alone.balance.kept).toBe(0)
  })
  it('an extent that holds nothing of the carcass is refused', () => {
    expect(() => of('hog', { sides: ['left'], parts: ['nose'] })).toThrow(RangeError)
  })
})
