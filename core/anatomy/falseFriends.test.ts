import { describe, expect, it } from 'vitest'
import { falseFriendsIn } from './index.ts'
import { ANATOMIES } from '#core/species'

const words = (text: string) => falseFriendsIn(text).map((f) => f.word)

describe('false friends: words that mean another cut at another counter (common practice)', () => {
  it.each([
    ['Porterhouse and T-bone steaks', ['porterhouse']],
    ['Sirloin tip', ['sirloin']],
    ['spareribs', ['spare rib']],
    ['Spare ribs', ['spare rib']],
    ['baby back ribs', ['baby back']],
    ['Ground beef', []],
    ['Hind shank', ['shank']],
  ] as const)('“%s”', (text, found) => expect(words(text)).toEqual(found))
  it('a cut whose two names pull apart says so: strip steak is the Commonwealth’s porterhouse', () => {
    const strip = ANATOMIES.steer.cuts.find((c) => c.id === 'strip')!
    expect(falseFriendsIn(strip.names).map((f) => f.word)).toEqual(['porterhouse'])
  })
  it('every one says which is meant where', () => {
    for (const f of falseFriendsIn(
      'porterhouse sirloin rump round backstrap oyster spare rib knuckle hock shank baby back prime rib gammon cutlet',
    ))
      expect(f.says.length).toBeGreaterThan(40)
    expect(falseFriendsIn('oysters')).toHaveLength(1)
  })
})
