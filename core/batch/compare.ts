import type { Names } from '#core/anatomy'
import { afterBench, cameOf, eachOf, kindOf } from '#core/ledger'
import { gramsOf, kg, sumOf, toKg, type Kg, type Minor } from '#core/measure'
import { NO_LOG, tried, type CostLine } from '#core/plan'
import { partFigure, reckon, type FarmFigures, type LotState, type Reckoning } from '#core/reading'
import { FEED_PHASES, type FeedPhase } from '#core/records'
import { curveOf, dayAt, feedTo } from './curves.ts'

/** Feed that was written down with its weight, by phase; null is feed of no phase. */
export interface Fed {
  phase: FeedPhase | null
  kg: Kg
  amount: Minor
}
const weightOf = ({ quantity: q }: CostLine): Kg =>
  q?.unit === 'kg' || q?.unit === 'lb' ? toKg(q.value, q.unit) : kg(0)

export function fedByPhase(costs: readonly CostLine[]): Fed[] {
  const feed = costs.filter((c) => kindOf(c) === 'feed')
  return [...FEED_PHASES, null].flatMap((phase) => {
    const own = feed.filter((c) => (c.phase ?? null) === phase)
    return own.length > 0 ? [{ phase, kg: sumOf(own, weightOf), amount: sumOf(own, (c) => c.amount) }] : []
  })
}

/** What one costs that is alive, and a kg of what is dressed: all that was paid, by those that are left. Minor units, not rounded. */
export function batchCost(read: Reckoning): { alive: number; dressedKg: number | null; lost: number } {
  const total = read.money.costs.total
  const came = cameOf(read.plan, read.count)
  return {
    alive: total / read.count,
    dressedKg: read.weights ? total / read.weights.hot : null,
    lost: total / read.count - total / came,
  }
}

/** What is paid for one to begin with and for a kg of feed, minor units; null where no cost says. */
export function pricesPaid(
  costs: readonly CostLine[],
  came: number,
): { young: number | null; feedKg: number | null } {
  const animal = costs.filter((c) => kindOf(c) === 'animal')
  const weighed = costs.filter((c) => kindOf(c) === 'feed' && weightOf(c) > 0)
  const counted = animal.find((c) => c.quantity?.unit === 'head')
  return {
    young: counted ? eachOf(counted) : animal.length > 0 ? sumOf(animal, (c) => c.amount) / came : null,
    feedKg: weighed.length > 0 ? sumOf(weighed, (c) => c.amount) / sumOf(weighed, weightOf) : null,
  }
}

/** One type raised to a weight on this farm; figures of one animal, money in minor units, not rounded. */
export interface TypeFigures {
  type: string
  names: Names
  days: number | null
  feed: Kg
  dressed: Kg
  /** Share of what is dressed that is breast on the bone; null of an animal without. */
  breast: number | null
  /** What it brings as it is cut and priced here, less fees and the bench; what chick, feed and keep cost; what is left. */
  brings: number
  young: number
  fed: number
  kept: number
  left: number
  leftPerDay: number | null
}

/** Types of an animal, each raised to so much alive on this farm: at its feed price, its keep by the day, its plan and prices. */
export function compareTypes(
  read: Reckoning,
  state: Pick<LotState, 'commands' | 'facts'>,
  farm: FarmFigures,
  asked: readonly { type: string; kg: Kg; young: number }[],
  feedKg: number,
  keepADay: number,
): TypeFigures[] {
  const { flow, count } = read
  const { anatomy } = flow
  return asked.flatMap(({ type, kg: live, young }): TypeFigures[] => {
    const curve = curveOf(anatomy.species, type)
    const named = anatomy.types.find((t) => t.id === type)
    if (!curve || !named) return []
    const shown = { value: live * count, unit: 'kg' } as const
    const lot: LotState = {
      ...NO_LOG,
      ...tried({ commands: state.commands, facts: state.facts.filter((f) => !isMassFact(f.fact)) }, [
        { kind: 'observation', what: 'type', value: type },
      ]),
      count,
      weighings: [
        {
          id: `as ${type} ${live}`,
          stage: 'live',
          basis: null,
          source: 'guess',
          shown,
          grams: gramsOf(shown),
          corrects: null,
          stands: true,
          at: '',
        },
      ],
      packs: [],
    }
    const as = reckon(flow, lot, farm, 0)
    const parted = reckon(
      flow,
      { ...lot, ...tried(lot, [{ field: 'path', target: 'bird', side: 'animal', value: 'bird-parts' }]) },
      farm,
      0,
    )
    const dressed = kg(as.weights!.hot / count)
    const hasBreast = anatomy.parts.some((p) => p.id === 'breast')
    const days = dayAt(curve, live)
    const feed = kg(feedTo(curve, live))
    const brings = afterBench(as.worth) / count
    const kept = keepADay * (days ?? 0)
    const left = brings - young - feed * feedKg - kept
    return [
      {
        ...{ type, names: named.names, days, feed, dressed },
        breast: hasBreast ? partFigure(parted, 'breast', ['animal']).kg / count / dressed : null,
        ...{ brings, young, fed: feed * feedKg, kept, left },
        leftPerDay: days ? left / days : null,
      },
    ]
  })
}

/** What was weighed or counted of the animals that are here says nothing of others. */
const isMassFact = (fact: LotState['facts'][number]['fact']): boolean =>
  fact.kind === 'animal' ||
  fact.kind === 'tick' ||
  fact.kind === 'fault' ||
  (fact.kind === 'observation' && ['type', 'part', 'cut-away', 'measure'].includes(fact.what))

/** Keep by the head and day: all that was paid but for the young animals, feed, work, and what comes after the kill. */
export function keepADay(costs: readonly CostLine[], count: number, days: number): number {
  const OTHER = new Set(['animal', 'feed', 'labour', 'processor', 'packaging'])
  const kept = sumOf(
    costs.filter((c) => !OTHER.has(kindOf(c))),
    (c) => c.amount,
  )
  return days > 0 ? kept / count / days : 0
}
