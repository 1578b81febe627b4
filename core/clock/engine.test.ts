import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { simulate, type Hand, type Job } from './index.ts'

const ALL_DAY = { from: 0, until: 1e9 }
const hands = (n: number): Hand[] => Array.from({ length: n }, (_, i) => ({ id: `h${i}`, ...ALL_DAY }))
const job = (id: string, needs: string[] = [], station: string | null = null, people = 1): Job => ({
  ...{ id, needs, station, people },
})
const finish = (day: ReturnType<typeof simulate>) => Math.max(...day.runs.map((r) => r.until))

/** Graham (1969), Bounds on multiprocessing timing anomalies, SIAM J. Appl. Math. 17: nine tasks, list T1 to T9 (from memory). */
const graham = (of: { hands: number; less?: number; without?: string[] }) => {
  const times: Record<string, number> = { T1: 3, T2: 2, T3: 2, T4: 2, T5: 4, T6: 4, T7: 4, T8: 4, T9: 9 }
  const before: Record<string, string[]> = { T9: ['T1'], T5: ['T4'], T6: ['T4'], T7: ['T4'], T8: ['T4'] }
  const jobs = Object.keys(times).map((id) => job(id, of.without?.includes(id) ? [] : (before[id] ?? [])))
  return finish(simulate(jobs, hands(of.hands), (j) => times[j.id]! - (of.less ?? 0)))
}

describe('the engine of the day, against what is worked out elsewhere', () => {
  it('gives the published finish times of a list of nine tasks, and its anomalies: 12; 15 with a fourth hand; 13 with every task shorter; 16 with fewer needs', () => {
    expect(graham({ hands: 3 })).toBe(12)
    expect(graham({ hands: 4 })).toBe(15)
    expect(graham({ hands: 3, less: 1 })).toBe(13)
    expect(graham({ hands: 3, without: ['T5', 'T6'] })).toBe(16)
  })
  it('of the hands that are free the quickest begins, whoever was named first; of two at one job the slower counts', () => {
    for (const slow of ['h0', 'h1']) {
      const takes = (_: Job, h: Hand) => (h.id === slow ? 9 : 3)
      const { runs } = simulate([job('a')], hands(2), takes)
      expect(runs.map((r) => [r.hands, r.until])).toEqual([[[slow === 'h0' ? 'h1' : 'h0'], 3]])
      expect(finish(simulate([job('b', [], null, 2)], hands(2), takes))).toBe(9)
    }
  })
  it('n birds through a line end at Σ t + (n − 1) · max t (closed form of a balanced flow line)', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 30 }),
        fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 1, maxLength: 6 }),
        (n, t) => {
          const jobs = Array.from({ length: n }, (_, bird) =>
            t.map((_, step) => job(`${bird}.${step}`, step > 0 ? [`${bird}.${step - 1}`] : [], `s${step}`)),
          ).flat()
          const takes = (j: Job) => t[Number(j.id.split('.')[1])]!
          const sum = t.reduce((a, b) => a + b, 0)
          expect(finish(simulate(jobs, hands(t.length), takes))).toBe(sum + (n - 1) * Math.max(...t))
        },
      ),
    )
  })
  it('equal jobs of several hands end at ⌈n ÷ m⌉ times one, and one hand does them one after another', () => {
    for (const [n, m] of [
      [7, 2],
      [9, 3],
      [4, 4],
      [5, 1],
    ] as const) {
      const jobs = Array.from({ length: n }, (_, i) => job(String(i)))
      expect(finish(simulate(jobs, hands(m), () => 10))).toBe(Math.ceil(n / m) * 10)
    }
  })
  it('two stations in a row: the order by the rule of Johnson (1954) ends no later than any other of all 120', () => {
    // Naval Research Logistics Quarterly 1: what takes least at the first machine first, least at the second last.
    const times = [
      [3, 6],
      [5, 2],
      [1, 2],
      [6, 6],
      [7, 5],
    ] as const
    const end = (order: readonly number[]) =>
      finish(
        simulate(
          order.flatMap((i) => [job(`${i}.0`, [], 'a'), job(`${i}.1`, [`${i}.0`], 'b')]),
          hands(2),
          (j) => times[Number(j.id[0])]![Number(j.id[2])]!,
        ),
      )
    const orders = (left: number[]): number[][] =>
      left.length === 0
        ? [[]]
        : left.flatMap((x) => orders(left.filter((y) => y !== x)).map((r) => [x, ...r]))
    const johnson = end([2, 0, 3, 4, 1])
    expect(Math.min(...orders([0, 1, 2, 3, 4]).map(end))).toBe(johnson)
  })
  it('wrapping of 375 minutes, one of two gone when half is done: 281.25; the other half left to a beginner: 328.125', () => {
    const wrap: Job = { ...job('wrap'), shared: true }
    const two: Hand[] = hands(2)
    const gone = (h: Hand) => ({ ...h, until: 93.75 })
    expect(finish(simulate([wrap], two, () => 375))).toBe(187.5)
    expect(finish(simulate([wrap], [two[0]!, gone(two[1]!)], () => 375))).toBeCloseTo(281.25, 9)
    const beginner = { id: 'b', from: 93.75, until: 1e9 }
    const takes = (_: Job, h: Hand) => (h.id === 'b' ? 375 * 1.25 : 375)
    expect(finish(simulate([wrap], [...two.map(gone), beginner], takes))).toBeCloseTo(328.125, 9)
    // Whoever has to go before its end leaves the rest lying.
    expect(simulate([wrap], two.map(gone), () => 375).left).toEqual(['wrap'])
    // Who comes free joins; no work at all is done at once.
    const busy = simulate([job('saw'), wrap], two, (j) => (j.id === 'saw' ? 10 : 30))
    expect(finish(busy)).toBe(20)
    expect(simulate([{ ...wrap }], two, () => 0).left).toEqual([])
  })
  it('two of them are needed for one hoist, and wait for one another', () => {
    const day = simulate([job('cut'), job('hoist', [], null, 2)], hands(2), () => 5)
    expect(day.runs.map((r) => [r.job, r.from, r.hands.length])).toEqual([
      ['cut', 0, 1],
      ['hoist', 5, 2],
    ])
  })
  it('nothing is begun that its hand would not see the end of: it is left for tomorrow', () => {
    const day = simulate([job('long'), job('short')], [{ id: 'a', from: 10, until: 40 }], (j) =>
      j.id === 'long' ? 31 : 20,
    )
    expect(day.runs.map((r) => [r.job, r.from])).toEqual([['short', 10]])
    expect(day.left).toEqual(['long'])
  })
  it('no hand and no station does two things at once, and nothing begins before what it needs', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            t: fc.integer({ min: 0, max: 9 }),
            s: fc.nat(2),
            needs: fc.array(fc.nat(20), { maxLength: 3 }),
          }),
          { minLength: 1, maxLength: 20 },
        ),
        fc.integer({ min: 1, max: 4 }),
        (all, m) => {
          const jobs = all.map(({ s, needs }, i) =>
            job(String(i), needs.filter((n) => n < i).map(String), `s${s}`),
          )
          const day = simulate(jobs, hands(m), (j) => all[Number(j.id)]!.t)
          expect(day.left).toEqual([])
          const at = new Map(day.runs.map((r) => [r.job, r]))
          const meet = (a: (typeof day.runs)[number], b: typeof a) =>
            a !== b && a.from < b.until && b.from < a.until
          for (const r of day.runs) {
            for (const id of jobs[Number(r.job)]!.needs) expect(at.get(id)!.until).toBeLessThanOrEqual(r.from)
            for (const o of day.runs)
              if (meet(r, o))
                expect(r.station === o.station || r.hands.some((h) => o.hands.includes(h))).toBe(false)
          }
        },
      ),
    )
  })
})
