import { describe, expect, it } from 'vitest'
import { ANATOMIES } from '#core/species'
import { heaviestCarcass } from '#core/carcass'
import { grams, KG_PER_LB, PLAIN, sayIssue, saysFor, type Issue } from '#core/measure'
import { takePath, tried } from '#core/plan'
import { flowOf } from '../carcass/testing.ts'
import { judgePacks, reckon, type LotState, type PackRow } from './index.ts'
import { cutDone } from '../plan/testing.ts'
import { FARM, lotOf, packOf } from './testing.ts'

const judged = (lot: LotState, added: PackRow): Issue | null => judgePacks(flowOf('hog'), lot, added)
/** What is refused whatever a person says. */
function judge(lot: LotState, added: PackRow): Issue | null {
  const issue = judged(lot, added)
  return issue?.confirmable ? null : issue
}
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

describe('what is unlikely about packs', () => {
  const chops = (lb: number, more: Partial<PackRow> = {}) => packOf('bone-in-chop', lb, 1, more)
  const expected = reckon(flowOf('hog'), hung(), FARM).cuts.find((c) => c.cut.id === 'bone-in-chop')!
  const lb = expected.kg / KG_PER_LB
  it('42 lb of chops where 26 are expected are asked about, with what was likely; 5 % more are not', () => {
    expect(judged(hung(), chops(lb * 1.05))).toBeNull()
    const issue = judged(hung(), chops((lb * 42) / 26))!
    expect(issue).toMatchObject({ code: 'packs-unlikely', field: 'shown', confirmable: true })
    expect(sayIssue(issue, saysFor(PLAIN))).toMatch(
      /^Expected \d+\.\d–\d+\.\d lb of bone-in loin chops; with this you have \d+\.\d lb\. Keep it if the scale said so\.$/,
    )
  })
  it('once: what was kept all the same is not asked about again, and a correction downwards never is', () => {
    const held = { ...hung(), packs: [chops(lb * 1.6)] }
    expect(judged(held, chops(1, { id: 'more' }))).toBeNull()
    expect(judged(held, chops(lb, { id: 'right', corrects: held.packs[0]!.id }))).toBeNull()
  })
  it('packs on the way to what is expected pass, and so does what the plan has none of', () => {
    expect(judged({ ...hung(), packs: [chops(lb / 2)] }, chops(lb / 2, { id: 'rest' }))).toBeNull()
    expect(judged(hung(), packOf('leg-steak', 3))).toBeNull()
  })
  it('what is ticked as all in before anything was weighed does not make the rest unlikely', () => {
    const ticked = tried(hung(), [cutDone('bone-in-chop'), cutDone('bacon')])
    expect(judged({ ...hung(), ...ticked }, chops(lb * 1.05))).toBeNull()
  })
})
