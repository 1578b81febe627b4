import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { FIXED, runLine, spread, type Line, type LineStation } from './index.ts'

const station = (id: string, minutes: number, more: Partial<LineStation> = {}): LineStation => ({
  ...{ id, minutes: [minutes], spread: FIXED, load: [1], places: 1, room: Infinity, hands: null },
  ...more,
})
const ALL_DAY = { takes: 1, from: 0, until: Infinity }
const line = (birds: number, stations: LineStation[], more: Partial<Line> = {}): Line => ({
  ...{ birds: [birds], stations, hands: [] },
  ...more,
})
const finish = (l: Line, seed = 1) => {
  const run = runLine(l, seed)
  return run.left.at(-1)!
}
/** The mean over runs and twice its standard error. */
const over = (runs: number, of: (seed: number) => number) => {
  const xs = Array.from({ length: runs }, (_, i) => of(i + 1))
  const mean = xs.reduce((a, b) => a + b, 0) / runs
  const sd = Math.sqrt(xs.reduce((a, x) => a + (x - mean) ** 2, 0) / (runs - 1))
  return { mean, within: (3.3 * sd) / Math.sqrt(runs) }
}

describe('the line of birds, against what is known of lines in closed form', () => {
  it('a line of fixed times ends at Σ t + (n − 1) · max t, whatever the room (closed form of a flow line)', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 60 }),
        fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 1, maxLength: 8 }),
        fc.constantFrom(1, 3, Infinity),
        (n, t, room) => {
          const end = finish(
            line(
              n,
              t.map((m, i) => station(String(i), m, { room: i === 0 ? Infinity : room })),
            ),
          )
          expect(end).toBeCloseTo(t.reduce((a, b) => a + b, 0) + (n - 1) * Math.max(...t), 9)
        },
      ),
    )
  })
  it('a line of fixed times with loads and machines runs at the pace of its slowest station (line balance: load × places ÷ minutes)', () => {
    const n = 400
    const l = line(n, [
      station('a', 1),
      station('scald', 4, { load: [2], places: 3 }),
      station('pluck', 1, { load: [2] }),
    ])
    // 1, 1.5 and 2 birds a minute.
    expect(n / finish(l)).toBeCloseTo(1, 1)
    const slower = line(n, [
      station('a', 0.2),
      station('scald', 4, { load: [2], places: 3 }),
      station('pluck', 1, { load: [2] }),
    ])
    expect(n / finish(slower)).toBeCloseTo(1.5, 1)
  })
  it('M/M/1: the mean time in the queue is ρ / (μ − λ) (Kleinrock, Queueing Systems vol. 1, 1975, from memory), within the error of the runs', () => {
    for (const rho of [0.3, 0.5, 0.7]) {
      const wait = over(60, (seed) => {
        const n = 4000
        const run = runLine(
          line(n, [
            station('source', 1 / rho, { spread: spread('exponential') }),
            station('one', 1, { spread: spread('exponential') }),
          ]),
          seed,
        )
        return run.waited[1]! / n
      })
      const closed = rho / (1 - rho)
      expect(Math.abs(wait.mean - closed)).toBeLessThan(wait.within + 0.01 * closed)
    }
  })
  it('M/D/1: fixed times at the second station halve that queue (Pollaczek and Khinchine, from memory)', () => {
    const wait = over(60, (seed) => {
      const n = 4000
      const run = runLine(
        line(n, [station('source', 2, { spread: spread('exponential') }), station('one', 1)]),
        seed,
      )
      return run.waited[1]! / n
    })
    expect(Math.abs(wait.mean - 0.5)).toBeLessThan(wait.within + 0.005)
  })
  it('two stations in a row with exponential times of mean 1 and room for b between pass (b + 2) / (b + 3) birds a minute (Hunt 1956, Operations Research 4: sequential arrays of waiting lines, from memory)', () => {
    for (const room of [0, 1, 3]) {
      const rate = over(40, (seed) => {
        const n = 4000
        return (
          n /
          finish(
            line(
              n,
              ['a', 'b'].map((id) =>
                station(id, 1, { spread: spread('exponential'), room: id === 'a' ? Infinity : room }),
              ),
            ),
            seed,
          )
        )
      })
      expect(Math.abs(rate.mean - (room + 2) / (room + 3))).toBeLessThan(rate.within + 0.004)
    }
  })
  it('of the hands that are free the quickest takes a load, however they were named', () => {
    for (const takes of [
      [1, 2],
      [2, 1],
    ]) {
      const hands = takes.map((t) => ({ ...ALL_DAY, takes: t }))
      expect(finish(line(1, [station('draw', 3, { hands: [0, 1] })], { hands }))).toBe(3)
      // Of three birds the quick one draws two in the time that the other draws one.
      expect(finish(line(3, [station('draw', 3, { places: 2, hands: [0, 1] })], { hands }))).toBe(6)
    }
  })
  it('two hands who do everything alike end where two machines do', () => {
    const both = line(40, [station('draw', 3, { places: 9, hands: [0, 1] })], { hands: [ALL_DAY, ALL_DAY] })
    expect(finish(both)).toBe(60)
  })
  it('one hand alone does what is furthest down first, and takes the sum of all', () => {
    const l = line(10, [station('cone', 1, { hands: [0] }), station('draw', 3, { hands: [0] })], {
      hands: [ALL_DAY],
    })
    const run = runLine(l)
    expect(run.left.at(-1)).toBe(40)
    expect(run.left[10]).toBe(4)
    expect(run.worked[0]).toBe(40)
  })
  it('hands are wanted first before the ice: what lies in it waits until the last is in', () => {
    const stations = [
      station('draw', 2, { hands: [0] }),
      station('chill', 1, { places: 99 }),
      station('bag', 3, { hands: [0] }),
    ]
    const hands = [ALL_DAY]
    expect(runLine(line(4, stations, { hands })).left[3]).toBe(14)
    expect(runLine(line(4, stations, { hands, before: 1 })).left[3]).toBe(8)
  })
  it('the quickest free hand takes it; a slow one takes three times as long', () => {
    const hands = [{ ...ALL_DAY, takes: 3 }, ALL_DAY]
    expect(finish(line(1, [station('draw', 2, { hands: [0, 1] })], { hands }))).toBe(2)
    expect(finish(line(2, [station('draw', 2, { hands: [0, 1], places: 2 })], { hands }))).toBe(6)
  })
  it('who comes later works from then on: ten birds of a minute, a second hand after five, is eight minutes (by hand)', () => {
    const hands = [ALL_DAY, { takes: 1, from: 5, until: Infinity }]
    const table = station('table', 1, { places: 2, hands: [0, 1] })
    expect(finish(line(10, [table], { hands }))).toBeCloseTo(8, 9)
    expect(finish(line(10, [table], { hands: [ALL_DAY] }))).toBeCloseTo(10, 9)
  })
  it('a machine that stands still holds those before it up; who goes home begins nothing more', () => {
    const stops = [{ station: 1, from: 3.5, until: 30 }]
    expect(finish(line(10, [station('a', 1), station('pluck', 1)], { stops }))).toBe(37)
    const run = runLine(
      line(10, [station('a', 1, { hands: [0] })], { hands: [{ takes: 1, from: 0, until: 4.5 }] }),
    )
    expect(run.done).toBe(5)
    expect(run.left[5]).toBeNaN()
  })
  it('who has gone home before it begins does nothing, and nothing is done before it begins', () => {
    const hands = [
      { takes: 1, from: 0, until: 60 },
      { takes: 3, from: 0, until: Infinity },
    ]
    const run = runLine(line(2, [station('draw', 2, { hands: [0, 1] })], { hands, start: 100 }))
    expect([...run.left]).toEqual([106, 112])
    expect(run.worked[0]).toBe(0)
  })
  it('two kinds go one after another, each with its times and loads, and never in one load', () => {
    const l: Line = {
      birds: [3, 2],
      stations: [station('scald', 0, { minutes: [2, 5], load: [2, 1] })],
      hands: [],
      between: 10,
    }
    const run = runLine(l)
    expect([...run.left]).toEqual([2, 2, 4, 19, 24])
  })
  it('birds are neither lost nor made, never leave a station before the one before it, and no more wait than there is room', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 40 }),
        fc.array(
          fc.record({
            t: fc.integer({ min: 1, max: 6 }),
            load: fc.integer({ min: 1, max: 3 }),
            places: fc.integer({ min: 1, max: 3 }),
            room: fc.integer({ min: 3, max: 6 }),
          }),
          { minLength: 2, maxLength: 5 },
        ),
        fc.integer({ min: 1, max: 1e6 }),
        (n, all, seed) => {
          const stations = all.map((s, i) =>
            station(String(i), s.t, {
              spread: spread('log-normal', 0.4),
              load: [s.load],
              places: s.places,
              room: s.room,
            }),
          )
          const run = runLine(line(n, stations), seed)
          expect(run.done).toBe(n)
          for (let s = 1; s < stations.length; s++)
            for (let k = 0; k < n; k++)
              expect(run.left[s * n + k]!).toBeGreaterThan(run.left[(s - 1) * n + k]!)
        },
      ),
    )
  })
  it('the same seed is the same day, another is another', () => {
    const l = line(50, [station('a', 2, { spread: spread('log-normal', 0.4) })])
    expect(runLine(l, 7).left).toEqual(runLine(l, 7).left)
    expect(finish(l, 7)).not.toBe(finish(l, 8))
  })
})
