import { describe, expect, it } from 'vitest'
import { ANATOMIES, SPECIES, type Species } from '#core/anatomy'
import { mm, sayIssue } from '#core/measure'
import { FEE_IDS, type Decision, type FactBody } from '#core/records'
import {
  checkDecisions,
  NO_LOG,
  strangersIn,
  takePath,
  tried,
  unknownFact,
  cutPlanOf,
  readPlan,
} from './index.ts'

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
const saw = (of: string, value: boolean): FactBody => ({ kind: 'observation', what: 'dressing', of, value })
const left = 'left' as const

describe('what a decision names that the animal does not have is said by its kind, at its field', () => {
  it.each<[Decision, string]>([
    [{ field: 'path', target: 'wing', side: left, value: null }, `target: ${none('part', 'wing')}`],
    [
      { field: 'path', target: 'loin', side: 'animal', value: null },
      `side: ${none('side of the loin', 'animal')}`,
    ],
    [
      { field: 'path', target: 'liver', side: left, value: null },
      `side: ${none('side of the liver', 'left')}`,
    ],
    [
      { field: 'path', target: 'loin', side: left, value: 'belly-slab' },
      `value: ${none('path', 'belly-slab')}`,
    ],
    [{ field: 'line', target: 'moon-line', side: left, value: null }, `target: ${none('line', 'moon-line')}`],
    [
      { field: 'line', target: 'belly-line', side: left, value: null },
      `target: ${none('line', 'belly-line')}`,
    ],
    [
      { field: 'line', target: 'leg-line', side: left, value: '9|9' },
      `value: ${none('line setting', '9|9')}`,
    ],
    [
      { field: 'mm', target: 'leg-line', side: left, value: mm(9) },
      `target: ${none('long line', 'leg-line')}`,
    ],
    [{ field: 'index', target: 'tbone', side: 'animal', value: 1 }, `target: ${none('cut', 'tbone')}`],
    [{ field: 'price', target: 'tbone', side: 'animal', value: null }, `target: ${none('cut', 'tbone')}`],
    [{ field: 'lock', target: 'tbone', side: 'animal', value: true }, `target: ${none('cut', 'tbone')}`],
    [{ field: 'floor', target: 'tbone', side: 'animal', value: null }, `target: ${none('cut', 'tbone')}`],
    [{ field: 'ceiling', target: 'tbone', side: 'animal', value: null }, `target: ${none('cut', 'tbone')}`],
    [{ field: 'sold', target: 'tbone', side: 'animal', value: 1 }, `target: ${none('cut', 'tbone')}`],
    [{ field: 'portion', target: 'tbone', side: 'animal', value: null }, `target: ${none('cut', 'tbone')}`],
  ])('%j', (d, said) => expect(decided(d)).toEqual([`decisions.0.${said}`]))
  it('what it has is taken, and back to the usual too', () => {
    for (const value of [null, 'loin-roasts'])
      expect(decided({ field: 'path', target: 'loin', side: left, value })).toEqual([])
    for (const value of [null, 'lumbar'])
      expect(decided({ field: 'line', target: 'leg-line', side: left, value })).toEqual([])
    for (const value of [null, mm(5), mm(60)])
      expect(decided({ field: 'mm', target: 'belly-line', side: left, value })).toEqual([])
    expect(decided({ field: 'index', target: 'bacon', side: 'animal', value: 2 })).toEqual([])
    expect(decided({ field: 'days', target: 'lot', side: 'animal', value: 9 })).toEqual([])
  })
  it('a long line lies where the meat is, both ends taken', () => {
    const at = (value: number) => decided({ field: 'mm', target: 'belly-line', side: left, value: mm(value) })
    expect([at(4.9).length, at(5).length, at(60).length, at(60.1).length]).toEqual([1, 0, 0, 1])
  })
})

describe('what a fact names that the animal does not have', () => {
  const measure = (of: 'fat-depth' | 'eye-area' | 'kidney-fat', value: number): FactBody => ({
    kind: 'observation',
    what: 'measure',
    of,
    value,
  })
  const ribs = (value: number): FactBody => ({ kind: 'observation', what: 'ribs', value })
  const tick = (what: 'step' | 'cut', of: string): FactBody => ({ kind: 'tick', what, of, side: 'animal' })
  it.each<[Species, FactBody, string]>([
    ['hog', saw('wool', true), `of: ${none('way of dressing', 'wool')}`],
    ['lamb', measure('eye-area', 9), `of: ${none('carcass measurement', 'eye-area')}`],
    [
      'hog',
      { kind: 'observation', what: 'route', value: 'poultry-exempt' },
      `value: ${none('route for a hog', 'poultry-exempt')}`,
    ],
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
  it.each(SPECIES)('%s: a measurement within its bounds, both taken, and not beyond', (species) => {
    for (const { id, low, high } of ANATOMIES[species].measures) {
      for (const value of [low, high]) expect(seen(measure(id, value), species)).toBeNull()
      for (const value of [low - 0.1, high + 0.1])
        expect(unknownFact(ANATOMIES[species], measure(id, value))).toMatchObject({
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
  it('money, attachments and a withdrawal name nothing of the animal', () => {
    const facts: FactBody[] = [
      { kind: 'cost', label: 'Feed', amount: 1 },
      ...FEE_IDS.map((fee): FactBody => ({ kind: 'fee', fee, amount: 1, per: 'head', basis: null })),
      { kind: 'attachment', name: 'slip', type: 'image/png', bytes: 1, hash: 'a'.repeat(64) },
      { kind: 'withdrawal', why: 'twice' },
    ]
    for (const f of facts) expect(seen(f)).toBeNull()
  })
})

describe('what is cut is cut', () => {
  const ticked = (of: string, side: 'left' | 'animal'): FactBody => ({ kind: 'tick', what: 'step', of, side })
  const roasts: Decision = { field: 'path', target: 'loin', side: left, value: 'loin-roasts' }
  const said = (part: string) =>
    `decisions.0.value: The ${part} is ticked off as cut. Untick it on the block card first, if it is not.`
  it('a ticked part keeps its way on that side; the other side is free', () => {
    const before = [roasts, ticked('loin', left)]
    expect(decided({ ...roasts, value: 'loin-grind' }, 'hog', before)).toEqual([said('loin')])
    expect(decided({ ...roasts, value: null }, 'hog', before)).toEqual([said('loin')])
    expect(decided(roasts, 'hog', before)).toEqual([])
    expect(decided({ ...roasts, side: 'right', value: 'loin-grind' }, 'hog', before)).toEqual([])
  })
  it('ticked lines lie where they are, across and along; ways and portions stay free', () => {
    const broken = [ticked('break', 'animal')]
    expect(
      decided({ field: 'line', target: 'leg-line', side: left, value: 'lumbar' }, 'hog', broken),
    ).toEqual([said('line')])
    expect(decided({ field: 'mm', target: 'belly-line', side: left, value: mm(30) }, 'hog', broken)).toEqual([
      said('line'),
    ])
    expect(decided(roasts, 'hog', broken)).toEqual([])
    expect(
      decided({ field: 'line', target: 'leg-line', side: left, value: 'lumbar' }, 'hog', [
        ticked('loin', left),
      ]),
    ).toEqual([])
  })
  it('an undo may bring back what is shut out now, but nothing the animal does not have', () => {
    const back = (d: Decision) =>
      checkDecisions(ANATOMIES.hog, tried(NO_LOG, [saw('skin', false)]), [d], true)
    expect(back({ field: 'path', target: 'belly', side: left, value: 'belly-slab' })).toEqual([])
    expect(back({ field: 'path', target: 'wing', side: left, value: null })).toHaveLength(1)
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
      readPlan(hog, tried(NO_LOG, takePath(hog, 'loin', [left], 'loin-roasts'))),
      'A',
    )
    expect(strangersIn(hog, plain)).toEqual([])
    const strange = strangersIn(hog, {
      ...plain,
      paths: [...plain.paths, { part: 'wing', side: left, path: 'x' }],
      lines: [{ line: 'moon', side: left, setting: 'x' }],
      mm: [
        { line: 'belly-line', side: 'right', mm: mm(40) },
        { line: 'moon', side: left, mm: mm(9) },
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
