import { describe, expect, it } from 'vitest'
import { minor, sayIssue, type Minor } from '#core/measure'
import type { Ending } from '#core/records'
import { onGrid, solvePrices, type PriceLine } from './index.ts'

const line = (cut: string, quantity: number, index: number, more: Partial<PriceLine> = {}): PriceLine => ({
  cut,
  names: { american: cut, commonwealth: cut },
  quantity,
  index,
  locked: null,
  floor: null,
  ceiling: null,
  ...more,
})
const solve = (need: number, lines: PriceLine[], ending: Ending = 'exact') =>
  solvePrices({ need: minor(need), ending, lines })
const solved = (need: number, lines: PriceLine[], ending: Ending = 'exact') => {
  const out = solve(need, lines, ending)
  if (!out.ok) throw new Error(sayIssue(out.issues[0]!))
  return { ...out.value, prices: Object.fromEntries(out.value.prices) as Record<string, Minor> }
}

describe('prices solved by hand', () => {
  it('10 of index 1 and 5 of index 2 must bring $100: $5 and $10', () =>
    expect(solved(10_000, [line('mince', 10, 1), line('chop', 5, 2)])).toEqual({
      prices: { mince: 500, chop: 1000 },
      scale: 500,
      net: 10_000,
      exactNet: 10_000,
    }))
  it('a lock pays its part first: $40 of the $100, and the rest is $3 and $6', () =>
    expect(
      solved(10_000, [line('mince', 10, 1), line('chop', 5, 2), line('ham', 10, 3, { locked: minor(400) })]),
    ).toEqual({
      prices: { mince: 300, chop: 600, ham: 400 },
      scale: 300,
      net: 10_000,
      exactNet: 10_000,
    }))
  it('a ceiling passes its part on: chops held at $6, mince carries $70', () =>
    expect(solved(10_000, [line('mince', 10, 1), line('chop', 5, 2, { ceiling: minor(600) })])).toMatchObject(
      {
        prices: { mince: 700, chop: 600 },
        scale: 700,
        exactNet: 10_000,
      },
    ))
  it('a floor relieves the others: chops not under $16, mince needs only $2', () =>
    expect(solved(10_000, [line('mince', 10, 1), line('chop', 5, 2, { floor: minor(1600) })])).toMatchObject({
      prices: { mince: 200, chop: 1600 },
      scale: 200,
    }))
  it('floors that bring enough alone: the scale is 0, and the rest may cost nothing', () =>
    expect(solved(5000, [line('mince', 10, 1), line('chop', 5, 2, { floor: minor(1000) })])).toMatchObject({
      prices: { mince: 0, chop: 1000 },
      scale: 0,
      net: 5000,
      exactNet: 5000,
    }))
  it('locks that bring enough alone leave nothing to ask for', () =>
    expect(solved(4000, [line('mince', 10, 1), line('ham', 10, 3, { locked: minor(400) })])).toMatchObject({
      prices: { mince: 0, ham: 400 },
      scale: 0,
    }))
  it('what has no index, or of which there is nothing, has no price of its own', () =>
    expect(solved(10_000, [line('mince', 10, 1), line('bones', 4, 0), line('none', 0, 2)]).prices).toEqual({
      mince: 1000,
      bones: 0,
      none: 0,
    }))
  it('two cuts of one name are two cuts', () => {
    const twin = { names: { american: 'Roast', commonwealth: 'Roast' } }
    expect(solved(3000, [line('a', 1, 1, twin), line('b', 1, 2, twin)]).prices).toEqual({ a: 1000, b: 2000 })
  })
})

describe('endings', () => {
  it.each<[Ending, number, number, number]>([
    ['exact', 700.2, 701, 700],
    ['fives', 701, 705, 700],
    ['fives', 705, 705, 705],
    ['nines', 700, 709, 699],
    ['nines', 709, 709, 709],
    ['halves', 701, 749, 699],
    ['halves', 750, 799, 749],
    ['halves', 20, 49, 0],
    ['nines', 3, 9, 0],
    ['fives', 0, 0, 0],
  ])('%s: %d goes up to %d and down to %d', (ending, price, up, down) => {
    expect(onGrid(price, ending, 'up')).toBe(up)
    expect(onGrid(price, ending, 'down')).toBe(down)
  })
  it('what is rounded up on one cut is given back on another, and the whole still covers', () => {
    const { prices, net } = solved(10_000, [line('mince', 10, 1), line('chop', 5, 2)], 'nines')
    expect(net).toBeGreaterThanOrEqual(10_000)
    expect([prices.mince! % 10, prices.chop! % 10]).toEqual([9, 9])
    expect(10 * prices.mince! + 5 * prices.chop!).toBe(net)
    expect(Math.min(10, 5) * 10).toBeGreaterThan(net - 10_000)
  })
  it('a ceiling between two endings keeps the lower one, and the others are raised for it', () => {
    const { prices, net } = solved(
      10_000,
      [line('mince', 10, 1), line('chop', 5, 2, { ceiling: minor(995) })],
      'halves',
    )
    expect(prices.chop).toBe(949)
    expect(prices.mince).toBe(549)
    expect(net).toBe(10 * 549 + 5 * 949)
  })
  it('what falls short is raised on the cut that is raised least beside its exact price', () => {
    const { prices } = solved(
      10_000,
      [line('mince', 10, 1), line('chop', 2, 2), line('ham', 8, 1, { ceiling: minor(440) })],
      'halves',
    )
    expect(prices.ham).toBe(399)
    expect(10 * prices.mince! + 2 * prices.chop! + 8 * 399).toBeGreaterThanOrEqual(10_000)
    expect([prices.mince! % 50, prices.chop! % 50]).toEqual([49, 49])
    for (const cut of ['mince', 'chop'] as const) {
      const less = { ...prices, [cut]: prices[cut]! - 50 }
      expect(10 * less.mince! + 2 * less.chop! + 8 * less.ham!).toBeLessThan(10_000)
    }
  })
  it('a floor between two endings keeps the higher one', () =>
    expect(solved(100, [line('mince', 10, 1, { floor: minor(501) })], 'fives').prices.mince).toBe(505))
  it('where endings under every ceiling fall short it is impossible, though the ceilings themselves would do', () => {
    const lines = [line('chop', 10, 1, { ceiling: minor(1000) })]
    expect(solved(10_000, lines).prices.chop).toBe(1000)
    expect(solve(10_000, lines, 'nines')).toMatchObject({
      ok: false,
      issues: [{ code: 'price-impossible', field: 'prices' }],
    })
    expect(solved(9990, lines, 'nines').prices.chop).toBe(999)
  })
})

describe('what cannot be met', () => {
  it('says how much there is at most, and which ceilings and locks hold it down', () => {
    const out = solve(10_001, [
      line('chop', 10, 1, { ceiling: minor(600) }),
      line('belly', 5, 1, { ceiling: minor(400) }),
      line('ham', 5, 1, { locked: minor(400) }),
      line('gone', 0, 1, { locked: minor(900) }),
    ])
    expect(out).toMatchObject({
      ok: false,
      issues: [
        {
          code: 'price-impossible',
          figures: {
            need: 10_001,
            most: 10_000,
            ceilings: [{ american: 'chop' }, { american: 'belly' }],
            locks: [{ american: 'ham' }],
          },
        },
      ],
    })
  })
  it('in words: how much is short, and what holds it down', () => {
    const out = solve(10_000, [
      line('chops', 10, 1, { ceiling: minor(500) }),
      line('ham', 4, 1, { locked: minor(300) }),
    ])
    expect(out.ok || sayIssue(out.issues[0]!)).toContain(
      '$38.00 short. Held down by the ceiling on chops, the lock on ham.',
    )
  })
  it('exactly what all ceilings bring is still possible', () => {
    const lines = [line('chop', 10, 1, { ceiling: minor(600) }), line('belly', 5, 2, { ceiling: minor(400) })]
    expect(solved(8000, lines).prices).toEqual({ chop: 600, belly: 400 })
    expect(solve(8001, lines).ok).toBe(false)
  })
  it('a floor above its ceiling is said at the floor; one at its ceiling is a price', () => {
    const at = (floor: number) =>
      solve(100, [line('chop', 10, 1, { floor: minor(floor), ceiling: minor(800) })])
    expect(at(801)).toMatchObject({
      issues: [
        { code: 'price-floor-above-ceiling', field: 'floor:chop', figures: { floor: 801, ceiling: 800 } },
      ],
    })
    expect(at(800)).toMatchObject({ ok: true })
  })
  it('nothing free to price', () => {
    for (const l of [line('ham', 5, 1, { locked: minor(400) }), line('ham', 5, 0), line('ham', 0, 1)])
      expect(solve(1, [l])).toMatchObject({
        ok: false,
        issues: [{ code: 'price-nothing-to-sell', field: 'prices' }],
      })
  })
})

describe('a set that is all locked', () => {
  const locked = [line('mince', 10, 1, { locked: minor(500) }), line('chop', 5, 2, { locked: minor(900) })]
  it('that loses money says what it brings at the most, and what is locked', () => {
    const out = solve(12_000, locked)
    if (out.ok) throw new Error('solved')
    expect(out.issues[0]).toMatchObject({ code: 'price-impossible', figures: { need: 12_000, most: 9500 } })
    expect(sayIssue(out.issues[0]!)).toMatch(/mince/)
  })
})
