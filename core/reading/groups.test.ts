import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { KG_PER_LB, gramsOf, kgOf, plus, sayIssue, sumOf } from '#core/measure'
import type { Decision, FactBody, GroupRow } from '#core/records'
import { flowOf } from '../carcass/testing.ts'
import {
  groupState,
  groupTable,
  judgeGroupWeight,
  reckon,
  worthAs,
  stateOf,
  weighedTwice,
  type KeptLot,
} from './index.ts'
import { FARM, packOf } from './testing.ts'

const FLOW = flowOf('broiler')
const group = (
  id: string,
  parent: string | null,
  animals: number,
  more: Partial<GroupRow> = {},
): GroupRow => ({
  ...{ id, parent, animals, joins: [], half: false, name: id },
  ...more,
})
const WHOLE = group('lot', null, 40)
const TWO = [WHOLE, group('few', 'lot', 12), group('rest', 'lot', 28)]

type Row<K extends 'commands' | 'facts'> = KeptLot[K][number]
const decided = (of: string, decision: Decision, rev = 1): Row<'commands'> => ({
  ...{ id: `${of} ${rev}`, group: of, rev, batch: `${of} ${rev}`, undoes: null, redoes: null, decision },
  ...{ device: 'd', person: 'p' },
})
const way = (of: string, part: string, value: string, rev?: number) =>
  decided(of, { field: 'path', target: part, side: 'animal', value }, rev)
const seen = (of: string, fact: FactBody, id = JSON.stringify(fact)): Row<'facts'> => ({
  ...{ id, group: of, corrects: null, stands: true, fact, at: '' },
})
const weighed = (of: string, stage: 'live' | 'hot', kg: number) => {
  const shown = { value: kg, unit: 'kg' } as const
  const as = { basis: null, source: 'scale', corrects: null, stands: true, at: '' } as const
  return { id: `${of} ${stage}`, group: of, stage, shown, grams: gramsOf(shown), ...as }
}
const lot = (groups: readonly GroupRow[], more: Partial<KeptLot> = {}): KeptLot => ({
  count: 40,
  groups,
  weighings: [weighed('lot', 'hot', 80)],
  commands: [],
  facts: [],
  packs: [],
  ...more,
})
const read = (kept: KeptLot, draws = 0) => reckon(FLOW, stateOf(kept), FARM, draws)
const hung = (r: ReturnType<typeof read>) => r.weights!.aged
const cut = (r: ReturnType<typeof read>, id: string) => r.cuts.find((c) => c.cut.id === id)

describe('a lot that is split into groups', () => {
  it('weighs, cut alike, what it weighs as one lot: every cut, piece and minute', () => {
    const one = read(lot([WHOLE], { commands: [way('lot', 'bird', 'bird-parts')] }))
    const two = read(lot(TWO, { commands: [way('lot', 'bird', 'bird-parts')] }))
    expect(hung(two)).toBeCloseTo(hung(one), 9)
    for (const c of one.cuts) {
      const both = cut(two, c.cut.id)!
      expect(both.kg).toBeCloseTo(c.kg, 9)
      expect(both.edible).toBeCloseTo(c.edible, 9)
      if (c.cut.portion?.kind !== 'pack') expect(both.pieces).toBe(c.pieces)
    }
    expect(two.bench.hand).toBeCloseTo(one.bench.hand, 9)
    expect(two.bench.setUp).toBeCloseTo(one.bench.setUp, 9)
    expect(two.balance.difference).toBeCloseTo(0, 9)
  })

  it('gives what each group gives by its own plan, and the sum of the groups is the lot', () => {
    const r = read(lot(TWO, { commands: [way('few', 'bird', 'bird-quarters')] }))
    expect(cut(r, 'whole-bird')!.pieces).toBe(28)
    expect(cut(r, 'leg-quarter')!.pieces).toBe(24)
    for (const c of r.cuts) {
      const sum = r.groups.reduce((kg, g) => kg + (cut(g.read, c.cut.id)?.kg ?? 0), 0)
      expect(c.kg).toBeCloseTo(sum, 9)
    }
    expect(r.groups.map((g) => hung(g.read))).toEqual([
      expect.closeTo(hung(r) * 0.3, 9),
      expect.closeTo(hung(r) * 0.7, 9),
    ])
    const minor = (of: 'costs' | 'net') =>
      r.groups.reduce((sum, g) => sum + (of === 'net' ? g.read.money.net : g.read.money.costs.total), 0)
    expect(Math.abs(minor('net') - r.money.net)).toBeLessThanOrEqual(r.cuts.length)
  })

  it('bears its cost once: the groups’ shares of a cost come to it to the cent', () => {
    const r = read(
      lot([WHOLE, group('a', 'lot', 13), group('b', 'lot', 13), group('c', 'lot', 14)], {
        facts: [seen('lot', { kind: 'cost', label: 'Chicks', amount: 10_001 })],
      }),
    )
    const shares = r.groups.map((g) => g.read.plan.costs[0]!.amount)
    expect(shares.reduce((sum, x) => sum + x, 0)).toBe(10_001)
    expect(r.plan.costs[0]!.amount).toBe(10_001)
  })

  it('holds what was decided before it was split, until a group has its own', () => {
    const kept = lot(TWO, {
      commands: [way('lot', 'bird', 'bird-halves', 1), way('few', 'bird', 'bird-eight', 2)],
    })
    expect(groupState(kept, 'rest').commands.map((c) => c.decision.value)).toEqual(['bird-halves'])
    const r = read(kept)
    expect(cut(r, 'half-bird')!.pieces).toBe(56)
    expect(cut(r, 'eight-pieces')).toBeDefined()
  })

  it('keeps packs and weights of before with the lot: they are in its sum and in no group', () => {
    const kept = lot(TWO, { packs: [{ ...packOf('whole-bird', 22, 5), group: 'lot' }] })
    const r = read(kept)
    const birds = cut(r, 'whole-bird')!
    expect(birds.weighedPacks).toBe(5)
    expect(r.groups.every((g) => cut(g.read, 'whole-bird')!.weighedPacks === 0)).toBe(true)
    expect(birds.weighedKg + birds.remainingKg).toBeCloseTo(
      r.groups.reduce((sum, g) => sum + cut(g.read, 'whole-bird')!.kg, 0),
      9,
    )
    const table = groupTable(r, 'lb')
    const lb = (x: number) => (x / KG_PER_LB).toFixed(1)
    for (const of of ['hanging', 'products'] as const)
      expect(lb(sumOf(table.groups, (g) => g[of]!.kg)), of).toBe(lb(table.all[of]!.kg))
    expect(table.groups.reduce((n, g) => n + g.minutes, 0)).toBe(Math.round(r.minutes))
    expect(table.packedApart).toBeCloseTo(kgOf(packOf('whole-bird', 22).grams), 9)
    expect(
      plus(
        table.packedApart,
        sumOf(table.groups, (g) => g.packed),
      ),
    ).toBeCloseTo(table.all.packed, 9)
  })

  it('knows a group that was weighed exactly, and its sisters by what that leaves', () => {
    const r = read(lot(TWO, { weighings: [weighed('lot', 'hot', 80), weighed('few', 'hot', 30)] }), 200)
    const [few, rest] = r.groups.map((g) => g.read.stages.find((s) => s.id === 'hot')!)
    expect(few).toMatchObject({ kg: expect.closeTo(30, 9), weighed: true, range: null })
    expect(rest!.kg).toBeCloseTo(50, 9)
    expect(rest!.weighed).toBe(false)
    expect(r.stages.find((s) => s.id === 'hot')).toMatchObject({ weighed: true })
    expect(r.weights!.hot).toBeCloseTo(80, 9)
  })

  it('says how far a share may lie off: σ·√(1/n − 1/N) of the animals (sampling without replacement, any textbook of statistics)', () => {
    const [few] = groupState(lot(TWO), 'few').shared
    expect(few).toMatchObject({ stage: 'hot', kg: 24 })
    expect(few!.sd).toBeCloseTo(Math.hypot(0.1 * Math.sqrt(1 / 12 - 1 / 40), 0.005), 9)
    // A lot that dressed out badly: a share of it did so too, and lies around its own middle.
    const r = read(lot(TWO, { weighings: [weighed('lot', 'live', 120), weighed('lot', 'hot', 80)] }), 400)
    const [a, b] = r.groups.map((g) => g.read.stages.find((s) => s.id === 'hot')!)
    expect(a!.weighed).toBe(false)
    expect(a!.range!.low).toBeLessThan(24)
    // What one group has more the other has less: the lot itself was weighed.
    expect(r.stages.find((s) => s.id === 'hot')).toMatchObject({ weighed: true, range: null })
    for (const g of [a!, b!]) {
      expect(g.range!.low).toBeLessThan(g.kg)
      expect(g.range!.high).toBeGreaterThan(g.kg)
    }
    const hanging = r.stages.find((s) => s.id === 'hanging')!.range!
    const one = read(lot([WHOLE]), 400).stages.find((s) => s.id === 'hanging')!.range!
    expect((hanging.high - hanging.low) / (one.high - one.low)).toBeGreaterThan(0.6)
    expect((hanging.high - hanging.low) / (one.high - one.low)).toBeLessThan(1.6)
  })

  it('takes as long at the bench as the table of its ways says of the way in force', () => {
    const r = read(lot(TWO, { commands: [way('few', 'bird', 'bird-parts')] }))
    const few = r.groups[0]!.read
    expect(worthAs(few, few.cutting).minutes).toBeCloseTo(few.minutes, 9)
  })

  it('takes how far its animals lie apart from those weighed one by one', () => {
    const marks = [1.5, 1.8, 2, 2.2, 2.5].map((kg, i) =>
      seen('lot', { kind: 'animal', mark: `b${i}`, live: null, hot: { value: kg, unit: 'kg' } }),
    )
    const [few] = groupState(lot(TWO, { facts: marks }), 'few').shared
    const sd = Math.sqrt([1.5, 1.8, 2, 2.2, 2.5].reduce((s, x) => s + (x - 2) ** 2, 0) / 4) / 2
    expect(few!.sd).toBeCloseTo(Math.hypot(sd * Math.sqrt(1 / 12 - 1 / 40), 0.005), 9)
  })

  it('is one again when put together: whole weights, packs of both, cut as one of them', () => {
    const back = [...TWO, group('one', 'few', 40, { joins: ['rest'] })]
    const kept = lot(back, {
      commands: [way('few', 'bird', 'bird-quarters')],
      packs: [
        { ...packOf('leg-quarter', 10, 8), group: 'few' },
        { ...packOf('whole-bird', 9, 2), group: 'rest' },
        { ...packOf('neck', 1, 1), group: 'lot' },
      ],
    })
    const r = read(kept)
    expect(r.groups).toEqual([])
    expect(r.count).toBe(40)
    expect(r.stages.find((s) => s.id === 'hot')).toMatchObject({ kg: expect.closeTo(80, 9), weighed: true })
    expect(cut(r, 'leg-quarter')!.pieces).toBe(80)
    expect(cut(r, 'leg-quarter')!.weighedPacks).toBe(8)
    expect(cut(r, 'whole-bird')!.weighedPacks).toBe(2)
    expect(cut(r, 'neck')!.weighedPacks).toBe(1)
  })

  it('can be split again, to any depth, and still adds up', () => {
    const tree = fc.array(fc.tuple(fc.nat(), fc.integer({ min: 1, max: 39 })), { maxLength: 6 })
    fc.assert(
      fc.property(tree, (splits) => {
        const groups: GroupRow[] = [WHOLE]
        splits.forEach(([pick, n], i) => {
          const leaves = groups.filter((g) => !groups.some((c) => c.parent === g.id))
          const from = leaves[pick % leaves.length]!
          if (from.animals < 2) return
          const few = 1 + (n % (from.animals - 1))
          groups.push(group(`a${i}`, from.id, few), group(`b${i}`, from.id, from.animals - few))
        })
        const ways = ['bird-halves', 'bird-parts', 'bird-eight', 'bird-spatchcock']
        const kept = lot(groups, { commands: groups.map((g, i) => way(g.id, 'bird', ways[i % 4]!, i + 1)) })
        const r = read(kept)
        expect(r.weights!.hot).toBeCloseTo(80, 8)
        expect(r.balance.difference).toBeCloseTo(0, 8)
      }),
      { numRuns: 25 },
    )
  })

  it('loses nothing that was cut away before: each group bears its share', () => {
    const away: FactBody = {
      ...{ kind: 'observation', what: 'cut-away', of: 'leg', side: 'animal' },
      shown: { value: 2, unit: 'kg' },
    }
    const commands = [way('lot', 'bird', 'bird-parts')]
    const one = read(lot([WHOLE], { commands, facts: [seen('lot', away)] }))
    const two = read(lot(TWO, { commands, facts: [seen('lot', away)] }))
    expect(two.balance.losses).toBeCloseTo(one.balance.losses, 9)
    expect(two.groups[0]!.read.plan.cutAway.get('leg', 'animal')).toBeCloseTo(0.6, 9)
  })
})

describe('the two sides of one bird', () => {
  const SIDES = [
    group('lot', null, 1),
    group('left', 'lot', 1, { half: true }),
    group('right', 'lot', 1, { half: true }),
  ]
  const bird = (commands: Row<'commands'>[]) =>
    lot(SIDES, { count: 1, weighings: [weighed('lot', 'hot', 2)], commands })

  it('may differ: one breast filleted, the other with its wing bone', () => {
    const r = read(
      bird([
        way('left', 'bird', 'bird-parts', 1),
        way('left', 'breast', 'breast-boneless', 2),
        way('right', 'bird', 'bird-first-bone', 3),
      ]),
    )
    expect(cut(r, 'breast-boneless')!.pieces).toBe(1)
    expect(cut(r, 'breast-first-bone')!.pieces).toBe(1)
    expect(r.weights!.hot).toBeCloseTo(2, 9)
    const both = read(
      lot([group('lot', null, 1)], {
        count: 1,
        weighings: [weighed('lot', 'hot', 2)],
        commands: [way('lot', 'bird', 'bird-first-bone')],
      }),
    )
    expect(cut(r, 'breast-first-bone')!.kg).toBeCloseTo(cut(both, 'breast-first-bone')!.kg / 2, 9)
  })

  it('are alike: neither weighs more than the other', () => {
    expect(groupState(bird([]), 'left').shared[0]).toMatchObject({ kg: 1, sd: 0.005 })
  })

  it('cannot be left in one piece: what would needs both, and the usual way is one that takes it apart', () => {
    const r = read(bird([way('left', 'bird', 'bird-spatchcock')]))
    expect(cut(r, 'whole-bird')).toBeUndefined()
    expect(cut(r, 'spatchcock')).toBeUndefined()
    const [dropped] = r.groups[0]!.read.plan.dropped
    expect(dropped!.issue.code).toBe('only-a-half')
    expect(sayIssue(dropped!.issue)).toMatch(/one side of each/)
  })
})

describe('a weight of a group beside that of its lot', () => {
  it('is refused where it leaves the others less than they can weigh', () => {
    expect(judgeGroupWeight(lot(TWO), weighed('few', 'hot', 30))).toBeNull()
    const issue = judgeGroupWeight(lot(TWO), weighed('few', 'hot', 70))
    expect(issue).toMatchObject({ code: 'group-above-lot', figures: { of: 'group', group: 70, left: 80 } })
    const groups = lot(TWO, { weighings: [weighed('few', 'hot', 30)] })
    expect(judgeGroupWeight(groups, weighed('lot', 'hot', 35))).toMatchObject({
      code: 'group-above-lot',
      figures: { of: 'lot', group: 30, left: 35 },
    })
  })
  it('counts before that of the lot where all groups were weighed, and a difference is said', () => {
    const kept = lot(TWO, {
      weighings: [weighed('lot', 'hot', 80), weighed('few', 'hot', 26), weighed('rest', 'hot', 57)],
    })
    const r = read(kept)
    expect(r.weights!.hot).toBeCloseTo(83, 9)
    expect(weighedTwice(r, stateOf(kept))).toEqual([{ stage: 'hot', lot: 80, groups: expect.closeTo(83, 9) }])
  })
})
