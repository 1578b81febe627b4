import { describe, expect, it } from 'vitest'
import { mean, standardDeviation } from 'simple-statistics'
import { SPECIES, TISSUES, type Anatomy, type Species } from '#core/anatomy'
import { ANATOMIES } from '#core/species'
import { kg, KG_PER_LB } from '#core/measure'
import {
  animalOf,
  drawLot,
  porkFatFreeLean,
  SidedMap,
  STAGES,
  type CutRow,
  type Drawn,
  type Measured,
} from './index.ts'
import { choose, cutUp } from './testing.ts'

const ways: Partial<Record<Species, Record<string, string>>> = { broiler: { bird: 'bird-parts' } }
const of = (species: Species) => cutUp(species, choose(ways[species] ?? {}), { kg: 100, liveKg: 180 })

const massOf = (t: CutRow['tissue']) => TISSUES.reduce((s, name) => s + t[name], 0)
const meatOf = (t: CutRow['tissue']) => t.lean + t.fat + t.seam

describe('a carcass cut up, by names', () => {
  it.each(SPECIES)('%s: a part is the sum of its tissues, and of what comes of it', (species) => {
    const { cutting } = of(species)
    for (const slot of cutting.slots) {
      expect(slot.kg, slot.part).toBeCloseTo(massOf(slot.tissue), 9)
      expect(slot.holds).toBe(slot.kg > 1e-9)
      if (!slot.holds) continue
      expect(
        slot.rows.reduce((s, r) => s + r.green, 0),
        slot.part,
      ).toBeCloseTo(slot.kg, 9)
      for (const row of slot.rows) {
        expect(row.green, slot.part).toBeCloseTo(massOf(row.tissue), 9)
        expect((row.cut === null) !== (row.part === null), slot.part).toBe(true)
      }
      for (const name of TISSUES)
        expect(
          slot.rows.reduce((s, r) => s + r.tissue[name], 0),
          `${slot.part} ${name}`,
        ).toBeCloseTo(slot.tissue[name], 9)
    }
  })
  it.each(SPECIES)(
    '%s: a cut is what all its rows come to; what a process adds and leaves is the row’s own',
    (species) => {
      const { cutting, flow } = of(species)
      const rows = cutting.slots.flatMap((s) => s.rows)
      for (const cut of flow.anatomy.cuts.filter((c) => c.kind !== 'loss'))
        expect(
          rows.reduce((s, r) => (r.cut === cut ? s + r.product : s), 0),
          cut.id,
        ).toBeCloseTo(cutting.cutKg(cut.id), 9)
      expect(rows.reduce((s, r) => (r.cut ? s + r.added : s), 0)).toBeCloseTo(cutting.balance.added, 9)
      for (const r of rows.filter((x) => x.green > 1e-6 && x.cut))
        expect(r.edible / (meatOf(r.tissue) || 1)).toBeCloseTo(
          meatOf(r.tissue) > 0 ? r.product / r.green : 0,
          9,
        )
    },
  )
  it('is asked for by side, or of both together; what there is not weighs nothing', () => {
    const { cutting } = cutUp('hog', choose({}, { left: { loin: 'loin-roasts' } }))
    const [left, right] = [cutting.slot('loin', 'left')!, cutting.slot('loin', 'right')!]
    expect([left.path.id, right.path.id]).toEqual(['loin-roasts', 'loin-chops'])
    expect(cutting.partKg('loin', 'left')).toBe(left.kg)
    expect(cutting.partKg('loin')).toBeCloseTo(left.kg + right.kg, 12)
    expect(cutting.slot('loin', 'animal')).toBeNull()
    expect(cutting.slot('wing', 'left')).toBeNull()
    expect([cutting.partKg('wing'), cutting.cutKg('tbone')]).toEqual([0, 0])
  })
  it('lines lie per side where they were put, in segments from the head and mm from the eye', () => {
    const { cutting } = cutUp('hog', {
      ...choose({}, { mm: { 'belly-line': 40 } }),
      lines: new SidedMap([{ id: 'shoulder-line', side: 'left', value: '5|6' }]),
    })
    const ribs = (side: 'left' | 'right') => cutting.lineAt(side)['shoulder-line']!
    expect(ribs('left') - ribs('right')).toBeCloseTo(3, 9)
    expect(cutting.mmAt('left')['belly-line']).toBe(40)
    expect(cutting.lineAt('animal')).toEqual(cutting.lineAt('left'))
  })
  it('a whole tenderloin is freed before the lines, on the sides it is taken whole', () => {
    const freed = (loin: Record<string, string>) =>
      cutUp('hog', choose({}, { left: loin })).cutting.freed('tenderloin')
    expect(freed({})).toEqual([])
    expect(freed({ loin: 'loin-boneless-chops' })).toEqual(['left'])
    const both = cutUp('hog', choose({ loin: 'loin-boneless-chops' })).cutting
    expect(both.freed('tenderloin')).toEqual(['left', 'right'])
    expect(both.freed('belly')).toEqual([])
  })
  it('the balance tells carcass from what was kept beside it, products from by-products and losses', () => {
    const { cutting, flow } = cutUp('hog', choose({ liver: 'liver-kept' }), { kg: 80, liveKg: 110 })
    const { balance: b } = cutting
    expect(b.carcass).toBeCloseTo(80, 9)
    expect(b.kept).toBeCloseTo(cutting.partKg('liver'), 9)
    expect(b.kept).toBeCloseTo(110 * cutting.slot('liver', 'animal')!.offCarcass, 9)
    const kind = (k: string) =>
      flow.anatomy.cuts.reduce((s, c) => (c.kind === k ? s + cutting.cutKg(c.id) : s), 0)
    expect([b.products, b.byProducts, b.losses]).toEqual(
      [kind('product'), kind('by-product'), kind('loss')].map((x) => expect.closeTo(x, 9)),
    )
    expect(b.carcass + b.kept + b.added).toBeCloseTo(b.products + b.byProducts + b.losses, 9)
  })
})

describe('drawn carcasses', () => {
  const weights = [200, 190, 102, 100, 100]
  const draw = (
    species: Species,
    more: {
      count?: number
      draws?: number
      live?: boolean
      spread?: (typeof ANATOMIES)['hog']['spread']
    } = {},
  ) => {
    const { count = 1, draws = 400, live = false } = more
    const c = cutUp(
      species,
      choose({ ...ways[species], ...(species === 'hog' ? { liver: 'liver-kept' } : {}) }),
      { kg: 100 * count, liveKg: 190 * count },
    )
    const chain = (normal: () => number) =>
      (live ? weights.map((w) => w * Math.exp(0.1 * normal())) : weights).map((w) => w * count)
    return { ...c, d: drawLot(c.cutting, count, chain, draws, more.spread) }
  }
  const sd = (xs: Iterable<number>) => standardDeviation([...xs])
  it('bear the weights of the chain, stage by stage', () => {
    const { d } = draw('hog', { draws: 5 })
    expect(d.draws).toBe(5)
    STAGES.forEach((s, i) => expect([...d.stages[s]]).toEqual(Array(5).fill(weights[i])))
  })
  it('offal follows the live weight that was drawn, not the carcass', () => {
    const { d, cutting } = draw('hog', { live: true, draws: 2000 })
    const liver = [...d.cut.get('liver')!]
    const { shrunk, aged } = d.stages
    const ratio = liver.map((x, i) => x / shrunk[i]!)
    expect(sd(ratio) / mean(ratio)).toBeLessThan(0.05)
    expect(sd(liver.map((x, i) => x / aged[i]!)) / mean(ratio)).toBeGreaterThan(0.1)
    expect(mean(liver) / cutting.cutKg('liver')).toBeCloseTo(1, 1)
  })
  it('cuts of the carcass follow the carcass that was drawn', () => {
    const { d } = draw('hog', { live: true, draws: 500 })
    const all = (i: number) => [...d.cut].reduce((s, [id, own]) => (id === 'liver' ? s : s + own[i]!), 0)
    for (const i of [0, 100, 499]) expect(Math.abs(all(i) / d.stages.aged[i]! - 1)).toBeLessThan(0.02)
  })
  const still = { ...ANATOMIES.hog.spread, lean: 0, fat: 0, bone: 0, place: 0, cutter: 0 }
  it('without any spread of the animal only the cutter varies, and less', () => {
    const bones = (x: { d: Drawn }) => {
      const own = [...x.d.cut.get('bone-in-chop')!]
      return sd(own) / mean(own)
    }
    expect(bones(draw('hog', { spread: still }))).toBeLessThan(bones(draw('hog')))
    expect(bones(draw('hog', { spread: still }))).toBeGreaterThan(0)
    expect(
      bones(draw('hog', { spread: still, count: 100 })) / bones(draw('hog', { spread: still })),
      'one cutter cuts them all',
    ).toBeCloseTo(1, 2)
  })
  it('a fatter draw is fatter in every cut: fat and lean move for the whole animal', () => {
    const { d } = draw('hog', { spread: { ...still, fat: 0.5 }, draws: 1000 })
    const [x, y] = ['ground-pork', 'leaf-lard'].map((id) => [...d.cut.get(id)!])
    const along = (a: number[], b: number[]) =>
      mean(a.map((v, i) => (v - mean(a)) * (b[i]! - mean(b)))) / (sd(a) * sd(b))
    expect(sd(y!)).toBeGreaterThan(0)
    expect(Math.abs(along(x!, y!))).toBeGreaterThan(0.2)
  })
  it('the same cutters cut every plan: what is left alone is drawn alike', () => {
    const a = cutUp('hog', choose({}))
    const b = cutUp('hog', choose({ leg: 'leg-grind' }))
    const drawn = (c: typeof a) => drawLot(c.cutting, 1, () => weights, 50).cut.get('bacon')!
    expect([...drawn(a)]).toEqual([...drawn(b)])
  })
})

/** An animal by what was measured on it, its weight as it hangs. */
const measuredOn = (anatomy: Anatomy, measured: Measured, hung = anatomy.referenceKg) =>
  animalOf(anatomy, { type: null, measured, conventions: {} }, kg(hung), kg(hung))

describe('grades', () => {
  const grade = (species: Species, measured: Measured, hot: number) =>
    measuredOn(ANATOMIES[species], measured, hot)
  it('name what the grader would write', () => {
    const steer = { 'fat-depth': 10.16, 'eye-area': 77.4192, 'kidney-fat': 2.5 }
    expect(grade('steer', steer, 700 * KG_PER_LB).grade).toEqual([
      { name: 'Yield grade', value: expect.closeTo(2.82, 6), unit: '' },
      { name: 'Closely trimmed round, loin, rib and chuck', value: expect.closeTo(50.243, 6), unit: '%' },
    ])
    expect(grade('lamb', { 'fat-depth': 6.35 }, 24).grade).toEqual([
      { name: 'Yield grade', value: expect.closeTo(2.9, 6), unit: '' },
    ])
    const hog = { 'fat-depth': 22.86, 'eye-area': 6.5 * 6.4516 }
    expect(grade('hog', hog, 184 * KG_PER_LB).grade).toEqual([
      { name: 'Fat-free lean', value: expect.closeTo((93.9741 / 184) * 100, 3), unit: '% of hot weight' },
    ])
  })
  it('are not made outside the weights their formula is stated for, and that is said', () => {
    expect(grade('hog', { 'fat-depth': 8 }, 20)).toMatchObject({ grade: [], outsideGrade: true })
    expect(grade('hog', { 'fat-depth': 20 }, 84)).toMatchObject({ outsideGrade: false })
    expect(grade('hog', {}, 20)).toMatchObject({ grade: [], outsideGrade: false })
  })
  it('leave fat 0.6 and lean 0.8 of their spread; bone as before', () => {
    const { spread } = ANATOMIES.hog
    expect(grade('hog', { 'fat-depth': 20 }, 84).spread).toEqual({
      ...spread,
      fat: expect.closeTo(spread.fat * 0.6, 9),
      lean: expect.closeTo(spread.lean * 0.8, 9),
    })
  })
})

describe('an animal of an anatomy older than types', () => {
  const old = (species: Species) => ({ ...ANATOMIES[species], types: [] })
  it('is as written, whatever it weighs', () => {
    for (const weight of [20, 84, 150])
      expect(new Set(Object.values(measuredOn(old('hog'), {}, weight).factors))).toEqual(new Set([1]))
  })
  it('a yield grade of a lamb is 3.5 % of its lean; what lean gains fat loses', () => {
    const usual = ANATOMIES.lamb.measures.find((m) => m.id === 'fat-depth')!.usual
    const at = (mm: number) => measuredOn(old('lamb'), { 'fat-depth': mm })
    const { factors, moved } = at(usual + 2.54)
    expect(factors).toMatchObject({ lean: expect.closeTo(1 - 0.035, 9), bone: 1, skin: 1 })
    expect([factors.eye, factors.seam, factors.kidney]).toEqual([factors.lean, factors.outer, factors.outer])
    expect(moved!.fat).toBeCloseTo(-moved!.lean, 9)
    expect(at(usual).moved!.lean).toBeCloseTo(0, 9)
  })
  it('the ratio is the published one: fat-free lean of a fat hog against a usual one', () => {
    const lean = (mm: number) => porkFatFreeLean(84 / KG_PER_LB, mm / 25.4, 42 / 6.4516)
    expect(measuredOn(old('hog'), { 'fat-depth': 32 }, 84).factors.lean).toBeCloseTo(lean(32) / lean(22), 9)
  })
  it('no measurement takes more than 0.7 of the fat or 0.4 of the lean away', () => {
    for (const species of ['hog', 'steer', 'lamb'] as const)
      expect(measuredOn(old(species), { 'fat-depth': 900 }).factors.lean, species).toBeCloseTo(0.6, 9)
    expect(measuredOn(old('hog'), { 'eye-area': 5000 }).factors.outer).toBeCloseTo(0.3, 9)
  })
})
