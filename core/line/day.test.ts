import { describe, expect, it } from 'vitest'
import { iceFor } from '#core/hand'
import { kg } from '#core/measure'
import { reckon } from '#core/reading'
import type { Said } from '#core/plan'
import type { BirdDay, Crew } from '#core/records'
import { flowOf } from '../carcass/testing.ts'
import { FARM, lotOf } from '../reading/testing.ts'
import {
  allDays,
  changesOf,
  chillMinutes,
  dayLine,
  feedAway,
  freezing,
  judgeFinish,
  readDays,
  runLine,
  toldAnew,
  USUAL_DAY,
  type DayLine,
} from './index.ts'

const CREW: Crew = ['Ann', 'Bo', 'Cas'].map((name) => ({
  name,
  skill: 'practised',
  from: '07:00',
  until: '18:00',
}))
const reading = (
  day: Partial<BirdDay> = {},
  crew: Crew = CREW,
  species: 'broiler' | 'rabbit' | 'hog' = 'broiler',
) =>
  reckon(
    flowOf(species),
    lotOf(species, [
      { field: 'birdDay', target: 'lot', side: 'animal', value: { ...USUAL_DAY, ...day } },
      { field: 'crew', target: 'lot', side: 'animal', value: crew },
    ]),
    FARM,
    0,
  )
const drawn = (day: DayLine, draws = 200, asked: number[] = [day.line.stations.length - 1]) =>
  allDays(day, draws, asked)
const codes = (day: DayLine) => day.issues.map((i) => i.code)

describe('ice: the heat balance and the reserve apart (specific heats and heat of fusion: engineering textbooks, from memory)', () => {
  it('a kg of bird from 39 to 4 °C takes 0.36 kg of ice, a kg of water at 15 °C another 0.16', () => {
    const ice = iceFor(kg(100), kg(100), 15)
    expect(ice.cool).toBeCloseTo(36, 0)
    expect(ice.water).toBeCloseTo(16, 0)
    expect(ice.needed).toBeCloseTo(ice.cool + ice.water, 9)
  })
  it('one to one is the order, and what of it is not heat of birds and water is reserve', () => {
    const ice = iceFor(kg(100), kg(50), 15)
    expect(ice.order).toBe(100)
    expect(ice.reserve).toBeCloseTo(100 - ice.needed, 9)
    // Warm water and much of it takes more than the rule of thumb.
    const warm = iceFor(kg(100), kg(400), 25)
    expect(warm.order).toBeCloseTo(warm.needed, 9)
    expect(warm.reserve).toBe(0)
  })
  it('a freezer of 280 litres takes 10 to 14 kg a day (US extension: 2 to 3 lb per cubic foot, from memory)', () => {
    const { daily, low, high } = freezing(70, 280)
    expect(daily).toEqual([10, 14])
    expect([low, high]).toEqual([5, 7])
  })
})

describe('the day of a batch', () => {
  it('scalds and plucks one bird a load where it is done so, else as many as fit', () => {
    const loads = (...said: Said[]) =>
      dayLine(
        reckon(
          flowOf('broiler'),
          lotOf('broiler', [
            { field: 'birdDay', target: 'lot', side: 'animal', value: USUAL_DAY },
            { field: 'crew', target: 'lot', side: 'animal', value: CREW },
            ...said,
          ]),
          FARM,
          0,
        ),
      ).stations.flatMap((s) => (s.id === 'scald' || s.id === 'pluck' ? [s.load] : []))
    expect(Math.min(...loads())).toBeGreaterThan(1)
    expect(loads({ field: 'school', target: 'load', side: 'animal', value: 'one' })).toEqual([1, 1])
  })
  it('has no feed in its birds: away 8 to 12 hours before the first, of rabbits 6 to 12 (common practice)', () => {
    expect(feedAway('broiler', 7 * 60)).toEqual({ from: -5 * 60, until: -60, least: 8, most: 12 })
    expect(feedAway('rabbit', 7 * 60)).toEqual({ from: -5 * 60, until: 60, least: 6, most: 12 })
  })
  it('waits at the bench until birds are cold: what is parted comes behind the chill', () => {
    const { line, stations } = dayLine(reading())
    expect(stations[line.before!]!.id).toBe('chill')
  })
  it('on which a machine never runs again leaves birds over on every day drawn, and says so', () => {
    const day = dayLine(reading())
    const stops = [{ station: 1, from: 0, until: Infinity }]
    expect(drawn({ ...day, line: { ...day.line, stops } }, 40).unfinished).toBe(40)
    expect(drawn(day, 40).unfinished).toBe(0)
  })
  it('has the stations of its species, and none for what goes through no line', () => {
    expect(dayLine(reading()).stations.map((s) => s.id)).toContain('pluck')
    const rabbits = dayLine(reading({}, CREW, 'rabbit')).stations.map((s) => s.id)
    expect(rabbits).toContain('skin')
    expect(rabbits).not.toContain('scald')
  })
  it('forty table birds are in the ice within a morning of three practised hands (common practice: 15 to 40 an hour)', () => {
    const day = dayLine(reading())
    const told = readDays(day, drawn(day))
    const hours = (told.iced.middle - 8 * 60) / 60
    expect(40 / hours).toBeGreaterThan(15)
    expect(40 / hours).toBeLessThan(40)
    expect(told.iced.range!.low).toBeLessThan(told.iced.middle)
    expect(told.iced.range!.high).toBeGreaterThan(told.iced.middle)
    expect(told.end.middle).toBeGreaterThan(told.iced.middle + chillMinutes('still', day.carcass) * 0.8)
  })
  it('the spread of the day is not divided by the number of birds: of four times as many it is as wide a share', () => {
    const width = (birds: number) => {
      const day = dayLine(reading({ birds }))
      const { iced } = readDays({ ...day, issues: [] }, drawn(day))
      return (iced.range!.high - iced.range!.low) / (iced.middle - 480)
    }
    expect(width(160) / width(40)).toBeGreaterThan(0.75)
  })
  it('hands hold a small crew up; one more is sooner, and a second plucker changes nothing', () => {
    const day = dayLine(reading())
    const changed = changesOf(day).map(({ id, word, line }) => ({
      id,
      word,
      iced: drawn({ ...day, line }).iced,
    }))
    const told = readDays(day, drawn(day), changed)
    expect(told.holds).toBe('hands')
    const by = (id: string) => told.whatIf.find((w) => w.id === id)!.minutes
    expect(by('hand')).toBeLessThan(-10)
    expect(Math.abs(by('pluck'))).toBeLessThan(10)
  })
  it('a slow plucker holds a large crew up, and a second one is what helps', () => {
    const crew: Crew = Array.from({ length: 9 }, (_, i) => ({
      name: `H${i}`,
      skill: 'skilled',
      from: '07:00',
      until: '18:00',
    }))
    const day = dayLine(reading({ stations: [{ id: 'pluck', minutes: 4, load: 1 }] }, crew))
    const changed = changesOf(day).map(({ id, word, line }) => ({
      id,
      word,
      iced: drawn({ ...day, line }).iced,
    }))
    const told = readDays(day, drawn(day), changed)
    expect(told.holds).toBe('pluck')
    const [best] = told.whatIf.toSorted((a, b) => a.minutes - b.minutes)
    expect(best!.id).toBe('pluck')
    expect(best!.minutes).toBeLessThan(-30)
  })
  it('says what cannot be: more than are alive, nobody at a station, too little ice, too slow a chill, past midnight', () => {
    expect(codes(dayLine(reading({ birds: 41 })))).toEqual(['more-than-alive'])
    expect(codes(dayLine(reading({ stations: [{ id: 'draw', who: ['Nobody'] }] })))).toEqual([
      'station-empty',
    ])
    const ice = { value: 10, unit: 'kg' } as const
    expect(codes(dayLine(reading({ chill: { ...USUAL_DAY.chill, ice } })))).toEqual(['ice-short'])
    expect(codes(dayLine(reading({ chill: { ...USUAL_DAY.chill, how: 'air' } })))).toEqual(['chill-late'])
    expect(judgeFinish(1441)[0]!.code).toBe('past-midnight')
    expect(judgeFinish(1439)).toEqual([])
    expect(codes(dayLine(reading()))).toEqual([])
  })
  it('a plucker that stands still for an hour makes the day so much later, near enough', () => {
    const crew: Crew = CREW.map((p) => ({ ...p, skill: 'skilled' }))
    const read = reading({ stations: [{ id: 'pluck', minutes: 3, load: 1 }] }, crew)
    const plain = readDays(dayLine(read), drawn(dayLine(read)))
    const stopped = dayLine(read, [{ station: 'pluck', from: 520, until: 580 }])
    const later = readDays(stopped, drawn(stopped)).iced.middle - plain.iced.middle
    expect(later).toBeGreaterThan(40)
    expect(later).toBeLessThan(75)
  })
  it('birds of two species go one after another, each past the stations that are not its own', () => {
    const day = dayLine(reading({ also: { species: 'rabbit', type: null, birds: 10 } }))
    expect(day.line.birds).toEqual([40, 10])
    const skin = day.line.stations.find((s) => s.id === 'skin')!
    expect(skin.minutes[0]).toBe(0)
    expect(skin.minutes[1]).toBeGreaterThan(1)
    const run = runLine(day.line)
    expect(run.done).toBe(50)
  })
  it('whoever fetches first has theirs first, and is told how likely they are ready', () => {
    const day = dayLine(
      reading({
        pickups: [
          { at: '23:00', who: 'B', birds: 10 },
          { at: '08:30', who: 'A', birds: 5 },
        ],
      }),
    )
    const told = readDays(day, drawn(day))
    expect(told.pickups.map((p) => [p.who, p.chance])).toEqual([
      ['A', 0],
      ['B', 1],
    ])
    expect(told.pickups[0]!.ready).toBeLessThan(told.pickups[1]!.ready)
  })
})

describe('told anew as birds are ticked off', () => {
  const day = dayLine(reading())
  const mark = day.chill - 1
  const at = drawn(day, 400, [mark]).at.get(mark)!
  it('is the forecast before the first, and the minute itself after the last', () => {
    expect(toldAnew(at, 40, 480, 40, 655)).toEqual({ middle: 655, range: null })
    expect(toldAnew(at, 40, 480, 0, 480).range).not.toBeNull()
  })
  it('birds ticked off all at once do not make the rest vanish', () => {
    const told = toldAnew(at, 40, 480, 7, 481)
    const usual = toldAnew(at, 40, 480, 0, 480).middle - 480
    expect(told.middle - 481).toBeGreaterThan(usual * 0.3)
  })
  it('on days that were not among those drawn, eight in ten end within the interval, which narrows as the day goes on', () => {
    const fresh = 300
    const all = drawn(day, 400 + fresh, [mark]).at.get(mark)!
    const widths: number[] = []
    for (const counted of [10, 20, 30]) {
      let inside = 0
      let width = 0
      for (let d = 400; d < 400 + fresh; d++) {
        const told = toldAnew(at, 40, 480, counted, all[d * 40 + counted - 1]!)
        const end = all[d * 40 + 39]!
        if (end >= told.range!.low && end <= told.range!.high) inside++
        width += (told.range!.high - told.range!.low) / fresh
      }
      expect(inside / fresh).toBeGreaterThan(0.72)
      expect(inside / fresh).toBeLessThan(0.88)
      widths.push(width)
    }
    expect(widths[1]!).toBeLessThan(widths[0]!)
    expect(widths[2]!).toBeLessThan(widths[1]!)
  })
})
