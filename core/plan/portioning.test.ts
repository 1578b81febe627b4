import { describe, expect, it } from 'vitest'
import type { Portion } from '#core/anatomy'
import { ANATOMIES } from '#core/species'
import { kg, KG_PER_LB, mm, PLAIN, saysFor, toKg } from '#core/measure'
import { choose, cutUp } from '../carcass/testing.ts'
import { keepsBone, oddPortion, portionsOf, roastFor, sayPortion, thicknessFor } from './index.ts'

const { hog } = ANATOMIES

const sawn = (thicknessMm: number): Portion => ({ kind: 'sawn', thicknessMm, kerfMm: 1.2, perPack: 2 })
const PACKS = { kg: kg(0.5), lb: toKg(1, 'lb') }
const span = (length: number) => ({ mm: mm(length) })
const odd = (portion: Portion, each = 1, length: number | null = 400) =>
  oddPortion(portion, kg(each), length === null ? null : span(length))

describe('what is odd about how a cut is divided', () => {
  it('a slice with its kerf that is longer than the part', () => {
    expect(odd(sawn(38.8), 1, 40)).toBeNull()
    expect(odd(sawn(39), 1, 40.6)).toBeNull()
    expect(odd(sawn(39), 1, 40)).toBe('39 mm is thicker than the 40 mm there are: nothing comes off whole.')
    expect(odd(sawn(39), 1, 0)).toBeNull()
    expect(odd(sawn(39), 1, null)).toBeNull()
  })
  it('too thin for a saw, too thick for a chop', () => {
    expect(odd(sawn(7.9))).toBe('7.9 mm on a saw shatters the bone; 12 mm is the usual thinnest.')
    expect(odd(sawn(8))).toBeNull()
    expect(odd(sawn(80))).toBeNull()
    expect(odd(sawn(81))).toBe('81 mm is a roast rather than a steak or chop.')
  })
  it('a roast of a piece much smaller than it, or past an oven', () => {
    const roast = (of: number): Portion => ({ kind: 'roast', kg: of, perPack: 1 })
    expect(odd(roast(2), 1.2)).toBeNull()
    expect(odd(roast(2), 1.19)).toBe('The piece is smaller than that: it stays whole.')
    expect(odd(roast(2), 0)).toBeNull()
    expect(odd(roast(6), 6)).toBeNull()
    expect(odd(roast(6.1), 6)).toBe('A roast of this size cooks unevenly and fits few ovens.')
  })
  it('a pack too thick to freeze quickly, and more to a pack than a household eats', () => {
    const pack = (of: number): Portion => ({ kind: 'pack', kg: of, lb: 1 })
    expect(odd(pack(2.5))).toBeNull()
    expect(odd(pack(2.6))).toBe('A pack this thick freezes slowly; 500 g or 1 lb is usual.')
    for (const kind of ['snapped', 'whole'] as const) {
      const of = (perPack: number): Portion =>
        kind === 'whole' ? { kind, perSide: 1, perPack } : { kind, perPack }
      expect(odd(of(12))).toBeNull()
      expect(odd(of(13))).toBe('13 to a pack is more than a household eats at once.')
    }
  })
})

describe('how a cut is divided, said', () => {
  const say = (p: Portion, massUnit: 'kg' | 'lb' = 'kg') =>
    sayPortion(p, saysFor({ ...PLAIN, massUnit }), PACKS[massUnit])
  it.each([
    [{ ...sawn(25) }, '25 mm (1 in) thick, 2 to a pack'],
    [{ ...sawn(12), even: true }, 'about 12 mm (½ in) thick, 2 to a pack'],
    [{ ...sawn(31.5), ends: 'trim' }, '31.5 mm (1¼ in) thick, 2 to a pack, ends to the trim'],
    [{ kind: 'snapped', perPack: 2 }, 'one to a vertebra, 2 to a pack'],
    [{ kind: 'pack', kg: 0.5, lb: 1 }, '1.0 lb a pack'],
    [{ kind: 'roast', kg: 1.36, perPack: 1 }, '3.0 lb each, 1 to a pack'],
    [{ kind: 'whole', perSide: 1, perPack: 1 }, 'left whole, 1 to a pack'],
    [{ kind: 'whole', perSide: 3, perPack: 1 }, 'in 3, 1 to a pack'],
  ] as [Portion, string][])('%j is “%s”', (portion, words) => expect(say(portion, 'lb')).toBe(words))
  it('in kilograms there are no inches, and packs are the metric ones', () => {
    expect(say(sawn(25))).toBe('25 mm thick, 2 to a pack')
    expect(say({ kind: 'pack', kg: 0.5, lb: 1 })).toBe('0.50 kg a pack')
  })
})

describe('from what is wanted to how it is cut', () => {
  it('a roast for six is 2.1 kg with its bone and 1.5 kg without', () => {
    expect(roastFor(6, true)).toBeCloseTo(2.1, 9)
    expect(roastFor(6, false)).toBeCloseTo(1.5, 9)
  })
  it('seven chops of a 230 mm loin are 31.5 mm thick with a 1.2 mm kerf, to the half millimetre below', () =>
    expect(thicknessFor(mm(230), 7, 1.2)).toBe(31.5))
  it('a cut keeps its bone where some way leaves it more than a tenth of it', () => {
    const paths = (bone: number) => ({
      paths: [{ ...hog.paths[0]!, outputs: [{ ...hog.paths[0]!.outputs[0]!, cut: 'x', bone }] }],
    })
    expect([keepsBone(paths(0.1), 'x'), keepsBone(paths(0.11), 'x'), keepsBone(paths(1), 'y')]).toEqual([
      false,
      true,
      false,
    ])
  })
})

describe('packs and pieces', () => {
  const c = cutUp('hog')
  const of = (cut: string, portion: Portion, unit: 'kg' | 'lb' = 'kg', count = 1) => {
    const { cutting } = cutUp('hog', choose({}, { portions: { [cut]: portion } }), { count })
    return portionsOf(cutting, count, PACKS[unit]).get(cut)!
  }
  const ground = c.cut('ground-pork')
  it('packs by weight: as many as hold it all, where usual in the farm’s own pack', () => {
    const pack = (size: number, lb = size / KG_PER_LB): Portion => ({ kind: 'pack', kg: size, lb })
    expect(of('ground-pork', pack(0.5)).packs).toBe(Math.ceil(ground / 0.5))
    expect(of('ground-pork', pack(0.5)).pieces).toBe(Math.ceil(ground / 0.5))
    expect(of('ground-pork', pack(ground / 4)).packs).toBe(4)
    expect(of('ground-pork', pack(ground / 4.001)).packs).toBe(5)
    expect(of('ground-pork', pack(0.5, 1), 'lb').packs).toBe(Math.ceil(ground / KG_PER_LB))
  })
  it('what there is none of has no packs', () =>
    expect(portionsOf(c.cutting, 1, PACKS.kg).has('leg-steak')).toBe(false))
  it('roasts: the piece of each side over the roast, to the nearest whole, at least one', () => {
    const side = c.cut('butt-roast') / 2
    const roast = (size: number, perPack = 1): Portion => ({ kind: 'roast', kg: size, perPack })
    expect(of('butt-roast', roast(side / 2.4))).toMatchObject({ pieces: 4, packs: 4 })
    expect(of('butt-roast', roast(side / 2.6))).toMatchObject({ pieces: 6, packs: 6 })
    expect(of('butt-roast', roast(side * 9))).toMatchObject({ pieces: 2, packs: 2 })
    expect(of('butt-roast', roast(side, 2))).toMatchObject({ pieces: 2, packs: 1 })
  })
  it('a lot of three has three times the pieces of a third of its weight, and packs are filled across animals', () => {
    const side = c.cut('butt-roast') / 6
    expect(of('butt-roast', { kind: 'roast', kg: side, perPack: 4 }, 'kg', 3)).toMatchObject({
      pieces: 6,
      packs: 2,
    })
  })
  it('whole: so many a side', () => {
    expect(of('butt-roast', { kind: 'whole', perSide: 3, perPack: 4 })).toMatchObject({ pieces: 6, packs: 2 })
  })
  it('what is left of a sawn length goes as the end, at its share of the mass', () => {
    const p = of('bone-in-chop', sawn(30))
    const { cutting } = cutUp('hog', choose({}, { portions: { 'bone-in-chop': sawn(30) } }))
    const row = cutting.slot('loin', 'left')!.rows.find((r) => r.cut?.id === 'bone-in-chop')!
    expect(p.endMm).toBeCloseTo(row.stretch!.left, 9)
    expect(p.end).toBeCloseTo((2 * row.product * p.endMm) / row.stretch!.mm, 9)
    expect(of('bone-in-chop', { kind: 'snapped', perPack: 2 }).end).toBe(0)
  })
})
