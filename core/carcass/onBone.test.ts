import { describe, expect, it } from 'vitest'
import { SPECIES } from '#core/anatomy'
import { ANATOMIES } from '#core/species'
import { choose, cutUp } from './testing.ts'

const of = (leaves: number, ways: Record<string, string>, species: (typeof SPECIES)[number] = 'hog') =>
  cutUp(species, choose(ways, { leaves }), { kg: ANATOMIES[species].referenceKg })

describe('meat that unpractised hands leave on the bone', () => {
  const boned = { loin: 'loin-boneless-only' }
  it('of a part that is boned out it is that share of its lean, and lies with the bones', () => {
    const [clean, left] = [of(0, boned), of(0.03, boned)]
    const lean = (x: typeof clean, id: string) =>
      x.cutting.slots.reduce((sum, s) => (s.part === id ? sum + s.tissue.lean : sum), 0)
    const loin = clean.cutting.slot('loin', 'left')!.tissue.lean * 2
    const moved = clean.cut('boneless-chop') - left.cut('boneless-chop')
    expect(moved / clean.cut('boneless-chop')).toBeGreaterThan(0.028)
    expect(moved / clean.cut('boneless-chop')).toBeLessThanOrEqual(0.03 + 1e-12)
    expect(lean(left, 'bones') - lean(clean, 'bones')).toBeGreaterThan(0.9 * 0.03 * loin)
  })
  it('what keeps its bones loses next to nothing', () => {
    const chops = (leaves: number) => of(leaves, { loin: 'loin-chops' }).cut('bone-in-chop')
    expect(chops(0.03) / chops(0)).toBeGreaterThan(0.995)
  })
  it('no kilogram is lost, of any species, whatever is left', () => {
    for (const species of SPECIES) {
      const { balance: b } = of(0.05, {}, species)
      const made = b.products + b.byProducts + b.losses - b.added - b.kept
      expect(Math.abs(made - ANATOMIES[species].referenceKg)).toBeLessThan(1e-9 * 1000)
      expect(of(0.05, {}, species).balance.products).toBeLessThanOrEqual(of(0, {}, species).balance.products)
    }
  })
})
