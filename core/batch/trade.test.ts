import { describe, expect, it } from 'vitest'
import { reckon } from '#core/reading'
import { chillHours, retainedWords } from '#core/rules'
import type { Downgrade, Scald } from '#core/records'
import { flowOf } from '../carcass/testing.ts'
import { FARM, lotOf } from '../reading/testing.ts'
import { bySchool, decideFor, downgraded, HOUSEHOLDS, offOfScald, packsFor } from './index.ts'
import { SCALD, SCHOOL_WORDS } from '#core/plan'

const load = (more: Partial<Scald> = {}): Scald => ({
  ...{ kind: 'scald', when: '2026-11-04T13:10:00Z', school: 'medium', target: 59, c: 59, seconds: 75 },
  ...{ sign: 'both', birds: 2 },
  ...more,
})
const down = (more: Partial<Downgrade> = {}): Downgrade => ({
  ...{ kind: 'downgrade', what: 'bile', animals: 1, shown: null, lost: 300, lesson: null },
  ...more,
})

describe('the scald', () => {
  it('soft 52–54 °C for 90–120 s, medium 58–60 °C, hard 63–66 °C for 45–75 s (common practice); hotter is quicker', () => {
    expect(SCALD.soft).toEqual({ c: [52, 54], seconds: [90, 120] })
    expect(SCALD.medium.c).toEqual([58, 60])
    expect(SCALD.hard).toEqual({ c: [63, 66], seconds: [45, 75] })
    // The school of the line is the hard scald's two halves: one list.
    expect(Object.values(SCHOOL_WORDS.scald.ways).map((w) => w.word)).toEqual([
      '63–64.5 °C, 60–75 s',
      '64.5–66 °C, 45–60 s',
    ])
  })
  it('says what is off about a load, and nothing of one as its school has it', () => {
    expect(offOfScald(load())).toEqual([])
    expect(offOfScald(load({ c: 64, seconds: 95 }))).toEqual(['hotter', 'longer'])
    expect(offOfScald(load({ c: 57.9, seconds: 30 }))).toEqual(['cooler', 'shorter'])
  })
  it('adds up loads by school, and what went wrong by what it cost, each lesson once', () => {
    expect(bySchool([load(), load({ c: 60, birds: 4 }), load({ school: 'soft', c: 53 })])).toMatchObject([
      { school: 'soft', loads: 1, birds: 2 },
      { school: 'medium', loads: 2, birds: 6, c: (59 * 2 + 60 * 4) / 6 },
    ])
    const all = downgraded([
      down({ lesson: 'slower' }),
      down({ animals: 2, lost: 500, lesson: 'slower' }),
      down({ what: 'over-scald', lost: 900 }),
    ])
    expect(all.map((d) => [d.what, d.animals, d.lost, d.lessons])).toEqual([
      ['over-scald', 1, 900, []],
      ['bile', 3, 800, ['slower']],
    ])
  })
})

describe('hours to cold and water that stays', () => {
  it('4 h under 4 lb, 6 h from 4 to 8 lb, 8 h above (9 CFR 381.66 as it long stood, from memory)', () => {
    expect([1.8, 1.82, 3.6, 3.64, 9].map((kg) => chillHours('broiler', kg))).toEqual([4, 6, 6, 8, 8])
    expect(chillHours('rabbit', 1.4)).toBe(4)
  })
  it('water a bird took up is declared, rounded up; air takes up none (9 CFR 441.10, from memory)', () => {
    expect(retainedWords({ how: 'moving', retained: 0.052 })).toBe('May contain up to 6 % retained water.')
    expect(retainedWords({ how: 'air', retained: 0.05 })).toBeNull()
    expect(retainedWords({ how: 'still' })).toBeNull()
    expect(retainedWords(null)).toBeNull()
  })
})

describe('packs for a household', () => {
  const parted = reckon(
    flowOf('broiler'),
    lotOf('broiler', [{ field: 'path', target: 'bird', side: 'animal', value: 'bird-parts' }]),
    FARM,
    0,
  )
  it('two people take one leg and one thigh or so; eight take four times as many (common practice)', () => {
    const [two, , eight] = HOUSEHOLDS.map((n) => packsFor(parted, n))
    const pieces = (of: typeof two, cut: string) => of!.find((p) => p.cut === cut)!.pieces
    expect(pieces(two, 'thigh')).toBeGreaterThanOrEqual(2)
    expect(pieces(two, 'thigh')).toBeLessThanOrEqual(4)
    expect(pieces(eight, 'thigh') / pieces(two, 'thigh')).toBeCloseTo(4, 0)
    for (const p of eight!) expect(p.packs * p.pieces).toBeGreaterThanOrEqual(1)
  })
  it('what is decided for them makes as many packs as was said', () => {
    const four = packsFor(parted, 4)
    const said = decideFor(four)
    const read = reckon(
      flowOf('broiler'),
      lotOf('broiler', [{ field: 'path', target: 'bird', side: 'animal', value: 'bird-parts' }, ...said]),
      FARM,
      0,
    )
    for (const p of four) expect(read.cuts.find((c) => c.cut.id === p.cut)!.packs, p.cut).toBe(p.packs)
  })
  it('are of pieces of a bird for the table: no bones, no giblets, nothing by the pound', () => {
    const meals = packsFor(parted, 4).map((p) => p.cut)
    const of = (id: string) => parted.cuts.find((c) => c.cut.id === id)!.cut
    expect(meals).toContain('drumstick')
    for (const id of meals) {
      expect(['R', 'T', 'B'], id).toContain(of(id).destination)
      expect(of(id).kind, id).toBe('product')
    }
    const others = parted.cuts.filter((c) => c.pieces > 0 && !meals.includes(c.cut.id))
    expect(others.length).toBeGreaterThan(0)
    for (const { cut } of others)
      expect(cut.portion?.kind !== 'whole' || !['R', 'T', 'B'].includes(cut.destination), cut.id).toBe(true)
  })
  it('a whole bird is a pack of its own', () => {
    expect(packsFor(reckon(flowOf('broiler'), lotOf('broiler'), FARM, 0), 4)).toEqual([])
  })
})
