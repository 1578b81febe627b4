import { describe, expect, it } from 'vitest'
import { minor } from '#core/measure'
import { earned, targetFor } from './index.ts'

// Worked by hand: $420 of costs, of them 4 hours at the bench at $15.
const SPENT = { total: minor(42_000), labour: minor(6000), minutes: 240 }

describe('what is aimed at beside the costs', () => {
  it('is a sum of money where nothing else is said', () => {
    expect(targetFor(null, minor(10_000), SPENT)).toBe(10_000)
  })
  it('as a margin of 30 % is 3/7 of the cost: 180 of 600', () => {
    const target = targetFor({ kind: 'margin', share: 0.3 }, minor(0), SPENT)
    expect(target).toBe(18_000)
    expect(earned(minor(42_000 + target), SPENT).margin).toBeCloseTo(0.3, 12)
  })
  it('as $25 an hour is 4 × 25 less the 60 that are counted already', () => {
    const target = targetFor({ kind: 'hour', amount: 2500 }, minor(0), SPENT)
    expect(target).toBe(4000)
    expect(earned(minor(42_000 + target), SPENT).hour).toBe(2500)
  })
  it('is nothing where the hours are paid better already', () => {
    expect(targetFor({ kind: 'hour', amount: 1000 }, minor(0), SPENT)).toBe(0)
  })
})

describe('what is earned', () => {
  it('is a loss where less comes in than it cost, and no margin where nothing does', () => {
    expect(earned(minor(30_000), SPENT)).toEqual({ margin: -0.4, hour: -1500 })
    expect(earned(minor(0), SPENT).margin).toBeNull()
    expect(earned(minor(1), { ...SPENT, minutes: 0 }).hour).toBeNull()
  })
})
