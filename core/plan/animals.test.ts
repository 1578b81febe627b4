import { describe, expect, it } from 'vitest'
import { standardDeviation } from 'simple-statistics'
import type { FactBody } from '#core/records'
import { ANATOMIES } from '#core/species'
import { contradictionIn, dressedAt, NO_LOG, readFacts, tried, unknownFact, weighedApart } from './index.ts'

const animal = (mark: string, live: number | null, hot: number | null = null) => ({
  kind: 'animal' as const,
  mark,
  live: live === null ? null : { value: live, unit: 'kg' as const },
  hot: hot === null ? null : { value: hot, unit: 'kg' as const },
})
const lambs = [animal('014', 41), animal('017', 44.5), animal('022', 47)]

describe('animals told apart by their tags', () => {
  it('add up to the lot, with how far they lie apart (the sample SD of a statistics package)', () => {
    const apart = weighedApart(lambs, 3, 'live')!
    const masses = [41, 44.5, 47]
    expect(apart).toMatchObject({ weighed: 3, all: true })
    expect(apart.sum).toBeCloseTo(132.5, 9)
    expect(apart.mean).toBeCloseTo(132.5 / 3, 9)
    expect(apart.sd! * Math.sqrt(2 / 3)).toBeCloseTo(standardDeviation(masses), 9)
  })
  it('are not the lot while one is missing, and have no spread alone', () => {
    expect(weighedApart(lambs, 4, 'live')!.all).toBe(false)
    expect(weighedApart(lambs, 3, 'hot')).toBeNull()
    expect(weighedApart([animal('014', 41)], 3, 'live')!.sd).toBeNull()
  })
  it('dress at hot over live, when both were weighed', () => {
    expect(dressedAt(animal('014', 40, 20))).toBeCloseTo(0.5, 12)
    expect(dressedAt(animal('014', 40))).toBeNull()
  })
  it('in pounds and kilograms are the same animal', () => {
    const mixed = [animal('1', 40), { ...animal('2', null), live: { value: 100, unit: 'lb' as const } }]
    expect(weighedApart(mixed, 2, 'live')!.sum).toBeCloseTo(40 + 45.359, 3)
  })
})

describe('one animal', () => {
  const lamb = ANATOMIES.lamb
  const odd = (fact: FactBody) => unknownFact(lamb, fact)
  it('weighs no more than any of its kind, and its carcass less than itself', () => {
    expect(odd(animal('014', 41, 20))).toBeNull()
    expect(odd(animal('014', 410))).toMatchObject({ code: 'mass-absurd', field: 'live' })
    expect(odd(animal('014', null, 300))).toMatchObject({ code: 'mass-absurd', field: 'hot' })
    expect(odd(animal('014', 30, 31))).toMatchObject({ code: 'hot-above-live', field: 'hot' })
  })
  it('of a tag that is written again is the same one: its carcass weight comes to it later', () => {
    const now = tried(NO_LOG, [animal('014', 41), animal('014', 41, 20)])
    expect(readFacts(now.facts).animals.map(({ mark, hot }) => [mark, hot?.value])).toEqual([['014', 20]])
  })
  it('more than there are in the lot are refused', () => {
    const { facts } = tried(NO_LOG, lambs)
    expect(contradictionIn(lamb, facts, 3)).toBeNull()
    expect(contradictionIn(lamb, facts, 2)).toMatchObject({
      code: 'more-than-count',
      figures: { named: 3, count: 2 },
    })
  })
})
