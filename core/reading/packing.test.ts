import { describe, expect, it } from 'vitest'
import { ANATOMIES } from '#core/anatomy'
import { heaviestCarcass } from '#core/carcass'
import { grams, KG_PER_LB, type Issue } from '#core/measure'
import { takePath } from '#core/plan'
import { flowOf } from '../carcass/testing.ts'
import { judgePacks, reckon, type LotState, type PackRow } from './index.ts'
import { FARM, lotOf, packOf } from './testing.ts'

const judge = (lot: LotState, added: PackRow): Issue | null => judgePacks(flowOf('hog'), lot, added)
const hung = (): LotState => {
  const lot = lotOf('hog', [], 'hanging', 180)
  return { ...lot, weighings: [{ ...lot.weighings[0]!, basis: 'aged' }] }
}

describe('what is impossible about packs', () => {
  it('a pack under 5 g holds nothing a person buys; 5 g may be a sprig of fat, and no packs are none too light', () => {
    const weighing = (g: number, packs: number): PackRow => ({
      ...packOf('bacon', 1, packs),
      grams: grams(g),
    })
    expect(judge(hung(), weighing(49, 10))).toMatchObject({
      code: 'packs-too-light',
      field: 'packs',
      figures: { packs: 10, eachGrams: 4.9, shown: { value: 1, unit: 'lb' } },
    })
    expect(judge(hung(), weighing(50, 10))).toBeNull()
    expect(judge(hung(), weighing(2, 0))).toBeNull()
  })
  it('more than what hung, with 2 % for scales and wet meat, what is added in cure and offal kept beside', () => {
    const read = reckon(flowOf('hog'), hung(), FARM, 0)
    const most = (180 * KG_PER_LB * 1.02 + read.balance.added + read.balance.kept) / KG_PER_LB
    expect(judge(hung(), packOf('bacon', most - 0.1))).toBeNull()
    expect(judge(hung(), packOf('bacon', most + 0.1))).toMatchObject({
      code: 'packed-above-carcass',
      field: 'shown',
    })
    const held = { ...hung(), packs: [packOf('bacon', 100)] }
    expect(judge(held, packOf('sausage', most - 100.1))).toBeNull()
    expect(judge(held, packOf('sausage', most - 99.9))?.code).toBe('packed-above-carcass')
  })
  it('a kept liver may be packed beside the whole carcass', () => {
    const liver = takePath(ANATOMIES.hog, 'liver', ['animal'], 'liver-kept')
    const lot = { ...lotOf('hog', liver, 'hanging', 180), weighings: hung().weighings }
    const { balance } = reckon(flowOf('hog'), lot, FARM, 0)
    expect(balance.kept).toBeGreaterThan(0.5)
    const most = (180 * KG_PER_LB * 1.02 + balance.added + balance.kept) / KG_PER_LB
    expect(judge(lot, packOf('bacon', most - 0.1))).toBeNull()
    expect(judge(lot, packOf('bacon', most + 0.1))).not.toBeNull()
  })
  it('an estimated carcass may be as heavy as it is likely to be', () => {
    const read = reckon(flowOf('hog'), lotOf('hog'), FARM)
    const { range } = read.stages.find((s) => s.id === 'hanging')!
    const most = (range!.high * 1.02 + read.balance.added + read.balance.kept) / KG_PER_LB
    expect(judge(lotOf('hog'), packOf('bacon', most - 0.1))).toBeNull()
    expect(judge(lotOf('hog'), packOf('bacon', most + 0.1))?.code).toBe('packed-above-carcass')
  })
  it('with no weight at all: more than the heaviest carcasses of its kind', () => {
    const bare = { ...lotOf('hog'), weighings: [], count: 2 }
    const most = (2 * heaviestCarcass(ANATOMIES.hog)) / KG_PER_LB
    expect(judge(bare, packOf('bacon', most - 0.1))).toBeNull()
    expect(judge(bare, packOf('bacon', most + 0.1))).toMatchObject({
      code: 'packed-above-species',
      field: 'shown',
      figures: { count: 2, what: { american: 'Hog' } },
    })
    const wrong = packOf('bacon', most)
    const right = { ...packOf('bacon', 30), corrects: wrong.id }
    expect(judge({ ...bare, packs: [wrong] }, right)).toBeNull()
  })
})
