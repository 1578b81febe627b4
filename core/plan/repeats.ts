import { minor, type Minor, daysBetween } from '#core/measure'
import type { Cost } from '#core/records'
import { monthsBetween } from './age.ts'

type Repeats = NonNullable<Cost['repeats']>

/** How often a cost falls due from a day to another, both counted (ISO 8601); none where the second lies before the first. */
export function timesDue(every: Repeats['every'], from: string, until: string): number {
  if (until < from) return 0
  if (every === 'month') return monthsBetween(from, until) + 1
  return Math.floor(daysBetween(from, until) / (every === 'week' ? 7 : 1)) + 1
}

/** What a cost that comes again comes to by its last day; minor units. */
export const repeated = ({ each, every, until }: Repeats, from: string): Minor =>
  minor(each * timesDue(every, from, until))
