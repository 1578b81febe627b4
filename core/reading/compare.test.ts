import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { ANATOMIES, SPECIES, type SideName, type Species } from '#core/anatomy'
import { afterBench } from '#core/ledger'
import type { Names } from '#core/measure'
import type { Decision } from '#core/records'
import { flowOf } from '../carcass/testing.ts'
import { housePlans } from '#core/plan'
import {
  alternativesFor,
  differencesOf,
  reckon,
  sayDifference,
  valuePlan,
  type Difference,
  type PlanFigures,
} from './index.ts'
import { FARM as farm, lotOf } from './testing.ts'
const value = (species: Species, name: string | null): PlanFigures => {
  const lot = lotOf(species)
  const flow = flowOf(species)
  const plan = name === null ? null : housePlans(ANATOMIES[species]).find((p) => p.name === name)!
  return valuePlan(flow, lot, reckon(flow, lot, farm, 0), plan)
}
const namesOf = (list: Difference[], about: 'gains' | 'loses') =>
  list.flatMap((d) => (d.about === about && 'cut' in d ? [d.cut.american] : []))
const words = {
  mass: (kg: number) => `${kg.toFixed(2)} kg`,
  money: (minor: number) => `$${(minor / 100).toFixed(2)}`,
  name: (n: Names) => n.american,
}

describe('the difference beside a way', () => {
  it.each(SPECIES)(
    '%s: equals the difference of the two plans evaluated apart, for random plans',
    (species) => {
      const a = ANATOMIES[species]
      const flow = flowOf(species)
      const sided = a.parts.filter((p) => !p.needs)
      const choice = fc
        .constantFrom(...sided)
        .chain((p) =>
          fc
            .constantFrom(...a.paths.filter((x) => x.part === p.id && !x.pair && !x.together && !x.needs))
            .map((path) => ({ part: p.id, path: path.id, scope: p.scope })),
        )
      const sidesOf = (scope: string): SideName[] => (scope === 'animal' ? ['animal'] : ['left', 'right'])
      const decide = (c: { part: string; path: string; scope: string }): Decision[] =>
        sidesOf(c.scope).map((side) => ({ field: 'path', target: c.part, side, value: c.path }))
      fc.assert(
        fc.property(fc.array(choice, { maxLength: 6 }), choice, (before, next) => {
          const lot = lotOf(species, before.flatMap(decide))
          const now = reckon(flow, lot, farm, 0)
          const found = alternativesFor(now, next.part, sidesOf(next.scope))
          const row = found.find((x) => x.path === next.path)!
          if (row.refusal) return
          const then = reckon(flow, lotOf(species, [...before, next].flatMap(decide)), farm, 0)
          expect(row.difference.takeHome).toBeCloseTo(then.balance.products - now.balance.products, 9)
          expect(row.difference.money).toBe(then.money.net - now.money.net)
          expect(row.difference.minutes).toBeCloseTo(then.minutes - now.minutes, 9)
          const packs = (r: typeof now) => r.cuts.reduce((s, c) => s + c.packs, 0)
          expect(row.difference.packs).toBe(packs(then) - packs(now))
        }),
        { seed: 5, numRuns: 40 },
      )
    },
  )
})

describe('plans side by side', () => {
  it.each(SPECIES)('%s: every sentence is true of the figures, both ways round', (species) => {
    const [one, two] = housePlans(ANATOMIES[species]).slice(0, 2)
    const [a, b] = [value(species, one!.name), value(species, two!.name)]
    const [there, back] = [differencesOf(a, b), differencesOf(b, a)]
    const by = (list: typeof there, about: string) => list.find((d) => d.about === about)?.by
    for (const about of ['money', 'take-home', 'minutes', 'packs', 'bone', 'fat'] as const) {
      const [x, y] = [by(there, about), by(back, about)]
      if (x !== undefined && y !== undefined) expect(x, about).toBeCloseTo(-y, 9)
    }
    expect(namesOf(there, 'gains')).toEqual(namesOf(back, 'loses'))
    const money = by(there, 'money')
    if (money !== undefined) {
      const apart = afterBench(b.worth) - afterBench(a.worth)
      expect(money).toBe(apart)
      const said = sayDifference(
        there.find((d) => d.about === 'money')!,
        two!.name,
        words,
      )
      expect(said).toContain(apart > 0 ? 'more after fees' : 'less after fees')
      expect(said).toContain(words.money(Math.abs(apart)))
    }
  })
  it('a plan beside itself differs in nothing', () => {
    const a = value('lamb', 'Retail, bone-in')
    expect(differencesOf(a, a)).toEqual([])
  })
  it('boneless takes less home than bone-in and leaves more bone; strict takes least (common practice)', () => {
    for (const species of ['hog', 'lamb', 'steer'] as const) {
      const [boneIn, boneless, strict] = ['Retail, bone-in', 'Retail, boneless', 'Home cutter, strict'].map(
        (n) => value(species, n),
      )
      expect(boneless!.worth.takeHome, species).toBeLessThan(boneIn!.worth.takeHome)
      expect(boneless!.worth.bone, species).toBeGreaterThan(boneIn!.worth.bone)
      expect(strict!.worth.takeHome, species).toBeLessThan(boneless!.worth.takeHome)
    }
  })
  it('using a plan brings exactly the figures shown for it', () => {
    const flow = flowOf('steer')
    const figures = value('steer', 'Roasts for winter')
    const after = reckon(flow, lotOf('steer', figures.decisions), farm, 0)
    expect(after.balance.products).toBeCloseTo(figures.worth.takeHome, 9)
    expect(after.money.net).toBe(figures.worth.money)
  })
})
