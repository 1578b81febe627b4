import { describe, expect, it } from 'vitest'
import { SPECIES, type Species } from '#core/anatomy'
import { allMinutes, type Said } from '#core/plan'
import { reckon } from '#core/reading'
import { crewSchema, type Crew, type Decision } from '#core/records'
import { normalsOf } from '#core/carcass'
import { flowOf } from '../carcass/testing.ts'
import { FARM, lotOf, opening } from '../reading/testing.ts'
import { clockMinutes, forecast, pacesOf, sayClock, standings, timedOf, type Asked } from './index.ts'
import { orderedWork } from '#core/hand'

const read = (species: Species, said: Said[] = []) =>
  reckon(flowOf(species), lotOf(species, said, 'hot'), FARM, 0)
const crew = (value: Crew): Decision => ({ field: 'crew', target: 'lot', side: 'animal', value })
const one = (name: string, from = '00:00', until = '23:59', skill: Crew[number]['skill'] = 'skilled') => ({
  ...{ name, skill, from, until },
})
const told = (species: Species, said: Said[] = [], asked: Partial<Asked> = {}) =>
  forecast(read(species, said), {
    ...{ from: 480, standing: new Map(), paces: new Map(), normal: normalsOf(0.3), draws: 0 },
    ...asked,
  })
const event = (
  did: 'started' | 'paused' | 'resumed' | 'handed' | 'skipped' | 'done',
  minute: number,
  by = 'A',
) => ({
  ...{ did, by, when: new Date(minute * 60_000).toISOString() },
})

describe('the forecast of a day', () => {
  it.each(SPECIES)(
    '%s: one hand that never leaves takes the minutes of the plan, one after another',
    (species) => {
      const said = [...opening(species), crew([one('A')])]
      const f = told(species, said, { from: 0 })
      expect(f.finish!).toBeCloseTo(allMinutes(read(species, said).bench), 6)
      expect(f.day.left).toEqual([])
    },
  )
  it('two hands are quicker than one and not quicker than half its time; a beginner takes three times as long as a skilled hand', () => {
    const of = (all: Crew) => told('hog', [crew(all)]).finish! - 480
    const [alone, two] = [of([one('A')]), of([one('A'), one('B')])]
    expect(two).toBeLessThan(alone)
    expect(two).toBeGreaterThanOrEqual(alone / 2)
    // Wrapping is most of it, and shared: two come near to half.
    expect(two).toBeLessThan(alone * 0.75)
    expect(of([one('A', '00:00', '23:59', 'beginner')])).toBeCloseTo(3 * alone, 6)
  })
  it('a helper who leaves leaves work for tomorrow, and says which', () => {
    const f = told('steer', [crew([one('A', '08:00', '09:30')])])
    expect(f.day.left.length).toBeGreaterThan(5)
    expect(Math.max(...f.day.runs.map((r) => r.until))).toBeLessThanOrEqual(clockMinutes('09:30'))
    // How long it would take is told all the same, as if she stayed.
    expect(f.finish).toBeCloseTo(told('steer', [crew([one('A', '08:00', '23:59')])]).finish!, 6)
  })
  it('its finish lies in an interval that is wider for a longer day, and the same for the same numbers', () => {
    const hog = told('hog', [crew([one('A')])], { draws: 200 })
    const again = told('hog', [crew([one('A')])], { draws: 200 })
    const steer = told('steer', [crew([one('A')])], { draws: 200 })
    expect(hog.range!.low).toBeLessThan(hog.finish!)
    expect(hog.range!.high).toBeGreaterThan(hog.finish!)
    expect(again.range).toEqual(hog.range)
    const wide = (f: typeof hog) => f.range!.high - f.range!.low
    expect(wide(steer)).toBeGreaterThan(wide(hog))
  })
  it('what lies cut off for more than half an hour belongs back in the cold until its turn', () => {
    const f = told('steer', [crew([one('A')])])
    expect(f.waits.length).toBeGreaterThan(2)
    for (const w of f.waits) expect(w.until - w.from).toBeGreaterThan(30)
  })
  it('what can only be done at a station that is closed is not done today, nor what needs it', () => {
    const f = told('hog', [
      { field: 'closed', target: 'grinder', side: 'animal', value: true },
      crew([one('A')]),
    ])
    expect(f.day.left).toContain('trim')
    expect(f.day.runs.map((r) => r.job)).toContain('wash')
  })
  it('of a step half done half is left, and of one that takes too long still a tenth', () => {
    const full = told('hog', [crew([one('A')])])
    const at = (minutes: number) => {
      const standing = new Map([
        ['leg', { state: 'running' as const, minutes, by: 'A', why: null, began: 0, ended: null }],
      ])
      return told('hog', [crew([one('A')])], { standing }).finish! - 480
    }
    const leg = full.minutes.get('leg')!
    expect(at(leg / 2)).toBeCloseTo(full.finish! - 480 - leg / 2, 6)
    expect(at(leg * 3)).toBeCloseTo(full.finish! - 480 - leg * 0.9, 6)
  })
})

describe('the live card', () => {
  it('counts the minutes hands were on a step: not while it was paused, on through a handing over', () => {
    const timed = (...events: ReturnType<typeof event>[]) => timedOf(events, 100 * 60_000)
    expect(
      timed(event('started', 0), event('paused', 10), event('resumed', 30), event('done', 35)),
    ).toMatchObject({
      ...{ state: 'done', minutes: 15 },
    })
    expect(timed(event('started', 0), event('handed', 10, 'B'))).toMatchObject({
      state: 'running',
      minutes: 100,
      by: 'B',
    })
    expect(timed(event('skipped', 4))).toMatchObject({ state: 'skipped', minutes: 0 })
  })
  it('a step that was ticked is done, timed or not', () => {
    const r = read('hog', [{ kind: 'tick', what: 'step', of: 'ready', side: 'animal' }])
    const now = standings(orderedWork(r).tasks, r.plan, 0)
    expect(now.get('ready')!.state).toBe('done')
    expect(now.get('wash')!.state).toBe('waiting')
  })
})

describe('a farm’s own minutes', () => {
  it('lie between the usual and what was timed, nearer to it the more often it was (normal mean with a normal prior)', () => {
    const times = (n: number) =>
      pacesOf(Array.from({ length: n }, () => ({ of: 'leg', usual: 10, minutes: 20 }))).get('leg')!
    // With equal variances the weight is n ÷ (n + 1): the closed form of conjugate updating, any textbook of statistics.
    for (const n of [1, 2, 9]) expect(times(n).by).toBeCloseTo(2 ** (n / (n + 1)), 9)
    expect(times(3).n).toBe(3)
  })
  it('what was not timed stays as usual', () => {
    expect(pacesOf([{ of: 'leg', usual: 0, minutes: 3 }]).size).toBe(0)
  })
})

describe('times and people as they are typed', () => {
  it('a helper from 25:00 is refused with what to write, one who leaves before she comes too, and two of one name', () => {
    const says = (value: unknown) => crewSchema.safeParse(value).error?.issues.map((i) => i.message)
    expect(says([one('A', '25:00')])).toContain(
      'It is no time of a day. Write it as 08:30; a day ends at 23:59.',
    )
    expect(says([one('A', '10:00', '09:00')])).toContain(
      'It is not after the time they come. Check both times.',
    )
    expect(says([one('A'), one('A')])).toContain('Two have one name. Tell them apart.')
    expect(says([one('A', '08:00', '12:00')])).toBeUndefined()
  })
  it('are said as a clock does', () => {
    expect([sayClock(485), sayClock(1439.6), clockMinutes('08:05')]).toEqual(['08:05', '00:00', 485])
  })
})
