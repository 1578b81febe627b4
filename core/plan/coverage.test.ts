import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import {
  openedFrom,
  sidesOf as sidesOfPart,
  SPECIES,
  type Anatomy,
  type Path,
  type SideName,
  type Species,
} from '#core/anatomy'
import { ANATOMIES } from '#core/species'
import { choose, cutUp, parted } from '../carcass/testing.ts'
import type { Decision, FactBody } from '#core/records'
import { NO_LOG, readPlan, refusalOf, takePath, tried, type Said } from './index.ts'
import { dressed, way } from './testing.ts'

const sidesOf = (a: Anatomy, part: string) => sidesOfPart(a.parts.find((p) => p.id === part)!)

/** What must be decided before a way can be taken: doors, the way its part comes out of, a line that makes the part. */
function leadingTo(a: Anatomy, path: Path): Said[] {
  const part = a.parts.find((p) => p.id === path.part)!
  const doors = [...(part.needs ?? []), ...(path.needs ?? [])].map((need): FactBody =>
    dressed(need.replace('!', ''), !need.startsWith('!')),
  )
  const outer = openedFrom(a, part.id)
  const opener = a.paths.find(
    (p) =>
      (outer ? p.part === outer : p.part in parted(a.species)) &&
      p.part !== part.id &&
      p.outputs.some((o) => o.part === part.id && o.lean + o.fat + o.bone > 0),
  )
  const extractor = part.extraction && a.paths.find((p) => p.extracts?.some((x) => x.part === part.id))
  const before = [opener, extractor].flatMap((p) =>
    p ? [...leadingTo(a, p), ...takePath(a, p.part, sidesOf(a, p.part), p.id)] : [],
  )
  const lines = a.lines.flatMap((l): Decision[] =>
    l.kind === 'across' &&
    ['rib-end-line', 'sirloin-line', 'loin-split'].includes(l.id) &&
    ['rib-end', 'sirloin', 'short-loin-rear'].includes(part.id) &&
    l.settings.length > 1
      ? (['left', 'right'] as const).map((side) => ({
          field: 'line',
          target: l.id,
          side,
          value: l.settings.find((s) => s.id !== l.fallback)!.id,
        }))
      : [],
  )
  return [...doors, ...lines, ...before]
}

describe('every cell of the trade’s tables of ways', () => {
  const page = readFileSync(new URL('../../docs/ways.md', import.meta.url), 'utf8')
  const cells = page
    .split('## ')
    .flatMap((part) =>
      [...part.matchAll(/^\| (?!part|---)(.+?) \| (.*?) \| (.+?) \|$/gm)].map(
        ([, cut, way, here]) =>
          [part.split('\n')[0]!.toLowerCase() as Species, `${cut}: ${way}`, here!] as const,
      ),
    )
  it('are all on the page (docs/ways.md)', () =>
    expect(SPECIES.map((s) => cells.filter(([of]) => of === s).length)).toEqual([
      47, 42, 48, 10, 42, 52, 12, 13, 11,
    ]))
  it.each(cells)('%s, %s', (species, _, ways) => {
    const known = new Set(ANATOMIES[species].paths.map((p) => p.id))
    expect([...ways.matchAll(/`([^`]+)`/g)].map((m) => m[1]!).filter((w) => !known.has(w))).toEqual([])
  })
})

describe('every way can be taken, and gives something', () => {
  it.each(SPECIES)('%s', (species) => {
    const a = ANATOMIES[species]
    const problems = a.paths.flatMap((path) => {
      const sides = sidesOf(a, path.part)
      const before = leadingTo(a, path)
      const refusal = refusalOf(a, readPlan(a, tried(NO_LOG, before)), path.part, sides, path.id)
      // A way shut out by another is reached by changing that one first.
      const freed =
        refusal?.code === 'shut-out'
          ? a.paths
              .filter((p) => p.part === refusal.figures!.part)
              .map((p) => [...before, ...takePath(a, p.part, sidesOf(a, p.part), p.id)])
              .find((d) => !refusalOf(a, readPlan(a, tried(NO_LOG, d)), path.part, sides, path.id))
          : before
      if (!freed || (refusal && refusal.code !== 'shut-out')) return [`${path.id}: ${refusal?.code}`]
      const plan = readPlan(a, tried(NO_LOG, [...freed, ...takePath(a, path.part, sides, path.id)]))
      if (plan.dropped.length > 0) return [`${path.id}: dropped ${plan.dropped.map((d) => d.path).join()}`]
      const c = cutUp(species, plan.choices, { conventions: plan.conventions, liveKg: 160 })
      const kg = c.cutting.partKg(path.part, sides[0])
      return kg > 0 || path.leaves ? [] : [`${path.id}: nothing to open`]
    })
    expect(problems).toEqual([])
  })
})

describe('whole and split carcasses', () => {
  const lamb = ANATOMIES.lamb
  const taking = (part: string, way: string, whole: boolean, sides: SideName[] = ['left', 'right']) =>
    refusalOf(lamb, readPlan(lamb, tried(NO_LOG, [dressed('split', !whole)])), part, sides, way)?.code ?? null
  it('saddle, crown and whole neck slices are had from an unsplit carcass only (common practice)', () => {
    for (const [part, way] of [
      ['loin', 'loin-saddle'],
      ['loin', 'loin-double-chops'],
      ['loin', 'loin-double-boneless'],
      ['loin', 'loin-noisette-saddle'],
      ['rack', 'rack-crown'],
      ['neck', 'neck-whole-slices'],
    ] as const) {
      expect(taking(part, way, false), way).toBe('door-closed')
      expect(taking(part, way, true), way).toBeNull()
    }
  })
  it('a way of both sides is refused for one of them', () =>
    expect(taking('loin', 'loin-saddle', true, ['left'])).toBe('both-sides'))
  it('once one side is cut otherwise the saddle is gone from both, and the plan says so', () => {
    const whole: FactBody = dressed('split', false)
    const plan = readPlan(
      lamb,
      tried(NO_LOG, [
        whole,
        ...takePath(lamb, 'loin', ['left', 'right'], 'loin-saddle'),
        way('loin', 'loin-chops', 'right'),
      ]),
    )
    expect(plan.choices.paths.get('loin', 'left')).toBeUndefined()
    expect(plan.dropped).toMatchObject([{ part: 'loin', side: 'left', issue: { code: 'both-sides' } }])
    expect(cutUp('lamb', plan.choices).cut('saddle')).toBe(0)
  })
  it('pieces of a way of both sides are counted once: one saddle a lamb', () => {
    const c = cutUp('lamb', choose({ loin: 'loin-saddle' }), { conventions: { split: false } })
    expect(c.cut('saddle')).toBeGreaterThan(5)
  })
})

describe('doors that close at the kill', () => {
  it('from 30 months T-bones, chine-on roasts, neck bones and backbone bones go; oxtail and back ribs stay (9 CFR 310.22, from memory)', () => {
    const { steer } = ANATOMIES
    const old = readPlan(steer, tried(NO_LOG, [dressed('under30', false)]))
    const refused = (part: string, way: string) =>
      refusalOf(steer, old, part, sidesOf(steer, part), way)?.code === 'door-closed'
    expect(refused('short-loin', 'loin-tbone')).toBe(true)
    expect(refused('rib', 'rib-roast')).toBe(true)
    expect(refused('neck-bones', 'neck-bones-sold')).toBe(true)
    expect(refused('bones', 'bones-sold')).toBe(true)
    expect(refused('tail', 'tail-kept')).toBe(false)
    expect(refused('rib', 'rib-eye')).toBe(false)
    const c = cutUp('steer', old.choices)
    expect(c.cut('tbone')).toBe(0)
    expect(c.cut('strip')).toBeGreaterThan(0)
  })
})
