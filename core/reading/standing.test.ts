import { describe, expect, it } from 'vitest'
import { KG_PER_LB, minor } from '#core/measure'
import { takePath, type Said } from '#core/plan'
import { ANATOMIES } from '#core/species'
import { goneBy, type FactBody, type Species } from '#core/records'
import { flowOf } from '../carcass/testing.ts'
import { productsOf, progressOf, railOn, reckon, STANDINGS, type LotState } from './index.ts'
import { FARM, lotOf, packOf } from './testing.ts'
import { cutDone, onLot, paid, routed } from '../plan/testing.ts'

const of = (lot: LotState) => progressOf(reckon(flowOf('hog'), lot, FARM, 0))
const FEED: FactBody = paid(40_000)
const INSPECTED: FactBody = routed('inspected')
const WAY = takePath(ANATOMIES.hog, 'loin', ['left', 'right'], 'loin-roasts')
const hot = (...said: Said[]) => lotOf('hog', said, 'hot', 185)

describe('where a lot stands, and what comes next', () => {
  it('goes from alive over hanging and packing to packed', () =>
    expect(STANDINGS).toEqual(['alive', 'hanging', 'packing', 'packed']))
  it.each<[string, LotState, string, string]>([
    ['nothing weighed', { ...lotOf('hog'), weighings: [] }, 'alive', 'weigh'],
    ['alive, nothing paid', lotOf('hog'), 'alive', 'enter-costs'],
    ['alive and paid for', lotOf('hog', [FEED]), 'alive', 'plan'],
    ['alive and planned', lotOf('hog', [FEED, ...WAY]), 'alive', 'weigh-again'],
    ['hung, nothing paid', hot(), 'hanging', 'enter-costs'],
    ['hung, route not said', hot(FEED), 'hanging', 'say-route'],
    ['hung, route said', hot(FEED, INSPECTED), 'hanging', 'plan'],
    ['hung and planned', hot(FEED, INSPECTED, ...WAY), 'hanging', 'price'],
    ['first pack weighed', { ...hot(), packs: [packOf('bacon', 5)] }, 'packing', 'weigh-packs'],
  ])('%s', (_, lot, standing, next) => {
    const p = of(lot)
    expect([p.standing, p.next]).toEqual([standing, next])
  })
  it('packed is where every product is done; then the sum is looked at', () => {
    const products = productsOf(reckon(flowOf('hog'), hot(), FARM, 0)).map((c) => c.cut.id)
    const tick = (cut: string): FactBody => cutDone(cut)
    const packs = [packOf('bacon', 5)]
    expect(of({ ...hot(...products.map(tick)), packs })).toMatchObject({
      standing: 'packed',
      next: 'look-at-sum',
      key: { is: 'packed', weighed: true },
    })
    expect(of({ ...hot(...products.slice(1).map(tick)), packs }).standing).toBe('packing')
  })
  it('the figure that counts is the latest that was weighed: live, hot, hanging, then what is packed', () => {
    expect(of(lotOf('hog')).key).toMatchObject({ is: 'live', weighed: true })
    expect(of(lotOf('hog')).key!.kg).toBeCloseTo(260 * KG_PER_LB, 3)
    expect(of(hot()).key).toMatchObject({ is: 'hot', weighed: true })
    expect(of(hot()).key!.kg).toBeCloseTo(185 * KG_PER_LB, 3)
    const hung = hot()
    const aged = { ...hung.weighings[0]!, stage: 'hanging', basis: 'aged' } as const
    expect(of({ ...hung, weighings: [aged] }).key).toMatchObject({ is: 'hanging', weighed: true })
    const packing = of({ ...hot(), packs: [packOf('bacon', 5)] })
    expect(packing.key).toMatchObject({ is: 'packed', weighed: true })
    expect(packing.key!.kg).toBeCloseTo(5 * KG_PER_LB, 3)
    expect(of({ ...hot(), weighings: [] }).key).toBeNull()
  })
  it('the goal of Cover is cost and target over cost: $400 and a target of $100 is 125 %', () => {
    const target: Said = onLot('target', minor(10_000))
    expect(of(lotOf('hog', [FEED, target])).goal).toBe(1.25)
    expect(of(lotOf('hog', [FEED])).goal).toBeNull()
    expect(of(lotOf('hog', [target])).goal).toBeNull()
  })
  it('Cover is the lot’s own, or why there is none', () => {
    const read = reckon(flowOf('hog'), lotOf('hog', [FEED]), FARM, 0)
    expect(of(lotOf('hog', [FEED]))).toMatchObject({ cover: read.money.cover, uncovered: null })
    expect(of(lotOf('hog'))).toMatchObject({ cover: null, uncovered: 'no-costs' })
  })
})

describe('places on the rail', () => {
  const killed: FactBody = { kind: 'observation', what: 'killed', value: '2026-11-20' }
  it('it hangs from the kill to the day it is cut by plan; alive, or with no day known, it takes none', () => {
    expect(of(hot(killed)).hangs).toEqual({ from: '2026-11-20', until: '2026-11-22' })
    expect(of(lotOf('hog', [killed])).hangs).toBeNull()
    expect(of(hot()).hangs).toBeNull()
    expect(of({ ...hot(killed), packs: [packOf('bacon', 5)] }).hangs).toBeNull()
  })
  it('birds lie in ice and take none', () => {
    const birds = lotOf('broiler', [killed], 'hot', 200)
    expect(progressOf(reckon(flowOf('broiler'), birds, FARM, 0)).hangs).toBeNull()
  })
  it('on a day those are there that are not cut yet, by heads; itself is not counted twice', () => {
    const card = (id: string, count: number, until: string) => ({
      ...{ id, count },
      progress: { ...of(hot(killed)), hangs: { from: '2026-11-20', until } },
    })
    const lots = [card('a', 1, '2026-11-22'), card('b', 2, '2026-12-04'), card('c', 3, '2026-11-23')]
    const on = (day: string, places: number | null) => railOn(lots, day, { id: 'a', count: 1 }, places)
    expect(on('2026-11-22', 6)).toMatchObject({ taken: 5, places: 6, free: 0 })
    expect(on('2026-11-23', 6)).toMatchObject({ taken: 2, free: 3 })
    expect(on('2026-11-22', 4)!.free).toBe(-2)
    expect(on('2026-11-22', null)).toBeNull()
  })
})

describe('birds of a year under the exemption (9 CFR 381.10, from memory)', () => {
  const EXEMPT = routed('poultry-exempt')
  const fee: FactBody = { kind: 'fee', fee: 'kill', amount: minor(450), per: 'head', basis: null }
  const condemned: FactBody = {
    ...{ kind: 'downgrade', what: 'condemned', animals: 2, shown: null },
    ...{ lost: minor(0), lesson: null },
  }
  const dead: FactBody = { kind: 'loss', day: '2026-11-01', animals: 3, cause: 'found-dead' }
  const birds = (species: Species, ...said: FactBody[]) =>
    progressOf(reckon(flowOf(species), lotOf(species, [EXEMPT, ...said]), FARM, 0)).exempt!.birds
  it('counts birds killed, a turkey as four, and a box of backs as none', () => {
    expect([birds('broiler'), birds('duck'), birds('turkey')]).toEqual([40, 40, 160])
    const boxed: FactBody = {
      kind: 'observation',
      what: 'hangs',
      value: { as: 'part', part: 'back' },
    }
    expect(birds('broiler', boxed)).toBe(0)
  })
  it('those condemned after the kill were killed: they count and the plant bills them; those dead before it do not', () => {
    // As the server reads a lot: its count is of those that live to be food.
    const of = (...said: FactBody[]) => {
      const gone = said.reduce((sum, f) => sum + goneBy(f), 0)
      const lot = lotOf('broiler', [EXEMPT, fee, ...said])
      return reckon(flowOf('broiler'), { ...lot, count: lot.count - gone }, FARM, 0)
    }
    const exempt = (read: ReturnType<typeof of>) => progressOf(read).exempt!.birds
    expect([of(), of(dead), of(condemned)].map((r) => [r.count, exempt(r), r.money.costs.total])).toEqual([
      [40, 40, 40 * 450],
      [37, 37, 37 * 450],
      [38, 40, 40 * 450],
    ])
  })
})
