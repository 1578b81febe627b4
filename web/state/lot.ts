import { computed, inject, provide, ref, type InjectionKey } from 'vue'
import type { NewPack, NewWeighing } from '#contracts'
import type { Anatomy, SideName } from '#core/anatomy'
import { reckon, type Reckoning } from '#core/forecast'
import { nextRedo, nextUndo, type Decision } from '#core/plan'
import { useFarm } from './farm.ts'

export type Sides = 'left' | 'right' | 'both'
/** What the ways to open a part are put in order by. */
export type Rank = 'listed' | 'money' | 'take-home' | 'minutes'

/** One lot, read whole, with what a station may do to it. */
function openLot(id: () => string) {
  const store = useFarm()
  const lot = computed(() => store.lots.get(id()) ?? null)
  const flow = computed(() => (lot.value ? (store.flows.get(lot.value.anatomy) ?? null) : null))
  const state = computed(() => (lot.value ? store.stateOf(lot.value) : null))
  const farmFigures = computed(() => ({
    massUnit: store.farm?.massUnit ?? ('kg' as const),
    mincePerKg: store.farm?.mincePerKg ?? 1000,
  }))
  const reading = computed<Reckoning | null>(() =>
    flow.value && state.value ? reckon(flow.value, state.value, farmFigures.value) : null,
  )
  const undoable = computed(() => (state.value ? nextUndo(state.value.commands) : null))
  const redoable = computed(() => (state.value ? nextRedo(state.value.commands) : null))
  const picked = ref<string | null>(null)
  const part = computed({
    get: () => picked.value ?? firstPart(flow.value?.anatomy),
    set: (id: string) => (picked.value = id),
  })
  const sides = ref<Sides>('both')
  const rank = ref<Rank>('listed')
  return {
    lot,
    flow,
    state,
    farmFigures,
    reading,
    undoable,
    redoable,
    part,
    sides,
    rank,
    sidesOf: (partId: string): SideName[] => {
      const scope = flow.value?.anatomy.parts.find((p) => p.id === partId)?.scope
      if (scope === 'animal') return ['animal']
      return sides.value === 'both' ? ['left', 'right'] : [sides.value]
    },
    decide: (...decisions: Decision[]) => store.decide(id(), decisions),
    weigh: (body: NewWeighing) => store.weigh(id(), body),
    pack: (body: NewPack) => store.pack(id(), body),
    undo: () =>
      undoable.value && store.decide(id(), undoable.value.decisions, { undoes: undoable.value.batch }),
    redo: () =>
      redoable.value && store.decide(id(), redoable.value.decisions, { redoes: redoable.value.batch }),
  }
}

/** What the Block opens on: the best of the animal, or its first part. */
const firstPart = (anatomy?: Anatomy): string =>
  ['loin', 'short-loin'].find((id) => anatomy?.parts.some((p) => p.id === id)) ?? anatomy?.parts[0]?.id ?? ''

export type OpenLot = ReturnType<typeof openLot>
const KEY: InjectionKey<OpenLot> = Symbol('lot')

export function provideLot(id: () => string): OpenLot {
  const open = openLot(id)
  provide(KEY, open)
  return open
}

export function useLot(): OpenLot {
  const open = inject(KEY)
  if (!open) throw new Error('useLot() outside a lot')
  return open
}

/** The reading of a lot that is known to be there: stations are only shown with one. */
export function useReading() {
  const open = useLot()
  return {
    ...open,
    read: computed(() => open.reading.value!),
    body: computed(() => open.reading.value!.flow),
  }
}
