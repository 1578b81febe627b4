import { describe, expect, it } from 'vitest'
import { ANATOMIES, SPECIES, type Species } from '#core/anatomy'
import { KG_PER_LB } from '#core/measure'
import { checkDecisions, readPlan, takePath, tried, type Decision } from '#core/plan'
import { flowOf } from '../carcass/testing.ts'
import {
  blockCard,
  flowPicture,
  letter,
  reckon,
  SHARES,
  stepDone,
  trimLedger,
  type Reckoning,
} from './index.ts'
import { lotOf } from './testing.ts'

const farm = { massUnit: 'lb', mincePerKg: 1300 } as const
const read = (species: Species, decisions: Decision[] = []): Reckoning =>
  reckon(flowOf(species), lotOf(species, decisions), farm, 200)
const head = { farm: 'F', lot: 'L', date: '2026-11-01', hanging: '180 lb' }
const both = (species: Species, part: string, path: string) =>
  takePath(ANATOMIES[species], part, ['left', 'right'], path)
const pounds = (text: string) => Number(text.split(' ')[0])

describe('the block card', () => {
  it.each(SPECIES)('%s: the weights on it add up to all that is taken home, as shown', (species) => {
    const r = read(
      species,
      species === 'broiler' ? [{ field: 'path', target: 'bird', side: 'animal', value: 'bird-parts' }] : [],
    )
    const card = blockCard(r, 1, 'lb', 'american', head)
    const written = card.steps.flatMap((s) => s.cuts.map((c) => pounds(c.weight)))
    expect(written.reduce((a, b) => a + b, 0)).toBeCloseTo(pounds(card.total), 6)
    expect(pounds(card.total)).toBeCloseTo(r.balance.products / KG_PER_LB, 1)
  })
  it('frees a whole tenderloin before any line is cut, and has no such step with T-bones on both sides but for the butt ends', () => {
    const card = blockCard(
      read('steer', both('steer', 'short-loin', 'loin-strip')),
      1,
      'lb',
      'american',
      head,
    )
    expect(card.steps[0]!.title).toBe('Free the tenderloin first')
    expect(card.steps[1]!.title).toBe('Break along the lines')
    const hog = blockCard(read('hog'), 1, 'lb', 'american', head)
    expect(hog.steps[0]!.title).toBe('Break along the lines')
  })
  it('names each side where they differ, and the caution of each step', () => {
    const r = read('hog', [{ field: 'path', target: 'loin', side: 'right', value: 'loin-roasts' }])
    const loins = blockCard(r, 1, 'lb', 'american', head).steps.filter((s) => s.title === 'Loin')
    expect(loins.map((s) => s.side)).toEqual(['left side', 'right side'])
    expect(loins[0]!.caution).toContain('Band saw')
  })
  it('a step is done when every side of it is ticked', () => {
    const step = blockCard(read('hog'), 1, 'lb', 'american', head).steps.find((s) =>
      s.title.startsWith('Leg'),
    )!
    expect(stepDone(step, new Map([['leg:left', true]]))).toBe(false)
    expect(
      stepDone(
        step,
        new Map([
          ['leg:left', true],
          ['leg:right', true],
        ]),
      ),
    ).toBe(true)
  })
  it('what is ticked is frozen: another way, or a moved line, is refused until it is unticked', () => {
    const { hog } = ANATOMIES
    const ticked = tried(
      [],
      [
        { field: 'step', target: 'leg', side: 'left', value: true },
        { field: 'step', target: 'break', side: 'animal', value: true },
      ],
    )
    const codes = (...d: Decision[]) => checkDecisions(hog, ticked, d, false).map((i) => i.code)
    expect(codes({ field: 'path', target: 'leg', side: 'left', value: 'leg-grind' })).toEqual(['step-done'])
    expect(codes({ field: 'path', target: 'leg', side: 'right', value: 'leg-grind' })).toEqual([])
    expect(codes({ field: 'line', target: 'shoulder-line', side: 'left', value: '5|6' })).toEqual([
      'step-done',
    ])
    expect(codes({ field: 'mm', target: 'belly-line', side: 'left', value: 40 })).toEqual(['step-done'])
    expect(codes({ field: 'step', target: 'leg', side: 'left', value: null })).toEqual([])
    expect(
      checkDecisions(hog, [], [{ field: 'step', target: 'wing', side: 'left', value: true }], false),
    ).toHaveLength(1)
    expect(readPlan(hog, ticked).steps.get('leg:left')).toBe(true)
  })
})

describe('the letter to a share buyer', () => {
  it.each(SHARES)(
    'for 1/%d adds up to that part of what the plan shows, with a range on what is not weighed',
    (share) => {
      const r = read('steer')
      const l = letter(r, 1, share, 'lb', 'american', { ...head, words: [] })
      expect(l.rows.reduce((s, x) => s + pounds(x.weight), 0)).toBeCloseTo(pounds(l.total), 6)
      expect(pounds(l.total)).toBeCloseTo(r.balance.products / KG_PER_LB / share, 1)
      expect(l.takeHome).toMatch(/likely \d+\.\d–\d+\.\d lb/)
      expect(l.losses.map((x) => x.name)).toContain('bones')
    },
  )
  it('mince is about a third of a beef hanging weight and often 40 % of the boxes (common practice)', () => {
    const r = read('steer', both('steer', 'chuck', 'chuck-blade-steaks'))
    const ground = r.cuts.filter((c) => c.cut.destination === 'G').reduce((s, c) => s + c.kg, 0)
    expect(ground / r.balance.carcass).toBeGreaterThan(0.2)
    expect(ground / r.balance.products).toBeLessThan(0.5)
    const l = letter(r, 1, 2, 'lb', 'american', { ...head, words: [] })
    expect(l.mince).toBe(`${((100 * ground) / r.balance.products).toFixed(0)} %`)
  })
})

describe('the trim', () => {
  it.each(SPECIES)('%s: what parts give is what the trim becomes, its loss apart', (species) => {
    const r = read(
      species,
      species === 'broiler' ? [{ field: 'path', target: 'bird', side: 'animal', value: 'bird-parts' }] : [],
    )
    const t = trimLedger(r)!
    const used = t.uses.reduce((s, u) => s + u.in, 0)
    expect(used / t.kg).toBeCloseTo(0.98, 6)
    expect(t.classes.reduce((s, c) => s + c.kg, 0)).toBeCloseTo(t.kg, 9)
    const pool = r.flow.slotIndex.get(`${r.flow.anatomy.roles.trim}:animal`)!
    expect(r.slotKg.slice(pool * 4, pool * 4 + 4).reduce((a, b) => a + b, 0)).toBeCloseTo(t.kg, 9)
  })
  it('fat missing from sausage trim brings it to 28 %, worked back', () => {
    const r = read('hog', [
      { field: 'path', target: 'trim', side: 'animal', value: 'trim-sausage' },
      ...both('hog', 'jowl', 'jowl-cured'),
      ...both('hog', 'leg', 'leg-grind'),
    ])
    const s = trimLedger(r)!.sausage!
    expect((s.kg * s.fat + s.missing) / (s.kg + s.missing)).toBeCloseTo(0.28, 9)
  })
  it('without sausage there is no recipe to meet', () => expect(trimLedger(read('hog'))!.sausage).toBeNull())
})

describe('the flow picture', () => {
  it.each(SPECIES)('%s: what enters any part leaves it, and the live weight is all there', (species) => {
    const r = read(
      species,
      species === 'steer' ? [{ field: 'path', target: 'liver', side: 'animal', value: 'liver-kept' }] : [],
    )
    const links = flowPicture(r)
    const sum = (key: 'from' | 'to', id: string) =>
      links.filter((l) => l[key] === id).reduce((s, l) => s + l.kg, 0)
    for (const id of new Set(links.map((l) => l.from))) {
      if (id === 'live' || id === 'added') continue
      expect(sum('to', id), id).toBeCloseTo(sum('from', id), 6)
    }
    expect(sum('from', 'live')).toBeCloseTo(r.weights!.live, 6)
    const shown = r.cuts.filter((c) => c.cut.destination === 'T').reduce((s, c) => s + c.kg, 0)
    expect(sum('to', '→T')).toBeCloseTo(shown, 6)
  })
})
