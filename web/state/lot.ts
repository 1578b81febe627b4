import { useSessionStorage } from '@vueuse/core'
import { computed, inject, onScopeDispose, provide, ref, shallowRef, watch, type InjectionKey } from 'vue'
import same from 'fast-deep-equal'
import type { Join, NewPack, NewWeighing, Split, Write } from '#contracts'
import type { Anatomy, SideName } from '#core/anatomy'
import { extentOf, sidesIn } from '#core/carcass'
import { nextRedo, nextUndo, tried, type FactRow } from '#core/plan'
import { reckon, withRanges, type GroupState, type LotState, type Rank, type Reckoning } from '#core/reading'
import {
  ALL_HANGS,
  animalsIn,
  livingOf,
  HALVES,
  inForce,
  isSplit,
  leavesOf,
  lineageOf,
  onlyLeaf,
  readBy,
  wholeOf,
  type Decision,
  type FactBody,
} from '#core/records'
import { ME } from './device.ts'
import { drawings } from './figures.ts'
import type { Undo } from './farm.ts'
import { useLots } from './lots.ts'
import { tally } from './tally.ts'

export type Sides = 'left' | 'right' | 'both'

const ids = (s: LotState) => [...s.commands, ...s.facts, ...s.weighings, ...s.packs].map((x) => x.id).join()
/** The same records in the same order, whether kept or still on their way. */
const isSame = (a: LotState, b: LotState): boolean =>
  a.count === b.count &&
  ids(a) === ids(b) &&
  same(shareOf(a), shareOf(b)) &&
  (a.apart ?? []).length === (b.apart ?? []).length &&
  (a.apart ?? []).every((g, i) => g.id === b.apart![i]!.id && isSame(g, b.apart![i]!))
/** What a group takes over from its lot. */
const shareOf = (s: LotState | GroupState) => ('share' in s ? [s.id, s.share, s.shared] : null)

/** One lot, read whole, with what a station may do to it. */
function openLot(id: () => string, isOfWhole: () => boolean) {
  const store = useLots()
  watch(id, (now) => void store.open(now), { immediate: true })
  const lot = computed(() => store.lots.get(id()) ?? null)
  /** Decisions of a line being dragged: shown everywhere, kept nowhere until it is let go. */
  const preview = shallowRef<Decision[]>([])
  /** The groups that are cut, where it is more than one; and the one that is looked at: null is all of the lot. */
  const groups = computed(() => (lot.value && isSplit(lot.value.groups) ? leavesOf(lot.value.groups) : []))
  const chosen = useSessionStorage<Record<string, string>>('ekko-groups', {})
  const group = computed({
    get: () => (isOfWhole() ? null : (groups.value.find((g) => g.id === chosen.value[id()])?.id ?? null)),
    set: (now: string | null) => (chosen.value = { ...chosen.value, [id()]: now ?? '' }),
  })
  const state = computed<LotState | null>((before) => {
    const held = lot.value ? store.stateOf(lot.value, group.value) : null
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
  /** What was decided of the group that is looked at, and of what it was split from: the newest of all is taken back first. */
  const decided = computed(() => {
    if (!lot.value) return []
    const { commands } = store.keptOf(lot.value)
    const { groups: all } = lot.value
    const line = lineageOf(all, group.value ?? onlyLeaf(all)?.id ?? wholeOf(all).id)
    return line.map((g) => commands.filter((c) => c.group === g.id))
  })
  /** The newest press, with all that it decided: for the lot and for its groups. */
  const newest = (next: typeof nextUndo): Undo | null => {
    const found = decided.value.flatMap((commands) => {
      const inverse = next(commands, ME, store.passed)
      const rev = Math.max(0, ...commands.filter((c) => c.batch === inverse?.batch).map((c) => c.rev))
      return inverse ? [{ inverse, rev }] : []
    })
    const batch = found.toSorted((a, b) => b.rev - a.rev)[0]?.inverse.batch
    if (batch === undefined) return null
    const all = store.keptOf(lot.value!).commands
    const parts = [...new Set(all.filter((c) => c.batch === batch).map((c) => c.group))].flatMap((of) => {
      const inverse = next(
        all.filter((c) => c.group === of),
        ME,
        store.passed,
      )
      return inverse?.batch === batch ? [{ group: of, inverse }] : []
    })
    return { batch, parts }
  }
  const undoable = computed(() => newest(nextUndo))
  const redoable = computed(() => newest(nextRedo))
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
  /** What is weighed is of the group that is looked at, or else of all of the lot. */
  const weighedFor = () => (group.value === null ? {} : { group: group.value })
  return {
    lot,
    /** How many of all of it are left. */
    alive: computed(() => (lot.value ? animalsIn(wholeOf(livingOf(lot.value.groups, lot.value.facts))) : 0)),
    by,
    flow,
    state,
    farmFigures,
    central,
    reading,
    isDrawn,
    groups,
    group,
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
    decide: (...decisions: Decision[]) => store.decide(id(), decisions, group.value),
    note: (...facts: FactBody[]) => store.note(id(), facts, [], group.value),
    correct: (row: FactRow, fact: FactBody) => store.correct(id(), row, fact),
    withdraw: (...facts: FactRow[]) => store.note(id(), [], facts, group.value),
    /** The fact in force about a thing, to be withdrawn. */
    factOf: (is: (fact: FactBody) => boolean) => inForce(state.value?.facts ?? []).filter((f) => is(f.fact)),
    weigh: (body: NewWeighing) => store.weigh(id(), { ...body, ...weighedFor() }),
    pack: (body: NewPack) => store.pack(id(), { ...body, ...weighedFor() }),
    /** The same as they are written together with others. */
    packed: (body: NewPack): Write => ({ is: 'pack', lot: id(), pack: { ...body, ...weighedFor() } }),
    split: (body: Split) => store.split(id(), body),
    join: (body: Join) => store.join(id(), body),
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

/** Opens the lot of a page; `isOfWhole` says whether the page is about all of it, whichever group was chosen. */
export function provideLot(id: () => string, isOfWhole: () => boolean): OpenLot {
  const open = openLot(id, isOfWhole)
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
