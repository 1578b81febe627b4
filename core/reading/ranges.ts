import type { SideName } from '#core/anatomy'
import { interval, type Interval } from '#core/measure'
import type { Missing, Reckoning } from './lot.ts'
import { missingOf } from './missing.ts'
import { partKey } from './parts.ts'

/** Every interval of a reading, as plain figures: they are worked out elsewhere and set beside the central ones. */
export interface Ranges {
  stages: Record<string, Interval | null>
  cuts: Record<string, Interval | null>
  parts: Record<string, Interval>
  net: Interval | null
  cover: Interval | null
  /** What is all weighed against what was likely: it takes the draws to say. */
  missing: Missing | null
  /** Those of its groups, in their order. */
  groups: Ranges[]
}

const SIDES: readonly SideName[][] = [['left'], ['right'], ['left', 'right'], ['animal']]

/** Intervals of all parts, on each side and on both; of those that hold anything. */
export function partRanges({ cutting, drawn }: Pick<Reckoning, 'cutting' | 'drawn'>): Ranges['parts'] {
  if (!drawn) return {}
  const { slots } = cutting
  const out: Ranges['parts'] = {}
  for (const part of new Set(slots.map((s) => s.part)))
    for (const sides of SIDES) {
      const at = slots.flatMap((s, i) => (s.part === part && sides.includes(s.side) && s.holds ? [i] : []))
      if (at.length === 0) continue
      const sums = new Float64Array(drawn.draws)
      for (const i of at) drawn.slots[i]!.forEach((x, d) => (sums[d]! += x))
      const range = interval(sums)
      if (range) out[partKey(part, sides)] = range
    }
  return out
}

/** The intervals of a reading with draws. */
export const rangesOf = (read: Reckoning): Ranges => ({
  stages: Object.fromEntries(read.stages.map((s) => [s.id, s.range])),
  cuts: Object.fromEntries(read.cuts.map((c) => [c.cut.id, c.range])),
  parts: partRanges(read),
  net: read.money.netRange,
  cover: read.money.coverRange,
  missing: missingOf(read),
  groups: read.groups.map((g) => rangesOf(g.read)),
})

/** A reading with intervals beside its central figures, which stay as they are. */
export const withRanges = (central: Reckoning, ranges: Ranges): Reckoning => ({
  ...central,
  parts: ranges.parts,
  missing: ranges.missing,
  stages: central.stages.map((s) => ({ ...s, range: ranges.stages[s.id] ?? null })),
  cuts: central.cuts.map((c) => ({ ...c, range: ranges.cuts[c.cut.id] ?? null })),
  money: { ...central.money, netRange: ranges.net, coverRange: ranges.cover },
  groups: central.groups.map((g, i) => ({ ...g, read: withRanges(g.read, ranges.groups[i]!) })),
})
