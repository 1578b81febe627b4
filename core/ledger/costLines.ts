import { apportion, kg, minor, sumOf, toKg, type Kg, type Minor, daysBetween } from '#core/measure'
import type { CostLine, Plan } from '#core/plan'
import { COST_KINDS, condemnedBy, type CostKind, type CostShare, type Overhead } from '#core/records'

/** A word for what money is spent on. */
export const COST_WORDS: Record<CostKind, string> = {
  animal: 'the animal',
  feed: 'feed',
  bedding: 'bedding and minerals',
  vet: 'vet and medicine',
  labour: 'labour',
  land: 'land and grazing',
  equipment: 'equipment',
  haulage: 'haulage',
  processor: 'processor',
  packaging: 'packaging',
  other: 'other',
}

/** Words that say of an older line what it was spent on. */
const GUESSED: [CostKind, RegExp][] = [
  ['labour', /\b(labou?r|helpers?)\b/],
  [
    'animal',
    /\b(feeder|weaners?|calf|calves|chicks?|poults?|ducklings?|piglets?|share|the (half|legs|loins|lot))\b/,
  ],
  ['feed', /\b(feed|hay|grain|pellets|milk|browse)\b/],
  ['bedding', /\b(bedding|straw|minerals?|brooding)\b/],
  ['vet', /\b(vet|medicine|wormer)\b/],
  ['haulage', /\b(haul|haulage|transport)\b/],
  ['packaging', /\b(bags|wrap|packaging)\b/],
  ['land', /\b(grazing|pasture|land|rent)\b/],
  ['processor', /\b(kill|plant|processor)\b/],
]

/** The kind of a line: as it was said, or else by its words. */
export function kindOf({ of, label }: Pick<CostLine, 'of' | 'label'>): CostKind {
  const words = label.toLowerCase()
  return of ?? GUESSED.find(([, word]) => word.test(words))?.[0] ?? 'other'
}

/** What one of the quantity cost; null where none was written down. Whole minor units. */
export const eachOf = ({ amount, quantity }: Pick<CostLine, 'amount' | 'quantity'>): Minor | null =>
  quantity ? minor(amount / quantity.value) : null

/** What was spent on each kind of thing, those with nothing left out. Whole minor units. */
export function spentByKind(lines: readonly CostLine[]): { kind: CostKind; amount: Minor }[] {
  return COST_KINDS.flatMap((kind) => {
    const own = lines.filter((l) => kindOf(l) === kind)
    return own.length > 0 ? [{ kind, amount: sumOf(own, (l) => l.amount) }] : []
  })
}

/** How many came: as was said, or all that were hung and those that are gone. */
export const cameOf = (plan: Pick<Plan, 'start' | 'losses' | 'downgrades'>, count: number): number =>
  plan.start?.animals ?? knownOf(plan, count)

/** Animals of which it is known what became of them: alive or hung, lost, condemned. */
const knownOf = ({ losses, downgrades }: Pick<Plan, 'losses' | 'downgrades'>, count: number): number =>
  count +
  losses.reduce((sum, l) => sum + l.animals, 0) +
  downgrades.reduce((sum, d) => sum + condemnedBy(d), 0)

/** Animals that came and are neither alive nor lost: somebody is asked what became of them. None where nobody said how many came. */
export const unaccounted = (plan: Pick<Plan, 'start' | 'losses' | 'downgrades'>, count: number): number =>
  Math.max(0, cameOf(plan, count) - knownOf(plan, count))

/** How well feed became animal. */
export interface Growth {
  gain: Kg
  /** Kilograms of feed that were written down, and for each of gain; null without any. */
  feed: Kg
  conversion: number | null
  /** Minor units of feed, and of all that was paid before the kill, for a kilogram of gain. */
  feedPerKg: number | null
  allPerKg: number
  /** Kilograms an animal gained a day; null where the days are not known. */
  daily: Kg | null
  /** Animals that were lost, and what each that lives bears of what was paid for them; null where none was. */
  lost: { animals: number; each: Minor } | null
}

/** What comes after the kill is no cost of growing. */
const AFTER = new Set<CostKind>(['processor', 'packaging'])

/**
 * Feed conversion: feed ÷ gain, both in kilograms; and what a kilogram of gain cost. `live` is what all weigh now, or
 * weighed alive at the end; null where they gained nothing, or nobody weighed them when they came.
 */
export function growthOf(
  lines: readonly CostLine[],
  start: { kg: Kg; day: string; animals?: number | null } | null,
  live: Kg,
  count: number,
  until: string | null,
): Growth | null {
  const gain = start ? live - start.kg : 0
  if (!start || gain <= 0) return null
  const own = lines.filter((l) => kindOf(l) === 'feed')
  const feed = sumOf(own, ({ quantity: q }) =>
    q?.unit === 'kg' || q?.unit === 'lb' ? toKg(q.value, q.unit) : kg(0),
  )
  const spent = sumOf(own, (l) => l.amount)
  const all = sumOf(lines, (l) => (AFTER.has(kindOf(l)) ? minor(0) : l.amount))
  const days = until === null ? 0 : daysBetween(start.day, until)
  return {
    gain: kg(gain),
    feed,
    conversion: feed > 0 ? feed / gain : null,
    feedPerKg: spent > 0 ? spent / gain : null,
    allPerKg: all / gain,
    daily: days > 0 ? kg(gain / days / count) : null,
    lost: lossesOf(all, start.animals ?? count, count),
  }
}

/**
 * An animal that is lost in rearing loads its cost on those that live: what was paid, by each that lives, less what it would
 * be by each that came. Minor units; null where none was lost.
 */
function lossesOf(paid: Minor, came: number, live: number): Growth['lost'] {
  const animals = came - live
  return animals > 0 ? { animals, each: minor(paid / live - paid / came) } : null
}

/** A lot that bears a share of a cost: its animals, the days they were there, what they weigh together. */
export interface Bearer {
  id: string
  count: number
  days: number
  kg: number
}

/** Shares of a cost of several lots, by head, head-days, weight, or alike; they come to it to the minor unit. Null where there is nothing to share it by. */
export function shareCost(total: Minor, by: CostShare, bearers: readonly Bearer[]): Minor[] | null {
  const weights = bearers.map((b) =>
    by === 'head' ? b.count : by === 'head-days' ? b.count * b.days : by === 'weight' ? b.kg : 1,
  )
  return weights.some((w) => w > 0) ? apportion(total, weights) : null
}

/** Of what the farm pays over a time, what no lot bears yet; below nothing where they bear more than all of it. */
export const leftOf = (overhead: Pick<Overhead, 'amount'>, borne: number): Minor =>
  minor(overhead.amount - borne)
