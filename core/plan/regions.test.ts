import { describe, expect, it } from 'vitest'
import type { Species } from '#core/anatomy'
import { choose, cutUp } from '../carcass/testing.ts'
import { regionsOf } from './index.ts'

const of = (species: Species, part: string, cut: string, kg: number, choices = choose({})) => {
  const rows = cutUp(species, choices, { kg })
    .cutting.slot(part, 'left')!
    .rows.filter((r) => r.cut?.id === cut)
  return {
    regions: regionsOf(species, rows),
    pieces: rows.reduce((sum, r) => sum + (r.stretch?.pieces ?? 0), 0),
  }
}

describe('chops know where on the loin they come from (common practice)', () => {
  it('a hog’s loin has rib chops, then centre, then sirloin, and together they are all its chops', () => {
    const { regions, pieces } = of('hog', 'loin', 'bone-in-chop', 85)
    expect(regions.map(([where]) => where)).toEqual(['rib end', 'centre', 'sirloin end'])
    expect(regions.reduce((sum, [, n]) => sum + n, 0)).toBe(pieces)
    const [[, rib], [, centre], [, sirloin]] = regions as [
      [string, number],
      [string, number],
      [string, number],
    ]
    expect(rib).toBeGreaterThan(sirloin)
    expect(centre).toBeGreaterThan(sirloin)
  })
  it('of a loin cut two ways only the stretch that is sawn counts: behind its middle no rib chops are left', () => {
    const front = choose(
      { loin: 'loin-boneless-chops' },
      { splits: { loin: { at: 0.6, path: 'loin-chops' } } },
    )
    const { regions, pieces } = of('hog', 'loin', 'bone-in-chop', 85, front)
    expect(pieces).toBeGreaterThan(5)
    expect(regions.map(([where]) => where)).not.toContain('rib end')
  })
  it('a steer’s short loin: an end steak with the last rib, T-bones, porterhouse behind', () => {
    const { regions, pieces } = of('steer', 'short-loin', 'tbone', 320)
    expect(regions.map(([where]) => where)).toEqual(['end', 'T-bone', 'porterhouse'])
    expect(regions.reduce((sum, [, n]) => sum + n, 0)).toBe(pieces)
    expect(regions[1]![1]).toBeGreaterThan(regions[0]![1])
  })
  it('where all come from one region nothing is said, nor of a part that does not lie along the back', () => {
    expect(of('steer', 'rib', 'rib-steak', 320).regions).toEqual([])
    expect(of('steer', 'foreshank', 'shank-cut', 320).regions).toEqual([])
  })
})
