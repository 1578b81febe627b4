import { describe, expect, it } from 'vitest'
import { UNSURE, SPECIES, type Species } from '#core/anatomy'
import { ANATOMIES } from '#core/species'
import { mm, sayIssue } from '#core/measure'
import type { Decision, FactBody } from '#core/records'
import {
  checkDecisions,
  NO_LOG,
  strangersIn,
  takePath,
  tried,
  unknownFact,
  cutPlanOf,
  moveLine,
  partsAt,
  readPlan,
  refusalOf,
  wayTo,
} from './index.ts'
import {
  dressed,
  lineAt,
  longAt,
  measured,
  onCut,
  onLot,
  ribs,
  routed,
  ticked,
  typed,
  way,
} from './testing.ts'

const decided = (d: Decision, species: Species = 'hog', before: (Decision | FactBody)[] = []) =>
  checkDecisions(ANATOMIES[species], tried(NO_LOG, before), [d], false).map(
    (i) => `${i.field}: ${sayIssue(i)}`,
  )
const seen = (fact: FactBody, species: Species = 'hog') => {
  const issue = unknownFact(ANATOMIES[species], fact)
  return issue && `${issue.field}: ${sayIssue(issue)}`
}
const none = (kind: string, id: string) =>
  `There is no ${kind} “${id}” here. Reload the page and choose again.`

describe('what a decision names that the animal does not have is said by its kind, at its field', () => {
  it.each<[Decision, string, string, string]>([
    [way('wing', null), 'target', 'part', 'wing'],
    [way('loin', null, 'animal'), 'side', 'side of the loin', 'animal'],
    [way('liver', null), 'side', 'side of the liver', 'left'],
    [way('loin', 'belly-slab'), 'value', 'path', 'belly-slab'],
    [lineAt('moon-line', null), 'target', 'line', 'moon-line'],
    [lineAt('belly-line', null), 'target', 'line', 'belly-line'],
    [lineAt('leg-line', '9|9'), 'value', 'line setting', '9|9'],
    [longAt('leg-line', 9), 'target', 'long line', 'leg-line'],
    [onCut('index', 'tbone', null), 'target', 'cut', 'tbone'],
    [onCut('price', 'tbone', null), 'target', 'cut', 'tbone'],
    [onCut('lock', 'tbone', null), 'target', 'cut', 'tbone'],
    [onCut('floor', 'tbone', null), 'target', 'cut', 'tbone'],
    [onCut('ceiling', 'tbone', null), 'target', 'cut', 'tbone'],
    [onCut('sold', 'tbone', null), 'target', 'cut', 'tbone'],
    [onCut('portion', 'tbone', null), 'target', 'cut', 'tbone'],
  ])('%j', (d, field, kind, id) => expect(decided(d)).toEqual([`decisions.0.${field}: ${none(kind, id)}`]))
  it('what it has is taken, and back to the usual too', () => {
    for (const d of [
      way('loin', null),
      way('loin', 'loin-roasts'),
      lineAt('leg-line', null),
      lineAt('leg-line', 'lumbar'),
      longAt('belly-line', null),
      onCut('index', 'bacon', 2),
      onLot('days', 9),
    ])
      expect(decided(d)).toEqual([])
  })
  it('half of a saddle, and half of what two parts are cut in one with', () => {
    const loin = (value: string) => way('loin', value)
    expect(decided(loin('loin-saddle'), 'lamb', [dressed('split', false)])[0]).toContain('both sides at once')
    expect(decided(loin('loin-saddle'), 'lamb')[0]).toContain('needs the carcass left whole')
    expect(decided(loin('loin-long-chops'))[0]).toContain('cut in one with the belly')
  })
  it('a long line lies where the meat is, both ends taken', () => {
    expect(decided(longAt('belly-line', 90))).toEqual([
      'decisions.0.value: Belly line at 90 mm is off the meat. It can lie 5 to 60 mm from the eye.',
    ])
    const at = (value: number) => decided(longAt('belly-line', value))
    expect([at(4.9).length, at(5).length, at(60).length, at(60.1).length]).toEqual([1, 0, 0, 1])
  })
})

describe('what a fact names that the animal does not have', () => {
  const tick = (what: 'step' | 'cut', of: string): FactBody => ({ kind: 'tick', what, of, side: 'animal' })
  it.each<[Species, FactBody, string]>([
    ['hog', dressed('wool', true), `of: ${none('way of dressing', 'wool')}`],
    ['hog', typed('calf'), `value: ${none('type of hog', 'calf')}`],
    ['lamb', measured('eye-area', 9), `of: ${none('carcass measurement', 'eye-area')}`],
    ['hog', routed('poultry-exempt'), `value: ${none('route for a hog', 'poultry-exempt')}`],
    ['hog', tick('cut', 'tbone'), `of: ${none('cut', 'tbone')}`],
    ['hog', tick('step', 'rack'), `of: ${none('step', 'rack')}`],
    ['hog', tick('step', 'free-rack'), `of: ${none('step', 'free-rack')}`],
    [
      'broiler',
      ribs(7),
      'value: A broiler with 7 ribs was never hung: 0 to 0 occur. Count again from the first rib.',
    ],
  ])('%s %j', (species, fact, said) => expect(seen(fact, species)).toBe(said))
  it('steps are the lines, each part, and what is freed before; cuts are those there are', () => {
    for (const of of ['break', 'loin', 'free-tenderloin']) expect(seen(tick('step', of)), of).toBeNull()
    expect(seen(tick('cut', 'bacon'))).toBeNull()
    expect(seen(tick('cut', 'break'))).not.toBeNull()
  })
  it.each(SPECIES)('%s: any of its types may be said, and that nobody is sure', (species) => {
    for (const id of [...ANATOMIES[species].types.map((t) => t.id), UNSURE])
      expect(seen(typed(id), species)).toBeNull()
  })
  it.each(SPECIES)('%s: a measurement within its bounds, both taken, and not beyond', (species) => {
    for (const { id, low, high } of ANATOMIES[species].measures) {
      for (const value of [low, high]) expect(seen(measured(id, value), species)).toBeNull()
      for (const value of [low - 0.1, high + 0.1])
        expect(unknownFact(ANATOMIES[species], measured(id, value))).toMatchObject({
          code: 'measure-impossible',
          field: 'value',
          figures: { typed: value, low, high },
        })
    }
  })
  it.each(['hog', 'lamb', 'steer'] as const)('%s: ribs that occur, and not one more or less', (species) => {
    const { low, high } = ANATOMIES[species].ribs!
    for (const n of [low, high]) expect(seen(ribs(n), species)).toBeNull()
    for (const n of [low - 1, high + 1])
      expect(unknownFact(ANATOMIES[species], ribs(n))).toMatchObject({
        code: 'ribs-impossible',
        figures: { typed: n, low, high },
      })
  })
})

describe('what is cut is cut', () => {
  const roasts: Decision = way('loin', 'loin-roasts')
  const said = (part: string) =>
    `decisions.0.value: The ${part} is ticked off as cut. Untick it on the block card first, if it is not.`
  it('a ticked part keeps its way on that side; the other side is free', () => {
    const before = [roasts, ticked('loin')]
    expect(decided({ ...roasts, value: 'loin-grind' }, 'hog', before)).toEqual([said('loin')])
    expect(decided({ ...roasts, value: null }, 'hog', before)).toEqual([said('loin')])
    expect(decided(roasts, 'hog', before)).toEqual([])
    expect(decided({ ...roasts, side: 'right', value: 'loin-grind' }, 'hog', before)).toEqual([])
  })
  it('ticked lines lie where they are, across and along; ways and portions stay free', () => {
    const broken = [ticked('break', 'animal')]
    expect(decided(lineAt('leg-line', 'lumbar'), 'hog', broken)).toEqual([said('line')])
    expect(decided(longAt('belly-line', 30), 'hog', broken)).toEqual([said('line')])
    expect(decided(roasts, 'hog', broken)).toEqual([])
    expect(decided(lineAt('leg-line', 'lumbar'), 'hog', [ticked('loin')])).toEqual([])
  })
  it('an undo may bring back what is shut out now, but nothing the animal does not have', () => {
    const back = (d: Decision) =>
      checkDecisions(ANATOMIES.hog, tried(NO_LOG, [dressed('skin', false)]), [d], true)
    expect(back(way('belly', 'belly-slab'))).toEqual([])
    expect(back(way('wing', null))).toHaveLength(1)
  })
  it('issues stand at the decision they are about', () => {
    const issues = checkDecisions(ANATOMIES.hog, NO_LOG, [roasts, { ...roasts, target: 'wing' }], false)
    expect(issues.map((i) => i.field)).toEqual(['decisions.1.target'])
  })
})

describe('a plan kept under a name', () => {
  it('that names what no such animal has is refused at each place', () => {
    const { hog } = ANATOMIES
    const plain = cutPlanOf(
      hog,
      readPlan(hog, tried(NO_LOG, takePath(hog, 'loin', ['left'], 'loin-roasts'))),
      'A',
    )
    expect(strangersIn(hog, plain)).toEqual([])
    const strange = strangersIn(hog, {
      ...plain,
      paths: [...plain.paths, { part: 'wing', side: 'left', path: 'x' }],
      lines: [{ line: 'moon', side: 'left', setting: 'x' }],
      mm: [
        { line: 'belly-line', side: 'right', mm: mm(40) },
        { line: 'moon', side: 'left', mm: mm(9) },
      ],
      portions: [{ cut: 'tbone', portion: { kind: 'snapped', perPack: 2 } }],
    })
    expect(strange.map((i) => `${i.field} ${sayIssue(i)}`)).toEqual([
      `paths.1 ${none('part', 'wing')}`,
      `lines.0 ${none('line', 'moon')}`,
      `mm.1 ${none('long line', 'moon')}`,
      `portions.0 ${none('cut', 'tbone')}`,
    ])
  })
})

describe('a lamb left whole: what is one piece over both sides is decided for both', () => {
  const { lamb } = ANATOMIES
  const whole = [dressed('split', false), ...takePath(lamb, 'loin', ['left', 'right'], 'loin-saddle')]
  const log = tried(NO_LOG, whole)
  const codes = (...d: Decision[]) => checkDecisions(lamb, log, d, false).map((i) => i.code)
  const [line] = partsAtLoin()
  function partsAtLoin() {
    return lamb.lines.filter(
      (l) => l.kind === 'across' && l.settings.length > 1 && partsAt(lamb, l.id).includes('loin'),
    )
  }
  const other = line!.kind === 'across' ? line!.settings.find((x) => x.id !== line!.fallback)!.id : ''
  it('its line cannot lie apart; moved on both sides it can, and moved by hand it always is', () => {
    expect(codes(lineAt(line!.id, other, 'left'))).toEqual(['line-in-one-piece'])
    const moved = moveLine(lamb, readPlan(lamb, log), 'line', line!.id, ['left'], other)
    expect(moved).toHaveLength(2)
    expect(codes(...moved)).toEqual([])
    expect(moveLine(lamb, readPlan(lamb, NO_LOG), 'line', line!.id, ['left'], other)).toHaveLength(1)
  })
  it('a way on one side does not quietly make something else of the other: it is refused, and both sides offered', () => {
    expect(codes(way('loin', 'loin-chops', 'left'))).toEqual(['in-one-piece'])
    const plan = readPlan(lamb, log)
    expect(refusalOf(lamb, plan, 'loin', ['left'], 'loin-chops')?.code).toBe('in-one-piece')
    expect(refusalOf(lamb, plan, 'loin', ['left', 'right'], 'loin-chops')).toBeNull()
    const out = wayTo(lamb, plan, 'loin', ['left'], 'loin-chops')!
    expect(out.bothSides).toBe(true)
    expect(codes(...out.decisions)).toEqual([])
  })
  it('says what to do', () => {
    const [issue] = checkDecisions(lamb, log, [lineAt(line!.id, other, 'left')], false)
    expect(sayIssue(issue!)).toMatch(/lies at the loin, .* Move it on both sides/)
  })
})

describe('what is kept, given and done to a cut', () => {
  const cut = (target: string) => ({ target, side: 'animal' }) as const
  const own = (share: number, of = 'tenderloin'): Decision => ({
    field: 'own',
    ...cut(of),
    value: { share, at: null },
  })
  const given = (value: number | null): Decision => ({ field: 'given', ...cut('tenderloin'), value })
  it('kept and given are never more than all of it, in whatever order they are said', () => {
    expect(decided(given(0.4), 'hog', [own(0.6)])).toEqual([])
    expect(decided(given(0.5), 'hog', [own(0.6)])).toEqual([
      'decisions.0.value: 60 % of tenderloin, whole kept and 50 % given are more than all of it. Keep or give less.',
    ])
    expect(decided(own(0.7), 'hog', [given(0.4)])).toHaveLength(1)
    expect(decided(given(null), 'hog', [own(1), given(0.4)])).toEqual([])
  })
  it('a cut that this animal has not is neither finished nor kept; one that is ticked off as finished stays so', () => {
    const finish = (of: string): Decision => ({ field: 'finish', ...cut(of), value: null })
    expect(decided(finish('drumstick')).join()).toContain('drumstick')
    expect(decided(own(0.1, 'drumstick')).join()).toContain('drumstick')
    const done = ticked('finish-tenderloin', 'animal')
    expect(seen(done)).toBeNull()
    expect(seen(ticked('finish-drumstick', 'animal'))).toContain('drumstick')
    expect(decided(finish('tenderloin'), 'hog', [done])).toEqual([
      'decisions.0.value: The tenderloin, whole is ticked off as cut. Untick it on the block card first, if it is not.',
    ])
  })
})
