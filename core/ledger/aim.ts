import { minor, type Minor } from '#core/measure'
import type { Aim } from '#core/records'

/** What a lot costs, of it the labour at the bench by the plan, and the minutes that takes. */
export interface Spent {
  total: Minor
  labour: Minor
  minutes: number
}

/**
 * The profit that is aimed at beside all costs: a sum; so much that the margin is a share of what is brought (profit =
 * cost · m ÷ (1 − m)); or so much that an hour at the bench is paid with `amount`, what it is paid already counted in.
 * Whole minor units, never below nothing.
 */
export function targetFor(aim: Aim | null, sum: Minor, { total, labour, minutes }: Spent): Minor {
  switch (aim?.kind) {
    case undefined:
      return sum
    case 'margin':
      return minor((total * aim.share) / (1 - aim.share))
    case 'hour':
      return minor(Math.max(0, (minutes / 60) * aim.amount - labour))
  }
}

/** What net leaves: a margin as a share of it, and pay for an hour at the bench; null where nothing comes in or nobody cuts. */
export function earned(
  net: Minor,
  { total, labour, minutes }: Spent,
): { margin: number | null; hour: Minor | null } {
  return {
    margin: net > 0 ? (net - total) / net : null,
    hour: minutes > 0 ? minor((net - total + labour) / (minutes / 60)) : null,
  }
}
