import type { Kg, Names } from '#core/measure'
import { CLASS_OF } from '#core/records'
import { birdsOf } from '#core/rules'
import { cutOn, hungWords } from '#core/plan'
import type { Reckoning, Uncovered } from './lot.ts'

/** How far a lot has come, in the order of the rail. */
export const STANDINGS = ['alive', 'hanging', 'packing', 'packed'] as const
export type Standing = (typeof STANDINGS)[number]

export interface Progress {
  standing: Standing
  /** The figure that says most: packed so far, hung, or alive. */
  key: { is: 'packed' | 'hanging' | 'hot' | 'live'; kg: Kg; weighed: boolean } | null
  cover: number | null
  uncovered: Uncovered | null
  /** Cover at which the target is met too; null without costs or a target. */
  goal: number | null
  next: Next
  /** What of the animal hangs, and of which lot or farm it is; null for all of it, and where nobody said. */
  hung: Names | null
  mother: string | null
  /** From when to when it hangs by plan, where the day of its kill is known; null for what hangs on no rail, or not yet. */
  hangs: { from: string; until: string } | null
  /** Birds under the small producer's exemption, and the year they were killed in; null where there are none, or no day was said. */
  exempt: { birds: number; year: string | null } | null
}

/** The next thing to do for a lot. */
export type Next =
  | 'weigh'
  | 'look-at-sum'
  | 'weigh-packs'
  | 'enter-costs'
  | 'say-route'
  | 'plan'
  | 'price'
  | 'weigh-again'

/** What a tag on the rail bears: standing, the figure that counts, Cover, and what comes next. */
export function progressOf(read: Reckoning): Progress {
  const at = (id: string) => read.stages.find((s) => s.id === id)
  const hung = [at('hanging'), at('hot')].find((s) => s?.weighed)
  const products = read.cuts.filter((c) => c.cut.kind === 'product')
  const packed = products.length > 0 && products.every((c) => c.done)
  const packing = read.cuts.some((c) => c.weighedKg > 0)
  const isAlive = !hung && read.plan.hangs.as === 'whole'
  const standing = !read.plan.verdict.food
    ? 'packed'
    : packed
      ? 'packed'
      : packing
        ? 'packing'
        : isAlive
          ? 'alive'
          : 'hanging'
  const shown = packing ? at('packed') : (hung ?? at('live') ?? at('hanging'))
  const { costs, target, cover, uncovered } = read.money
  return {
    standing,
    key: shown
      ? {
          is: packing ? 'packed' : shown.id === 'live' ? 'live' : shown.id === 'hot' ? 'hot' : 'hanging',
          kg: shown.kg,
          weighed: shown.weighed,
        }
      : null,
    cover,
    uncovered,
    goal: costs.total > 0 && target > 0 ? (costs.total + target) / costs.total : null,
    next: nextOf(read, standing),
    hung: hungWords(read.flow.anatomy, read.plan.hangs),
    mother: read.plan.mother,
    hangs: standing === 'hanging' ? hangsFor(read) : null,
    exempt:
      read.plan.route === 'poultry-exempt'
        ? { birds: exemptCount(read), year: read.plan.killed?.slice(0, 4) ?? null }
        : null,
  }
}

/** Birds it counts of a year: those killed, condemned ones too, in birds of the law; none of parts that another lot was cut into. */
const exemptCount = ({ killed, plan, flow }: Reckoning): number =>
  plan.hangs.as === 'whole' ? killed * birdsOf(flow.anatomy.species) : 0

/** Birds and rabbits lie in ice or on trays, and a part in its box. */
function hangsFor({ flow, plan }: Reckoning): Progress['hangs'] {
  const of = CLASS_OF[flow.anatomy.species]
  if (plan.killed === null || plan.hangs.as === 'part' || of === 'poultry' || of === 'rabbits') return null
  return { from: plan.killed, until: cutOn(plan)! }
}

/** Of the rail on a day: who hangs there still, but for `self`, and how many places it leaves free, below zero where it finds none; null where places are not known. */
export function railOn<L extends { id: string; count: number; progress: Progress }>(
  lots: readonly L[],
  day: string,
  self: { id: string; count: number },
  places: number | null,
): { there: L[]; taken: number; places: number; free: number } | null {
  if (places === null) return null
  const there = lots.filter(
    ({ id, progress: { hangs } }) => id !== self.id && hangs && hangs.from <= day && day < hangs.until,
  )
  const taken = there.reduce((sum, l) => sum + l.count, 0)
  return { there, taken, places, free: places - taken - self.count }
}

function nextOf({ stages, plan, money }: Reckoning, standing: Standing): Next {
  if (stages.length === 0) return 'weigh'
  if (standing === 'packed') return 'look-at-sum'
  if (standing === 'packing') return 'weigh-packs'
  if (money.costs.total === 0) return 'enter-costs'
  if (standing === 'hanging' && !plan.route) return 'say-route'
  if (plan.choices.paths.size === 0) return 'plan'
  return standing === 'hanging' ? 'price' : 'weigh-again'
}
