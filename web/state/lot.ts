import { useSessionStorage } from '@vueuse/core'
import { computed, inject, onScopeDispose, provide, ref, shallowRef, watch, type InjectionKey } from 'vue'
import type { NewPack, NewWeighing } from '#contracts'
import type { Anatomy, SideName } from '#core/anatomy'
import { extentOf, sidesIn } from '#core/carcass'
import { nextRedo, nextUndo, tried, type FactRow } from '#core/plan'
import { reckon, withRanges, type LotState, type Rank, type Reckoning } from '#core/reading'
import { ALL_HANGS, HALVES, inForce, readBy, type Decision, type FactBody } from '#core/records'
import { ME } from './device.ts'
import { drawings } from './figures.ts'
import { useLots } from './lots.ts'
import { tally } from './tally.ts'

export type Sides = 'left' | 'right' | 'both'

const ids = (s: LotState) => [...s.commands, ...s.facts, ...s.weighings, ...s.packs].map((x) => x.id).join()
/** The same records in the same order, whether kept or still on their way. */
const isSame = (a: LotState, b: LotState) => a.count === b.count && ids(a) === ids(b)

/** One lot, read whole, with what a station may do to it. */
function openLot(id: () => string) {
  const store = useLots()
  watch(id, (now) => void store.open(now), { immediate: true })
  const lot = computed(() => store.lots.get(id()) ?? null)
  /** Decisions of a line being dragged: shown everywhere, kept nowhere until it is let go. */
  const preview = shallowRef<Decision[]>([])
  const state = computed<LotState | null>((before) => {
    const held = lot.value ? store.stateOf(lot.value) : null
    if (!held) return null
    // A decision that was on its way and is kept now is the same decision: nothing is worked out anew for it.
    if (preview.value.length === 0) return before && isSame(before, held) ? before : held
    return { ...held, ...tried(held, preview.value) }
  })
  /** Which anatomy it is read by: fetched when it is another than it was, a move or its undo. */
  const by = computed(() => lot.value && readBy({ ...lot.value, ...state.value }))
  watch(by, (hash) => hash && void store.fetchFlow(hash), { immediate: true })
  const flow = computed(() => (by.value ? (store.flows.get(by.value) ?? null) : null))
  const farmFigures = computed(() => store.figures)
  const central = computed<Reckoning | null>(() => {
    if (!flow.value || !state.value) return null
    tally('reading')
    return reckon(flow.value, state.value, farmFigures.value, 0)
  })
  /** The same figures with their intervals beside them, drawn in a thread while the page shows the central ones. */
  const drawn = shallowRef<{ of: Reckoning; read: Reckoning } | null>(null)
  let wanted: Reckoning | null = null
  const drawing = drawings((ranges) => {
    if (wanted && wanted === central.value) drawn.value = { of: wanted, read: withRanges(wanted, ranges) }
  })
  watch(
    central,
    (now) => {
      wanted = now && preview.value.length === 0 ? now : null
      if (wanted && by.value && flow.value && state.value)
        drawing.ask({ hash: by.value, flow: flow.value, state: state.value, farm: farmFigures.value })
      else drawing.forget()
    },
    { immediate: true },
  )
  onScopeDispose(() => drawing.end())
  /** Whether the intervals of these figures are there yet: until then a figure without one is not a weighed one. */
  const isDrawn = computed(() => drawn.value !== null && drawn.value.of === central.value)
  const reading = computed(() =>
    drawn.value && drawn.value.of === central.value ? drawn.value.read : central.value,
  )
  const undoable = computed(() => (state.value ? nextUndo(state.value.commands, ME, store.passed) : null))
  const redoable = computed(() => (state.value ? nextRedo(state.value.commands, ME, store.passed) : null))
  /** The part that is looked at stays so over a reload, for each lot. */
  const picked = useSessionStorage<Record<string, string>>('ekko-parts', {})
  const part = computed({
    get: () => {
      const held = picked.value[id()]
      const anatomy = flow.value?.anatomy
      if (!anatomy) return held ?? ''
      const isHere = (part: string) => sidesIn(anatomy, hangs.value, part).length > 0
      if (held !== undefined && isHere(held)) return held
      if (hangs.value.as === 'part') return hangs.value.part
      return [firstPart(anatomy), ...anatomy.parts.map((p) => p.id)].find(isHere) ?? ''
    },
    set: (now: string) => (picked.value = { ...picked.value, [id()]: now }),
  })
  const asked = ref<Sides>('both')
  /** What of the animal hangs; the sides of it that do. */
  const hangs = computed(() => central.value?.plan.hangs ?? ALL_HANGS)
  const halves = computed(() => (flow.value ? extentOf(flow.value.anatomy, hangs.value).sides : HALVES))
  /** Which sides are decided for: where one hangs there is no choice. */
  const sides = computed<Sides>({
    get: () => (halves.value.length === 1 ? halves.value[0]! : asked.value),
    set: (now) => (asked.value = now),
  })
  const rank = ref<Rank>('listed')
  return {
    lot,
    by,
    flow,
    state,
    farmFigures,
    central,
    reading,
    isDrawn,
    undoable,
    redoable,
    part,
    preview,
    sides,
    hangs,
    halves,
    rank,
    sidesOf: (partId: string): SideName[] => {
      const all = flow.value ? sidesIn(flow.value.anatomy, hangs.value, partId) : HALVES
      return all.length === 1 || sides.value === 'both' ? [...all] : [sides.value]
    },
    decide: (...decisions: Decision[]) => store.decide(id(), decisions),
    note: (...facts: FactBody[]) => store.note(id(), facts),
    correct: (row: FactRow, fact: FactBody) => store.correct(id(), row, fact),
    withdraw: (...facts: FactRow[]) => store.note(id(), [], facts),
    /** The fact in force about a thing, to be withdrawn. */
    factOf: (is: (fact: FactBody) => boolean) => inForce(state.value?.facts ?? []).filter((f) => is(f.fact)),
    weigh: (body: NewWeighing) => store.weigh(id(), body),
    pack: (body: NewPack) => store.pack(id(), body),
    undo: () => undoable.value && store.takeBack(id(), undoable.value, 'undoes'),
    redo: () => redoable.value && store.takeBack(id(), redoable.value, 'redoes'),
  }
}

/** What the Block opens on: the best of the animal, or its first part. */
const firstPart = (anatomy?: Anatomy): string =>
  (anatomy?.ribs && ['loin', 'short-loin'].find((id) => anatomy.parts.some((p) => p.id === id))) ||
  anatomy?.parts[0]?.id ||
  ''

export type OpenLot = ReturnType<typeof openLot>
const KEY: InjectionKey<OpenLot> = Symbol('lot')

export function provideLot(id: () => string): OpenLot {
  const open = openLot(id)
  provide(KEY, open)
  return open
}

/** The lot a page is about, or null on a page of the whole farm. */
export const useLotHere = (): OpenLot | null => inject(KEY, null)

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
    /** The same without intervals: what is worked out from it is worked out once. */
    central: computed(() => open.central.value!),
    body: computed(() => open.reading.value!.flow),
    /** Whether cuts have prices at all: only where they may be sold by the piece. */
    priced: computed(() => open.central.value!.plan.verdict.sale === 'by-the-piece'),
  }
}
