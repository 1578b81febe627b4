import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { SPECIES, type SideName, type Species } from '#core/anatomy'
import { ANATOMIES } from '#core/species'
import { afterBench } from '#core/ledger'
import { formatMass, kg, minor, type Names } from '#core/measure'
import type { Decision } from '#core/records'
import { flowOf } from '../carcass/testing.ts'
import { adoptPlan, housePlans, NO_LOG, readPlan } from '#core/plan'
import {
  alternativesFor,
  differencesOf,
  figuresApart,
  pairsOf,
  reckon,
  sayDifference,
  valuePlan,
  type Difference,
  type PlanFigures,
} from './index.ts'
import { FARM as farm, lotOf, packOf } from './testing.ts'
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

describe('house plans do what their names say', () => {
  const cut = (species: Species, name: string) => {
    const a = ANATOMIES[species]
    const plan = housePlans(a).find((p) => p.name === name)!
    const { decisions } = adoptPlan(a, readPlan(a, NO_LOG), plan)
    return reckon(flowOf(species), lotOf(species, decisions), farm, 0).cutting
  }
  it.each(['hog', 'lamb', 'steer'] as const)('%s: a boneless plan sells no bone', (species) => {
    const { slots, balance } = cut(species, 'Retail, boneless')
    const sold = slots.flatMap((s) =>
      s.rows.filter((r) => r.cut?.kind === 'product' && !['N', 'O'].includes(r.cut.destination)),
    )
    const bone = sold.reduce((sum, r) => sum + r.tissue.bone, 0)
    expect(
      bone / balance.carcass,
      [...new Set(sold.filter((r) => r.tissue.bone > 0).map((r) => r.cut!.id))].join(),
    ).toBeLessThan(1e-9)
  })
  it.each(['hog', 'lamb', 'steer'] as const)('%s: a freezer plan that needs no saw needs none', (species) => {
    const sawn = cut(species, 'Family freezer').slots.filter((s) => s.holds && s.path.tool === 'saw')
    expect(sawn.map((s) => s.path.id)).toEqual([])
  })
  it('strict weighs less than boneless, boneless less than bone-in, in every species that has them', () => {
    for (const species of ['hog', 'lamb', 'steer'] as const) {
      const [bone, boneless, strict] = ['Retail, bone-in', 'Retail, boneless', 'Home cutter, strict'].map(
        (name) => cut(species, name).balance.products,
      )
      expect(boneless, species).toBeLessThan(bone!)
      expect(strict, species).toBeLessThan(boneless!)
    }
  })
})

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
    const [there, back] = [differencesOf(a, b, 'kg'), differencesOf(b, a, 'kg')]
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
  it.each(['kg', 'lb'] as const)('in %s a difference is that of the two figures beside it', (unit) => {
    const shown = (mass: number) => formatMass(kg(mass), unit).replace(` ${unit}`, '')
    for (const species of SPECIES) {
      const plans = housePlans(ANATOMIES[species]).map((p) => value(species, p.name))
      for (const second of plans.slice(1)) {
        const by = figuresApart(plans[0]!, second, unit)
        const [a, b] = [plans[0]!.worth, second.worth]
        for (const id of ['takeHome', 'bone', 'fat'] as const)
          expect(Number(shown(by[id])), `${species} ${id}`).toBeCloseTo(
            Number(shown(b[id])) - Number(shown(a[id])),
            9,
          )
        for (const p of pairsOf(plans[0]!, second, unit).differ)
          expect(Number(shown(p.by)), `${species} ${p.cut.id}`).toBeCloseTo(
            Number(shown(p.second)) - Number(shown(p.first)),
            9,
          )
        expect(by.money - by.fees - by.labour - by.goods).toBe(by.net)
      }
    }
  })
  it('a plan beside itself differs in nothing', () => {
    const a = value('lamb', 'Retail, bone-in')
    expect(differencesOf(a, a, 'kg')).toEqual([])
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

describe('plans beside each other once packs are weighed', () => {
  const flow = flowOf('hog')
  const lot = { ...lotOf('hog'), packs: [packOf('bone-in-chop', 6, 4), packOf('boston-butt', 7, 2)] }
  const now = reckon(flow, lot, farm, 0)
  it('the plan in force says what the Block and the prices say', () => {
    const { worth, read } = valuePlan(flow, lot, now, null)
    expect(worth.takeHome).toBeCloseTo(now.worth.takeHome, 9)
    expect(worth.money).toBe(now.money.net)
    expect(read.unweighedKg).toBeCloseTo(now.unweighedKg, 9)
  })
  it('another leaves what packs came of as it was cut, and is exact once it is used', () => {
    const other = housePlans(ANATOMIES.hog).find((p) => p.name === 'Retail, boneless')!
    const { worth, decisions, leftOut } = valuePlan(flow, lot, now, other)
    expect(decisions.filter((d) => d.field === 'path' && d.target === 'loin')).toEqual([])
    expect(leftOut.some((l) => l.why.includes('weighed already'))).toBe(true)
    const used = reckon(flow, { ...lotOf('hog', decisions), packs: lot.packs }, farm, 0)
    expect(used.worth).toEqual(worth)
    expect(used.cuts.find((c) => c.cut.id === 'bone-in-chop')!.weighedKg).toBeGreaterThan(2)
  })
})

describe('a difference as a sentence about the second plan', () => {
  const cut: Names = { american: 'Rib Chops', commonwealth: 'Cutlets' }
  const say = (d: { about: string; by: number; cut?: Names }) => sayDifference(d as Difference, 'Two', words)
  it.each<[string, number, string]>([
    ['money', 1250, 'Two brings $12.50 more after fees.'],
    ['money', -1250, 'Two brings $12.50 less after fees.'],
    ['take-home', 2.5, 'Two takes 2.50 kg more home.'],
    ['take-home', -2.5, 'Two takes 2.50 kg less home.'],
    ['minutes', 7.4, 'Two costs 7 minutes more at the bench.'],
    ['minutes', -7.6, 'Two costs 8 minutes less at the bench.'],
    ['packs', 1, 'Two makes 1 pack more to wrap.'],
    ['packs', -1, 'Two makes 1 pack fewer to wrap.'],
    ['packs', 3, 'Two makes 3 packs more to wrap.'],
    ['bone', 1, 'Two leaves 1.00 kg more in the bone bin.'],
    ['bone', -1, 'Two leaves 1.00 kg less in the bone bin.'],
    ['fat', 1, 'Two trims 1.00 kg more fat away.'],
    ['fat', -1, 'Two trims 1.00 kg less fat away.'],
    ['gains', 1.5, 'Two has rib chops (1.50 kg), which the other has not.'],
    ['loses', -1.5, 'Two has no rib chops; the other has 1.50 kg.'],
  ])('%s %d', (about, by, said) => expect(say({ about, by, cut })).toBe(said))
})

describe('what matters between two plans', () => {
  const base = value('hog', null)
  const like = (more: Partial<PlanFigures['worth']>): PlanFigures => ({
    ...base,
    worth: { ...base.worth, ...more },
  })
  const between = (more: Partial<PlanFigures['worth']>) => differencesOf(base, like(more), 'kg')
  it.each(['minutes', 'packs', 'bone', 'fat'] as const)(
    '%s: more than 2 %% either way, and not less',
    (about) => {
      const was = base.worth[about] as number
      expect(was).toBeGreaterThan(1)
      const by = (to: number) => between({ [about]: was * to })
      expect([by(1.019), by(0.981)]).toEqual([[], []])
      expect(by(1.021)).toMatchObject([{ about }])
      const rounded = about === 'minutes' || about === 'packs' ? 1 : 0.01
      expect(Math.abs((by(1.021)[0] as { by: number }).by - was * 0.021)).toBeLessThanOrEqual(rounded)
      expect(Math.abs((by(0.979)[0] as { by: number }).by + was * 0.021)).toBeLessThanOrEqual(rounded)
    },
  )
  it('money is what is left after the plan’s own fees and hours', () => {
    const money = afterBench(base.worth)
    expect(between({ fees: minor(money * 0.01) })).toEqual([])
    expect(between({ fees: minor(money * 0.05) })).toEqual([{ about: 'money', by: -minor(money * 0.05) }])
    expect(between({ labour: minor(money * 0.05) })).toEqual([{ about: 'money', by: -minor(money * 0.05) }])
  })
  it('weight taken home, by name', () =>
    expect(between({ takeHome: kg(base.worth.takeHome * 1.05) })).toMatchObject([{ about: 'take-home' }]))
  it('anything is much beside nothing', () => {
    const none = like({ bone: kg(0) })
    expect(differencesOf(none, like({ bone: kg(0.1) }), 'kg')).toEqual([{ about: 'bone', by: 0.1 }])
  })
  it('the three cuts that bring most of those one plan has alone, and none that both have or that is no product', () => {
    const boneless = value('hog', 'Retail, boneless')
    const gains = differencesOf(base, boneless, 'kg').filter((d) => d.about === 'gains')
    const own = boneless.read.cuts
      .filter((c) => c.cut.kind === 'product' && !base.read.cuts.some((x) => x.cut.id === c.cut.id))
      .toSorted((a, b) => b.value - a.value)
    expect(own.length).toBeGreaterThan(3)
    expect(gains).toEqual(own.slice(0, 3).map((c) => ({ about: 'gains', by: c.kg, cut: c.cut.names })))
  })
  it('a plan that cannot be kept whole says what is left out; without one nothing is', () => {
    const flow = flowOf('hog')
    const lot = lotOf('hog')
    const plan = {
      ...housePlans(ANATOMIES.hog)[0]!,
      paths: [{ part: 'wing', side: 'left' as const, path: 'x' }],
    }
    expect(valuePlan(flow, lot, reckon(flow, lot, farm, 0), plan).leftOut.map((l) => l.what)).toEqual([
      'wing: x',
    ])
    expect(base).toMatchObject({ leftOut: [], decisions: [] })
  })
})
