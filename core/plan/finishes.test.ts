import { describe, expect, it } from 'vitest'
import { kg, priceOf } from '#core/measure'
import { ALLERGENS, decisionSchema, FINISH_IDS, type Finish } from '#core/records'
import {
  allergensOf,
  finishedName,
  FINISHES,
  finishingOf,
  finishMinutes,
  goodsOf,
  usualFinish,
} from './index.ts'

const of = (finish: Finish['finish'], more: Partial<Finish> = {}): Finish => ({
  ...{ finish, minutes: 0, change: 0, allergens: [] },
  goods: priceOf(0, 'kg'),
  extra: priceOf(0, 'kg'),
  ...more,
})

describe('finishes of a cut', () => {
  it('worked by hand: 10 kg take 8 % of marinade and lose 5 % at the bones: 10 × 1.08 × 0.95 = 10.26 kg', () => {
    const { adds, keeps } = finishingOf([
      of('marinated', { change: 0.08 }),
      of('bare-bone', { change: -0.05 }),
    ])
    expect(10 * (1 + adds) * keeps).toBeCloseTo(10.26, 10)
  })
  it('worked by hand: minutes go by the piece or by the kilogram before; goods by the kilogram before', () => {
    const cut = {
      finishes: [
        of('tied', { minutes: 2 }),
        of('marinated', { minutes: 1.5, change: 0.08, goods: priceOf(120, 'kg') }),
      ],
      kg: kg(10.8),
      pieces: 6,
    }
    expect(finishMinutes(cut, 'skilled')).toBeCloseTo(6 * 2 + 10 * 1.5, 9)
    expect(finishMinutes(cut, 'beginner')).toBeCloseTo(3 * 27, 9)
    expect(goodsOf(cut)).toBeCloseTo(1200, 9)
  })
  it('a seasoned piece takes up about 20 g of spice to a kilogram (common practice)', () => {
    const { usual, how } = FINISHES.find((f) => f.id === 'spiced')!
    expect(usual.change).toBe(0.02)
    expect(how).toContain(`${usual.change * 1000} g`)
  })
  it('usual figures follow the price of mince, in the unit of the farm', () => {
    const tied = FINISHES.find((f) => f.id === 'tied')!
    expect(usualFinish(tied, priceOf(1000, 'kg'), 'kg').extra).toEqual(priceOf(120, 'kg'))
    expect(usualFinish(tied, priceOf(700, 'lb'), 'lb').extra).toEqual(priceOf(84, 'lb'))
    expect(usualFinish(tied, priceOf(1000, 'kg'), 'lb').extra).toEqual(priceOf(54, 'lb'))
  })
  it('a cut is called after what is done to it, and names what people react to once', () => {
    const all = [
      of('marinated', { allergens: ['soy', 'wheat'] }),
      of('stuffed', { allergens: ['wheat', 'egg'] }),
    ]
    expect(finishedName('Breast', all)).toBe('Breast, marinated, stuffed')
    expect(allergensOf(all)).toEqual(['soy', 'wheat', 'egg'])
  })
})

describe('what must be named on food', () => {
  it('the nine major allergens of the United States (21 USC 321(qq) with the FASTER Act of 2021, from memory)', () => {
    const law = ['milk', 'egg', 'fish', 'shellfish', 'tree nuts', 'peanuts', 'wheat', 'soy', 'sesame']
    expect(law.filter((a) => !(ALLERGENS as readonly string[]).includes(a))).toEqual([])
  })
  it('and those the European Union names besides (Regulation 1169/2011, annex II, from memory); molluscs are shellfish here', () => {
    const law = ['celery', 'mustard', 'sulphites', 'lupin']
    expect(law.filter((a) => !(ALLERGENS as readonly string[]).includes(a))).toEqual([])
  })
  it('every finish that seasons says at its step that all of it stands on the label, and stays cold', () => {
    for (const f of FINISHES.filter((x) => x.seasons)) {
      expect(f.caution, f.id).toMatch(/label/)
      expect(f.caution, f.id).toMatch(/4 °C \(40 °F\)/)
    }
  })
  it('what is stuffed is cooked to 74 °C, 165 °F in its middle (FSIS, stuffed poultry and roasts, from memory)', () => {
    expect(FINISHES.find((f) => f.id === 'stuffed')!.caution).toContain('74 °C (165 °F)')
  })
})

describe('a finish that is sent', () => {
  const sent = (value: unknown) =>
    decisionSchema.safeParse({ field: 'finish', target: 'loin-chops', side: 'animal', value }).success
  it('is kept as it is said, one of each; anything else is refused', () => {
    expect(FINISHES.map((f) => f.id)).toEqual([...FINISH_IDS])
    expect(sent([of('tied')])).toBe(true)
    expect(sent(null)).toBe(true)
    expect(sent([])).toBe(false)
    expect(sent([of('tied'), of('tied')])).toBe(false)
    expect(sent([{ ...of('tied'), change: -0.9 }])).toBe(false)
    expect(sent([{ ...of('tied'), change: 2 }])).toBe(false)
    expect(sent([{ ...of('tied'), minutes: -1 }])).toBe(false)
    expect(sent([{ ...of('tied'), allergens: ['gold'] }])).toBe(false)
    expect(sent([{ ...of('tied'), extra: { milli: 1.5, per: 'kg' } }])).toBe(false)
  })
})
