import { describe, expect, it } from 'vitest'
import type { FactBody } from '#core/records'
import { ANATOMIES } from '#core/species'
import { contradictionIn, monthsBetween, NO_LOG, readPlan, refusalOf, tried } from './index.ts'
import { dressed, onCut, perLb, routed } from './testing.ts'
import { checkDecisions } from './check.ts'

const { steer, lamb } = ANATOMIES
const day = (what: 'born' | 'killed', value: string): FactBody => ({ kind: 'observation', what, value })
const ended = (value: 'hunted' | 'died'): FactBody => ({ kind: 'observation', what: 'end', value })
const odd = (...facts: FactBody[]) => contradictionIn(steer, tried(NO_LOG, facts).facts)?.code ?? null

describe('the age of cattle (9 CFR 310.22, from memory: 30 months)', () => {
  it('whole months: the day before the month is full is not yet one', () => {
    expect(monthsBetween('2024-03-15', '2026-09-14')).toBe(29)
    expect(monthsBetween('2024-03-15', '2026-09-15')).toBe(30)
    expect(monthsBetween('2025-12-31', '2026-01-01')).toBe(0)
  })
  it('follows from its days where nobody said: at 30 months no T-bones, at 29 yes', () => {
    const taken = (killed: string) =>
      refusalOf(
        steer,
        readPlan(steer, tried(NO_LOG, [day('born', '2024-03-15'), day('killed', killed)])),
        'short-loin',
        ['left', 'right'],
        'loin-tbone',
      )?.code ?? null
    expect(taken('2026-09-15')).toBe('door-closed')
    expect(taken('2026-09-14')).toBeNull()
  })
  it('said against its days, is refused: which figure, and why', () => {
    const days = [day('born', '2024-01-10'), day('killed', '2026-11-01')]
    expect(odd(...days, dressed('under30', true))).toBe('age-contradicts')
    expect(odd(...days, dressed('under30', false))).toBeNull()
    expect(odd(...days)).toBeNull()
    expect(odd(day('born', '2026-12-01'), day('killed', '2026-11-01'))).toBe('killed-before-born')
  })
  it('a lamb has no such door', () =>
    expect(
      contradictionIn(lamb, tried(NO_LOG, [day('born', '2020-01-10'), day('killed', '2026-11-01')]).facts),
    ).toBeNull())
})

describe('what may not be sold gets no price, what is not food no plan', () => {
  const refused = (facts: FactBody[], ...d: Parameters<typeof checkDecisions>[2]) =>
    checkDecisions(steer, tried(NO_LOG, facts), d, false)[0]?.code ?? null
  const price = onCut('price', 'ground-beef', perLb(700))
  it('a cut of a hunted or a custom-exempt animal, or of one for the household', () => {
    expect(refused([ended('hunted')], price)).toBe('not-sold')
    expect(refused([routed('custom')], price)).toBe('not-sold')
    expect(refused([routed('household')], price)).toBe('not-sold')
    expect(refused([routed('inspected')], price)).toBeNull()
  })
  it('a casualty is not cut', () => {
    expect(refused([ended('died')], { field: 'path', target: 'rib', side: 'left', value: 'rib-roast' })).toBe(
      'not-food',
    )
  })
})
