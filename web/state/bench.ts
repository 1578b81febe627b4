import { createSharedComposable, useLocalStorage, useNow } from '@vueuse/core'
import { computed, shallowRef, watchEffect } from 'vue'
import type { BenchRow } from '#contracts'
import { pacesOf, standings, timedOf, type Pace, type Took } from '#core/clock'
import { orderedWork, type FaultRow } from '#core/hand'
import { STATIONS, type Equipment, type Station, type StoredSheet } from '#core/records'
import { ask } from './api.ts'
import { useReading } from './lot.ts'
import { useLots } from './lots.ts'
import { useSheets } from './sheets.ts'

/** Who signs and who works at this device: asked once, kept here. */
export const initials = () => useLocalStorage('ekko-initials', '')

/** What was timed and what went wrong at the bench of any lot, asked for where it is learnt from. */
export function useBenchRows() {
  const rows = shallowRef<BenchRow[]>([])
  const state = shallowRef<'loading' | 'ready' | 'failed'>('loading')
  void ask<BenchRow[]>('GET', '/bench').then((answer) => {
    state.value = answer.kind === 'ok' ? 'ready' : 'failed'
    if (answer.kind === 'ok') rows.value = answer.body
  })
  const faults = computed(() =>
    rows.value.flatMap(({ lot, tag, species, fact }): FaultRow[] =>
      fact.kind === 'fault' ? [{ lot, tag, species, fault: fact }] : [],
    ),
  )
  /** Every step that was timed to its end, of one species. */
  const tookOf = (species: string): Took[] => {
    const by = new Map<string, BenchRow[]>()
    for (const r of rows.value)
      if (r.fact.kind === 'work' && r.species === species)
        by.set(`${r.lot} ${r.fact.of}`, [...(by.get(`${r.lot} ${r.fact.of}`) ?? []), r])
    return [...by.values()].flatMap((own): Took[] => {
      const work = own.flatMap((r) => (r.fact.kind === 'work' ? [r.fact] : []))
      const done = work.find((w) => w.did === 'done')
      if (done?.usual === undefined) return []
      return [{ of: done.of, usual: done.usual, minutes: timedOf(work, 0).minutes }]
    })
  }
  return { rows, state, faults, tookOf }
}

/** The work of the lot that is looked at: its order, how each step stands now, and what this farm's hands are known to take. */
export function useBench() {
  const open = useReading()
  const { rows, faults, tookOf } = useBenchRows()
  const now = useNow({ interval: 15_000 })
  const work = computed(() => orderedWork(open.central.value))
  const standing = computed(() => standings(work.value.tasks, open.central.value.plan, now.value.getTime()))
  /** Steps that are done, and all there are: the same on the card, in the order and by the clock. */
  const tally = computed(() => ({
    done: [...standing.value.values()].filter((s) => s.state === 'done').length,
    of: work.value.tasks.length,
  }))
  const species = computed(() => open.body.value.anatomy.species)
  const paces = computed<ReadonlyMap<string, Pace>>(() => pacesOf(tookOf(species.value)))
  return { ...open, rows, faults, now, work, standing, tally, species, paces }
}

/** Stations that something of the register makes, and nothing of it that works: they are not to be had. */
export const stationsDown = (sheets: readonly Pick<StoredSheet<Equipment>, 'body'>[]): Station[] =>
  STATIONS.filter((station) => {
    const makes = sheets.filter((s) => s.body.station === station && s.body.makes)
    return makes.length > 0 && makes.every((s) => s.body.fault !== null)
  })

/** What the cutting room has, one register for all who look at it. Readings know which of its stations are down. */
export const useEquipment = createSharedComposable(() => {
  const lots = useLots()
  const register = useSheets('ekko-equipment')
  watchEffect(() => {
    if (register.state.value === 'ready') lots.down = stationsDown(register.sheets.value)
  })
  return register
})
