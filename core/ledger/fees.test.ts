import { describe, expect, it } from 'vitest'
import { kg, KG_PER_LB, minor, sumOf } from '#core/measure'
import type { Fee } from '#core/records'
import { dealOnEveryBasis, feesOf, type Billed } from './index.ts'

const lb = (pounds: number) => kg(pounds * KG_PER_LB)
const fee = (id: string, amount: number, per: Fee['per'], more: Partial<Fee> = {}): Fee => ({
  ...{ kind: 'fee', fee: id, amount, per, basis: null },
  ...more,
})
// A hog of 260 lb alive, 190 hot, 185 cold, 184 on the day; both bellies (28 lb) cured to 24 lb in 12 packs.
const BILLED: Billed = {
  ...{ count: 1, live: lb(260), hot: lb(190), cold: lb(185), hanging: lb(184), packs: 90, minutes: 0 },
  ways: new Map([['belly-bacon', { heads: 1, kg: lb(28) }]]),
  classes: new Map([['C', { kg: lb(24), packs: 12 }]]),
}
const amountOf = (f: Fee, billed = BILLED) => feesOf({ [f.fee]: f }, billed)[0]!.amount

describe('a fee sheet, worked by hand', () => {
  it.each([
    ['live', 26_000],
    ['hot', 19_000],
    ['rebate', 18_620],
    ['cold', 18_500],
    ['hanging', 18_400],
  ] as const)('bills a dollar a pound on the %s weight', (basis, amount) => {
    expect(amountOf(fee('cut-wrap', 100, 'lb', { basis }))).toBe(amount)
  })
  it('bills smoking by what comes out of it, or by what goes in, as it says', () => {
    expect(amountOf(fee('smoke', 150, 'lb', { label: 'Smoking', on: { to: 'C' } }))).toBe(3600)
    expect(amountOf(fee('cure', 110, 'lb', { label: 'Curing', on: { ways: ['belly-bacon'] } }))).toBe(3080)
    expect(amountOf(fee('vacuum', 25, 'pack', { label: 'Vacuum', on: { to: 'C' } }))).toBe(300)
  })
  it('follows the way that causes it: a way that is not taken costs nothing, whatever its least', () => {
    const french = fee('french', 600, 'head', { on: { ways: ['loin-frenched'] }, least: 1500 })
    expect(amountOf(french)).toBe(0)
    const taken = { ...BILLED, ways: new Map([['loin-frenched', { heads: 1, kg: lb(20) }]]) }
    expect(amountOf(french, taken)).toBe(1500)
  })
  it('a least is of the bill, or of each animal by its own weight: 128, 176 and 190 lb at 0.80, at least 110 a head, are 402.80', () => {
    const pounds = [128, 176, 190]
    const all = pounds.reduce((sum, x) => sum + x, 0)
    const alike = { ...BILLED, count: 3, hot: lb(all) }
    const three = { ...alike, heads: pounds.map((x) => x / all) }
    const cut = (more: object) => fee('cut-wrap', 80, 'lb', { basis: 'hot', least: 11_000, ...more })
    expect(amountOf(cut({ leastPer: 'head' }), three)).toBe(40_280)
    expect(amountOf(cut({}), three)).toBe(39_520)
    // Not weighed alone they are taken as alike: 131.73 each.
    expect(amountOf(cut({ leastPer: 'head' }), alike)).toBe(39_520)
    expect(amountOf(fee('cut-wrap', 100, 'lb', { basis: 'packed' }), { ...three, packed: lb(310) })).toBe(
      31_000,
    )
  })
  it('takes a hide that is bought off the bill', () => {
    const rows = feesOf(
      { kill: fee('kill', 8500, 'head'), hide: fee('hide', 1200, 'head', { label: 'Hide', credit: true }) },
      BILLED,
    )
    expect(rows.map((r) => [r.label, r.amount])).toEqual([
      ['Kill fee', 8500],
      ['Hide', -1200],
    ])
    expect(sumOf(rows, (r) => r.amount)).toBe(7300)
  })
})

describe('which weight a price is meant on', () => {
  const rows = dealOnEveryBasis(250, 'lb', 'hot', BILLED, lb(140))
  const on = (basis: string) => rows.find((r) => r.basis === basis)!
  it('is $475 hot at $2.50, and $15 less as cut; the same deal is $1.83 alive', () => {
    expect(on('hot')).toMatchObject({ amount: 47_500, difference: 0 })
    expect(on('hanging')).toMatchObject({ amount: 46_000, difference: -1500 })
    expect(on('live').same).toBeCloseTo((250 * 190) / 260, 9)
  })
  it('says what a pound to take home costs the buyer', () => {
    expect(on('hot').takeHome).toBeCloseTo(47_500 / 140, 9)
  })
  it('leaves out what was never weighed nor estimated', () => {
    const side = dealOnEveryBasis(250, 'lb', 'hanging', { hot: kg(0), hanging: lb(90) }, kg(0))
    expect(side.map((r) => [r.basis, r.takeHome])).toEqual([['hanging', null]])
    expect(minor(side[0]!.amount)).toBe(22_500)
  })
})
