import { describe, expect, it } from 'vitest'
import { ANATOMIES, type Species } from '#core/anatomy'
import type { Said } from '#core/plan'
import { flowOf } from '../carcass/testing.ts'
import { alternativesFor, lineOptions, rankedBy, reckon } from './index.ts'
import { FARM, lotOf } from './testing.ts'

const read = (species: Species, ...said: Said[]) => reckon(flowOf(species), lotOf(species, said), FARM, 0)

describe('other places of the transverse lines at a part', () => {
  const r = read('lamb')
  const lines = (part: string, sides: readonly ('left' | 'right' | 'animal')[] = ['left', 'right']) =>
    lineOptions(r, part, sides)
  it('a rack of lamb lies between the shoulder line and the loin line; a leg behind its own; a liver behind none', () => {
    const of = (part: string) => lines(part).map((l) => l.line.id)
    expect(of('rack')).toEqual(['shoulder-line', 'rack-end-line'])
    expect(of('leg')).toEqual(['leg-line'])
    expect(of('neck')).toEqual([])
    expect(of('liver')).toEqual([])
    expect(lines('rack', ['animal'])).toEqual([])
  })
  it('a line with one place only, or one along the side, is no choice', () => {
    for (const part of ANATOMIES.steer.parts)
      for (const { line } of lineOptions(read('steer'), part.id, ['left', 'right'])) {
        expect(line.kind).toBe('across')
        expect(line.kind === 'across' && line.settings.length).toBeGreaterThan(1)
      }
    expect(lineOptions(read('steer'), 'rib', ['left', 'right'])).toEqual([])
    expect(
      lineOptions(read('steer'), 'short-loin', ['left', 'right']).map((l) => [l.line.id, l.settings.length]),
    ).toEqual([['loin-split', 6]])
  })
  it('the place in force changes nothing; each other what the plan with it differs by', () => {
    const [, end] = lines('rack')
    expect(end!.settings.filter((s) => s.inForce).map((s) => s.id)).toEqual(['12|13'])
    for (const s of end!.settings) {
      const then = read(
        'lamb',
        ...(['left', 'right'] as const).map((side) => ({
          field: 'line' as const,
          target: 'rack-end-line',
          side,
          value: s.id,
        })),
      )
      expect(s.kg).toBeCloseTo(then.balance.products - r.balance.products, 9)
      expect(s.money).toBe(then.money.net - r.money.net)
      if (s.inForce) expect([s.kg, s.money]).toEqual([0, 0])
    }
    expect(end!.settings.some((s) => s.money !== 0)).toBe(true)
  })
  it('where one side lies elsewhere no place is in force on both', () => {
    const moved = read('lamb', { field: 'line', target: 'leg-line', side: 'left', value: 'ahead' })
    const inForce = (sides: ('left' | 'right')[]) =>
      lineOptions(moved, 'leg', sides)[0]!
        .settings.filter((s) => s.inForce)
        .map((s) => s.id)
    expect(inForce(['left', 'right'])).toEqual([])
    expect([inForce(['left']), inForce(['right'])]).toEqual([['ahead'], ['hip']])
  })
})

describe('ways in an order', () => {
  const all = alternativesFor(read('hog'), 'belly', ['left', 'right'])
  const figure = {
    money: (a: (typeof all)[number]) => a.whole.money - a.whole.fees - a.whole.labour,
    'take-home': (a: (typeof all)[number]) => a.whole.takeHome,
    minutes: (a: (typeof all)[number]) => -a.whole.minutes,
  }
  it.each(['money', 'take-home', 'minutes'] as const)(
    'by %s: best first, what cannot be had last and in its own order',
    (by) => {
      const ranked = rankedBy(by, all)
      expect(new Set(ranked)).toEqual(new Set(all))
      const first = ranked.findIndex((a) => a.refusal)
      const open = first < 0 ? ranked : ranked.slice(0, first)
      expect(ranked.slice(open.length).every((a) => a.refusal)).toBe(true)
      expect(open.map(figure[by])).toEqual(open.map(figure[by]).toSorted((a, b) => b - a))
    },
  )
  it('as listed: the order of the trade', () => {
    expect(rankedBy('listed', all)).toEqual(all)
    expect(rankedBy('listed', all).map((a) => a.path)).not.toEqual(
      rankedBy('minutes', all).map((a) => a.path),
    )
  })
})
