import { describe, expect, it } from 'vitest'
import { type Species } from '#core/anatomy'
import { ANATOMIES } from '#core/species'
import type { Said } from '#core/plan'
import { flowOf } from '../carcass/testing.ts'
import { alternativesFor, lineOptions, outputsOf, rankedBy, rearOptions, reckon } from './index.ts'
import { FARM, lotOf } from './testing.ts'
import { lineAt, splitAt, way } from '../plan/testing.ts'

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
    const moved = read('lamb', lineAt('leg-line', 'ahead'))
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

describe('what comes of a part', () => {
  const r = read('hog')
  const of = (part: string, sides: ('left' | 'right' | 'animal')[]) => outputsOf(r.cutting, part, sides)
  it('cuts as they are sold and parts as they go on, each once, the heaviest first, nothing that weighs nothing', () => {
    for (const part of ['loin', 'belly', 'shoulder', 'leg']) {
      const all = of(part, ['left', 'right'])
      expect(all.map((o) => o.kg)).toEqual(all.map((o) => o.kg).toSorted((a, b) => b - a))
      expect(all.every((o) => o.kg > 1e-6)).toBe(true)
      const rows = (['left', 'right'] as const).flatMap((side) => [...r.cutting.slot(part, side)!.rows])
      for (const o of all) {
        const own = rows.filter((x) => (o.cut ? x.cut?.id === o.cut : !x.cut && x.part === o.part))
        expect(own.length, `${part} ${o.cut ?? o.part}`).toBeGreaterThan(0)
        const kg = own.reduce((sum, x) => sum + (o.cut ? x.product : x.green), 0)
        expect(o.kg, `${part} ${o.cut ?? o.part}`).toBeCloseTo(kg, 9)
      }
      const named = new Set(all.map((o) => `${o.cut} ${o.cut ? '' : o.part}`))
      expect(named.size, part).toBe(all.length)
      const there = rows
        .filter((x) => x.green > 1e-6)
        .map((x) => `${x.cut?.id ?? null} ${x.cut ? '' : x.part}`)
      expect(named, part).toEqual(new Set(there))
    }
  })
  it('one side gives half of both; a part that is not there gives nothing', () => {
    const [one, both] = [of('loin', ['left']), of('loin', ['left', 'right'])]
    expect(one.map((o) => o.kg * 2)).toEqual(both.map((o) => expect.closeTo(o.kg, 9)))
    expect(of('wing', ['left'])).toEqual([])
    expect(of('loin', ['animal'])).toEqual([])
  })
  it('a shoulder is opened into parts, and bacon comes out lighter than the belly that was cured', () => {
    const shoulder = of('shoulder', ['left', 'right']).filter((o) => o.cut === null)
    expect(shoulder.map((o) => o.part)).toEqual(expect.arrayContaining(['butt', 'picnic']))
    const bacon = of('belly', ['left', 'right']).find((o) => o.cut === 'bacon')!
    const green = (['left', 'right'] as const).reduce(
      (sum, side) => sum + r.cutting.slot('belly', side)!.rows.find((x) => x.cut?.id === 'bacon')!.green,
      0,
    )
    expect(bacon.kg).toBeLessThan(green)
  })
  it('a way that is refused shows no outputs, and is worth what is in force', () => {
    const all = alternativesFor(r, 'spare-ribs', ['left', 'right'])
    const refused = all.filter((a) => a.refusal)
    expect(refused.map((a) => a.path)).toEqual(['ribs-on-belly'])
    const inForce = all.find((a) => a.inForce)!
    for (const a of refused) expect([a.outputs, a.whole]).toEqual([[], inForce.whole])
    for (const a of all.filter((x) => !x.refusal)) expect(a.outputs.length).toBeGreaterThan(0)
  })
})

describe('ways beside the one in force', () => {
  it('where the sides differ nothing is in force, and each way says which side takes it', () => {
    const r = read('hog', way('loin', 'loin-roasts', 'right'))
    const found = alternativesFor(r, 'loin', ['left', 'right'])
    expect(found.some((a) => a.inForce)).toBe(false)
    const on = (path: string) => found.find((a) => a.path === path)!.takenOn
    expect([on('loin-chops'), on('loin-roasts'), on('loin-grind')]).toEqual([['left'], ['right'], []])
  })
  it('boned, a loin weighs less to take home and leaves more in the bone bin', () => {
    const boned = alternativesFor(read('hog'), 'loin', ['left', 'right']).find(
      (a) => a.path === 'loin-roasts',
    )!
    expect(boned.difference.takeHome).toBeLessThan(0)
    expect(boned.difference.bone).toBeGreaterThan(0)
  })
})

describe('ways for what lies behind a place along a part', () => {
  const sides = ['left', 'right'] as const
  it('each is worth what the plan with it is; the way of the front, and ways of the whole part, are refused', () => {
    const r = read('hog')
    const found = rearOptions(r, 'loin', sides, 0.4)
    const code = (path: string) => found.find((o) => o.path === path)!.refusal?.code
    expect(code('loin-chops')).toBe('split-alike')
    expect(code('loin-porchetta')).toBe('split-in-one')
    const roasts = found.find((o) => o.path === 'loin-roasts')!
    const then = read('hog', ...sides.map((s) => splitAt('loin', 0.4, 'loin-roasts', s)))
    expect(roasts.difference.takeHome).toBeCloseTo(then.balance.products - r.balance.products, 9)
    expect(roasts.difference.minutes).toBeCloseTo(then.minutes - r.minutes, 9)
    expect(rearOptions(then, 'loin', sides, 0.4).find((o) => o.inForce)).toMatchObject({
      path: 'loin-roasts',
    })
  })
  it('a way of the front that takes the whole part ends the split: what it is worth is the plan without', () => {
    const split = read('hog', ...sides.map((s) => splitAt('loin', 0.4, 'loin-roasts', s)))
    const rolled = alternativesFor(split, 'loin', sides).find((a) => a.path === 'loin-porchetta')!
    const then = read(
      'hog',
      ...sides.flatMap((s) => [way('loin', 'loin-porchetta', s), way('belly', 'belly-porchetta', s)]),
    )
    expect(rolled.whole.takeHome).toBeCloseTo(then.balance.products, 9)
  })
})
