import { computed, type ComputedRef } from 'vue'
import type { Lot } from '#contracts'
import { readFacts } from '#core/plan'
import { readBy } from '#core/records'
import { progressOf, reckon, type Next, type Progress, type Standing } from '#core/reading'
import { useFarm } from '../state/farm.ts'

export const STANDING_WORDS: Record<Standing, string> = {
  alive: 'On the hoof',
  hanging: 'Hanging',
  packing: 'Being packed',
  packed: 'Packed',
}
/** The next thing to do, in words, and where it is done. */
export const NEXT_WORDS: Record<Next, { say: string; station: 'hang' | 'block' | 'price' | 'pack' }> = {
  weigh: { say: 'Enter a live, hot or hanging weight', station: 'hang' },
  'look-at-sum': { say: 'Everything is weighed: look at the sum', station: 'price' },
  'weigh-packs': { say: 'Go on weighing packs', station: 'pack' },
  'enter-costs': { say: 'Say what the animal cost', station: 'price' },
  'say-route': { say: 'Say how it was slaughtered', station: 'hang' },
  plan: { say: 'Decide how each part is cut', station: 'block' },
  price: { say: 'Set prices, then weigh packs', station: 'price' },
  'weigh-again': { say: 'Weigh it again, or try other cuts', station: 'hang' },
}

/** What a tag on the rail bears. */
export interface LotSummary extends Progress {
  lot: Lot
}

const cache = new WeakMap<object, { figures: object; summary: LotSummary }>()

/** Summaries of all lots that hang, each worked out again only when that lot changed. */
export function useSummaries(): ComputedRef<LotSummary[]> {
  const store = useFarm()
  return computed(() =>
    [...store.lots.values()].flatMap((lot) => {
      const state = store.stateOf(lot)
      const flow = store.flows.get(readBy({ ...lot, ...state }))
      if (!flow || !store.farm || readFacts(state.facts).withdrawn) return []
      const waiting = state.commands.length + state.facts.length !== lot.commands.length + lot.facts.length
      const { figures } = store
      const held = waiting ? undefined : cache.get(lot)
      if (held?.figures === figures) return [held.summary]
      const summary = { lot, ...progressOf(reckon(flow, state, figures, 0)) }
      if (!waiting) cache.set(lot, { figures, summary })
      return [summary]
    }),
  )
}

/** Lots taken off the rail, hung by mistake: they can be hung again. */
export function useWithdrawn(): ComputedRef<Lot[]> {
  const store = useFarm()
  return computed(() =>
    [...store.lots.values()].filter((lot) => readFacts(store.stateOf(lot).facts).withdrawn),
  )
}
