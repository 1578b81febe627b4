import { describe, expect, it } from 'vitest'
import { SPECIES, type Species, type Portion } from '#core/anatomy'
import { ANATOMIES } from '#core/species'
import { SidedMap } from '#core/carcass'
import { KG_PER_LB, sumOf } from '#core/measure'
import {
  checkDecisions,
  holdPart,
  NO_LOG,
  readPlan,
  takePath,
  tried,
  unknownFact,
  type Said,
} from '#core/plan'
import { reckon, type Reckoning } from '#core/reading'
import { SHARES, type Decision, type FactBody, type Hangs, type Hold, type Share } from '#core/records'
import { flowOf } from '../carcass/testing.ts'
import { FARM, lotOf, opening } from '../reading/testing.ts'
import {
  drawUp,
  PAPERS,
  readPaper,
  stepDone,
  type BlockCard,
  type CutSheet,
  type Letter,
  type PaperKind,
} from './index.ts'
import { lineAt, longAt, splitAt, ticked, way } from '../plan/testing.ts'

const read = (species: Species, said: Said[] = []): Reckoning =>
  reckon(flowOf(species), lotOf(species, said), FARM, 200)
const ABOUT = {
  farm: { name: 'F', massUnit: 'lb', nameSet: 'american', currency: 'USD' },
  lot: 'L',
  date: '2026-11-01',
  words: {},
} as const
interface Printed {
  'block-card': BlockCard
  letter: Letter
  'cut-sheet': CutSheet
}
function asked<K extends keyof Printed & PaperKind>(
  kind: K,
  r: Reckoning,
  share: Share = 1,
  nameSet: 'american' | 'commonwealth' = 'american',
): Printed[K] {
  const out = drawUp(kind, { ...ABOUT, farm: { ...ABOUT.farm, nameSet }, read: r, share })
  if (!out.ok) throw new Error(out.issues[0]!.code)
  return out.value as Printed[K]
}
const card = (r: Reckoning) => asked('block-card', r)
const LEFT = { id: 'leg', side: 'left', value: true } as const
const both = (species: Species, part: string, path: string) =>
  takePath(ANATOMIES[species], part, ['left', 'right'], path)
const pounds = (text: string) => Number(text.replace('−', '-').split(' ')[0])
const rowsOf = (l: Letter) => l.groups.flatMap((g) => g.rows)

describe('the run sheet', () => {
  it('has who, where, what to look at and what can hurt; ice that adds up; hours in their order', () => {
    const out = drawUp('run-sheet', { ...ABOUT, read: read('broiler'), share: 1 })
    if (!out.ok || out.value.kind !== 'run-sheet') throw new Error('none')
    const sheet = out.value
    expect(sheet.stations.map((s) => s.word)).toContain('Scald')
    expect(sheet.stations.find((s) => s.word === 'Scald')!.caution).toMatch(/scalds/i)
    expect(sheet.cautions.join(' ')).toMatch(/drug withdrawal/)
    const ice = sheet.ice.map((i) => pounds(i.says))
    expect(ice[0]! + ice[1]! + ice[2]!).toBeCloseTo(ice[3]!, 0)
    const clock = (name: string) => /\d\d:\d\d/.exec(sheet.times.find((t) => t.name === name)!.says)![0]
    expect(clock('First') < clock('Last in the ice')).toBe(true)
    expect(clock('Last in the ice') < clock('All bagged')).toBe(true)
    expect(sheet.kit).toContain('ice')
    expect(sheet.wrong).toEqual([])
  })
  it('is of birds and rabbits only', () => {
    const issues = (species: Species) => drawUp('run-sheet', { ...ABOUT, read: read(species), share: 1 })
    expect(issues('rabbit').ok).toBe(true)
    expect(issues('hog')).toMatchObject({ ok: false, issues: [{ code: 'not-a-batch' }] })
  })
})

describe('what is held', () => {
  const none = new SidedMap<string>()
  const held = (hold: Hold, sides: ('left' | 'right')[] = ['left', 'right']) =>
    read('hog', holdPart(ANATOMIES.hog, none, 'leg', sides, hold))
  it('another day is no step of today: the card names it, adds up without it, and the sheet says so', () => {
    const r = held('later')
    const printed = card(r)
    expect(printed.steps.some((s) => s.marks.some((m) => m.target === 'leg'))).toBe(false)
    expect(printed.cautions.join(' ')).toContain('Not cut today: leg (ham), both sides.')
    const written = printed.steps.flatMap((s) => s.cuts.map((c) => pounds(c.weight)))
    expect(written.reduce((a, b) => a + b, 0)).toBeCloseTo(pounds(printed.total), 6)
    expect(pounds(printed.total)).toBeLessThan(pounds(card(read('hog')).total))
    expect(JSON.stringify(asked('cut-sheet', r))).toContain('not today, another day')
  })
  it('uncut on one side is written so on that side, with its weight', () => {
    const printed = card(held('frozen', ['left']))
    const step = printed.steps.find((s) => s.way === 'Uncut, frozen')!
    expect(step.side).toBe('left side')
    expect(step.cuts.map((c) => c.name)).toEqual(['Leg (ham), uncut'])
    expect(printed.steps.some((s) => s.title === 'Leg (ham)' && s.side === 'right side')).toBe(true)
    expect(JSON.stringify(asked('cut-sheet', held('taken', ['left'])))).toContain('Uncut, taken home')
  })
})

describe('the block card', () => {
  it.each(SPECIES)('%s: the weights on it add up to all that is taken home, as shown', (species) => {
    const r = read(species, opening(species))
    const printed = card(r)
    const written = printed.steps.flatMap((s) => s.cuts.map((c) => pounds(c.weight)))
    expect(written.reduce((a, b) => a + b, 0)).toBeCloseTo(pounds(printed.total), 6)
    expect(pounds(printed.total)).toBeCloseTo(r.balance.products / KG_PER_LB, 1)
  })
  it('frees a whole tenderloin before any line is cut, and has no such step with T-bones on both sides but for the butt ends', () => {
    const printed = card(read('steer', both('steer', 'short-loin', 'loin-strip')))
    const at = (c: BlockCard, target: string) => c.steps.findIndex((s) => s.marks[0]!.target === target)
    expect(at(printed, 'free-tenderloin')).toBeLessThan(at(printed, 'line-sirloin-line'))
    expect(printed.steps[at(printed, 'free-tenderloin')]!.title).toBe('Free the tenderloin first')
    const hog = card(read('hog'))
    expect(at(hog, 'free-tenderloin')).toBe(-1)
    expect(at(hog, 'line-leg-line')).toBeGreaterThan(at(hog, 'off'))
  })
  it('has the steps of one part alone where it is asked for, and what comes out of it adds up', () => {
    const r = read('steer')
    const one = drawUp('block-card', { ...ABOUT, read: r, share: 1, words: { only: 'round' } })
    const { steps, total } = (one as { value: BlockCard }).value
    expect(steps.map((s) => s.marks[0]!.target)).toContain('knuckle')
    expect(steps.map((s) => s.marks[0]!.target)).not.toContain('chuck')
    const written = steps.flatMap((s) => s.cuts.map((c) => pounds(c.weight)))
    expect(written.reduce((a, b) => a + b, 0)).toBeCloseTo(pounds(total), 6)
    expect(pounds(total)).toBeGreaterThan(0)
  })
  it('is there before a carcass was drawn: the hanging weight, and nothing said of how likely', () => {
    const printed = card(reckon(flowOf('hog'), lotOf('hog', []), FARM, 0))
    expect(printed.steps.length).toBeGreaterThan(3)
    expect(printed.hanging).toMatch(/^about [\d.]+ lb \(aged \d+ days; estimate\)$/)
  })
  it('names each side where they differ, and the caution of each step', () => {
    const r = read('hog', [way('loin', 'loin-roasts', 'right')])
    const loins = card(r).steps.filter((s) => s.title === 'Loin')
    expect(loins.map((s) => s.side)).toEqual(['left side', 'right side'])
    expect(card(r).steps.filter((s) => s.caution.includes('Band saw'))).toHaveLength(1)
  })
  it.each(SPECIES)('%s: a caution is said once, at its first step, or above all of them', (species) => {
    const printed = card(read(species, opening(species)))
    const said = [...printed.cautions, ...printed.steps.map((s) => s.caution)]
      .flatMap((text) => text.match(/[^.!]+[.!]+/g) ?? [])
      .map((text) => text.trim())
    expect(said.length).toBeGreaterThan(3)
    expect(said).toEqual([...new Set(said)])
  })
  it('a step is done when every side of it is ticked', () => {
    const step = card(read('hog')).steps.find((s) => s.marks[0]!.target === 'leg')!
    expect(stepDone(step, new SidedMap([LEFT]))).toBe(false)
    expect(stepDone(step, new SidedMap([LEFT, { ...LEFT, side: 'right' }]))).toBe(true)
  })
  it('what is ticked is frozen: another way, or a moved line, is refused until it is unticked', () => {
    const { hog } = ANATOMIES
    const leg: FactBody = ticked('leg')
    const log = tried(NO_LOG, [leg, ticked('break', 'animal')])
    const codes = (...d: Decision[]) => checkDecisions(hog, log, d, false).map((i) => i.code)
    expect(codes(way('leg', 'leg-grind'))).toEqual(['step-done'])
    expect(codes(way('leg', 'leg-grind', 'right'))).toEqual([])
    expect(codes(lineAt('shoulder-line', '5|6'))).toEqual(['step-done'])
    expect(codes(longAt('belly-line', 40))).toEqual(['step-done'])
    expect(unknownFact(hog, ticked('wing'))).toMatchObject({ code: 'unknown-id' })
    expect(readPlan(hog, log).steps.get('leg', 'left')).toBe(true)
  })
})

describe('whose paper it is', () => {
  it.each([
    ['hog', [], 'american', /^1 hog$/],
    ['hog', [], 'commonwealth', /^1 pig$/],
    ['broiler', [], 'american', /^40 broilers$/],
    [
      'hog',
      [{ kind: 'observation', what: 'hangs', value: { as: 'side', side: 'left' } }],
      'american',
      /^left side of a hog$/,
    ],
  ] as const)('a %s is said as a farmer says it', (species, said, nameSet, words) => {
    const sheet = asked('cut-sheet', read(species, [...said]), 1, nameSet)
    expect(sheet.what).toMatch(words)
  })
})

describe('the letter to a share buyer', () => {
  it('says room in the freezer in whole steps, never less than it takes (17 kg to 28 litres, common practice)', () => {
    const r = read('hog')
    for (const share of [1, 2, 4] as const) {
      const out = drawUp('letter', { ...ABOUT, farm: { ...ABOUT.farm, massUnit: 'kg' }, read: r, share })
      if (!out.ok || out.value.kind !== 'letter') throw new Error('none')
      const litres = Number(/About (\d+) litres/.exec(out.value.freezer)![1])
      const mine =
        sumOf(
          r.cuts.filter((c) => c.cut.kind === 'product'),
          (c) => c.kg,
        ) / share
      expect(litres % 5).toBe(0)
      expect(litres - mine * (28 / 17)).toBeGreaterThanOrEqual(-1)
      expect(litres - mine * (28 / 17)).toBeLessThan(5.5)
    }
  })
  it.each(SHARES)(
    'for 1/%d adds up to that part of what the plan shows, with a range on what is not weighed',
    (share) => {
      const r = read('steer')
      const l = asked('letter', r, share)
      expect(rowsOf(l).reduce((s, x) => s + pounds(x.weight), 0)).toBeCloseTo(pounds(l.total), 6)
      expect(pounds(l.total)).toBeCloseTo(r.balance.products / KG_PER_LB / share, 1)
      expect(l.takeHome).toMatch(/likely \d+\.\d–\d+\.\d lb/)
      expect(l.losses.map((x) => x.name)).toContain('bones')
    },
  )
  it.each(SHARES)('1/%d of the packs go with it, at least one of each cut', (share) => {
    const r = read('steer')
    const products = r.cuts.filter((c) => c.cut.kind === 'product' && c.kg > 1e-6)
    const packs = rowsOf(asked('letter', r, share)).map((x) => x.packs)
    expect(packs.toSorted()).toEqual(
      products
        .map((c) => (c.packs > 0 ? `about ${Math.max(1, Math.round(c.packs / share))}` : ''))
        .toSorted(),
    )
    const all = products.reduce((n, c) => n + c.packs, 0)
    const told = packs.reduce((n, text) => n + Number(/\d+/.exec(text)?.[0] ?? 0), 0)
    expect(told).toBeLessThan(all / share + products.length)
  })
  it('mince is about a third of a beef hanging weight and often 40 % of the boxes (common practice)', () => {
    const r = read('steer', both('steer', 'chuck', 'chuck-blade-steaks'))
    const ground = r.cuts.filter((c) => c.cut.destination === 'G').reduce((s, c) => s + c.kg, 0)
    expect(ground / r.balance.carcass).toBeGreaterThan(0.2)
    expect(ground / r.balance.products).toBeLessThan(0.5)
    const l = asked('letter', r, 2)
    expect(l.mince).toBe(`${((100 * ground) / r.balance.products).toFixed(0)} %`)
  })
})

describe('the cut sheet', () => {
  it('has a row for every part that hangs, sides apart, in the farm’s words', () => {
    const r = read('hog', [way('loin', 'loin-roasts', 'right')])
    const sheet = asked('cut-sheet', r, 1, 'commonwealth')
    const loin = sheet.rows.find((row) => row.part === 'Loin')!
    expect([loin.left, loin.right]).toEqual(['Bone-in chops, fillet left in', 'Boned joints and loin ribs'])
    expect(sheet.rows.map((row) => row.part)).not.toContain('Head')
    expect(sheet.lines[0]!.left).toContain('ribs 2 and 3')
  })
  it('says how every cut is divided: a processor asks for the thickness first', () => {
    const value: Portion = { kind: 'sawn', thicknessMm: 38, kerfMm: 1.2, perPack: 4, ends: 'trim' }
    const r = read('hog', [{ field: 'portion', target: 'bone-in-chop', side: 'animal', value }])
    const sheet = asked('cut-sheet', r)
    const cuts = (part: string) => sheet.rows.find((row) => row.part === part)!.cuts
    const chops = r.cuts.find((c) => c.cut.id === 'bone-in-chop')!
    expect(cuts('Loin')).toContainEqual({
      name: 'Bone-in loin chops',
      how: '38 mm (1½ in) thick, 4 to a pack, ends to the trim',
      pieces: String(chops.pieces),
      packs: String(chops.packs),
    })
    expect(cuts('Trim').map((c) => c.how)).toContain('0.5 kg a pack'.replace('0.5 kg', '1.1 lb'))
    expect(sheet.settings.map((x) => x.says)).toContain('1.1 lb a pack')
  })
})

describe('a part cut two ways', () => {
  const said = (['left', 'right'] as const).map((side) => splitAt('loin', 0.4, 'loin-roasts', side))
  const WAY = 'Bone-in chops, tenderloin left in to 40 % of its length, then Boneless roasts and back ribs'
  it('is one step on the card, with both ways, their tools and what comes of them', () => {
    const loin = card(read('hog', said)).steps.find((s) => s.way === WAY)!
    expect(loin).toMatchObject({ side: 'both sides', tool: 'saw and knife' })
    expect(loin.how).toContain('Behind it: ')
    expect(loin.cuts.map((c) => c.name)).toEqual(expect.arrayContaining(['Bone-in loin chops', 'Back ribs']))
  })
  it('and one row on the cut sheet', () => {
    const row = asked('cut-sheet', read('hog', said)).rows.find((r) => r.left === WAY)!
    expect(row.right).toBe(WAY)
  })
  it('on one side only, the sides are two steps', () => {
    const loin = card(read('hog', said.slice(0, 1))).steps.filter((s) => s.title.startsWith('Loin'))
    expect(loin.map((s) => s.side)).toEqual(['left side', 'right side'])
  })
})

describe('papers of an earlier form', () => {
  it('are read as today’s: a price list in whole cents has the same prices in thousandths', () => {
    const old = {
      kind: 'price-list',
      farm: 'F',
      lot: 'L',
      date: '2026-11-01',
      currency: 'USD',
      rows: [{ cut: 'bacon', name: 'Bacon', price: { minor: 1249, per: 'lb' }, pack: '' }],
      words: [],
    }
    expect(readPaper({ kind: 'price-list', data: old }).data).toMatchObject({
      form: 3,
      rows: [{ price: { milli: 1_249_000, per: 'lb' } }],
    })
  })
  it('and one that is no paper is refused with its place', () => {
    const out = readPaper({ kind: 'letter', data: { kind: 'letter', farm: 'F' } })
    expect(out.error?.issues.map((i) => i.path.join('.'))).toContain('total')
  })
})

describe('papers of less than an animal', () => {
  const hung = (species: Species, value: Hangs, ...said: Said[]) => {
    const all: Said[] = [{ kind: 'observation', what: 'hangs', value }, ...said]
    return reckon(flowOf(species), lotOf(species, all, 'hanging', 60), FARM, 0)
  }
  it('say what hangs, name no side that is not there, and have one column', () => {
    const half = asked(
      'cut-sheet',
      hung('steer', { as: 'side', side: 'right' }, way('rib', 'rib-eye', 'right')),
    )
    expect(half.what).toBe('right side of a steer')
    for (const row of half.rows) expect(row.left, row.part).toBe(row.right)
    expect(half.lines.every((l) => l.left === l.right)).toBe(true)
    expect(half.rows.find((r) => r.part === 'Rib')!.left).toContain('rib-eye')
    const loins = card(hung('hog', { as: 'part', part: 'loin' }))
    expect(loins.what).toBe('loin of a hog')
    expect(loins.steps.every((s) => s.side === '')).toBe(true)
  })
  it('of an animal that is no food there is none', () => {
    const lost = read('lamb', [{ kind: 'observation', what: 'end', value: 'died' }])
    for (const kind of Object.keys(PAPERS) as PaperKind[])
      expect(drawUp(kind, { ...ABOUT, read: lost, share: 1 })).toMatchObject({
        ok: false,
        issues: [{ code: 'not-food' }],
      })
  })
})
