import fc from 'fast-check'
import { addDays, addMonths, addWeeks, formatISO } from 'date-fns'
import { describe, expect, it } from 'vitest'
import { minor, sayIssue } from '#core/measure'
import { COST_TIMES, type FactBody } from '#core/records'
import { ANATOMIES } from '#core/species'
import { NO_LOG, readPlan, repeated, timesDue, tried, unknownFact } from './index.ts'

describe('a cost that comes again', () => {
  it.each([
    ['day', '2026-06-01', '2026-06-30', 30],
    ['day', '2026-06-01', '2026-06-01', 1],
    ['week', '2026-06-01', '2026-06-28', 4],
    ['week', '2026-06-01', '2026-06-29', 5],
    ['month', '2026-01-15', '2026-06-14', 5],
    ['month', '2026-01-15', '2026-06-15', 6],
    ['month', '2025-12-31', '2026-01-01', 1],
    ['day', '2024-02-28', '2024-03-01', 3],
    ['day', '2026-03-01', '2026-02-28', 0],
  ] as const)(
    'every %s from %s to %s falls due %d times, counted on a calendar',
    (every, from, until, times) => {
      expect(timesDue(every, from, until)).toBe(times)
    },
  )
  it('as often as date-fns, stepping from the first day, has a day in the time (reference library)', () => {
    const step = { day: addDays, week: addWeeks, month: addMonths }
    const iso = (d: Date) => formatISO(d, { representation: 'date' })
    // Days that every month has, so that no month is shorter than the step.
    fc.assert(
      fc.property(
        fc.constantFrom(...COST_TIMES),
        fc.record({ month: fc.nat(11), day: fc.integer({ min: 1, max: 28 }) }),
        fc.nat(500),
        (every, { month, day }, days) => {
          const from = new Date(2026, month, day)
          const until = addDays(from, days)
          let times = 0
          while (step[every](from, times) <= until) times++
          expect(timesDue(every, iso(from), iso(until))).toBe(times)
        },
      ),
    )
  })
  it('comes to all its times: $4.50 a week for 12 weeks is $54.00', () => {
    expect(repeated({ each: minor(450), every: 'week', until: '2026-08-23' }, '2026-06-01')).toBe(5400)
  })
})

describe('such a cost as it is sent', () => {
  const cost = (more: object): FactBody => ({
    ...{ kind: 'cost', label: 'Milk', amount: 5400, day: '2026-06-01' },
    repeats: { each: minor(450), every: 'week', until: '2026-08-23' },
    ...more,
  })
  const odd = (fact: FactBody) => {
    const issue = unknownFact(ANATOMIES.hog, fact)
    return issue && `${issue.field}: ${sayIssue(issue)}`
  }
  it('has a first and a last day and comes to all its times, or it is said which does not', () => {
    expect(odd(cost({}))).toBeNull()
    expect(odd(cost({ day: undefined }))).toMatch(/^day: A cost that comes again has a first day/)
    expect(odd(cost({ day: '2026-09-01' }))).toMatch(/^until: It ends on 2026-08-23, before it begins/)
    expect(odd(cost({ amount: 5000 }))).toMatch(/^amount: \$?50\.00.* is not what all its times come to/)
  })
})

describe('a cost that other lots bear', () => {
  it('is taken off: what a casualty cost, and what is borne of it, come to nothing', () => {
    const said: FactBody[] = [
      { kind: 'cost', label: 'Feeder pig', amount: 9000 },
      { kind: 'cost', label: 'Borne by other lots', amount: 9000, carried: true },
    ]
    const { costs } = readPlan(ANATOMIES.hog, tried(NO_LOG, said))
    expect(costs.map((c) => c.amount)).toEqual([9000, -9000])
  })
})
