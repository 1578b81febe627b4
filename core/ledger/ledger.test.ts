import fc from 'fast-check'
import loadHighs from 'highs'
import { describe, expect, it } from 'vitest'
import { kg, KG_PER_LB, minor, priceOf, type Minor } from '#core/measure'
import type { Fee } from '#core/records'
import {
  costsOf,
  FEE_KINDS,
  feePerKg,
  feesOf,
  neededPerKg,
  onGrid,
  priceInForce,
  sharePrices,
  solvePrices,
  takings,
  takingsPerKg,
  type PriceLine,
  cutCosts,
  markedDown,
} from './index.ts'
import type { Sales } from './takings.ts'

const highs = await loadHighs()
const both = (name: string) => ({ american: name, commonwealth: name })

const line = fc.record({
  quantity: fc.double({ min: 0.5, max: 60, noNaN: true }),
  index: fc.double({ min: 0.2, max: 4, noNaN: true }),
  bound: fc.option(fc.integer({ min: 50, max: 3000 }).map(minor), { nil: null }),
})
const named = (
  lines: { quantity: number; index: number; bound: Minor | null }[],
  bound: 'floor' | 'ceiling',
): PriceLine[] =>
  lines.map((l, i) => ({
    cut: `c${i}`,
    names: both(`c${i}`),
    quantity: l.quantity,
    index: l.index,
    locked: null,
    floor: null,
    ceiling: null,
    [bound]: l.bound,
  }))

describe('price solving agrees with a linear programme (HiGHS, npm package highs) on random instances', () => {
  it('with ceilings: the least scale whose capped prices meet the need', () => {
    fc.assert(
      fc.property(
        fc.array(line, { minLength: 1, maxLength: 8 }),
        fc.integer({ min: 1000, max: 90000 }),
        (raw, need) => {
          const lines = named(raw, 'ceiling')
          const lp = `Minimize\n obj: s\nSubject To\n need: ${lines.map((l, i) => `+ ${l.quantity} p${i}`).join(' ')} >= ${need}\n${lines.map((l, i) => ` r${i}: p${i} - ${l.index} s <= 0`).join('\n')}\nBounds\n${lines.map((l, i) => ` 0 <= p${i} <= ${l.ceiling ?? 1e7}`).join('\n')}\n 0 <= s\nEnd`
          const theirs = highs.solve(lp)
          const ours = solvePrices({ lines, need: minor(need), ending: 'exact' })
          expect(ours.ok).toBe(theirs.Status === 'Optimal')
          if (ours.ok) expect(ours.value.scale / theirs.ObjectiveValue).toBeCloseTo(1, 5)
        },
      ),
      { seed: 3, numRuns: 60 },
    )
  })
  it('with floors: the greatest scale whose raised prices do not pass the need', () => {
    fc.assert(
      fc.property(
        fc.array(line, { minLength: 1, maxLength: 8 }),
        fc.integer({ min: 1000, max: 90000 }),
        (raw, need) => {
          const lines = named(raw, 'floor')
          const lp = `Maximize\n obj: s\nSubject To\n need: ${lines.map((l, i) => `+ ${l.quantity} p${i}`).join(' ')} <= ${need}\n${lines.map((l, i) => ` r${i}: p${i} - ${l.index} s >= 0`).join('\n')}\nBounds\n${lines.map((l, i) => ` ${l.floor ?? 0} <= p${i} <= 1e7`).join('\n')}\n 0 <= s\nEnd`
          const theirs = highs.solve(lp)
          const ours = solvePrices({ lines, need: minor(need), ending: 'exact' })
          if (!ours.ok) throw new Error('refused')
          if (theirs.Status === 'Optimal') expect(ours.value.scale).toBeCloseTo(theirs.ObjectiveValue, 3)
          else expect(ours.value.scale).toBe(0)
        },
      ),
      { seed: 5, numRuns: 60 },
    )
  })
})

describe('endings', () => {
  const full = fc.record({
    quantity: fc.double({ min: 0.5, max: 60, noNaN: true }),
    index: fc.double({ min: 0.2, max: 4, noNaN: true }),
    locked: fc.option(fc.integer({ min: 100, max: 2000 }).map(minor), { nil: null, freq: 4 }),
    floor: fc.option(fc.integer({ min: 50, max: 900 }).map(minor), { nil: null }),
    ceiling: fc.option(fc.integer({ min: 900, max: 4000 }).map(minor), { nil: null }),
  })
  it('net still covers cost and target, and lowering any unlocked price by one step breaks it or passes its floor', () => {
    const steps = { exact: 1, fives: 5, nines: 10, halves: 50 }
    fc.assert(
      fc.property(
        fc.array(full, { minLength: 1, maxLength: 10 }),
        fc.integer({ min: 5000, max: 120000 }),
        fc.constantFrom('exact', 'fives', 'nines', 'halves' as const),
        (raw, need, ending) => {
          const lines = raw.map((l, i) => ({ ...l, cut: `c${i}`, names: both(`c${i}`) }))
          const out = solvePrices({ lines, need: minor(need), ending })
          if (!out.ok) return
          const bring = (change?: string) =>
            lines.reduce(
              (s, l) =>
                s +
                Math.round(
                  l.quantity * (out.value.prices.get(l.cut)! - (l.cut === change ? steps[ending] : 0)),
                ),
              0,
            )
          expect(bring()).toBe(out.value.net)
          expect(bring()).toBeGreaterThanOrEqual(need)
          for (const l of lines) {
            const price = out.value.prices.get(l.cut)!
            if (l.locked !== null) expect(price).toBe(l.locked)
            else {
              expect(price).toBe(onGrid(price, ending, 'up'))
              if (l.ceiling !== null) expect(price).toBeLessThanOrEqual(l.ceiling)
              if (price - steps[ending] >= onGrid(l.floor ?? 0, ending, 'up'))
                expect(bring(l.cut)).toBeLessThan(need)
            }
          }
        },
      ),
      { seed: 9, numRuns: 300 },
    )
  })
})

describe('costs and takings', () => {
  it('fees follow from the plan, each on its own weight basis, and rows add up to the minor unit', () => {
    const fee = (of: Omit<Fee, 'kind'>): Fee => ({ kind: 'fee', ...of })
    const cutWrap = fee({ fee: 'cut-wrap', amount: 95, per: 'lb', basis: 'hot' })
    const fees = {
      kill: fee({ fee: 'kill', amount: 7500, per: 'head', basis: null }),
      'cut-wrap': cutWrap,
      pack: fee({ fee: 'pack', amount: 40, per: 'pack', basis: null }),
    }
    const weights = { count: 1, hot: kg(180 * KG_PER_LB), hanging: kg(176 * KG_PER_LB), minutes: 0 }
    const costs = [{ id: 'a', label: 'Weaner', amount: minor(9000) }]
    const { rows, total } = costsOf({ countsUnpaid: true, costs, fees }, { ...weights, packs: 100 }, minor(0))
    expect(rows.map((r) => r.amount)).toEqual([9000, 7500, 17100, 4000])
    expect(total).toBe(37600)
    const cold = costsOf(
      { countsUnpaid: true, costs: [], fees: { 'cut-wrap': { ...cutWrap, basis: 'hanging' } } },
      { ...weights, packs: 0 },
      minor(0),
    )
    expect(cold.total).toBe(16720)
  })
  it('the plan’s minutes cost the farm’s hour: 142 minutes at $18 are $42.60', () => {
    const billed = { count: 1, hot: kg(80), hanging: kg(78), packs: 0, minutes: 142 }
    const { rows } = costsOf({ countsUnpaid: true, costs: [], fees: {} }, billed, minor(1800))
    expect(rows).toMatchObject([{ id: 'labour', amount: 4260, fromPlan: true }])
    expect(costsOf({ countsUnpaid: true, costs: [], fees: {} }, billed, minor(0)).rows).toEqual([])
  })
  it('what does not sell at full price brings half: 10 lb at $8, 90 % sold, is $76', () => {
    expect(takings(kg(10 * KG_PER_LB), priceOf(800, 'lb'), { sold: 0.9 })).toBe(7600)
    // Marked down to 80 % of its price it is $78.40; given away, $72.
    expect(takings(kg(10 * KG_PER_LB), priceOf(800, 'lb'), { sold: 0.9, rest: 0.8 })).toBe(7840)
    expect(takings(kg(10 * KG_PER_LB), priceOf(800, 'lb'), { sold: 0.9, rest: 0 })).toBe(7200)
  })
  it('what the own table keeps counts at its price or at what was said: 10 lb at $8, a fifth kept', () => {
    const at = (own: Sales['own']) =>
      takings(kg(10 * KG_PER_LB), priceOf(800, 'lb'), { sold: 0.5, rest: 0, own })
    expect(at(null)).toBe(4000)
    // 8 lb are for sale, half sells: $32; 2 lb kept are $16 at their price, $9 at $4.50, nothing at nothing.
    expect(at({ share: 0.2, at: null })).toBe(4800)
    expect(at({ share: 0.2, at: priceOf(450, 'lb') })).toBe(4100)
    expect(at({ share: 0.2, at: priceOf(0, 'lb') })).toBe(3200)
  })
  it('meat given for help counts as brought and the help as a cost of as much: nothing is earned by giving it', () => {
    const cut = { kg: kg(10 * KG_PER_LB), pieces: 0, price: priceOf(800, 'lb'), sold: 1, given: 0.1 }
    expect(takings(cut.kg, cut.price, cut)).toBe(8000)
    expect(cutCosts([cut], 'by-the-piece')).toEqual([
      { id: 'given', label: 'Help paid in meat', amount: 800, fromPlan: true },
    ])
    expect(cutCosts([cut], 'live-shares-only')).toEqual([])
  })
  it('what does not sell is less by so much: of 10 lb at $8, a fifth kept, a quarter of the rest at half price', () => {
    expect(
      markedDown(kg(10 * KG_PER_LB), priceOf(800, 'lb'), { sold: 0.75, own: { share: 0.2, at: null } }),
    ).toBe(-800)
  })
  it('until a price is set it is the index times the price of mince', () => {
    const terms = {
      index: 2,
      price: null,
      lock: false,
      floor: null,
      ceiling: null,
      sold: 1,
      rest: 0.5,
      finishes: [],
      own: null,
      given: 0,
    }
    expect(priceInForce(terms, priceOf(750, 'lb'))).toEqual(priceOf(1500, 'lb'))
  })
  it('shares are the whole, half and quarter, each rounded up: $1,000.01 over 80 kg hanging is $12.51 a kg', () => {
    expect(sharePrices(minor(100001), kg(80), 1, 'kg')).toEqual({
      price: priceOf(1251, 'kg'),
      whole: 100001,
      half: 50001,
      quarter: 25001,
    })
    expect(sharePrices(minor(100000), kg(80), 1, 'kg').price).toEqual(priceOf(1250, 'kg'))
    expect(sharePrices(minor(200000), kg(160), 2, 'lb')).toEqual({
      price: priceOf(Math.ceil(200000 / (160 / KG_PER_LB)), 'lb'),
      whole: 100000,
      half: 50000,
      quarter: 25000,
    })
  })
  it('what a drawn kilogram brings is what the whole brings, not rounded', () => {
    expect(takingsPerKg(priceOf(800, 'kg'), { sold: 1 })).toBeCloseTo(800, 9)
    expect(takingsPerKg(priceOf(800, 'kg'), { sold: 0 })).toBeCloseTo(400, 9)
    expect(takingsPerKg(priceOf(800, 'lb'), { sold: 0.5 }) * KG_PER_LB).toBeCloseTo(600, 9)
  })
  it('the price that is needed on average is what is needed over what is sold; of nothing sold there is none', () => {
    expect(neededPerKg(1200, kg(80))).toBe(15)
    expect(neededPerKg(1200, kg(0))).toBeNull()
  })
  it('fees by weight follow the weight they are billed on, per lb as per lb', () => {
    const by = (per: Fee['per'], basis: Fee['basis']): Fee => ({
      kind: 'fee',
      fee: 'cut-wrap',
      amount: 100,
      per,
      basis,
    })
    expect(feePerKg({ 'cut-wrap': by('kg', 'hot') })).toEqual({ hot: 100, hanging: 0 })
    expect(feePerKg({ 'cut-wrap': by('kg', 'hanging') })).toEqual({ hot: 0, hanging: 100 })
    expect(feePerKg({ 'cut-wrap': by('lb', 'hot') }).hot).toBeCloseTo(100 / KG_PER_LB, 9)
    expect(feePerKg({ kill: by('head', null), pack: by('pack', null) })).toEqual({ hot: 0, hanging: 0 })
    const billed = { count: 3, hot: kg(100), hanging: kg(90), packs: 7, minutes: 0 }
    const amount = (f: Fee) => feesOf({ [f.fee]: f }, billed)[0]!
    expect(amount(by('kg', 'hot')).amount).toBe(10_000)
    expect(amount(by('lb', 'hanging')).amount).toBe(Math.round(9000 / KG_PER_LB))
    expect(amount(by('head', null))).toEqual({
      id: 'cut-wrap',
      label: 'Cut and wrap',
      amount: 300,
      fromPlan: true,
    })
    expect(amount(by('pack', null)).amount).toBe(700)
  })
  it('each kind of fee is asked for by what it is billed by', () => {
    expect(FEE_KINDS.map((k) => [k.id, k.bill, k.asks('lb'), k.per('lb'), k.onWeight])).toEqual([
      ['kill', 'Kill fee', 'Kill, per head', 'head', false],
      ['cut-wrap', 'Cut and wrap', 'Cut and wrap, per lb', 'lb', true],
      ['pack', 'Packing', 'Packing, per pack', 'pack', false],
    ])
    expect(FEE_KINDS[1]!.per('kg')).toBe('kg')
  })
})
