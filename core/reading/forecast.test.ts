import { describe, expect, it } from 'vitest'
import { ANATOMIES } from '#core/species'
import { compile } from '#core/carcass'
import { gramsOf, interval, KG_PER_LB, minor, priceOf, pricePer } from '#core/measure'
import { NO_LOG, tried, type Log, type Said } from '#core/plan'
import type { Decision, FactBody, WeighedStage } from '#core/records'
import {
  figuresOf,
  reckon,
  shownWeights,
  whereItGoes,
  type LotState,
  type PackRow,
  type WeighingRow,
} from './index.ts'
import { packOf } from './testing.ts'
import { cutDone, onLot, paid, routed } from '../plan/testing.ts'

const { hog } = ANATOMIES

const flow = compile(hog)
const farm = figuresOf({ massUnit: 'lb', mince: pricePer(700 / KG_PER_LB, 'lb'), hour: minor(0) })
let seq = 0
const id = () => `id-${++seq}`
const say = (...said: Said[]): Log => tried(NO_LOG, said)
const weigh = (stage: WeighedStage, value: number, more: Partial<WeighingRow> = {}): WeighingRow => ({
  id: id(),
  stage,
  basis: stage === 'hanging' ? 'cold' : null,
  source: 'scale',
  shown: { value, unit: 'lb' },
  grams: gramsOf({ value, unit: 'lb' }),
  corrects: null,
  stands: true,
  at: '',
  ...more,
})
const packed = (cut: string, value: number, more: Partial<PackRow> = {}): PackRow =>
  packOf(cut, value, 1, { id: id(), ...more })
const lot = (more: Partial<LotState> = {}): LotState => ({
  count: 1,
  weighings: [weigh('live', 260)],
  ...NO_LOG,
  packs: [],
  ...more,
})
const costs: FactBody[] = [
  paid(42000),
  { kind: 'fee', fee: 'kill', amount: 7500, per: 'head', basis: null },
  { kind: 'fee', fee: 'cut-wrap', amount: 95, per: 'lb', basis: 'hot' },
]
const width = (r: ReturnType<typeof reckon>, stage: string) => {
  const range = r.stages.find((s) => s.id === stage)!.range
  return range ? range.high - range.low : 0
}

describe('intervals', () => {
  it('are the 10 % and 90 % quantiles of the draws (1…11: 2 and 10, by hand), and none where nothing varies', () => {
    expect(interval(Float64Array.from([11, 3, 1, 2, 5, 4, 6, 7, 10, 9, 8]))).toEqual({ low: 2, high: 10 })
    expect(interval(new Float64Array(9).fill(4))).toBeNull()
  })
  it('of the hot weight from 260 lb live match the log-normal quantiles (z = 1.2816, tables of the normal distribution)', () => {
    const hot = reckon(flow, lot(), farm, 4000).stages.find((s) => s.id === 'hot')!
    const sd = Math.hypot(0.007 / 0.97, 0.018 / 0.72)
    expect(hot.range!.low / (hot.kg * Math.exp(-1.2816 * sd))).toBeCloseTo(1, 2)
    expect(hot.range!.high / (hot.kg * Math.exp(1.2816 * sd))).toBeCloseTo(1, 2)
  })
  it('narrow when a later stage is weighed; a weighed stage has none', () => {
    const live = reckon(flow, lot(), farm)
    const hot = reckon(flow, lot({ weighings: [weigh('live', 260), weigh('hot', 182)] }), farm)
    const cold = reckon(
      flow,
      lot({ weighings: [weigh('live', 260), weigh('hot', 182), weigh('hanging', 178)] }),
      farm,
    )
    expect(width(live, 'cut')).toBeGreaterThan(width(hot, 'cut'))
    expect(width(hot, 'hanging')).toBeGreaterThan(width(cold, 'hanging'))
    expect(hot.stages.find((s) => s.id === 'hot')).toMatchObject({ weighed: true, range: null })
  })
  it('are gone when every cut is weighed and done', () => {
    const weighings = [weigh('live', 260), weigh('hot', 182), weigh('hanging', 178, { basis: 'aged' })]
    const first = reckon(flow, lot({ weighings }), farm)
    const products = first.cuts.filter((c) => c.cut.kind === 'product')
    const state = lot({
      weighings,
      packs: products.map((c) => packed(c.cut.id, Number((c.expectedKg / KG_PER_LB).toFixed(2)))),
      ...say(...costs, ...products.map((c): FactBody => cutDone(c.cut.id))),
    })
    const all = reckon(flow, state, farm)
    expect(all.stages.find((s) => s.id === 'packed')).toMatchObject({ weighed: true, range: null })
    expect(all.money.coverRange).toBeNull()
    expect(all.money.netRange).toBeNull()
  })
})

describe('weighing packs', () => {
  const weighings = [weigh('hot', 182), weigh('hanging', 178, { basis: 'aged' })]
  it('packed = weighed so far + remaining estimate, and the balance still closes', () => {
    const before = reckon(flow, lot({ weighings, ...say(...costs) }), farm)
    const chops = before.cuts.find((c) => c.cut.id === 'bone-in-chop')!
    const r = reckon(
      flow,
      lot({ weighings, ...say(...costs), packs: [packed('bone-in-chop', 10), packed('bone-in-chop', 5)] }),
      farm,
    )
    const now = r.cuts.find((c) => c.cut.id === 'bone-in-chop')!
    expect(now.weighedKg).toBeCloseTo(15 * KG_PER_LB, 2)
    expect(now.remainingKg).toBeCloseTo(chops.expectedKg - now.weighedKg, 9)
    const b = r.balance
    expect(b.carcass + b.kept + b.added - b.products - b.byProducts - b.losses - b.difference).toBeCloseTo(
      0,
      9,
    )
    expect(r.unweighedKg).toBeCloseTo(178 * KG_PER_LB + b.added - now.weighedKg, 2)
  })
  it('moves Cover: more chops than expected pay for more of the animal', () => {
    const done: FactBody = cutDone('bone-in-chop')
    const cover = (lb: number) =>
      reckon(flow, lot({ weighings, ...say(...costs, done), packs: [packed('bone-in-chop', lb)] }), farm)
        .money.cover!
    expect(cover(34)).toBeGreaterThan(cover(28))
  })
  it('a wrong entry is corrected by one that names it', () => {
    const wrong = packed('bone-in-chop', 300)
    const r = reckon(
      flow,
      lot({ weighings, packs: [wrong, packed('bone-in-chop', 30, { corrects: wrong.id })] }),
      farm,
    )
    expect(r.cuts.find((c) => c.cut.id === 'bone-in-chop')!.weighedKg).toBeCloseTo(30 * KG_PER_LB, 2)
  })
})

describe('figures as shown', () => {
  it.each(['lb', 'kg'] as const)(
    'add up by hand in %s, and the carcass is the one the stair shows',
    (unit) => {
      for (const pounds of [171.3, 178.46, 183.05, 190.9]) {
        const weighings = [weigh('hot', pounds), weigh('hanging', pounds * 0.97, { basis: 'aged' })]
        const r = reckon(flow, lot({ weighings, packs: [packed('bacon', 9.4)] }), farm)
        const s = shownWeights(r, unit)
        expect(s.products + s.byProducts + s.losses + s.difference).toBeCloseTo(
          s.carcass + s.kept + s.added,
          6,
        )
        expect([...s.cuts.values()].reduce((a, b) => a + b, 0)).toBeCloseTo(
          s.products + s.byProducts + s.losses,
          6,
        )
        const hanging = r.stages.find((x) => x.id === 'hanging')!.kg / (unit === 'lb' ? KG_PER_LB : 1)
        expect(s.carcass).toBeCloseTo(hanging, unit === 'lb' ? 1 : 2)
      }
    },
  )
})

describe('where the rest of the animal went', () => {
  it('live weight less every named loss, plus what was added, is what is taken home', () => {
    const r = reckon(
      flow,
      lot({
        packs: [packed('bacon', 9)],
        ...say(cutDone('bacon')),
      }),
      farm,
    )
    const losses = whereItGoes(r)
    const home = r.cuts.reduce((s, c) => s + (c.cut.kind === 'product' ? c.kg : 0), 0)
    expect(losses.at(-1)!.left).toBeCloseTo(home, 9)
    expect(losses.find((l) => l.id === 'added')!.kg).toBeLessThan(0)
    expect(losses.find((l) => l.id === 'unaccounted')!.kg).toBeGreaterThan(0)
  })
  it('nothing is said before anything was weighed', () =>
    expect(whereItGoes(reckon(flow, lot({ weighings: [] }), farm))).toEqual([]))
})

describe('money', () => {
  it('Cover is expected net ÷ cost, re-added from the parts to the minor unit', () => {
    const r = reckon(flow, lot({ ...say(...costs) }), farm)
    const { money } = r
    expect(money.costs.total).toBe(money.costs.rows.reduce((s, c) => s + c.amount, 0))
    expect(money.net).toBe(r.cuts.reduce((s, c) => s + c.value, 0))
    expect(money.cover).toBe(money.net / money.costs.total)
    expect(money.coverRange!.low).toBeLessThan(money.cover!)
    expect(money.coverRange!.high).toBeGreaterThan(money.cover!)
  })
  it('custom-exempt meat is never counted by the cut: Cover waits for a share price, then is that alone', () => {
    const custom: FactBody = routed('custom')
    const before = reckon(flow, lot({ ...say(...costs, custom) }), farm).money
    expect(before).toMatchObject({ cover: null, uncovered: 'no-share-price', net: 0 })
    const price: Decision = onLot('sharePrice', priceOf(500, 'lb'))
    const r = reckon(flow, lot({ ...say(...costs, custom, price) }), farm)
    expect(r.money.net).toBe(Math.round((r.weights!.aged / KG_PER_LB) * 500))
    expect(r.money.cover).toBe(r.money.net / r.money.costs.total)
  })
  it('household meat has no Cover and brings nothing; it has a cost per kg', () => {
    const r = reckon(flow, lot({ ...say(...costs, routed('household')) }), farm)
    expect(r.money).toMatchObject({ cover: null, uncovered: 'not-for-sale', net: 0 })
    const kg = r.cuts.reduce((s, c) => s + (c.cut.kind === 'product' ? c.kg : 0), 0)
    expect(r.money.costPerKg! * kg).toBeCloseTo(r.money.costs.total, 6)
  })
  it('without costs there is no Cover, not an infinite one', () => {
    expect(reckon(flow, lot(), farm).money.cover).toBeNull()
    expect(reckon(flow, lot({ weighings: [], ...say(...costs) }), farm).money.cover).toBeNull()
  })
})
