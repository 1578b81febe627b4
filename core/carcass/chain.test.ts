import { describe, expect, it } from 'vitest'
import { UNSURE } from '#core/anatomy'
import { ANATOMIES } from '#core/species'
import { gramsOf, kg } from '#core/measure'
import { chainUnder, disagreements, evidenceOf, sampleChain, solveChain, tapeWeightLb } from './index.ts'
import type { Judged } from './judge.ts'

const { hog } = ANATOMIES

let n = 0
const weighing = (stage: Judged['stage'], value: number, more: Partial<Judged> = {}): Judged => ({
  id: `w${n++}`,
  stage,
  basis: stage === 'hanging' ? 'hot' : null,
  source: stage === 'live' ? 'scale' : 'plant',
  shown: { value, unit: 'lb' },
  grams: gramsOf({ value, unit: 'lb' }),
  corrects: null,
  stands: true,
  ...more,
})

describe('the weight chain', () => {
  const chain = (evidence: ReturnType<typeof evidenceOf>, count = 1) =>
    solveChain(hog.chain, 2, count, evidence)!
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
  it('of a group the animals’ own spread shrinks with √n; what a day and a plant do to all of them does not', () => {
    const ev = evidenceOf([weighing('live', 1040)])
    const { shrink, dressing } = hog.chain
    const sd = (n: number) => {
      const own = (s: number, common: number) => common ** 2 + (s ** 2 - common ** 2) / n
      return Math.sqrt(
        own(shrink.sd, 0.005) / shrink.mean ** 2 + own(dressing.sd, 0.008) / dressing.mean ** 2,
      )
    }
    for (const n of [1, 4, 60]) expect(at(chain(ev, n), 'hot').sd).toBeCloseTo(sd(n), 9)
    expect(at(chain(ev, 10_000), 'hot').sd).toBeGreaterThan(0.01)
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
    const drawOne = sampleChain(hog.chain, 2, 1, evidence)
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
    const found = disagreements(hog.chain, 2, 1, evidenceOf([weighing('live', 260), weighing('hot', 150)]))
    expect(found.map((d) => d.stage)).toEqual(['live', 'hot'])
    expect(found[1]!.z).toBeLessThan(-3)
  })
})

describe('dressing under the conventions (working figures of the trade brief, from memory)', () => {
  it.each([
    ['hog', {}, 72],
    ['hog', { skin: false }, 68],
    ['steer', {}, 62],
    ['lamb', {}, 50],
    ['lamb', { shorn: true }, 51.5],
    ['broiler', {}, 70],
    ['broiler', { giblets: true }, 76],
    ['broiler', { plucked: false }, 61],
  ] as const)('%s %j dresses at %d %%', (species, state, percent) => {
    expect(chainUnder(ANATOMIES[species], state).dressing.mean * 100).toBeCloseTo(percent, 6)
  })
  it.each([
    ['steer', 'grass', 57, 2.2],
    ['steer', 'dairy', 58, 2],
    ['hog', 'heritage', 73.5, 2],
    ['broiler', 'slow', 67, 1.5],
  ] as const)('a %s, %s, dresses at %d ± %d %%', (species, type, mean, sd) => {
    const { dressing } = chainUnder(ANATOMIES[species], {}, type)
    expect([dressing.mean * 100, dressing.sd * 100]).toEqual([expect.closeTo(mean, 9), expect.closeTo(sd, 9)])
  })
  it('who is not sure has the common types mixed: a mean between them, and a spread wider than any of theirs', () => {
    for (const a of Object.values(ANATOMIES)) {
      const { dressing } = chainUnder(a, {}, UNSURE)
      const common = a.types.filter((t) => t.common > 0).map((t) => t.dressing)
      expect(dressing.mean).toBeGreaterThan(Math.min(...common.map((d) => d.mean)))
      expect(dressing.mean).toBeLessThan(Math.max(...common.map((d) => d.mean)))
      expect(dressing.sd, a.id).toBeGreaterThan(Math.min(...common.map((d) => d.sd)))
    }
  })
  it('what is no carcass is the rest of the live animal, for every species', () => {
    for (const a of Object.values(ANATOMIES))
      expect(
        a.live.reduce((s, l) => s + l.share, a.chain.dressing.mean),
        a.id,
      ).toBeCloseTo(1, 9)
  })
})

describe('live weight by tape (widely printed extension rule, from memory)', () => {
  it('is girth² × length / 400 for hogs, / 300 for cattle and sheep, inches and pounds; nobody tapes birds', () => {
    const lb = (species: keyof typeof ANATOMIES, girth: number, length: number, unit?: 'cm') =>
      tapeWeightLb(ANATOMIES[species].chain.tapeDivisor!, girth, length, unit)
    expect(lb('hog', 40, 44)).toBeCloseTo(176, 9)
    expect(lb('hog', 101.6, 111.76, 'cm')).toBeCloseTo(176, 9)
    expect(lb('steer', 76, 60)).toBeCloseTo(1155.2, 9)
    expect(lb('lamb', 33, 30)).toBeCloseTo(108.9, 9)
    expect(ANATOMIES.broiler.chain.tapeDivisor).toBeNull()
  })
})
