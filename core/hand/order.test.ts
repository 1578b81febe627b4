import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { lookup, SPECIES, type Species } from '#core/anatomy'
import { ANATOMIES } from '#core/species'
import { sayIssue } from '#core/measure'
import { adoptPlan, allMinutes, housePlans, NO_LOG, readPlan, tried, type Said } from '#core/plan'
import { reckon, type Reckoning } from '#core/reading'
import type { Decision } from '#core/records'
import { flowOf } from '../carcass/testing.ts'
import { FARM, lotOf, opening, someLots } from '../reading/testing.ts'
import { down, routed, way } from '../plan/testing.ts'
import {
  besides,
  cannotMove,
  inOrder,
  openChecks,
  orderedWork,
  remade,
  signedSides,
  signersOf,
  taskMinutes,
  workOf,
  type Ordered,
} from './index.ts'

const read = (species: Species, said: Said[] = []) =>
  reckon(flowOf(species), lotOf(species, said, 'hot'), FARM, 0)
const ids = ({ tasks }: Pick<Ordered, 'tasks'>) => tasks.map((t) => t.id)
const order = (value: string[]): Decision => ({ field: 'order', target: 'lot', side: 'animal', value })
const closed = (target: 'saw' | 'rail'): Decision => ({
  field: 'closed',
  target,
  side: 'animal',
  value: true,
})
const both = (part: string, path: string): Said[] => [way(part, path), way(part, path, 'right')]

/** What of an order is against the trade, of whatever plan (common practice). */
function against(r: Reckoning, { tasks, musts }: Pick<Ordered, 'tasks' | 'musts'>): string[] {
  const at = new Map(tasks.map((t, i) => [t.id, i]))
  const late = (first: string, then: string) =>
    at.has(first) && at.has(then) && at.get(first)! >= at.get(then)! ? [`${then} before ${first}`] : []
  const lines = tasks.filter((t) => t.kind === 'line')
  const rows = r.cutting.slots.flatMap((slot) =>
    slot.path.leaves || r.plan.held.get(slot.part, slot.side) === 'later'
      ? []
      : slot.rows.map((row) => ({ slot, row })),
  )
  return [
    ...(at.size === tasks.length ? [] : ['a step twice']),
    ...musts.flatMap((m) => late(m.first, m.then)),
    ...lines.flatMap((l) => ['cavity', 'glands', 'off'].flatMap((id) => late(id, l.id))),
    // Each part comes after the part it comes out of, in the flow itself and not in the list of musts.
    ...rows.flatMap(({ slot, row }) =>
      row.part !== null && row.green > 1e-9 ? late(slot.part, row.part) : [],
    ),
    // All that stands in the tray today comes out of a step.
    ...rows.flatMap(({ slot, row }) =>
      row.cut?.kind === 'product' && row.green > 1e-6 && !at.has(slot.part)
        ? [`no step for ${slot.part}`]
        : [],
    ),
  ]
}

describe('the order of work', () => {
  it.each(SPECIES)('of every house plan of a %s keeps what comes first whatever the school', (species) => {
    for (const plan of housePlans(ANATOMIES[species])) {
      const { decisions } = adoptPlan(ANATOMIES[species], readPlan(ANATOMIES[species], NO_LOG), plan)
      const r = read(species, decisions)
      expect(against(r, orderedWork(r)), plan.name).toEqual([])
    }
  })
  // Two thousand in a trial (docs/tests.md).
  it('of random plans in a random order of wishes keeps it too', () => {
    fc.assert(
      fc.property(someLots, fc.array(fc.nat(60), { maxLength: 25 }), ({ lot, species }, wish) => {
        const r = reckon(flowOf(species), lot, FARM, 0)
        const work = workOf(r)
        const wanted = [...new Set(wish.flatMap((n) => work.tasks[n]?.id ?? []))]
        expect(against(r, { ...inOrder(work, wanted), musts: work.musts })).toEqual([])
      }),
      { numRuns: process.env.EKKO_ALL ? 2000 : 200 },
    )
  }, 120_000)
  it('frees the tenderloin of hog and lamb before the leg line, of beef after quartering (common practice)', () => {
    for (const species of ['hog', 'lamb'] as const) {
      const way = ANATOMIES[species].paths.find(
        (p) => p.part === 'loin' && p.extracts?.length && !p.pair && !p.needs,
      )!
      const at = ids(orderedWork(read(species, both(way.part, way.id))))
      expect(at.indexOf('free-tenderloin'), species).toBeGreaterThan(-1)
      expect(at.indexOf('free-tenderloin'), species).toBeLessThan(at.indexOf('line-leg-line'))
    }
    const beef = ids(orderedWork(read('steer', both('short-loin', 'loin-strip'))))
    expect(beef.indexOf('line-quarter-line')).toBeLessThan(beef.indexOf('free-tenderloin'))
    expect(beef.indexOf('free-tenderloin')).toBeLessThan(beef.indexOf('line-sirloin-line'))
  })
  it('takes what is wanted where it can be, and says with its reason what cannot', () => {
    const asked = read('hog', [order(['belly', 'leg', 'trim', 'shoulder'])])
    const { tasks, bent } = orderedWork(asked)
    const at = tasks.map((t) => t.id)
    expect(at.indexOf('belly')).toBeLessThan(at.indexOf('leg'))
    expect(at.indexOf('shoulder')).toBeLessThan(at.indexOf('trim'))
    expect(bent.map((b) => b.task)).toEqual(['trim'])
    expect(bent[0]!.must).toMatchObject({ first: 'shoulder', why: expect.stringContaining('not all') })
  })
  it('refuses a move that cannot be with the step it is before and why, and takes one that can', () => {
    const r = read('hog')
    const work = orderedWork(r)
    const issue = cannotMove(work, ids(work), 'loin', 1)!
    expect(sayIssue(issue)).toMatch(/^Loin cannot come before .* line: it hangs together/)
    expect(cannotMove(work, ids(work), 'belly', ids(work).indexOf('leg'))).toBeNull()
  })
  it('with the saw station gone moves its steps to the table, with the rail gone a steer too; and says which', () => {
    const band: Decision = { field: 'school', target: 'saw', side: 'animal', value: 'band-saw' }
    const r = read('steer', [band])
    const atSaw = orderedWork(r).tasks.filter((t) => orderedWork(r).at.get(t.id) === 'saw')
    expect(atSaw.length).toBeGreaterThan(3)
    const lost = remade(r, 'saw')
    expect(lost.map((x) => x.task.id)).toEqual(atSaw.map((t) => t.id))
    expect(new Set(lost.map((x) => x.to))).toEqual(new Set(['rail', 'table']))
    const after = orderedWork(read('steer', [band, closed('saw'), closed('rail')]))
    expect([...after.at.values()]).not.toContain('saw')
    expect([...after.at.values()]).not.toContain('rail')
    // What needs the grinder can be nowhere else.
    expect(remade(r, 'grinder').some((x) => x.to === null)).toBe(true)
  })
  it('of a bird has no lines, and the oil gland and scald while it is still alive on an own farm', () => {
    const said = [...opening('broiler'), routed('poultry-exempt')]
    const alive = reckon(flowOf('broiler'), lotOf('broiler', said, 'live'), FARM, 0)
    expect(ids(orderedWork(alive))).toContain('dress')
    expect(ids(orderedWork(read('broiler', said)))).not.toContain('dress')
    expect(orderedWork(alive).tasks.filter((t) => t.kind === 'line')).toEqual([])
  })
})

describe('minutes of the steps', () => {
  it('add up to the minutes of the day, of whatever plan', () => {
    fc.assert(
      fc.property(someLots, ({ lot, species }) => {
        const r = reckon(flowOf(species), lot, FARM, 0)
        const { tasks } = orderedWork(r)
        if (tasks.length === 0) return
        const sum = [...taskMinutes(r, tasks).values()].reduce((a, b) => a + b, 0)
        expect(sum).toBeCloseTo(allMinutes(r.bench), 6)
      }),
      { numRuns: 150 },
    )
  })
  it('are fewer at a band saw, and more with hands that are new to it', () => {
    const loin = (said: Said[]) => {
      const r = read('hog', [...both('loin', 'loin-chops'), ...said])
      return taskMinutes(r, orderedWork(r).tasks).get('loin')!
    }
    const band: Decision = { field: 'school', target: 'saw', side: 'animal', value: 'band-saw' }
    expect(loin([band])).toBeLessThan(loin([]))
    expect(loin([{ field: 'hands', target: 'lot', side: 'animal', value: 'beginner' }])).toBeCloseTo(
      3 * loin([]),
      6,
    )
  })
})

describe('parts beside a line', () => {
  it.each(SPECIES)('of a %s lie ahead of it or behind it, never both', (species) => {
    const anatomy = ANATOMIES[species]
    for (const line of anatomy.lines) {
      const { ahead, behind } = besides(anatomy, line)
      expect(
        ahead.filter((p) => behind.includes(p)),
        line.id,
      ).toEqual([])
    }
    if (species === 'hog') {
      const { ahead, behind } = besides(
        anatomy,
        anatomy.lines.find((l) => l.id === 'shoulder-line')!,
      )
      expect(ahead).toContain('shoulder')
      expect(behind).toContain('belly')
    }
  })
})

describe('check points', () => {
  const checks = (species: Species, said: Said[] = []) => {
    const r = read(species, said)
    return openChecks(r, orderedWork(r))
  }
  it.each(SPECIES)('a %s: the mark of its route first, bags and cold last (common practice)', (species) => {
    const { all } = checks(species, opening(species))
    expect(all[0]!.check).toBe('route')
    expect(all.slice(-2).map((c) => c.check)).toEqual(['sealed', 'cold'])
  })
  it('a boned part is swept by hand, a sawn one scraped of dust, a gland signed where one lies', () => {
    const of = (part: string, path: string, species: Species = 'hog') =>
      checks(species, both(part, path))
        .all.filter((c) => c.task.id === part)
        .map((c) => c.check)
    expect(of('loin', 'loin-boneless-chops')).toContain('swept')
    expect(of('loin', 'loin-chops')).toContain('dust')
    expect(of('loin', 'loin-chops')).not.toContain('swept')
  })
  it('is signed once where both sides are cut alike, and on each where they are not', () => {
    const sides = (said: Said[]) => {
      const r = read('hog', said)
      return signedSides(
        r,
        orderedWork(r).tasks.find((t) => t.id === 'loin')!,
      )
    }
    expect(sides(both('loin', 'loin-chops'))).toHaveLength(1)
    expect(
      sides([way('loin', 'loin-chops'), way('loin', 'loin-boneless-chops', 'right')]).toSorted(),
    ).toEqual(['left', 'right'])
  })
  it('is open until somebody signs it, and then the packs of what came of that step know who', () => {
    const { open } = checks('hog')
    const swept = open.find((c) => c.task.id === 'leg')!
    const signed = { kind: 'check', check: swept.check, of: 'leg', side: swept.side, by: 'JB' } as const
    const r = read('hog', [signed])
    const left = openChecks(r, orderedWork(r)).open
    expect(left).toHaveLength(open.length - 1)
    const cut = r.cutting.slot('leg', 'left')!.rows.find((row) => row.cut?.kind === 'product')!.cut!.id
    expect(signersOf(r, cut)).toEqual(['JB'])
    expect(signersOf(r, 'bacon')).toEqual([])
  })
})

describe('a fault', () => {
  const loin = 'loin-chops'
  const fault = (kg: number, to: string | null): Said => ({
    ...{ kind: 'fault', of: 'loin', side: 'left', what: 'Sawn thin', cut: 'bone-in-chop', to },
    ...{ shown: { value: kg, unit: 'kg' }, cause: 'no stop', lesson: 'Set the stop', lost: 0 },
  })
  const masses = (said: Said[]) => {
    const r = read('hog', [...both('loin', loin), ...said])
    return { r, of: (id: string) => r.cutting.cutKg(id), balance: r.cutting.balance }
  }
  it('moves its kilograms to the use it was given, and everything still adds up', () => {
    const [before, after] = [masses([]), masses([fault(0.5, 'trim')])]
    const chop = before.r.cutting.slot('loin', 'left')!.rows.find((r) => r.cut?.id === 'bone-in-chop')
    expect(chop, 'the way makes such chops').toBeDefined()
    const lost = before.of('bone-in-chop') - after.of('bone-in-chop')
    expect(lost).toBeGreaterThan(0.47)
    expect(lost).toBeLessThanOrEqual(0.5)
    const trim = (m: typeof before) => m.r.cutting.partKg('trim')
    expect(trim(after) - trim(before)).toBeCloseTo(0.5, 6)
    for (const { balance: b } of [before, after])
      expect(b.carcass + b.kept + b.added).toBeCloseTo(b.products + b.byProducts + b.losses, 6)
  })
  it('that went to waste is a loss, and no more can go than was there', () => {
    const [before, after] = [masses([]), masses([fault(0.5, null)])]
    expect(after.balance.losses - before.balance.losses).toBeCloseTo(
      before.of('bone-in-chop') - after.of('bone-in-chop'),
      6,
    )
    const all = masses([fault(900, null)])
    expect(all.of('bone-in-chop')).toBeGreaterThanOrEqual(0)
    expect(all.balance.carcass).toBeCloseTo(before.balance.carcass, 9)
  })
})

describe('ways of working', () => {
  it('change the steps where they are done otherwise, and leave the rest', async () => {
    const { stepsOf } = await import('./index.ts')
    const path = lookup(ANATOMIES.hog).path('loin-chops')!
    const [usual, band] = [
      stepsOf(ANATOMIES.hog, path),
      stepsOf(ANATOMIES.hog, path, new Map(), new Map([['saw', 'band-saw']])),
    ]
    expect(band.map((s) => s.action)).toEqual(usual.map((s) => s.action))
    expect(band.find((s) => s.action === 'sawAcross')!.how).toContain('guard down')
    expect(usual.find((s) => s.action === 'sawAcross')!.how).toBeUndefined()
  })
  it('less dust is lost where the knife goes first, and everything still adds up', () => {
    const dust = (value: string | null) => {
      const said: Said[] = value ? [{ field: 'school', target: 'saw', side: 'animal', value }] : []
      const { balance } = read('hog', [...both('loin', 'loin-chops'), ...said]).cutting
      expect(balance.carcass + balance.kept + balance.added).toBeCloseTo(
        balance.products + balance.byProducts + balance.losses,
        6,
      )
      return balance.losses
    }
    expect(dust('band-saw')).toBeLessThan(dust(null))
    expect(dust('knife-then-saw')).toBeLessThan(dust('band-saw'))
  })
  it('a tool that is down is no station: both are said apart', () => {
    const r = read('hog', [down('saw')])
    expect(r.plan.without.has('saw')).toBe(true)
    expect(tried(NO_LOG, [closed('saw')]).commands).toHaveLength(1)
  })
})
