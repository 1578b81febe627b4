import { describe, expect, it } from 'vitest'
import { KG_PER_LB } from '#core/measure'
import { NO_LOG, tried } from '#core/plan'
import { alternativesFor, offeredParts, reckon, stateOf, type KeptLot } from '#core/reading'
import type { GroupRow } from '#core/records'
import { ANATOMIES } from '#core/species'
import { flowOf } from '../carcass/testing.ts'
import { FARM, lotOf } from '../reading/testing.ts'
import { carriedInto, judgeRun, pooled, poolParts, saidOfRun, takenUncut } from './index.ts'

const PARTED = { field: 'path', target: 'bird', side: 'animal', value: 'bird-parts' } as const

describe('what is pooled over a flock', () => {
  it('wings go into a run: taken uncut they bring nothing here, and their share of the cost goes with them', () => {
    const cost = { kind: 'cost', label: 'Chicks', amount: 40_000 } as const
    const before = reckon(flowOf('broiler'), lotOf('broiler', [cost, PARTED]), FARM, 0)
    const wing = poolParts(before).find((p) => p.part.id === 'wing')!
    const after = reckon(
      flowOf('broiler'),
      lotOf('broiler', [cost, PARTED, ...takenUncut(before, wing), carriedInto(wing, 'Wings')!]),
      FARM,
      0,
    )
    expect(after.money.costs.total).toBe(40_000 - wing.bears)
    // By what they bring: what is left covers as much as before.
    expect(after.money.cover!).toBeCloseTo(before.money.cover!, 2)
    expect(poolParts(after).some((p) => p.part.id === 'wing')).toBe(false)
  })
  it('tenders, giblets, necks, feet, backs and frames go into runs too; of rabbits livers, hearts, kidneys and flaps', () => {
    const keep = (...parts: string[]) =>
      parts.map((p) => ({ field: 'path', target: p, side: 'animal', value: `${p}-kept` }) as const)
    const of = (species: 'broiler' | 'turkey' | 'duck' | 'rabbit', ...kept: string[]) => {
      const a = ANATOMIES[species].parts[0]!.id
      const open = { field: 'path', target: a, side: 'animal', value: `${a}-parts` } as const
      return reckon(flowOf(species), lotOf(species, [open, ...keep(...kept)]), FARM, 0)
    }
    const ids = (r: ReturnType<typeof of>) => poolParts(r).map((p) => p.as)
    const birds = ['wing', 'back', 'tenders', 'loose-giblets', 'loose-neck', 'feet', 'frames']
    for (const species of ['broiler', 'turkey', 'duck'] as const)
      expect(ids(of(species, 'loose-giblets', 'loose-neck', 'feet')).toSorted(), species).toEqual(
        birds.toSorted(),
      )
    expect(ids(of('rabbit', 'liver', 'heart', 'kidneys'))).toEqual(
      expect.arrayContaining(['flap', 'liver', 'heart', 'kidneys', 'frames']),
    )
    // Kept or left, there is as much of it; left, it would have brought nothing.
    const [kept, left] = [of('broiler', 'feet'), of('broiler')].map((r) =>
      poolParts(r).find((p) => p.as === 'feet')!,
    )
    expect(left!.kg).toBeCloseTo(kept!.kg, 9)
    expect([kept!.bears, left!.bears]).toEqual([expect.any(Number), 0])
  })
  it.each(['loose-giblets', 'feet', 'frames', 'tenders'])(
    'a run of %s is that and nothing else: what was weighed is what comes out of it',
    (part) => {
      const from = reckon(flowOf('broiler'), lotOf('broiler', [PARTED]), FARM, 0)
      const pool = poolParts(from).find((p) => p.as === part)!
      const lb = (pool.kg * 0.95) / KG_PER_LB
      const shown = { value: lb, unit: 'lb' } as const
      expect(judgeRun(from, pool, shown)).toEqual([])
      expect(judgeRun(from, pool, { ...shown, value: lb * 9 }).map((i) => i.code)).toEqual(['mass-absurd'])
      const hung = lotOf('broiler', saidOfRun(pool, 'Flock 1', null), 'hanging', lb)
      const weighings = hung.weighings.map((w) => ({ ...w, basis: 'boxed' as const }))
      const run = reckon(flowOf('broiler'), { ...hung, count: pool.count, weighings }, FARM, 200)
      expect(run.cutting.partKg(part)).toBeCloseTo(pool.kg * 0.95, 2)
      expect(run.balance.kept).toBe(0)
      expect(Math.abs(run.balance.difference)).toBeLessThan(1e-9)
      // It is kept, whatever is usually done with it, and all of it can be said of it.
      expect(run.cutting.slot(part, 'animal')!.path.leaves ?? false).toBe(false)
      const out = run.cuts.reduce((sum, c) => sum + (c.cut.kind === 'loss' ? 0 : c.kg), 0)
      expect(out / (pool.kg * 0.95)).toBeGreaterThan(0.85)
      expect(offeredParts(run)).toContain(part)
      expect(alternativesFor(run, part, ['animal']).map((a) => a.path)).not.toContain(`${part}-left`)
      // A weighed box has no range of its own; what a knife makes of it has.
      const worked = run.cuts.find((c) => c.cut.kind === 'product' && c.kg > 0)
      if (['loose-giblets', 'feet'].includes(part)) expect(worked!.range!.low).toBeLessThan(worked!.kg)
      expect(run.stages.find((s) => s.id === 'hanging')!.range).toBeNull()
    },
  )
  it('wings of a flock in groups are those of the groups that are cut, and each group takes its own uncut', () => {
    const group = (id: string, parent: string | null, animals: number): GroupRow => ({
      ...{ id, parent, animals, joins: [], half: false, name: id },
    })
    const { weighings, facts, commands } = lotOf('broiler')
    const kept: KeptLot = {
      count: 40,
      groups: [group('lot', null, 40), group('parted', 'lot', 15), group('whole', 'lot', 25)],
      weighings: weighings.map((w) => ({ ...w, group: 'lot' })),
      facts: facts.map((f) => ({ ...f, group: 'lot' })),
      commands: [...commands, ...tried(NO_LOG, [PARTED]).commands].map((c) => ({ ...c, group: 'parted' })),
      packs: [],
    }
    const read = reckon(flowOf('broiler'), stateOf(kept), FARM, 0)
    const wing = poolParts(read).find((p) => p.as === 'wing')!
    expect(wing.of).toEqual(['parted'])
    expect(wing.count).toBe(15)
    const own = read.groups.find((g) => g.id === 'parted')!.read
    expect(wing.kg).toBeCloseTo(own.cutting.partKg('wing'), 9)
  })
  it('as packs it is what those parts give: livers, hearts, backs, whatever they are called', () => {
    const kept = {
      field: 'path',
      target: 'loose-giblets',
      side: 'animal',
      value: 'loose-giblets-sorted',
    } as const
    const read = reckon(flowOf('broiler'), lotOf('broiler', [PARTED, kept]), FARM, 0)
    const ids = pooled(read).map((c) => c.cut.id)
    expect(ids).toEqual(
      expect.arrayContaining(['wing-whole', 'tenders', 'livers', 'hearts-gizzards', 'frames']),
    )
    expect(ids).not.toContain('breast-boneless')
    expect(ids).not.toContain('thigh')
  })
})
