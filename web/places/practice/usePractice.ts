import { computed, ref, watch, type Ref } from 'vue'
import { compile } from '#core/carcass'
import { gramsOf } from '#core/measure'
import { nextOf, type Try } from '#core/practice'
import { reckon, type LotState, type Reckoning } from '#core/reading'
import type { PracticeSheet, Species } from '#core/records'
import { initials } from '../../state/bench.ts'
import { useLots } from '../../state/lots.ts'
import { useSheets } from '../../state/sheets.ts'
import { everySpecies } from '../../state/species.ts'

/** A carcass of a usual weight, cut the usual way, at the farm's prices: what practice is done on. */
export function usePracticeCarcass(species: Ref<Species>) {
  const lots = useLots()
  const anatomy = computed(() => everySpecies()[species.value])
  const read = computed<Reckoning>(() => {
    const shown = { value: anatomy.value.referenceKg, unit: 'kg' } as const
    const hung = { id: 'practice', stage: 'hot', basis: null, source: 'scale', shown } as const
    const state: LotState = {
      ...{ count: 1, commands: [], facts: [], packs: [] },
      weighings: [{ ...hung, grams: gramsOf(shown), corrects: null, stands: true, at: '' }],
    }
    return reckon(compile(anatomy.value), state, lots.figures, 0)
  })
  return { anatomy, read }
}

/** What a person has tried, kept under a name, and what is asked next. */
export function useTries(items: () => readonly string[]) {
  const name = initials()
  const { sheets, state, keep, change } = useSheets('ekko-practice')
  const own = computed(() => sheets.value.find((s) => s.body.name === who.value))
  const who = computed(() => name.value.trim() || 'somebody')
  /** Tries that are not kept yet count all the same. */
  const added = ref<Try[]>([])
  const tries = computed<Try[]>(() => [...(own.value?.body.tries ?? []), ...added.value])
  const asked = ref<string | null>(null)
  /** Each question is a new one, also where the same is asked again. */
  const turn = ref(0)
  function next() {
    asked.value = nextOf(items(), tries.value)
    turn.value++
  }
  watch([state, () => items().join()], () => state.value !== 'loading' && next(), { immediate: true })
  /** As many as are kept of one person; older ones have been learnt from. */
  const MOST = 2000
  let writing = Promise.resolve()
  function tried(right: boolean, kg = 0) {
    if (asked.value === null) return
    added.value.push({
      of: asked.value,
      at: new Date().toISOString(),
      right,
      kg: Math.round(kg * 1000) / 1000,
    })
    writing = writing.then(write)
  }
  async function write() {
    const sent = [...added.value]
    if (sent.length === 0) return
    const held = own.value
    const body: PracticeSheet = {
      ...{ format: 'ekko-practice', version: 1, name: who.value },
      tries: [...(held?.body.tries ?? []), ...sent].slice(-MOST),
    }
    const issues = held ? await change(held, body) : await keep(body)
    if (issues.length === 0) added.value = added.value.slice(sent.length)
  }
  return { name, state, tries, asked, turn, next, tried }
}
