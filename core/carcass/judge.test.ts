import { describe, expect, it } from 'vitest'
import { SPECIES, type Species } from '#core/anatomy'
import { ANATOMIES } from '#core/species'
import { gramsOf, KG_PER_LB } from '#core/measure'
import { chainUnder, heaviestCarcass, judgeWeighing } from './index.ts'
import type { Job, Judged } from './judge.ts'

const WHOLE: Job = { count: 1, hangs: { as: 'whole' }, share: 1, type: null }

let n = 0
const weighing = (stage: Judged['stage'], kg: number, more: Partial<Judged> = {}): Judged => {
  const shown = { value: kg, unit: 'kg' } as const
  return {
    id: `w${n++}`,
    stage,
    basis: stage === 'hanging' ? 'cold' : null,
    source: 'scale',
    shown,
    grams: gramsOf(shown),
    corrects: null,
    stands: true,
    ...more,
  }
}
const judge = (species: Species, held: Judged[], added: Judged, count = 1) =>
  judgeWeighing(ANATOMIES[species], ANATOMIES[species].chain, { ...WHOLE, count }, held, added)[0]
const code = (...of: Parameters<typeof judge>) => judge(...of)?.code ?? null

describe('what an animal can weigh', () => {
  it.each(SPECIES)(
    '%s: alive from its lowest to its highest, both taken, each animal of the lot',
    (species) => {
      const { low, high } = ANATOMIES[species].chain.liveKg
      for (const count of [1, 10]) {
        const at = (kg: number) => code(species, [], weighing('live', kg * count), count)
        expect([at(low), at(high)]).toEqual([null, null])
        expect([at(low * 0.98), at(high * 1.02)]).toEqual(['mass-absurd', 'mass-absurd'])
      }
    },
  )
  it.each(SPECIES)('%s: hung from half the lowest live weight to 86 %% of the highest', (species) => {
    const { low, high } = ANATOMIES[species].chain.liveKg
    expect(heaviestCarcass(ANATOMIES[species])).toBeCloseTo(high * 0.86, 9)
    const at = (kg: number) => code(species, [], weighing('hot', kg))
    expect([at(low * 0.5), at(high * 0.8599)]).not.toContain('mass-absurd')
    expect([at(low * 0.49), at(high * 0.87)]).toEqual(['mass-absurd', 'mass-absurd'])
    expect(code(species, [], weighing('shrunk', high * 0.99))).toBeNull()
  })
  it('says of what, for how many, and whether the other unit would fit', () => {
    expect(judge('hog', [], weighing('live', 2600))).toMatchObject({
      field: 'live',
      figures: { count: 1, of: 'live', meant: null, what: { american: 'Hog' } },
    })
    const pounds = weighing('hot', 500, { shown: { value: 500, unit: 'kg' } })
    expect(judge('hog', [], pounds)).toMatchObject({
      field: 'hot',
      figures: { of: 'carcass', each: 500, meant: { value: 500, unit: 'lb' } },
    })
    const kilos = 30 * KG_PER_LB
    expect(judge('hog', [], weighing('live', kilos, { shown: { value: 30, unit: 'lb' } }))).toMatchObject({
      figures: { meant: { value: 30, unit: 'kg' } },
    })
    expect(
      judge('hog', [], weighing('live', 90 * KG_PER_LB, { shown: { value: 90, unit: 'lb' } }), 3),
    ).toMatchObject({ figures: { count: 3, meant: { value: 90, unit: 'kg' } } })
  })
})

describe('one weight beside another', () => {
  it('a later stage is not heavier, but for half a gram in a kilogram', () => {
    const at = (hot: number) => code('hog', [weighing('hot', 80)], weighing('hanging', hot))
    expect([at(80), at(80.03), at(80.05)]).toEqual([null, null, 'later-above-earlier'])
    expect(judge('hog', [weighing('live', 110)], weighing('shrunk', 112))).toMatchObject({
      code: 'later-above-earlier',
      field: 'shrunk',
      figures: { later: { stage: 'shrunk', kg: 112 }, earlier: { stage: 'live', kg: 110 } },
    })
  })
  it('the order in which they are written down does not matter', () => {
    expect(code('hog', [weighing('hot', 80)], weighing('live', 79))).toBe('later-above-earlier')
    expect(judge('hog', [weighing('hot', 80)], weighing('live', 79))!.field).toBe('live')
  })
  it('what a tape or a guess says never refuses a scale, nor is refused by one', () => {
    const tape = (kg: number) => weighing('live', kg, { source: 'tape' })
    expect(code('hog', [tape(60)], weighing('hot', 90))).toBeNull()
    expect(code('hog', [weighing('hot', 90)], tape(60))).toBeNull()
    expect(code('hog', [weighing('hot', 90)], weighing('live', 60, { source: 'guess' }))).toBeNull()
  })
  const { dressing, dressingPossible, shrink } = ANATOMIES.hog.chain
  const sd = Math.hypot(dressing.sd, shrink.sd)
  it('dressing beyond what is possible is refused, beyond 3 SD asked about', () => {
    const at = (ratio: number, count = 1) => {
      const live = 110 * count
      const issue = judge('hog', [weighing('live', live)], weighing('hot', live * shrink.mean * ratio), count)
      return issue && { code: issue.code, ask: issue.confirmable ?? false }
    }
    expect(at(dressing.mean)).toBeUndefined()
    expect(at(dressing.mean + 2.9 * sd)).toBeUndefined()
    expect(at(dressing.mean - 2.9 * sd)).toBeUndefined()
    for (const x of [3.1, -3.1])
      expect(at(dressing.mean + x * sd)).toEqual({ code: 'dressing-unusual', ask: true })
    expect(at(dressingPossible.low + 0.002)?.code).toBe('dressing-unusual')
    for (const x of [dressingPossible.low - 0.002, dressingPossible.high + 0.002])
      expect(at(x)).toEqual({ code: 'dressing-impossible', ask: false })
    // Nine animals of one day: 0.8 points of dressing and 0.5 of shrink are common to them.
    const own = (s: number, common: number) => common ** 2 + (s ** 2 - common ** 2) / 9
    const nine = Math.sqrt(own(dressing.sd, 0.008) + own(shrink.sd, 0.005))
    expect(nine).toBeGreaterThan((sd / 3) * 1.3)
    expect(at(dressing.mean + 3.1 * nine, 9)).toMatchObject({ ask: true })
    expect(at(dressing.mean + 2.9 * nine, 9)).toBeUndefined()
  })
  it('from a fasted weight no shrink is taken, and its band is that of dressing alone', () => {
    const at = (ratio: number) => judge('hog', [weighing('shrunk', 100)], weighing('hot', 100 * ratio))
    expect(at(dressing.mean + 2.9 * dressing.sd)).toBeUndefined()
    expect(at(dressing.mean + 3.1 * dressing.sd)).toMatchObject({
      code: 'dressing-unusual',
      field: 'hot',
      figures: {
        low: dressing.mean - 3 * dressing.sd,
        high: dressing.mean + 3 * dressing.sd,
        ratio: expect.closeTo(dressing.mean + 3.1 * dressing.sd, 4),
      },
    })
    expect(at(dressingPossible.high + 0.01)).toMatchObject({
      code: 'dressing-impossible',
      figures: { low: dressingPossible.low, high: dressingPossible.high },
    })
  })
  it('losing more in the cooler, or on the way, than usual is asked about', () => {
    const { chill, ageingPerDay, days } = ANATOMIES.hog.chain
    const most = 1 - chill.mean + 3 * chill.sd + days.high * ageingPerDay.mean
    const cold = (lost: number) => judge('hog', [weighing('hot', 80)], weighing('hanging', 80 * (1 - lost)))
    expect(cold(most - 0.001)).toBeUndefined()
    expect(cold(most + 0.001)).toMatchObject({
      code: 'loss-unusual',
      confirmable: true,
      figures: { low: 0, high: most, ratio: expect.closeTo(most + 0.001, 4) },
    })
    const usual = 1 - shrink.mean + 5 * shrink.sd
    const fasted = (lost: number) =>
      judge('hog', [weighing('live', 110)], weighing('shrunk', 110 * (1 - lost)))
    expect(fasted(usual - 0.001)).toBeUndefined()
    expect(fasted(usual + 0.001)).toMatchObject({ code: 'loss-unusual', confirmable: true })
  })
  it('a correction is judged in place of what it corrects, a withdrawal not at all', () => {
    const wrong = weighing('live', 60)
    expect(code('hog', [wrong], weighing('hot', 80))).toBe('later-above-earlier')
    const hot = weighing('hot', 80)
    expect(code('hog', [wrong, hot], weighing('live', 112, { corrects: wrong.id }))).toBeNull()
    expect(code('hog', [wrong, hot], weighing('live', 60, { corrects: wrong.id, stands: false }))).toBeNull()
  })
  it('a carcass gains weight only where the chill can add water: birds in ice water do, hogs do not', () => {
    const { broiler } = ANATOMIES
    const birds = (tank: boolean, cold: number) =>
      judgeWeighing(
        broiler,
        chainUnder(broiler, { tank }),
        { ...WHOLE, count: 40 },
        [weighing('hot', 77)],
        weighing('hanging', cold, { basis: 'cold' }),
      ).map((i) => i.code)
    expect(birds(true, 80)).toEqual([])
    expect(birds(false, 80)).toEqual(['later-above-earlier'])
    expect(birds(true, 86)).toEqual(['later-above-earlier'])
  })
})

describe('a side, a quarter or a part on the hook', () => {
  const steer = ANATOMIES.steer
  const hung = (job: Partial<Job>, stage: Judged['stage'], at: number) =>
    judgeWeighing(steer, steer.chain, { ...WHOLE, type: 'grass', ...job }, [], weighing(stage, at))[0] ?? null
  it('125 kg hung as a whole grass steer is asked about once: a side? (common practice)', () => {
    expect(hung({}, 'hot', 125)).toMatchObject({ code: 'perhaps-side', confirmable: true })
    expect(hung({}, 'hot', 250)).toBeNull()
    expect(hung({ hangs: { as: 'side', side: 'left' }, share: 0.5 }, 'hot', 125)).toBeNull()
  })
  it('of a light animal of a light kind, nothing is asked', () => {
    const calf = ANATOMIES.calf
    expect(judgeWeighing(calf, calf.chain, WHOLE, [], weighing('hot', 70))).toEqual([])
  })
  it('a side, a quarter, a part has no live weight', () => {
    for (const hangs of [
      { as: 'side', side: 'left' },
      { as: 'quarter', side: 'left', quarter: 'hind' },
      { as: 'part', part: 'rib' },
    ] as const)
      expect(hung({ hangs, share: 0.4 }, 'live', 500)).toMatchObject({ code: 'no-live-weight' })
  })
  it('a rib of 300 kg is no rib of any steer, three of 12 kg each are', () => {
    const rib = { hangs: { as: 'part', part: 'rib' }, share: 0.045 } as const
    expect(hung(rib, 'hanging', 300)).toMatchObject({ code: 'mass-absurd', figures: { of: 'piece' } })
    expect(hung({ ...rib, count: 3 }, 'hanging', 36)).toBeNull()
  })
})
