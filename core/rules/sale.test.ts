import { describe, expect, it } from 'vitest'
import { ROUTE_IDS, type End, type Route } from '#core/records'
import { exemptionOf, heldBack, lastOf, ROUTES, routesFor, sayClear, verdictOf } from './index.ts'

type Case = readonly [
  says: string,
  route: Route | null,
  end: End | null,
  until: string | null,
  food: boolean,
  sale: string,
]
const KILLED = '2026-10-01'
const known = (
  route: Route | null,
  end: End | null,
  until: string | null,
  killed: string | null = KILLED,
) => ({
  route,
  end,
  killed,
  medicines: until ? [{ name: 'a long-acting antibiotic', until, animal: null }] : [],
})

describe('may it be sold? (United States: 9 CFR 303.1, 309.3, 310.21, 352, 381.10 and 21 USC 644, from memory)', () => {
  it.each<Case>([
    ['inspected and passed: by the piece', 'inspected', 'slaughtered', null, true, 'by-the-piece'],
    ['state-inspected: by the piece, in the state', 'state', 'slaughtered', null, true, 'by-the-piece'],
    [
      'custom-exempt: shares of the live animal only',
      'custom',
      'slaughtered',
      null,
      true,
      'live-shares-only',
    ],
    ['small producer’s birds: by the piece', 'poultry-exempt', null, null, true, 'by-the-piece'],
    ['own household: never', 'household', 'slaughtered', null, true, 'never'],
    ['hunted: for the household, whatever route was said', 'inspected', 'hunted', null, true, 'never'],
    ['died or put down: never food', 'inspected', 'died', null, false, 'never'],
    ['slaughtered while sick: never food', 'inspected', 'sick', null, false, 'never'],
    ['killed under withdrawal: never food', 'inspected', 'slaughtered', '2026-10-02', false, 'never'],
    ['killed on the last day of the wait: never food', 'inspected', 'slaughtered', KILLED, false, 'never'],
    ['killed the day after: food', 'inspected', 'slaughtered', '2026-09-30', true, 'by-the-piece'],
    ['withdrawal over long before: food', 'household', 'slaughtered', '2026-08-01', true, 'never'],
    ['nobody said how: as if it may', null, null, null, true, 'by-the-piece'],
  ])('%s', (_, route, end, until, food, sale) =>
    expect(verdictOf(known(route, end, until))).toMatchObject({ food, sale }),
  )
  it('every refusal names its rule, the fact it rests on and how that is changed', () => {
    for (const route of ROUTE_IDS)
      for (const end of ['slaughtered', 'hunted', 'died', 'sick'] as const)
        for (const until of [null, '2026-12-01']) {
          const { sale, reasons } = verdictOf(known(route, end, until))
          expect(reasons.length > 0, `${route} ${end} ${until}`).toBe(sale !== 'by-the-piece')
          for (const r of reasons) expect([r.rule, r.fact, r.change].every((x) => x.length > 15)).toBe(true)
        }
  })
  it('while it lives, a withdrawal holds the slaughter back and spoils nothing yet', () => {
    const { medicines } = known(null, null, '2026-12-01', null)
    expect(verdictOf(known('inspected', null, '2026-12-01', null)).food).toBe(true)
    expect(heldBack(medicines, '2026-11-30').map((m) => m.name)).toEqual(['a long-acting antibiotic'])
    expect(heldBack(medicines, '2026-12-01')).toHaveLength(1)
    expect(heldBack(medicines, '2026-12-02')).toEqual([])
  })
  it('the day on a label is the last of the wait, or the first clear one; with an hour it is clear from then on (common practice)', () => {
    const m = { name: 'A', animal: null, until: '2026-06-03' }
    const says = (more: object) => sayClear({ ...m, ...more })
    expect(says({})).toBe('clear from 2026-06-04')
    expect(says({ until: '2026-12-31' })).toBe('clear from 2027-01-01')
    expect(says({ means: 'clear' })).toBe('clear from 2026-06-03')
    expect(says({ hour: '14:00' })).toBe('clear from 2026-06-03, 14:00')
    const held = (day: string, more: object) => heldBack([{ ...m, ...more }], day).length
    expect([held('2026-06-03', {}), held('2026-06-04', {})]).toEqual([1, 0])
    expect([held('2026-06-02', { means: 'clear' }), held('2026-06-03', { means: 'clear' })]).toEqual([1, 0])
    // Nobody knows the hour of a kill: that day it is not clear yet.
    expect([held('2026-06-03', { hour: '14:00' }), held('2026-06-04', { hour: '14:00' })]).toEqual([1, 0])
  })
  it('of two drugs the later rules; off its label no day clears it until the vet has said (FARAD: extra-label withdrawals, from memory)', () => {
    const of = (name: string, until: string | null) => ({ name, until, animal: null })
    const [early, late, unknown] = [of('A', '2026-09-01'), of('B', '2026-10-05'), of('C', null)]
    const verdict = (...medicines: ReturnType<typeof of>[]) =>
      verdictOf({ route: 'inspected', end: null, killed: KILLED, medicines })
    expect(lastOf([late, early])!.name).toBe('B')
    expect(verdict(late, early).reasons[0]!.fact).toMatch(/^B: clear from 2026-10-06; killed 2026-10-01/)
    expect(verdict(early).food).toBe(true)
    expect(verdict(early, unknown)).toMatchObject({ food: false, sale: 'never' })
    expect(verdict(unknown, late).reasons[0]!.fact).toMatch(/^C: no day is known: ask the vet/)
    expect(heldBack([unknown], '2099-01-01')).toHaveLength(1)
  })
  it('every route says what it allows of cuts, shares, label and place; only birds have the exemption', () => {
    for (const r of ROUTES)
      expect(
        Object.values(r.allows).every((x) => x.length > 3),
        r.id,
      ).toBe(true)
    expect(routesFor('rabbit').map((r) => r.id)).not.toContain('poultry-exempt')
    for (const s of ['broiler', 'turkey', 'duck'] as const)
      expect(routesFor(s).map((r) => r.id)).toContain('poultry-exempt')
  })
})

describe('birds in a year under the exemption (9 CFR 381.10, from memory: 1,000 and 20,000)', () => {
  it.each([
    [1_000, 'small'],
    [1_001, 'large'],
    [20_000, 'large'],
    [20_001, 'none'],
  ] as const)('%i: %s', (birds, within) => {
    expect(exemptionOf(birds).within).toBe(within)
    expect(exemptionOf(birds).says).toContain(birds.toLocaleString('en-US'))
  })
})
