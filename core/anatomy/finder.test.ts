import { describe, expect, it } from 'vitest'
import { finderOf, SPECIES, type Species } from './index.ts'
import { ANATOMIES } from '#core/species'

const find = finderOf(SPECIES.map((s) => ANATOMIES[s]))
const first = (text: string, prefer?: Species) => {
  const [c] = find(text, prefer)
  return c && `${c.species} ${c.id}`
}

describe('finding a cut by what anyone calls it (names: common practice)', () => {
  it.each([
    ['ribeye', 'steer rib-eye'],
    ['rib eye', 'steer rib-eye'],
    ['Rib-Eye steaks', 'steer rib-eye'],
    ['scotch fillet', 'steer rib-eye'],
    ['new york', 'steer strip'],
    ['feather', 'steer flat-iron'],
    ['scrag', 'lamb neck-slices'],
    ['drumstick', 'broiler drumstick'],
    ['drum sticks', 'broiler drumstick'],
    ['tri tip', 'steer tri-tip'],
    ['tritip', 'steer tri-tip'],
    ['baby back', 'hog back-ribs'],
    ['spatchcok', 'broiler spatchcock'],
    ['oso buco', 'steer shank'],
    ['osso bucco', 'steer shank'],
    ['brisquet', 'steer brisket'],
  ])('“%s” is %s', (text, id) => {
    const ids = find(text)
      .slice(0, 3)
      .map((c) => `${c.species} ${c.id}`)
    expect(ids.some((x) => x.startsWith(id))).toBe(true)
  })
  it('gigot is a leg of lamb, part or cut', () =>
    expect(
      find('gigot')
        .slice(0, 2)
        .map((c) => [c.species, c.id]),
    ).toEqual(
      expect.arrayContaining([
        ['lamb', 'leg'],
        ['lamb', 'leg-whole'],
      ]),
    ))
  it('what every species has comes first of the one that is looked at', () => {
    expect(first('shoulder', 'lamb')).toMatch(/^lamb /)
    expect(first('shoulder', 'hog')).toMatch(/^hog /)
  })
  it('nothing is called zebra, and nothing typed finds nothing', () => {
    expect(find('zebra')).toEqual([])
    expect(find('  -  ')).toEqual([])
  })
  it('every other word belongs to something that is there', () => {
    for (const species of SPECIES) {
      const { cuts, parts } = ANATOMIES[species]
      const known = new Set([...cuts, ...parts].map((x) => x.id))
      expect(
        Object.keys(ANATOMIES[species].also).filter((id) => !known.has(id)),
        species,
      ).toEqual([])
    }
  })
})

describe('the farm’s own words', () => {
  const own = finderOf(
    SPECIES.map((s) => ANATOMIES[s]),
    [
      { species: 'steer', id: 'strip', word: 'Rumpsteak (Küche Lindner)' },
      { species: 'hog', id: 'collar-roast', word: 'bondiola' },
    ],
  )
  it('a customer’s or supplier’s word finds the cut, in any language, accents forgiven', () => {
    expect(own('bondiola')[0]).toMatchObject({ species: 'hog', id: 'collar-roast' })
    expect(own('kuche lindner')[0]).toMatchObject({ species: 'steer', id: 'strip' })
    expect(find('bondiola').some((c) => c.id === 'collar-roast')).toBe(false)
  })
})
