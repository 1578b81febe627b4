import { describe, expect, it } from 'vitest'
import { sidesOf, type Species } from '#core/anatomy'
import { ANATOMIES } from '#core/species'
import { sayIssue } from '#core/measure'
import type { Decision, Portion } from '#core/records'
import { conventionsOf, NO_LOG, readPlan, refusalOf, settle, takePath, tried, type Said } from './index.ts'
import { SidedMap } from '#core/carcass'
import {
  cutDone,
  down,
  dressed,
  lineAt,
  longAt,
  measured,
  onCut,
  onLot,
  paid,
  perLb,
  ribs,
  routed,
  ticked,
  way,
} from './testing.ts'

const { hog, lamb, steer } = ANATOMIES
const plan = (species: Species, ...said: Said[]) => readPlan(ANATOMIES[species], tried(NO_LOG, said))
describe('a plan of nothing is as usual', () => {
  const p = plan('hog')
  it('no ways, lines, tools down or portions; standard trim, usual days, no target, any ending', () => {
    expect([p.choices.paths.size, p.choices.lines.size, p.choices.mm.size, p.portions.size]).toEqual([
      0, 0, 0, 0,
    ])
    expect([p.without.size, p.steps.size, p.done.size, p.dropped.length]).toEqual([0, 0, 0, 0])
    expect(p).toMatchObject({
      choices: { trim: 'standard' },
      days: hog.chain.days.usual,
      target: 0,
      ending: 'exact',
      sharePrice: null,
      route: null,
      ribs: null,
      costs: [],
      fees: {},
      attachments: [],
      withdrawn: false,
    })
  })
  it('every cut has its own index, by-products none, and nothing said of its price', () => {
    for (const { id, kind, index } of hog.cuts)
      expect(p.terms.get(id)).toEqual({
        index: kind === 'product' ? index : 0,
        price: null,
        finishes: [],
        own: null,
        given: 0,
        lock: false,
        floor: null,
        ceiling: null,
        sold: 1,
        rest: 0.5,
      })
  })
})

describe('what is decided is read, and null goes back to the usual', () => {
  const portion: Portion = { kind: 'pack', kg: 0.3, lb: 0.66 }
  const bacon = (p: ReturnType<typeof plan>) => p.terms.get('bacon')!
  const usual = hog.cuts.find((c) => c.id === 'bacon')!.index
  it.each<[Decision, (p: ReturnType<typeof plan>) => unknown, unknown, unknown]>([
    [onLot('trim', 'close'), (p) => p.choices.trim, 'close', 'standard'],
    [onLot('days', 0), (p) => p.days, 0, hog.chain.days.usual],
    [onLot('target', 9000), (p) => p.target, 9000, 0],
    [onLot('ending', 'nines'), (p) => p.ending, 'nines', 'exact'],
    [onLot('sharePrice', perLb(450)), (p) => p.sharePrice, perLb(450), null],
    [onCut('portion', 'bacon', portion), (p) => p.portions.get('bacon'), portion, undefined],
    [onCut('price', 'bacon', perLb(895)), (p) => bacon(p).price, perLb(895), null],
    [onCut('floor', 'bacon', perLb(500)), (p) => bacon(p).floor, perLb(500), null],
    [onCut('ceiling', 'bacon', perLb(999)), (p) => bacon(p).ceiling, perLb(999), null],
    [onCut('lock', 'bacon', true), (p) => bacon(p).lock, true, false],
    [onCut('sold', 'bacon', 0), (p) => bacon(p).sold, 0, 1],
    [onCut('index', 'bacon', 0), (p) => bacon(p).index, 0, usual],
    [lineAt('leg-line', 'lumbar'), (p) => p.choices.lines.get('leg-line', 'left'), 'lumbar', undefined],
    [longAt('belly-line', 40), (p) => p.choices.mm.get('belly-line', 'left'), 40, undefined],
    [way('loin', 'loin-roasts'), (p) => p.choices.paths.get('loin', 'left'), 'loin-roasts', undefined],
    [down('saw'), (p) => [...p.without], ['saw'], []],
  ])('%j', (d, of, said, usual) => {
    expect(of(plan('hog', d))).toEqual(said)
    expect(of(plan('hog', d, { ...d, value: null } as Decision))).toEqual(usual)
  })
  it('a tool that runs again is not missing', () => {
    expect([...plan('hog', down('saw'), down('saw', false)).without]).toEqual([])
  })
  it('a field of one cut says nothing of another, nor of another field', () => {
    const p = plan('hog', onCut('price', 'bacon', perLb(895)))
    expect([...p.terms].filter(([, t]) => t.price !== null).map(([id]) => id)).toEqual(['bacon'])
    expect(p.terms.get('bacon')).toMatchObject({ lock: false, floor: null, ceiling: null, sold: 1 })
  })
})

describe('facts are read', () => {
  const fee = { kind: 'fee', fee: 'kill', amount: 7500, per: 'head', basis: null } as const
  it('each where it belongs, none twice', () => {
    const p = plan(
      'hog',
      routed('state'),
      ribs(15),
      measured('fat-depth', 20),
      dressed('leaf', false),
      paid(100),
      paid(50),
      fee,
      { ...fee, amount: 8000 },
      cutDone('bacon'),
      ticked('loin'),
      { kind: 'attachment', name: 'slip', type: 'image/png', bytes: 3, hash: 'a'.repeat(64) },
      { kind: 'withdrawal', why: 'hung twice' },
    )
    expect(p).toMatchObject({
      route: 'state',
      ribs: 15,
      measured: { 'fat-depth': 20 },
      conventions: { leaf: false },
      withdrawn: true,
    })
    expect(p.costs.map((c) => [c.label, c.amount])).toEqual([
      ['Feed', 100],
      ['Feed', 50],
    ])
    expect(p.fees).toEqual({ kill: { ...fee, amount: 8000 } })
    expect([...p.done]).toEqual(['bacon'])
    expect([...p.steps]).toEqual([{ id: 'loin', side: 'left', value: true }])
    expect(p.attachments.map((a) => a.name)).toEqual(['slip'])
  })
  it('dressed as usual or as said, every door of the animal once', () => {
    const of = conventionsOf(hog, { skin: false })
    expect(of.map((x) => x.convention.id)).toEqual(hog.conventions.map((c) => c.id))
    expect(of.find((x) => x.convention.id === 'skin')!.is).toBe(false)
    for (const x of of.slice(1)) if (x.convention.id !== 'skin') expect(x.is).toBe(x.convention.usual)
  })
})

describe('why a way cannot be taken', () => {
  const why = (
    species: Species,
    said: Said[],
    part: string,
    path: string,
    sides: ('left' | 'right')[] = ['left'],
  ) => {
    const issue = refusalOf(ANATOMIES[species], plan(species, ...said), part, sides, path)
    return issue && `${issue.field}: ${sayIssue(issue)}`
  }
  const loinCut = ticked('loin')
  it('a way of another part, or none', () => {
    expect(why('hog', [], 'loin', 'belly-slab')).toBe(
      'path: There is no path “belly-slab” here. Reload the page and choose again.',
    )
  })
  it('a tool that is down, but for what was cut before it broke', () => {
    expect(why('hog', [down('saw')], 'loin', 'loin-chops')).toBe(
      'path: The saw is down. Say on the block card when it runs again.',
    )
    expect(why('hog', [down('knife')], 'loin', 'loin-chops')).toBeNull()
    expect(why('hog', [loinCut, down('saw')], 'loin', 'loin-chops')).toBeNull()
  })
  it('what is ticked off keeps the usual way where none was taken', () => {
    expect(why('hog', [loinCut], 'loin', 'loin-chops')).toBeNull()
    expect(why('hog', [loinCut], 'loin', 'loin-roasts')).toContain('ticked off as cut')
    expect(why('hog', [loinCut], 'loin', 'loin-roasts', ['right'])).toBeNull()
  })
  it('a way of both sides on one', () => {
    const whole = [dressed('split', false)]
    expect(why('lamb', whole, 'loin', 'loin-saddle')).toBe(
      'path: This takes both sides at once. Choose “Both sides” to take it.',
    )
    expect(why('lamb', whole, 'loin', 'loin-saddle', ['left', 'right'])).toBeNull()
  })
  it('the same bones sold otherwise, on that side only', () => {
    const slab = takePath(hog, 'belly', ['left'], 'belly-slab')
    expect(why('hog', slab, 'spare-ribs', 'ribs-on-belly')).toBeNull()
    expect(why('hog', slab, 'spare-ribs', 'ribs-on-belly', ['right'])).not.toBeNull()
  })
})

describe('ways that shut each other out', () => {
  const clash = (said: Said[], part: string, path: string, sides: ('left' | 'right')[]) => {
    const issue = refusalOf(hog, plan('hog', ...said), part, sides, path)
    return issue?.code === 'shut-out' ? issue.figures : null
  }
  it('are said both ways round, with the part and the way that is in the way', () => {
    const bacon = clash([], 'spare-ribs', 'ribs-on-belly', ['right'])
    expect(bacon).toMatchObject({ part: 'belly', path: 'belly-bacon' })
    const on = [
      ...takePath(hog, 'belly', ['left'], 'belly-slab'),
      ...takePath(hog, 'spare-ribs', ['left'], 'ribs-on-belly'),
    ]
    expect(clash(on, 'belly', 'belly-bacon', ['left'])).toMatchObject({
      part: 'spare-ribs',
      path: 'ribs-on-belly',
      reason: bacon!.reason,
    })
    expect(clash(on, 'belly', 'belly-bacon', ['right'])).toBeNull()
    expect(clash(on, 'belly', 'belly-bacon', ['right', 'left'])).not.toBeNull()
  })
  it('a way never shuts out its own part, nor the part it is cut in one with', () => {
    for (const a of Object.values(ANATOMIES))
      for (const p of a.paths.filter((x) => x.together)) {
        const issue = refusalOf(a, readPlan(a, NO_LOG), p.part, ['left', 'right'], p.id)
        if (issue?.code === 'shut-out')
          for (const t of p.together!) expect(issue.figures.part, p.id).not.toBe(t.part)
      }
    expect(clash([], 'loin', 'loin-long-chops', ['left'])).toBeNull()
  })
})

describe('what can stand of what is wanted', () => {
  it('a skinned hog has no rind and no feet; what was chosen before is dropped with its reason', () => {
    const slab: Said = way('belly', 'belly-slab')
    const { dropped } = plan('hog', slab, dressed('skin', false))
    expect(dropped.map((d) => `${d.part} ${d.side} ${d.path}: ${sayIssue(d.issue)}`)).toEqual([
      'belly left belly-slab: This needs the carcass scalded, skin on; this one is skinned.',
    ])
    const feet = refusalOf(hog, plan('hog', dressed('skin', false)), 'fore-foot', ['left'], 'fore-foot-kept')
    expect(feet?.code).toBe('door-closed')
  })
  it('loin and belly in one are taken together; parting them later lets the other half go', () => {
    const together = takePath(hog, 'loin', ['left'], 'loin-porchetta')
    expect(together.map((d) => d.value)).toEqual(['loin-porchetta', 'belly-porchetta'])
    const apart = plan('hog', ...together, { ...together[1]!, value: 'belly-bacon' })
    expect(apart.choices.paths.get('loin', 'left')).toBeUndefined()
    expect(apart.dropped).toMatchObject([{ part: 'loin', issue: { code: 'other-half' } }])
  })
  it('a T-bone behind the split is refused while the tenderloin in front comes out whole', () => {
    const split = plan(
      'steer',
      ...takePath(steer, 'short-loin', ['left'], 'loin-strip'),
      lineAt('loin-split', 'k3'),
    )
    const issue = refusalOf(steer, split, 'short-loin-rear', ['left'], 'rear-tbone')
    expect(issue).toMatchObject({ code: 'shut-out', figures: { path: 'loin-strip' } })
  })
  it('a way taken on one side of two falls, with the reason; the same on both stands', () => {
    const pair = (sides: ('left' | 'right')[]) =>
      settle(lamb, new SidedMap(sides.map((side) => ({ id: 'loin', side, value: 'loin-saddle' }))), {
        split: false,
      })
    expect(pair(['left', 'right']).dropped).toEqual([])
    expect(pair(['left', 'right']).paths.size).toBe(2)
    expect(pair(['right'])).toMatchObject({
      dropped: [{ part: 'loin', side: 'right', path: 'loin-saddle', issue: { code: 'both-sides' } }],
    })
    expect(pair(['right']).paths.size).toBe(0)
  })
  it('a steer of 30 months has no T-bones by default: the first open way on both sides; what was chosen stays', () => {
    const old = { under30: false }
    const ways = (wanted: SidedMap<string>) => settle(steer, wanted, old).paths
    const usual = ways(new SidedMap())
    const closed = steer.parts.filter((p) =>
      steer.paths.find((x) => x.id === p.fallback)!.needs?.includes('under30'),
    )
    expect(closed.map((p) => p.id)).toContain('short-loin')
    for (const { id, scope } of closed) {
      const open = steer.paths.find(
        (p) => p.part === id && !p.needs?.includes('under30') && !p.pair && !p.together,
      )!
      for (const side of sidesOf({ scope })) expect(usual.get(id, side), id).toBe(open.id)
    }
    expect(usual.size).toBe(closed.reduce((n, p) => n + sidesOf(p).length, 0))
    const chosen = steer.paths
      .filter((p) => p.part === 'short-loin' && !p.needs?.includes('under30'))
      .at(-1)!.id
    const kept = ways(new SidedMap([{ id: 'short-loin', side: 'left', value: chosen }]))
    expect(kept.get('short-loin', 'left')).toBe(chosen)
    expect(settle(steer, new SidedMap(), {}).paths.size).toBe(0)
  })
})
