import { group as grouped } from 'd3-array'
import { evidenceOf, STAGES, type Evidence, type Stage } from '#core/carcass'
import { gramsOf, issueOf, kg, kgOf, sumOf, type Issue } from '#core/measure'
import { readFacts, tried, weighedApart, type CommandRow, type FactRow, type Said } from '#core/plan'
import {
  animalsIn,
  childrenOf,
  condemnedBy,
  constituentsOf,
  inForce,
  isGroupFact,
  leavesOf,
  livingOf,
  lineageOf,
  subjectOf,
  wholeOf,
  withinOf,
  type GroupRow,
} from '#core/records'
import type { GroupState, LotState, PackRow, WeighingRow } from './lot.ts'

type Of<R> = R & { group: string }
/** A lot as it is kept: every row names the group it is of. */
export interface KeptLot {
  count: number
  groups: readonly GroupRow[]
  weighings: readonly Of<WeighingRow>[]
  commands: readonly Of<CommandRow>[]
  facts: readonly Of<FactRow>[]
  packs: readonly Of<PackRow>[]
}

/** How far animals of one lot lie apart in weight, log SD, where they were not weighed one by one (docs/sources.md: flock-spread). */
const APART = 0.1
/** So many must have been weighed one by one to say how far they lie apart. */
const ENOUGH = 5
/** Less than this share of the usual one is left for no animal: then the weights contradict, and are not set against one another. */
const LEAST = 0.25

const of = <R extends { group: string }>(rows: readonly R[], groups: readonly GroupRow[]): R[] => {
  const ids = new Set(groups.map((g) => g.id))
  return rows.filter((r) => ids.has(r.group))
}

/** Weighings of all of a group: its own, and those of one it was put together again to. */
function weighingsOf({ groups, weighings }: KeptLot, group: GroupRow) {
  const same = withinOf(groups, group.id).filter((g) => animalsIn(g) === animalsIn(group))
  return of(weighings, same)
}

/** What was weighed of all of a group itself, or of every group it was put together of. */
function weighedOf(lot: KeptLot, group: GroupRow): Evidence[] {
  const found = evidenceOf(weighingsOf(lot, group))
  const parts = constituentsOf(lot.groups, group).map((g) => weighedOf(lot, g))
  return [...found, ...missing(found, together(parts))]
}

/** Stages that every one of these groups has, added up. */
function together(parts: readonly (readonly Evidence[])[]): Evidence[] {
  return STAGES.flatMap((stage) => {
    const each = parts.flatMap((p) => p.find((e) => e.stage === stage) ?? [])
    if (each.length === 0 || each.length < parts.length) return []
    const sum = sumOf(each, (e) => e.kg)
    const sd = Math.hypot(...each.map((e) => e.kg * e.sd)) / sum
    return [{ stage, kg: sum, sd, id: each[0]!.id }]
  })
}

const missing = (held: readonly Evidence[], more: readonly Evidence[]): Evidence[] =>
  more.filter((e) => !held.some((h) => h.stage === e.stage))

/** Log SD of the animals of a lot: their own where enough were weighed one by one. */
function spreadOf(lot: KeptLot): number {
  const { animals } = readFacts(lot.facts.filter((f) => f.fact.kind === 'animal'))
  for (const stage of ['hot', 'live'] as const) {
    const apart = weighedApart(animals, lot.count, stage)
    if (apart?.sd && apart.weighed >= ENOUGH) return apart.sd / apart.mean
  }
  return APART
}

/**
 * What is known of a group’s weight: what was weighed of it, and of what was weighed of more animals than its own, what
 * its sisters’ weights leave, by count. A share of n out of N animals that lie σ apart is known to σ·√(1/n − 1/N): the mean
 * of a sample without replacement (a textbook figure).
 */
function knownOf(lot: KeptLot, group: GroupRow): Evidence[] {
  const own = weighedOf(lot, group)
  const constituents = constituentsOf(lot.groups, group)
  if (constituents.length > 0)
    return [...own, ...missing(own, together(constituents.map((g) => knownOf(lot, g))))]
  const parent = lot.groups.find((g) => g.id === group.parent)
  if (!parent) return own
  const sisters = childrenOf(lot.groups, parent.id).map((g) => ({ g, weighed: weighedOf(lot, g) }))
  return [
    ...own,
    ...missing(own, knownOf(lot, parent)).map((e): Evidence => {
      const at = (list: readonly Evidence[]) => list.find((x) => x.stage === e.stage)
      const rest = sisters.filter((s) => !at(s.weighed))
      const [n, all, left] = [
        animalsIn(group),
        animalsIn(parent),
        rest.reduce((sum, s) => sum + animalsIn(s.g), 0),
      ]
      const weighed = sumOf(sisters, (s) => at(s.weighed)?.kg ?? kg(0))
      const usual = (e.kg * left) / all
      const mass = e.kg - weighed < usual * LEAST ? usual : e.kg - weighed
      // The two sides of one animal are alike.
      const sd = group.half && !parent.half ? 0 : spreadOf(lot) * Math.sqrt(Math.max(0, 1 / n - 1 / left))
      return { ...e, kg: kg((mass * n) / left), sd: Math.hypot(e.sd, sd, SHARED) }
    }),
  ]
}
/** A share is never a weighed figure: at the least so far off, log SD (our own figure). */
const SHARED = 0.005

/** What was weighed or cut away of parts of a group before it was split, as its share; of those it was put together of, added up. */
function partFacts(lot: KeptLot, group: GroupRow): FactRow[] {
  const isOfPart = ({ fact }: FactRow) => fact.kind === 'observation' && isGroupFact(fact)
  const own = inForce(lot.facts.filter((f) => f.group === group.id && isOfPart(f)))
  const subjects = new Set(own.map((f) => subjectOf(f.fact)))
  const parent = lot.groups.find((g) => g.id === group.parent)
  if (!parent) return own
  const constituents = constituentsOf(lot.groups, group)
  const scaled = (f: FactRow, by: number): FactRow => {
    if (f.fact.kind !== 'observation' || !('shown' in f.fact)) return f
    const { shown } = f.fact
    return { ...f, fact: { ...f.fact, shown: { ...shown, value: shown.value * by } } }
  }
  const before =
    constituents.length > 0
      ? added(constituents.map((g) => partFacts(lot, g)))
      : partFacts(lot, parent).map((f) => scaled(f, animalsIn(group) / animalsIn(parent)))
  return [...own, ...before.filter((f) => !subjects.has(subjectOf(f.fact)))]
}

/** What was cut away of parts in any of these groups; what was weighed of a part only where it was in all. */
function added(parts: readonly (readonly FactRow[])[]): FactRow[] {
  const bySubject = grouped(parts.flat(), (f) => subjectOf(f.fact))
  return [...bySubject.values()].flatMap((all) => {
    const [first] = all
    if (first?.fact.kind !== 'observation' || !('shown' in first.fact)) return []
    if (first.fact.what === 'part' && all.length < parts.length) return []
    const value = sumOf(all, ({ fact }) =>
      fact.kind === 'observation' && 'shown' in fact ? kgOf(gramsOf(fact.shown)) : kg(0),
    )
    return [{ ...first, fact: { ...first.fact, shown: { value, unit: 'kg' as const } } }]
  })
}

/**
 * What was done at the bench of a group: of what was split, its carcasses were cut before, and what went wrong there is a
 * share of it; what was put together starts anew.
 */
function stepFacts(lot: KeptLot, group: GroupRow): Of<FactRow>[] {
  const line = lineageOf(lot.groups, group.id)
  const since = line.findLastIndex((g) => g.joins.length > 0)
  const shareOf = (id: string) => animalsIn(group) / animalsIn(lot.groups.find((g) => g.id === id) ?? group)
  return of(lot.facts, line.slice(Math.max(0, since))).flatMap((f) => {
    const { fact, group: g } = f
    if (fact.kind === 'tick') return fact.what === 'step' || g === group.id ? [f] : []
    if (fact.kind === 'closing') return g === group.id ? [f] : []
    if (fact.kind === 'check' || fact.kind === 'work') return [f]
    if (fact.kind !== 'fault') return []
    const shown = fact.shown && { ...fact.shown, value: fact.shown.value * shareOf(g) }
    return [{ ...f, fact: { ...fact, shown } }]
  })
}

/** What was lost of a group, and of those it was split from; of all of a lot, in every group of it. */
const isLoss = ({ fact }: FactRow) => fact.kind === 'loss' || fact.kind === 'downgrade'

const condemnedIn = (facts: readonly FactRow[]): number =>
  inForce(facts).reduce((sum, { fact }) => sum + condemnedBy(fact), 0)

/** A lot with as many animals in it and in its groups as are left. */
function living(lot: KeptLot): KeptLot {
  const groups = livingOf(lot.groups, lot.facts)
  return groups === lot.groups ? lot : { ...lot, groups, count: animalsIn(wholeOf(groups)) }
}

/** One group of a lot as it stands: what was decided and seen of the lot holds for it unless it has its own. */
export const groupState = (lot: KeptLot, id: string): GroupState => groupOf(living(lot), id)

function groupOf(lot: KeptLot, id: string): GroupState {
  const { groups } = lot
  const group = groups.find((g) => g.id === id)!
  const whole = wholeOf(groups)
  const weighings = weighingsOf(lot, group)
  const leaves = leavesOf(groups)
  const before = leaves.slice(0, Math.max(0, leaves.indexOf(group))).reduce((sum, g) => sum + animalsIn(g), 0)
  const own = new Set<Stage>(evidenceOf(weighings).map((e) => e.stage))
  return {
    id,
    name: group.name,
    half: group.half,
    count: animalsIn(group),
    share: { before, of: animalsIn(whole), killed: animalsIn(whole) + condemnedIn(lot.facts) },
    weighings,
    shared: knownOf(lot, group).filter((e) => !own.has(e.stage)),
    commands: lineageOf(groups, id).flatMap((g) => lot.commands.filter((c) => c.group === g.id)),
    facts: [
      ...lot.facts.filter((f) => f.group === whole.id && !isGroupFact(f.fact)),
      ...of(lot.facts.filter(isLoss), lineageOf(groups, id)),
      ...stepFacts(lot, group),
      ...partFacts(lot, group),
    ],
    packs: of(lot.packs, withinOf(groups, id)),
  }
}

/** A lot as it stands: by itself, or with the groups it is split into. */
export function stateOf(kept: KeptLot): LotState {
  const lot = living(kept)
  const { count, weighings, commands, facts, packs, groups } = lot
  if (groups.length === 1) return { count, weighings, commands, facts, packs }
  const whole = wholeOf(groups)
  const leaves = leavesOf(groups)
  if (leaves.length === 1) return groupOf(lot, leaves[0]!.id)
  return {
    count,
    weighings: of(weighings, [whole]),
    commands: of(commands, [whole]),
    facts: [
      ...of(facts, [whole]),
      ...of(
        facts.filter(isLoss),
        groups.filter((g) => g !== whole),
      ),
    ],
    packs,
    apart: leaves.map((g) => groupOf(lot, g.id)),
  }
}

/**
 * What is odd about a weight of a group beside that of all of its lot, or the other way about: it leaves what was not weighed
 * by itself less than it can weigh. Null where it may be kept.
 */
export function judgeGroupWeight(kept: KeptLot, added: Of<WeighingRow>): Issue | null {
  const lot = living(kept)
  const after = { ...lot, weighings: [...lot.weighings, added] }
  const stage = evidenceOf([added])[0]?.stage
  const at = (group: GroupRow) => weighedOf(after, group).find((e) => e.stage === stage && e.sd === 0)
  for (const parent of lot.groups) {
    const all = at(parent)
    const sisters = childrenOf(lot.groups, parent.id).map((g) => ({ g, weighed: at(g) }))
    const rest = sisters.filter((s) => !s.weighed)
    const isAbout = parent.id === added.group || sisters.some((s) => s.g.id === added.group)
    if (!all || !isAbout || rest.length === 0 || rest.length === sisters.length) continue
    const weighed = sumOf(sisters, (s) => s.weighed?.kg ?? kg(0))
    const usual = (all.kg * sumOf(rest, (s) => animalsIn(s.g))) / animalsIn(parent)
    if (all.kg - weighed >= usual * LEAST) continue
    const own = sisters.find((s) => s.g.id === added.group)?.weighed?.kg
    return own === undefined
      ? issueOf('group-above-lot', 'shown', { of: 'lot', group: weighed, left: all.kg })
      : issueOf('group-above-lot', 'shown', {
          of: 'group',
          group: own,
          left: kg(Math.max(0, all.kg - (weighed - own))),
        })
  }
  return null
}

/** A lot as it would be with these things said of it and of every group. */
export const triedOn = (lot: LotState, said: readonly Said[]): LotState => ({
  ...lot,
  ...tried(lot, said),
  ...(lot.apart && { apart: lot.apart.map((g) => ({ ...g, ...tried(g, said) })) }),
})

/** What a page or a paper is about: all of a lot, or one group of it. */
export const viewOf = (lot: KeptLot, group: string | null): LotState =>
  group !== null && group !== wholeOf(lot.groups).id ? groupState(lot, group) : stateOf(lot)
