import { computed, watchEffect, type Ref } from 'vue'
import type { Species } from '#core/anatomy'
import { kg, type Kg, type UnitPrice } from '#core/measure'
import { reckon } from '#core/reading'
import { readBy } from '#core/records'
import { useFarm } from '../../state/farm.ts'
import { useLots } from '../../state/lots.ts'

/** So many lots are read for a cut's page. */
const MOST = 6

export interface CutOnLot {
  id: string
  tag: string
  expected: Kg
  weighed: Kg
  price: UnitPrice | null
}

/** What a cut weighs and costs on the newest lots of its species, those that give any of it. */
export function useCutOnLots(species: Ref<Species>, cut: () => string) {
  const farm = useFarm()
  const lots = useLots()
  const cards = computed(() =>
    [...farm.cards.values()].filter((c) => c.species === species.value && !c.withdrawn).slice(-MOST),
  )
  watchEffect(() => cards.value.forEach((c) => void lots.open(c.id)))
  const reads = computed(() =>
    cards.value.flatMap(({ id, tag }) => {
      const lot = lots.lots.get(id)
      const flow = lot && lots.flows.get(readBy(lot))
      return lot && flow ? [{ id, tag, read: reckon(flow, lots.stateOf(lot), lots.figures, 0) }] : []
    }),
  )
  return computed<CutOnLot[]>(() =>
    reads.value.flatMap(({ id, tag, read }) => {
      const found = read.cuts.find((c) => c.cut.id === cut())
      if (!found) return []
      const priced = read.plan.verdict.sale === 'by-the-piece' && found.price.milli > 0
      return [
        {
          id,
          tag,
          expected: found.expectedKg,
          weighed: found.weighedKg ?? kg(0),
          price: priced ? found.price : null,
        },
      ]
    }),
  )
}
