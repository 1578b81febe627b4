import {
  parse,
  type Color,
  differenceCiede2000,
  filterDeficiencyDeuter,
  filterDeficiencyProt,
  filterDeficiencyTrit,
  wcagContrast,
} from 'culori'
import { describe, expect, it } from 'vitest'
import type { Destination } from '#core/anatomy'
import { DESTINATIONS } from './destinations.ts'

/** Families told apart by colour; inside one, by lightness, pattern and letter. */
const FAMILIES: Destination[][] = [['R', 'T'], ['B', 'C'], ['G', 'O'], ['N', 'F'], ['X']]
const SIGHTS: Record<string, (colour: Color) => Color | undefined> = {
  'full colour': (c) => c,
  'no red cones': filterDeficiencyProt(1),
  'no green cones': filterDeficiencyDeuter(1),
  'no blue cones': filterDeficiencyTrit(1),
}
const difference = differenceCiede2000()
const fill = (d: Destination) => DESTINATIONS[d].fill
const colour = (d: Destination) => parse(fill(d))!

describe('nine destinations', () => {
  it('each have a pattern of their own and a word', () => {
    const looks = Object.values(DESTINATIONS)
    expect(looks).toHaveLength(9)
    expect(new Set(looks.map((l) => l.draw)).size).toBeGreaterThanOrEqual(9)
    expect(new Set(looks.map((l) => l.word)).size).toBe(9)
    expect(FAMILIES.flat().sort()).toEqual(Object.keys(DESTINATIONS).sort())
  })
  it.each(Object.entries(SIGHTS))('stay apart inside a family by lightness, with %s', (_, see) => {
    for (const [dark, light] of FAMILIES.filter((f) => f.length === 2)) {
      expect(difference(see(colour(dark!))!, see(colour(light!))!), `${dark} and ${light}`).toBeGreaterThan(8)
    }
  })
  it.each(Object.entries(SIGHTS))('look different or bear another pattern, with %s', (_, see) => {
    const ids = Object.keys(DESTINATIONS) as Destination[]
    for (const a of ids) {
      for (const b of ids.filter((x) => x > a)) {
        const apart = difference(see(colour(a))!, see(colour(b))!)
        expect(apart > 5 || DESTINATIONS[a].draw !== DESTINATIONS[b].draw, `${a} and ${b}: ${apart}`).toBe(
          true,
        )
        expect(apart, `${a} and ${b} are one colour`).toBeGreaterThan(2.3)
      }
    }
  })
  it('never puts danger red on meat', () => {
    for (const [id, look] of Object.entries(DESTINATIONS))
      expect(difference(look.fill, '#b3261e'), id).toBeGreaterThan(15)
  })
  it('carry a letter that can be read on them (WCAG 2, 4.5 : 1 for the ink that is used)', () => {
    for (const id of Object.keys(DESTINATIONS) as Destination[]) {
      const best = Math.max(wcagContrast(fill(id), '#ffffff'), wcagContrast(fill(id), '#241d16'))
      expect(best, id).toBeGreaterThanOrEqual(4.5)
    }
  })
})
