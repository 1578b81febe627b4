import { describe, expect, it } from 'vitest'
import { chestOf, coolingOf, packageWords, roomRule, tooWarmToFreeze } from './index.ts'

const deep = (hours: number, c: number) => ({ hours, c, where: 'deep' as const })
const state = (all: ReturnType<typeof coolingOf>) => Object.fromEntries(all.map((x) => [x.id, x.state]))

describe('an iced chest (common practice: ice twice a day, water let off, two to four days)', () => {
  const fill = (hours: number, drained = true) => ({ hours, drained })
  const at = (until: number, ...icings: ReturnType<typeof fill>[]) => state(chestOf(icings, until))
  it('ice morning and evening keeps it; a night and a day without does not', () => {
    expect(at(40, fill(0.5), fill(12), fill(24), fill(36)).ice).toBe('kept')
    const late = chestOf([fill(0.5), fill(24)], 30).find((c) => c.id === 'ice')!
    expect(late.state).toBe('broken')
    expect(late.says).toContain('24 h')
    expect(at(10).ice).toBe('open')
    expect(at(20).ice).toBe('broken')
  })
  it('meat that lay in water once is said, and so is a fifth day', () => {
    expect(at(30, fill(10), fill(20, false)).drained).toBe('broken')
    expect(at(30, fill(10), fill(20)).drained).toBe('kept')
    expect(at(97, fill(10))['ice-days']).toBe('broken')
    expect(at(90, fill(10))['ice-days']).toBe('open')
  })
  it('what is written down for after it was cut closes no gap before it', () =>
    expect(at(20, fill(40)).ice).toBe('broken'))
})

describe('cooling', () => {
  it('red meat: 7 °C deep within 48 h (EU carcass limit 7 °C, from memory), judged no earlier', () => {
    expect(state(coolingOf('hog', 85, [deep(40, 8)]))).toEqual({ surface: 'open', deep: 'open' })
    expect(state(coolingOf('hog', 85, [deep(40, 6.8)])).deep).toBe('kept')
    expect(state(coolingOf('hog', 85, [deep(49, 7.5)])).deep).toBe('broken')
  })
  it('a beef round at 20 °C after a day is slow, and no alarm (common practice)', () =>
    expect(state(coolingOf('steer', 320, [deep(24, 20)])).deep).toBe('open'))
  it('beef, lamb and goat under 10 °C within 10 h are too fast; a hog is not asked (common practice)', () => {
    expect(state(coolingOf('lamb', 20, [deep(8, 9)]))['too-fast']).toBe('broken')
    expect(state(coolingOf('lamb', 20, [deep(11, 9)]))['too-fast']).toBe('kept')
    expect(state(coolingOf('hog', 85, [deep(8, 9)]))['too-fast']).toBeUndefined()
  })
  it.each([
    [1.5, 4],
    [2.5, 6],
    [5, 8],
  ])('a bird of %s kg has %s h to 4 °C (9 CFR 381.66 as it long stood, from memory)', (kg, hours) => {
    expect(state(coolingOf('broiler', kg, [deep(hours, 3.9)])).bird).toBe('kept')
    expect(state(coolingOf('broiler', kg, [deep(hours + 0.1, 4.5)])).bird).toBe('broken')
  })
  it('warm meat is not frozen; what nobody read stands in nobody’s way', () => {
    expect(tooWarmToFreeze([deep(20, 3), deep(10, 12)])).toBeNull()
    expect(tooWarmToFreeze([deep(10, 12)])).toEqual(deep(10, 12))
    expect(tooWarmToFreeze([])).toBeNull()
  })
})

describe('the room meat is cut in', () => {
  it('is kept by the rule of the farm’s own country: 10 °C in the United States, 12 in the European Union (Regulation 853/2004, annex III, from memory)', () => {
    expect(roomRule('USD')).toBe('Room at or below 10 °C (50 °F), meat at or below 4 °C (40 °F).')
    expect(roomRule('EUR')).toMatch(/12 °C.*7 °C.*authority/)
    expect(roomRule('NZD')).toMatch(/10 °C.*authority/)
  })
})

describe('words of a label', () => {
  it('custom work is not for sale, exempt birds say so (9 CFR 316.16 and 381.10, from memory)', () => {
    expect(packageWords('custom')?.says).toBe('NOT FOR SALE')
    expect(packageWords('poultry-exempt')?.says).toContain('90-492')
    expect(packageWords('inspected')).toBeNull()
  })
})
