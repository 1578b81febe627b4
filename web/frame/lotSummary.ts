import { computed, type ComputedRef } from 'vue'
import type { Lot } from '#contracts'
import { reckon, type Uncovered } from '#core/forecast'
import { useFarm } from '../state/farm.ts'

export type Standing = 'alive' | 'hanging' | 'packing' | 'packed'
export const STANDINGS: { id: Standing; word: string }[] = [
  { id: 'alive', word: 'On the hoof' },
  { id: 'hanging', word: 'Hanging' },
  { id: 'packing', word: 'Being packed' },
  { id: 'packed', word: 'Packed' },
]

/** What a tag on the rail bears, and the next thing to do for that lot. */
export interface LotSummary {
  lot: Lot
  standing: Standing
  key: { word: string; kg: number; weighed: boolean } | null
  cover: number | null
  uncovered: Uncovered | null
  goal: number | null
  next: { say: string; station: 'hang' | 'block' | 'price' | 'pack' }
}

const cache = new WeakMap<object, LotSummary>()

function summarise(store: ReturnType<typeof useFarm>, lot: Lot): LotSummary | null {
  const flow = store.flows.get(lot.anatomy)
  if (!flow || !store.farm) return null
  const state = store.stateOf(lot)
  const read = reckon(flow, state, { massUnit: store.farm.massUnit, mincePerKg: store.farm.mincePerKg }, 0)
  const at = (id: string) => read.stages.find((s) => s.id === id)
  const hung = [at('hanging'), at('hot')].find((s) => s?.weighed)
  const products = read.cuts.filter((c) => c.cut.kind === 'product')
  const packed = products.length > 0 && products.every((c) => c.done)
  const packing = read.cuts.some((c) => c.weighedKg > 0)
  const standing: Standing = packed ? 'packed' : packing ? 'packing' : hung ? 'hanging' : 'alive'
  const shown = packing ? at('packed') : (hung ?? at('live'))
  const word = packing ? 'packed' : hung ? (hung.id === 'hot' ? 'hot' : 'hanging') : 'live'
  const { costs, target, cover, uncovered } = read.money
  return {
    lot,
    standing,
    key: shown ? { word, kg: shown.kg, weighed: shown.weighed } : null,
    cover,
    uncovered,
    goal: costs.total > 0 && target > 0 ? (costs.total + target) / costs.total : null,
    next: nextStep(
      standing,
      read.stages.length > 0,
      Boolean(read.plan.route),
      costs.total > 0,
      read.plan.choices.paths.size > 0,
    ),
  }
}

function nextStep(
  standing: Standing,
  weighed: boolean,
  route: boolean,
  costs: boolean,
  planned: boolean,
): LotSummary['next'] {
  if (!weighed) return { say: 'Enter a live, hot or hanging weight', station: 'hang' }
  if (standing === 'packed') return { say: 'Everything is weighed: look at the sum', station: 'price' }
  if (standing === 'packing') return { say: 'Go on weighing packs', station: 'pack' }
  if (!costs) return { say: 'Say what the animal cost', station: 'price' }
  if (standing === 'hanging' && !route) return { say: 'Say how it was slaughtered', station: 'hang' }
  if (!planned) return { say: 'Decide how each part is cut', station: 'block' }
  return standing === 'hanging'
    ? { say: 'Set prices, then weigh packs', station: 'price' }
    : { say: 'Weigh it again, or try other cuts', station: 'hang' }
}

/** Summaries of all lots, each worked out again only when that lot changed. */
export function useSummaries(): ComputedRef<LotSummary[]> {
  const store = useFarm()
  return computed(() =>
    [...store.lots.values()].flatMap((lot) => {
      const waiting = store.stateOf(lot).commands.length !== lot.commands.length
      const held = waiting ? undefined : cache.get(lot)
      const summary = held ?? summarise(store, lot)
      if (summary && !waiting) cache.set(lot, summary)
      return summary ? [summary] : []
    }),
  )
}
