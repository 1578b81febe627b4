import { describe, expect, it } from 'vitest'
import { ANATOMIES, sidesOf, type Species, type TOOLS } from '#core/anatomy'
import { milli, mm, sayIssue } from '#core/measure'
import { ENDINGS, TRIM_LEVELS, type Decision, type FactBody, type Portion } from '#core/records'
import { conventionsOf, NO_LOG, readPlan, refusalOf, settle, takePath, tried, type Said } from './index.ts'
import { SidedMap } from '#core/carcass'

const { hog, lamb, steer } = ANATOMIES
const plan = (species: Species, ...said: Said[]) => readPlan(ANATOMIES[species], tried(NO_LOG, said))
const onLot = { target: 'lot', side: 'animal' } as const
const onBacon = { target: 'bacon', side: 'animal' } as const
const price = (cents: number) => ({ milli: milli(cents * 1000), per: 'lb' as const })
const dressed = (of: string, value: boolean): FactBody => ({
  kind: 'observation',
  what: 'dressing',
  of,
  value,
})

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
        lock: false,
        floor: null,
        ceiling: null,
        sold: 1,
      })
  })
})

describe('what is decided is read, and null goes back to the usual', () => {
  const portion: Portion = { kind: 'pack', kg: 0.3, lb: 0.66 }
  it.each<[Decision, (p: ReturnType<typeof plan>) => unknown, unknown, unknown]>([
    [{ field: 'trim', ...onLot, value: 'close' }, (p) => p.choices.trim, 'close', 'standard'],
    [{ field: 'days', ...onLot, value: 0 }, (p) => p.days, 0, hog.chain.days.usual],
    [{ field: 'target', ...onLot, value: 9000 }, (p) => p.target, 9000, 0],
    [{ field: 'ending', ...onLot, value: 'nines' }, (p) => p.ending, 'nines', 'exact'],
    [{ field: 'sharePrice', ...onLot, value: price(450) }, (p) => p.sharePrice, price(450), null],
    [{ field: 'portion', ...onBacon, value: portion }, (p) => p.portions.get('bacon'), portion, undefined],
    [{ field: 'price', ...onBacon, value: price(895) }, (p) => p.terms.get('bacon')!.price, price(895), null],
    [{ field: 'floor', ...onBacon, value: price(500) }, (p) => p.terms.get('bacon')!.floor, price(500), null],
    [
      { field: 'ceiling', ...onBacon, value: price(999) },
      (p) => p.terms.get('bacon')!.ceiling,
      price(999),
      null,
    ],
    [{ field: 'lock', ...onBacon, value: true }, (p) => p.terms.get('bacon')!.lock, true, false],
    [{ field: 'sold', ...onBacon, value: 0 }, (p) => p.terms.get('bacon')!.sold, 0, 1],
    [
      { field: 'index', ...onBacon, value: 0 },
      (p) => p.terms.get('bacon')!.index,
      0,
      hog.cuts.find((c) => c.id === 'bacon')!.index,
    ],
    [
      { field: 'line', target: 'leg-line', side: 'left', value: 'lumbar' },
      (p) => p.choices.lines.get('leg-line', 'left'),
      'lumbar',
      undefined,
    ],
    [
      { field: 'mm', target: 'belly-line', side: 'left', value: mm(40) },
      (p) => p.choices.mm.get('belly-line', 'left'),
      40,
      undefined,
    ],
    [
      { field: 'path', target: 'loin', side: 'left', value: 'loin-roasts' },
      (p) => p.choices.paths.get('loin', 'left'),
      'loin-roasts',
      undefined,
    ],
    [{ field: 'without', target: 'saw', side: 'animal', value: true }, (p) => [...p.without], ['saw'], []],
  ])('%j', (d, of, said, usual) => {
    expect(of(plan('hog', d))).toEqual(said)
    expect(of(plan('hog', d, { ...d, value: null } as Decision))).toEqual(usual)
  })
  it('a tool that runs again is not missing', () => {
    const saw = (value: boolean): Decision => ({ field: 'without', target: 'saw', side: 'animal', value })
    expect([...plan('hog', saw(true), saw(false)).without]).toEqual([])
  })
  it('a field of one cut says nothing of another, nor of another field', () => {
    const p = plan('hog', { field: 'price', ...onBacon, value: price(895) })
    expect([...p.terms].filter(([, t]) => t.price !== null).map(([id]) => id)).toEqual(['bacon'])
    expect(p.terms.get('bacon')).toMatchObject({ lock: false, floor: null, ceiling: null, sold: 1 })
  })
  it('every ending and trim level there is', () => {
    for (const value of ENDINGS) expect(plan('hog', { field: 'ending', ...onLot, value }).ending).toBe(value)
    for (const value of TRIM_LEVELS)
      expect(plan('hog', { field: 'trim', ...onLot, value }).choices.trim).toBe(value)
  })
})

describe('facts are read', () => {
  const fee = { kind: 'fee', fee: 'kill', amount: 7500, per: 'head', basis: null } as const
  it('each where it belongs, none twice', () => {
    const p = plan(
      'hog',
      { kind: 'observation', what: 'route', value: 'state' },
      { kind: 'observation', what: 'ribs', value: 15 },
      { kind: 'observation', what: 'measure', of: 'fat-depth', value: 20 },
      dressed('leaf', false),
      { kind: 'cost', label: 'Feed', amount: 100 },
      { kind: 'cost', label: 'Feed', amount: 50 },
      fee,
      { ...fee, amount: 8000 },
      { kind: 'tick', what: 'cut', of: 'bacon', side: 'animal' },
      { kind: 'tick', what: 'step', of: 'loin', side: 'left' },
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
  const down = (target: (typeof TOOLS)[number]): Decision => ({
    field: 'without',
    target,
    side: 'animal',
    value: true,
  })
  const ticked: FactBody = { kind: 'tick', what: 'step', of: 'loin', side: 'left' }
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
    expect(why('hog', [ticked, down('saw')], 'loin', 'loin-chops')).toBeNull()
  })
  it('what is ticked off keeps the usual way where none was taken', () => {
    expect(why('hog', [ticked], 'loin', 'loin-chops')).toBeNull()
    expect(why('hog', [ticked], 'loin', 'loin-roasts')).toContain('ticked off as cut')
    expect(why('hog', [ticked], 'loin', 'loin-roasts', ['right'])).toBeNull()
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
