import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { extendAnatomy, type Species } from '#core/anatomy'
import { ANATOMIES } from '#core/species'
import { compile } from '#core/carcass'
import { perPlate, takings, worthOf, type ValuedCut } from '#core/ledger'
import { kg, KG_PER_LB, minor, priceOf } from '#core/measure'
import { PLATE, takePath, tried, type Said } from '#core/plan'
import type { FactBody, Fee } from '#core/records'
import { flowOf } from '../carcass/testing.ts'
import { alternativesFor, lineOptions, reckon, replan, solveLot, takePrices, valuePlan } from './index.ts'
import { FARM, lotOf, packOf, someLots } from './testing.ts'
import { cutDone, onLot, paid, routed } from '../plan/testing.ts'

const { hog } = ANATOMIES
const read = (said: Said[], packs = [] as ReturnType<typeof packOf>[], draws = 0, species: Species = 'hog') =>
  reckon(
    flowOf(species),
    { ...lotOf(species, said, 'hot', species === 'hog' ? 185 : 700), packs },
    FARM,
    draws,
  )
const fee = (of: Omit<Fee, 'kind'>): FactBody => ({ kind: 'fee', ...of })
const FEED: FactBody = paid(40_000)

describe('what may not be sold is worth no money in any plan', () => {
  it('a household’s alternatives, lines, plans and plans-from-here show none; inspected ones do', () => {
    const [household, inspected] = [read([FEED, routed('household')]), read([FEED, routed('inspected')])]
    const money = (r: typeof household) =>
      alternativesFor(r, 'loin', ['left', 'right']).map((a) => [a.whole.money, a.difference.money])
    expect(new Set(money(household).flat())).toEqual(new Set([0]))
    expect(
      money(inspected)
        .flat()
        .some((m) => m > 0),
    ).toBe(true)
    expect(
      lineOptions(household, 'loin', ['left', 'right']).flatMap((l) => l.settings.map((s) => s.money)),
    ).toEqual(lineOptions(household, 'loin', ['left', 'right']).flatMap((l) => l.settings.map(() => 0)))
    expect(replan(household, { kind: 'tool', tool: 'saw' }).difference.money).toBe(0)
    const lot = lotOf('hog', [routed('household')], 'hot', 185)
    expect(valuePlan(flowOf('hog'), lot, household, null).worth.money).toBe(0)
  })
  it('shares bring the same whichever way the animal is cut', () => {
    const price: Said = onLot('sharePrice', priceOf(500, 'lb'))
    const r = read([FEED, routed('custom'), price])
    const ways = alternativesFor(r, 'loin', ['left', 'right'])
    expect(new Set(ways.map((a) => a.whole.money))).toEqual(new Set([r.money.net]))
    expect(r.money.net).toBeGreaterThan(50_000)
    expect(r.money.netRange).toBeNull()
    const { net, netRange } = read([FEED, routed('custom'), price], [], 200).money
    expect(netRange!.low).toBeLessThan(net)
    expect(netRange!.high).toBeGreaterThan(net)
  })
  it('a lot that cost nothing asks nothing of its cuts, whatever its target', () => {
    expect(read([routed('inspected'), onLot('target', minor(9_000))]).money.neededPerKg).toBeNull()
    expect(read([FEED, routed('inspected')]).money.neededPerKg).toBeGreaterThan(0)
  })
})

describe('the price of a plate', () => {
  it('counts the meat as its process leaves it: bacon smoked to 92 % feeds 92 plates of a hundred, not 100', () => {
    const cured = read([...takePath(hog, 'belly', ['left', 'right'], 'belly-bacon')])
    const bacon = cured.cuts.find((c) => c.cut.id === 'bacon')!
    const row = cured.cutting.slot('belly', 'left')!.rows.find((x) => x.cut?.id === 'bacon')!
    const { lean, fat, seam } = row.tissue
    expect(bacon.edible).toBeCloseTo(2 * (lean + fat + seam) * 0.92, 9)
  })
  it('bones, fat and waste are on no plate', () => {
    const { cuts } = read([])
    const off = cuts.filter((c) => c.cut.kind !== 'product' || ['N', 'F'].includes(c.cut.destination))
    expect(new Set(off.map((c) => c.cut.destination))).toEqual(new Set(['N', 'F', 'X']))
    expect(off.map((c) => c.edible)).toEqual(off.map(() => 0))
    expect(cuts.filter((c) => !off.includes(c)).every((c) => c.edible > 0)).toBe(true)
  })
  it('is the money over the plates of so much raw meat: 100 kg at $10 a kg in plates of 200 g are $2 each', () => {
    const cut = hog.cuts.find((c) => c.id === 'bone-in-chop')!
    const chops: ValuedCut = {
      cut,
      kg: kg(100),
      edible: kg(100),
      pieces: 0,
      packs: 0,
      price: priceOf(1000, 'kg'),
      sold: 1,
    }
    const billed = { count: 1, hot: kg(0), hanging: kg(0), minutes: 0 }
    const worth = worthOf(
      [chops],
      { verdict: { food: true, sale: 'by-the-piece', reasons: [] }, fees: {}, sharePrice: null },
      billed,
      minor(0),
    )
    expect(perPlate(worth, PLATE)).toBeCloseTo(200, 9)
  })
})

describe('fees in the sum and in its spread', () => {
  const wide = (r: ReturnType<typeof read>) => r.money.coverRange!.high - r.money.coverRange!.low
  it('a fee on the hanging weight makes Cover surer, since meat and fee rise together', () => {
    const live = (...said: Said[]) => reckon(flowOf('hog'), lotOf('hog', said), FARM, 400)
    const flat = live(FEED)
    const hanging = fee({ fee: 'cut-wrap', amount: 200, per: 'lb', basis: 'hanging' })
    const rising = live({ ...FEED, amount: 5_000 }, hanging)
    expect(wide(rising) / rising.money.cover!).toBeLessThan(wide(flat) / flat.money.cover!)
    const range = rising.money.coverRange!
    expect(range.low).toBeLessThan(rising.money.cover!)
    expect(range.high).toBeGreaterThan(rising.money.cover!)
  })
  it('95 cents a pound on 185 lb are $175.75, and on a kilogram 2.2 times that for the same weight in kg', () => {
    const amount = (per: 'lb' | 'kg') =>
      read([fee({ fee: 'cut-wrap', amount: 95, per, basis: 'hot' })]).money.costs.rows[0]!.amount
    expect(amount('lb')).toBe(17_575)
    expect(amount('kg')).toBe(Math.round(95 * 185 * KG_PER_LB))
    const spread = (per: 'lb' | 'kg') => {
      const live = { ...lotOf('hog', [FEED, fee({ fee: 'cut-wrap', amount: 900, per, basis: 'hot' })]) }
      const { coverRange } = reckon(flowOf('hog'), live, FARM, 400).money
      return coverRange!.high / coverRange!.low
    }
    expect(spread('lb')).toBeLessThan(spread('kg'))
  })
  it('packs beyond the plan are billed, and of a cut that is done only those weighed', () => {
    const perPack = fee({ fee: 'pack', amount: 40, per: 'pack', basis: null })
    const billed = (packs: number, done: boolean) =>
      read([perPack, ...(done ? [cutDone('bacon')] : [])], [packOf('bacon', 9, packs)]).money.costs.rows[0]!
        .amount / 40
    const planned = read([perPack]).cuts.reduce((s, c) => s + c.packs, 0)
    const bacon = read([]).cuts.find((c) => c.cut.id === 'bacon')!.packs
    expect(billed(bacon + 7, false)).toBe(planned + 7)
    expect(billed(1, false)).toBe(planned)
    expect(billed(1, true)).toBe(planned - bacon + 1)
  })
})

describe('a cut half weighed', () => {
  it('is never drawn below what was weighed of it: with more on record than any draw gives nothing is left to vary', () => {
    const first = read([], [], 400)
    const chops = first.cuts.find((c) => c.cut.id === 'bone-in-chop')!
    const others = first.cuts.filter((c) => c.cut.kind === 'product' && c.cut.id !== 'bone-in-chop')
    const over = Number(((chops.range!.high * 1.05) / KG_PER_LB).toFixed(2))
    const r = read(
      others.map((c) => cutDone(c.cut.id)),
      [
        packOf('bone-in-chop', over),
        ...others.map((c) => packOf(c.cut.id, Math.max(0.1, Number((c.expectedKg / KG_PER_LB).toFixed(2))))),
      ],
      400,
    )
    const packed = r.stages.find((s) => s.id === 'packed')!
    const weighed = r.cuts.reduce((s, c) => (c.cut.kind === 'product' ? s + c.weighedKg : s), 0)
    expect(packed.kg).toBeCloseTo(weighed, 9)
    expect(packed.range).toBeNull()
  })
})

describe('solving prices by the cut, not by its name', () => {
  it('two cuts of one name each get their own price', () => {
    const names = { american: 'Chops', commonwealth: 'Chops' }
    const [lamb, out] = [hog, extendAnatomy(hog, twin())]
    if (!out.ok) throw new Error(JSON.stringify(out.issues))
    function twin() {
      return {
        species: 'hog' as const,
        cuts: (['own-a', 'own-b'] as const).map((id, i) => ({
          id,
          names,
          destination: 'T' as const,
          kind: 'product' as const,
          index: 1 + 2 * i,
          portion: null,
        })),
        parts: [],
        paths: [
          {
            id: 'own-twin',
            part: 'loin',
            names,
            destination: 'T' as const,
            minutes: 5,
            tool: 'knife' as const,
            steps: '',
            outputs: [
              { cut: 'own-a', lean: 0.5, fat: 0.5, bone: 0.5, skin: 0.5 },
              { cut: 'own-b', lean: 0.5, fat: 0.5, bone: 0.5, skin: 0.5 },
            ],
          },
        ],
      }
    }
    expect(lamb.cuts.length).toBeLessThan(out.value.cuts.length)
    const said = [FEED, routed('inspected'), ...takePath(out.value, 'loin', ['left', 'right'], 'own-twin')]
    const r = reckon(compile(out.value), lotOf('hog', said, 'hot', 185), FARM, 0)
    const solved = solveLot(r)
    if (!solved.ok) throw new Error(solved.issues[0]!.code)
    const { prices, scale } = solved.value
    expect(prices.get('own-b')! / prices.get('own-a')!).toBeCloseTo(3, 1)
    expect(prices.get('own-a')!).toBeCloseTo(scale, -1)
    const after = reckon(
      compile(out.value),
      lotOf('hog', [...said, ...takePrices(r, prices)], 'hot', 185),
      FARM,
      0,
    )
    expect(after.money.net).toBeGreaterThanOrEqual(after.money.costs.total)
    expect(after.money.net).toBe(after.cuts.reduce((s, c) => s + takings(c.kg, c.price, c), 0))
  })
})

describe('the unit on the screen', () => {
  it('changes no money: Cover, packs and fees are the same in kilograms and in pounds, in any plan', () => {
    fc.assert(
      fc.property(someLots, ({ lot, species }) => {
        const billed: FactBody[] = [
          paid(41_237),
          { kind: 'fee', fee: 'pack', amount: 35, per: 'pack', basis: null },
          { kind: 'fee', fee: 'cut-wrap', amount: 98, per: 'lb', basis: 'hot' },
        ]
        const priced = { ...lot, ...tried(lot, billed) }
        const farm = { ...FARM, mince: priceOf(595, 'lb'), hour: minor(2_000) }
        const [a, b] = (['lb', 'kg'] as const).map((massUnit) =>
          reckon(flowOf(species), priced, { ...farm, massUnit }, 0),
        )
        expect(b!.money).toEqual(a!.money)
        expect(b!.cuts.map((c) => [c.packs, c.value])).toEqual(a!.cuts.map((c) => [c.packs, c.value]))
      }),
      { numRuns: 40 },
    )
  })
  it('a species with its own price of mince is priced by it', () => {
    const farm = { ...FARM, minces: { lamb: priceOf(1_000, 'lb') } }
    const price = (species: Species) =>
      reckon(flowOf(species), lotOf(species), farm, 0).cuts.find((c) => c.cut.id.startsWith('ground'))!
    const index = (species: Species) =>
      reckon(flowOf(species), lotOf(species), farm, 0).plan.terms.get(price(species).cut.id)!.index
    expect(price('lamb').price).toEqual(priceOf(1_000 * index('lamb'), 'lb'))
    expect(price('hog').price.per).toBe('kg')
  })
})
