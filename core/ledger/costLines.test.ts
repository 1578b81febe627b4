import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { kg, minor, sumOf } from '#core/measure'
import type { CostLine } from '#core/plan'
import { COST_SHARES } from '#core/records'
import { costsCsv, costsOf, growthOf, kindOf, readCostsCsv, shareCost, spentByKind } from './index.ts'

const line = (label: string, amount: number, more: Partial<CostLine> = {}): CostLine => ({
  ...{ id: label, label, amount: minor(amount) },
  ...more,
})

describe('feed conversion', () => {
  // Worked by hand: two pigs from 20 kg each to 110 kg each, 558 kg of feed for $223.20, over 120 days.
  const lines = [
    line('Weaners', 18_000, { of: 'animal' }),
    line('Grower', 12_320, { of: 'feed', quantity: { value: 308, unit: 'kg' } }),
    line('Finisher', 10_000, { of: 'feed', quantity: { value: 250, unit: 'kg' } }),
    line('Kill', 17_000, { of: 'processor' }),
  ]
  const start = { kg: kg(40), day: '2026-05-01' }
  it('is feed over gain: 558 of feed for 180 of gain is 3.1', () => {
    const found = growthOf(lines, start, kg(220), 2, '2026-08-29')!
    expect(found.gain).toBe(180)
    expect(found.conversion).toBeCloseTo(3.1, 12)
    expect(found.feedPerKg).toBeCloseTo(124, 12)
    expect(found.allPerKg).toBeCloseTo((18_000 + 22_320) / 180, 12)
    expect(found.daily).toBeCloseTo(0.75, 12)
  })
  it('loads what is lost on those that live: 5 of 65 chicks gone, $195 spent, each of 60 bears $3.25 and not $3.00', () => {
    const chicks = [line('Chicks and feed', 19_500, { of: 'feed' })]
    const came = { kg: kg(3), day: '2026-05-01', animals: 65 }
    expect(growthOf(chicks, came, kg(150), 60, null)!.lost).toEqual({ animals: 5, each: 25 })
    expect(growthOf(chicks, { ...came, animals: 60 }, kg(150), 60, null)!.lost).toBeNull()
  })
  it('counts pounds as pounds (NIST SP 811: 0.45359237 kg)', () => {
    const inPounds = [line('Grower', 1000, { of: 'feed', quantity: { value: 100, unit: 'lb' } })]
    expect(growthOf(inPounds, start, kg(220), 2, null)).toMatchObject({
      feed: expect.closeTo(45.359237, 9),
      daily: null,
    })
  })
  it('is not known of what gained nothing, or was not weighed when it came', () => {
    expect(growthOf(lines, start, kg(40), 2, null)).toBeNull()
    expect(growthOf(lines, null, kg(220), 2, null)).toBeNull()
    expect(growthOf([], start, kg(220), 2, null)).toMatchObject({ conversion: null, feedPerKg: null })
  })
})

describe('a cost of several lots', () => {
  // A field's rent of $100 for a steer of 500 kg there 90 days, and ten lambs of 40 kg each there 30.
  const bearers = [
    { id: 'steer', count: 1, days: 90, kg: 500 },
    { id: 'lambs', count: 10, days: 30, kg: 400 },
  ]
  it.each<[(typeof COST_SHARES)[number], number, number]>([
    ['head', 909, 9091],
    ['head-days', 2308, 7692],
    ['weight', 5556, 4444],
    ['even', 5000, 5000],
  ])('is shared by %s, worked by hand', (by, steer, lambs) => {
    expect(shareCost(minor(10_000), by, bearers)).toEqual([steer, lambs])
  })
  it('comes to the cost to the cent whoever bears it, and to nothing where there is nothing to share it by', () => {
    const some = fc.array(
      fc.record({ id: fc.string(), count: fc.nat(90), days: fc.nat(400), kg: fc.nat(900) }),
      { minLength: 1, maxLength: 12 },
    )
    fc.assert(
      fc.property(some, fc.nat(900_000), fc.constantFrom(...COST_SHARES), (all, total, by) => {
        const found = shareCost(minor(total), by, all)
        if (found) expect(sumOf(found, (x) => x)).toBe(total)
      }),
    )
    expect(shareCost(minor(100), 'weight', [{ id: 'a', count: 3, days: 9, kg: 0 }])).toBeNull()
  })
})

describe('what was spent', () => {
  it('is sorted by what it was said to be for, or else by its words, and adds up', () => {
    const lines = [
      line('Chicks', 100, { of: 'animal' }),
      line('Feed to come', 50),
      line('Straw', 7),
      line('Own labour', 30),
      line('Odd thing', 4),
    ]
    const found = spentByKind(lines)
    expect(found.map((f) => f.kind)).toEqual(['animal', 'feed', 'bedding', 'labour', 'other'])
    expect(sumOf(found, (f) => f.amount)).toBe(191)
    expect(kindOf({ label: 'Kill fee' })).toBe('processor')
  })
  it('counts the family’s own work where it is wanted, and leaves it out where it is not', () => {
    const plan = { costs: [line('Feed', 500), line('Our evenings', 300, { unpaid: true })], fees: {} }
    const billed = { count: 1, hot: kg(0), hanging: kg(0), packs: 0, minutes: 0 }
    expect(costsOf({ ...plan, countsUnpaid: true }, billed, minor(0)).total).toBe(800)
    expect(costsOf({ ...plan, countsUnpaid: false }, billed, minor(0)).total).toBe(500)
  })
})

describe('costs as a table (RFC 4180: quotes, commas and line breaks in a cell)', () => {
  it('a label that begins as a formula is words to a spreadsheet, and the same label when it is read again (OWASP, CSV injection, from memory)', () => {
    for (const label of ['=1+1', '+feed', '-feed', '@feed', "'quoted"]) {
      const csv = costsCsv([line(label, 100, {})], 'USD', 2)
      expect(csv.split('\r\n')[1]).not.toMatch(/(?:^|,)"?[=+\-@]/)
      expect(readCostsCsv(csv, 'USD').good[0]!.label).toBe(label)
    }
  })
  it('come back as they were taken away', () => {
    const lines = [
      line('Hay, "second" cut', 12_345, {
        of: 'feed',
        day: '2026-06-01',
        quantity: { value: 1.5, unit: 'lb' },
      }),
      line('Our evenings', 5000, { unpaid: true }),
    ]
    const { good, bad } = readCostsCsv(costsCsv(lines, 'USD', 2), 'USD')
    expect(bad).toEqual([])
    expect(good).toEqual(lines.map(({ id: _, ...rest }) => ({ kind: 'cost', ...rest })))
  })
  it('say what cannot be read by row and column; the good rows come all the same', () => {
    const { good, bad } = readCostsCsv(
      'Amount,What,Kind,Quantity,Unit,Day,Currency\n12.50,Feed,feed,50,lb,2026-06-01,\nten,Hay,,,,,\n5,Straw,fodder,,,,\n5,,,,,,\n7,Salt,,3,bags,1.6.2026,EUR\n',
      'USD',
    )
    expect(good).toEqual([
      {
        ...{ kind: 'cost', label: 'Feed', amount: 1250, of: 'feed', day: '2026-06-01' },
        quantity: { value: 50, unit: 'lb' },
      },
    ])
    expect(bad.map((b) => [b.row, b.column])).toEqual([
      [3, 'amount'],
      [4, 'kind'],
      [5, 'what'],
      [6, 'currency'],
      [6, 'day'],
      [6, 'unit'],
    ])
    expect(bad[3]!.reason).toMatch(/counts in USD, the row in EUR/)
  })
  it('without a heading say which column is missing', () => {
    expect(readCostsCsv('Feed;12', 'USD').bad.map((b) => b.column)).toEqual(['what', 'amount'])
  })
})
