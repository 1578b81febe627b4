import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { hog, TISSUES } from '#core/anatomy'
import { gramsOf, kg } from '#core/measure'
import {
  balanceOf,
  compile,
  disagreements,
  evaluate,
  evidenceOf,
  judgeWeighing,
  newYield,
  pour,
  sampleChain,
  setFlow,
  solveChain,
  tapeWeightLb,
  type Choices,
  type Weighing,
} from './index.ts'

const flow = compile(hog)
const scalded = { skin: true, head: false }
const dressing = hog.chain.dressings[0]!
const both = (paths: Record<string, string>, line = '2|3'): Choices => ({
  paths: new Map(
    Object.entries(paths).flatMap(([part, path]) =>
      ['left', 'right', 'animal'].map((s) => [`${part}:${s}`, path] as const),
    ),
  ),
  lines: new Map(['left', 'right'].map((s) => [`shoulder-line:${s}`, line])),
})
function cutUp(choices: Choices, carcass = 100, state = scalded) {
  const setting = setFlow(flow, choices)
  const inputs = pour(flow, setting, state, carcass)
  const y = evaluate(flow, setting, inputs, newYield(flow))
  const part = (id: string, tissue?: number) =>
    flow.slots.reduce((sum, slot, i) => {
      if (slot.part !== id) return sum
      return (
        sum +
        (tissue === undefined
          ? TISSUES.reduce((s, _, t) => s + inputs[i * 4 + t]!, 0)
          : inputs[i * 4 + tissue]!)
      )
    }, 0)
  const cut = (id: string) => y.cutKg[hog.cuts.findIndex((c) => c.id === id)]!
  return { inputs, y, part, cut, balance: balanceOf(flow, inputs, y) }
}

let n = 0
const weighing = (stage: Weighing['stage'], value: number, more: Partial<Weighing> = {}): Weighing => ({
  id: `w${n++}`,
  stage,
  basis: stage === 'hanging' ? 'hot' : null,
  source: stage === 'live' ? 'scale' : 'plant',
  shown: { value, unit: 'lb' },
  grams: gramsOf({ value, unit: 'lb' }),
  corrects: null,
  stands: true,
  at: '2026-11-01T08:00:00Z',
  ...more,
})

describe('every kilogram is somewhere', () => {
  const pick = fc.record({
    paths: fc.tuple(
      ...hog.parts.flatMap((p) =>
        [0, 1].map(() => fc.constantFrom(...hog.paths.filter((x) => x.part === p.id).map((x) => x.id))),
      ),
    ),
    lines: fc.tuple(fc.constantFrom('2|3', '4|5', '5|6'), fc.constantFrom('2|3', '4|5', '5|6')),
    skin: fc.boolean(),
    head: fc.boolean(),
    carcass: fc.double({ min: 20, max: 300, noNaN: true }),
  })
  it('carcass + added = products + by-products + losses, for any choices, lines and dressing (1e-9)', () => {
    fc.assert(
      fc.property(pick, ({ paths, lines, skin, head, carcass }) => {
        const choices: Choices = {
          paths: new Map(
            hog.parts.flatMap(
              (p, i) =>
                [
                  [`${p.id}:left`, paths[2 * i]!],
                  [`${p.id}:right`, paths[2 * i + 1]!],
                  [`${p.id}:animal`, paths[2 * i]!],
                ] as const,
            ),
          ),
          lines: new Map([
            ['shoulder-line:left', lines[0]],
            ['shoulder-line:right', lines[1]],
          ]),
        }
        const { balance: b, y } = cutUp(choices, carcass, { skin, head })
        expect(b.carcass).toBeCloseTo(carcass, 9)
        expect(Math.abs(b.carcass + b.added - b.products - b.byProducts - b.losses)).toBeLessThan(
          1e-9 * carcass,
        )
        expect(Math.min(...y.cutKg)).toBeGreaterThanOrEqual(0)
      }),
      { seed: 11, numRuns: 300 },
    )
  })
  it('bone-in and boneless loins hold the same bone, and the sides are independent', () => {
    const [chops, boned] = [cutUp(both({ loin: 'loin-chops' })), cutUp(both({ loin: 'loin-boneless-chops' }))]
    expect(boned.part('loin', 2)).toBeCloseTo(chops.part('loin', 2), 12)
    const mixed = cutUp({ paths: new Map([['leg:left', 'leg-grind']]), lines: new Map() })
    expect(mixed.cut('fresh-ham')).toBeCloseTo(cutUp(both({})).cut('fresh-ham') / 2, 9)
  })
  it('doubling the carcass doubles every mass', () => {
    const [one, two] = [cutUp(both({}), 80), cutUp(both({}), 160)]
    one.y.cutKg.forEach((mass, i) => expect(two.y.cutKg[i]).toBeCloseTo(2 * mass, 9))
  })
})

describe('the shoulder line', () => {
  it('from 2|3 to 5|6 moves 5–9 points of carcass into the shoulder, from loin, belly and ribs only (common practice)', () => {
    const [front, back] = [cutUp(both({}, '2|3')), cutUp(both({}, '5|6'))]
    const moved = back.part('shoulder') - front.part('shoulder')
    expect(moved).toBeGreaterThan(5)
    expect(moved).toBeLessThan(9)
    const from = ['loin', 'belly', 'spare-ribs'].map((p) => front.part(p) - back.part(p))
    expect(Math.min(...from)).toBeGreaterThan(0)
    expect(from.reduce((a, b) => a + b, 0)).toBeCloseTo(moved, 9)
    for (const p of hog.parts) {
      if (!['shoulder', 'loin', 'belly', 'spare-ribs'].includes(p.id))
        expect(back.part(p.id), p.id).toBeCloseTo(front.part(p.id), 12)
    }
  })
})

describe('figures of the trade (common practice)', () => {
  it('bone is 10–13 % of a hog carcass and skin 4–6 %', () => {
    const { inputs } = cutUp(both({}))
    const tissue = [0, 0, 0, 0]
    inputs.forEach((mass, i) => (tissue[i % 4]! += mass))
    expect(tissue[2]).toBeGreaterThan(10)
    expect(tissue[2]).toBeLessThan(13)
    expect(tissue[3]).toBeGreaterThan(4)
    expect(tissue[3]).toBeLessThan(6)
  })
  it('saleable meat, without lard, kidneys, feet and tail, is 70–76 % bone-in and 60–66 % boneless', () => {
    const meat = (c: ReturnType<typeof cutUp>) =>
      c.balance.products - ['leaf-lard', 'kidney', 'trotter', 'tail'].reduce((s, id) => s + c.cut(id), 0)
    const bone = 'fore-hock-boned hind-hock-boned'.split(' ')
    const boneIn = meat(cutUp(both({})))
    const boneless = meat(
      cutUp(
        both({
          shoulder: 'shoulder-collar',
          loin: 'loin-boneless-chops',
          leg: 'leg-seamed',
          belly: 'belly-slices',
          'spare-ribs': 'ribs-grind',
          'fore-hock': bone[0]!,
          'hind-hock': bone[1]!,
        }),
      ),
    )
    expect(boneIn).toBeGreaterThan(70)
    expect(boneIn).toBeLessThan(76)
    expect(boneless).toBeGreaterThan(60)
    expect(boneless).toBeLessThan(66)
  })
  it('with the tenderloin sawn into chops none is left whole, and its butt end stays in the leg', () => {
    const [left, pulled] = [cutUp(both({ loin: 'loin-chops' })), cutUp(both({ loin: 'loin-chops-pulled' }))]
    expect(left.cut('tenderloin')).toBe(0)
    expect(pulled.cut('tenderloin')).toBeGreaterThan(0.8)
    expect(left.part('leg')).toBeGreaterThan(pulled.part('leg'))
    expect(left.cut('back-ribs') + pulled.cut('back-ribs')).toBe(0)
  })
  it('bacon ends at 88–95 % of green belly', () => {
    const bacon = hog.paths.find((p) => p.id === 'belly-bacon')!.outputs.find((o) => o.cut === 'bacon')!
    expect(bacon.process!.yield).toBeGreaterThanOrEqual(0.88)
    expect(bacon.process!.yield).toBeLessThanOrEqual(0.95)
  })
  it('girth² × length / 400 in inches gives pounds (widely printed extension rule, from memory)', () => {
    expect(tapeWeightLb('hog', 40, 44)).toBeCloseTo(176, 9)
    expect(tapeWeightLb('hog', 101.6, 111.76, 'cm')).toBeCloseTo(176, 9)
  })
})

describe('the weight chain', () => {
  const chain = (evidence: ReturnType<typeof evidenceOf>, count = 1) =>
    solveChain(hog.chain, dressing, 2, count, evidence)!
  const at = (points: ReturnType<typeof chain>, stage: string) => points.find((p) => p.stage === stage)!

  it('takes shrink off a full live weight once, then dressing, then chill (worked by hand)', () => {
    const points = chain(evidenceOf([weighing('live', 260)]))
    expect(at(points, 'live')).toMatchObject({ kg: expect.closeTo(117.934, 3), sd: 0 })
    expect(at(points, 'hot').kg).toBeCloseTo(117.934 * 0.97 * 0.72, 2)
    expect(at(points, 'aged').kg).toBeCloseTo(117.934 * 0.97 * 0.72 * 0.98 * 0.995, 2)
  })
  it('works backward: a hot weight alone tells the live weight, with a wider interval', () => {
    const points = chain(evidenceOf([weighing('hot', 180)]))
    expect(at(points, 'live').kg).toBeCloseTo(kg(180 * 0.45359237) / 0.72 / 0.97, 1)
    expect(at(points, 'hot').sd).toBe(0)
    expect(at(points, 'live').sd).toBeGreaterThan(at(points, 'cold').sd)
  })
  it('"hanging weight" has a basis: taken silently as cold, a hot weight would be 2 % off', () => {
    const hot = at(chain(evidenceOf([weighing('hanging', 180)])), 'aged').kg
    const cold = at(chain(evidenceOf([weighing('hanging', 180, { basis: 'cold' })])), 'aged').kg
    const rebate = at(chain(evidenceOf([weighing('hanging', 180, { basis: 'hot×0.98' })])), 'hot').kg
    expect(cold / hot).toBeCloseTo(1 / 0.98, 3)
    expect(rebate).toBeCloseTo((180 * 0.45359237) / 0.98, 2)
  })
  it('weighs a tape against a later scale: the live estimate moves toward what the rail says', () => {
    const tape = weighing('live', 250, { source: 'tape' })
    const alone = at(chain(evidenceOf([tape])), 'live')
    const corrected = at(chain(evidenceOf([tape, weighing('hot', 200)])), 'live')
    expect(corrected.kg).toBeGreaterThan(alone.kg)
    expect(corrected.sd).toBeLessThan(alone.sd)
  })
  it('independent spread of a group of n shrinks with √n', () => {
    const ev = evidenceOf([weighing('live', 1040)])
    expect(at(chain(ev, 4), 'hot').sd).toBeCloseTo(at(chain(ev, 1), 'hot').sd / 2, 9)
  })
  it('draws have the mean and spread the solution states', () => {
    const evidence = evidenceOf([
      weighing('live', 250, { source: 'tape' }),
      weighing('hanging', 178, { basis: 'cold' }),
    ])
    const points = chain(evidence)
    let seed = 1
    const uniform = () => (seed = (seed * 48271) % 2147483647) / 2147483647
    const normal = () => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform())
    const drawOne = sampleChain(hog.chain, dressing, 2, 1, evidence)
    const logs = Array.from({ length: 4000 }, () => drawOne(normal).map(Math.log))
    points.forEach((p, i) => {
      const mean = logs.reduce((s, l) => s + l[i]!, 0) / logs.length
      const sd = Math.sqrt(logs.reduce((s, l) => s + (l[i]! - mean) ** 2, 0) / logs.length)
      expect(Math.abs(mean - Math.log(p.kg))).toBeLessThan(4e-3)
      expect(Math.abs(sd - p.sd)).toBeLessThan(0.06 * p.sd + 1e-9)
    })
  })
  it('a correction replaces what it names, and nothing is lost', () => {
    const wrong = weighing('live', 26)
    const right = weighing('live', 260, { corrects: wrong.id })
    expect(evidenceOf([wrong, right]).map((e) => e.id)).toEqual([right.id])
    expect(evidenceOf([wrong, weighing('live', 26, { corrects: wrong.id, stands: false })])).toEqual([])
  })
  it('says when two weighings disagree beyond 3 SD', () => {
    const found = disagreements(
      hog.chain,
      dressing,
      2,
      1,
      evidenceOf([weighing('live', 260), weighing('hot', 150)]),
    )
    expect(found.map((d) => d.stage)).toEqual(['live', 'hot'])
    expect(found[1]!.z).toBeLessThan(-3)
  })
})

describe('a weighing is judged before it is kept', () => {
  const judge = (held: Weighing[], added: Weighing, count = 1) =>
    judgeWeighing(hog, dressing, count, held, added)
  it.each([
    ['hot above live', [weighing('live', 180)], weighing('hot', 200), 'later-above-earlier'],
    ['dressing impossible', [weighing('live', 260)], weighing('hot', 100), 'dressing-impossible'],
    ['dressing unusual', [weighing('live', 260)], weighing('hot', 160), 'dressing-unusual'],
    [
      'cold above hot',
      [weighing('hot', 180)],
      weighing('hanging', 185, { basis: 'cold' }),
      'later-above-earlier',
    ],
    [
      'cold far below hot',
      [weighing('hot', 180)],
      weighing('hanging', 160, { basis: 'cold' }),
      'loss-unusual',
    ],
    ['absurd', [], weighing('live', 2600), 'mass-absurd'],
  ])('%s', (_, held, added, code) => {
    const [issue] = judge(held as Weighing[], added)
    expect(issue?.code).toBe(code)
    expect(issue?.confirmable ?? false).toBe(code.endsWith('unusual'))
  })
  it('asks "did you mean" when the other unit fits', () => {
    const added = weighing('live', 26, { shown: { value: 26, unit: 'lb' } })
    expect(judge([], added)[0]!.figures).toMatchObject({ meant: '26 kg' })
  })
  it('keeps usual figures without a word, also for several animals weighed together', () => {
    expect(judge([weighing('live', 260)], weighing('hot', 182))).toEqual([])
    expect(judge([weighing('live', 780)], weighing('hot', 545), 3)).toEqual([])
  })
})
