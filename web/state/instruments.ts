import { createGlobalState, createSharedComposable, useLocalStorage } from '@vueuse/core'
import { computed, onScopeDispose, ref, shallowRef } from 'vue'
import type { Instruments, PrinterChoice, ProbeChoice, ProbeReading, ScaleChoice, Shown } from '#contracts'
import { kg } from '#core/measure'
import { ask, issuesOf, type FieldIssue } from './api.ts'

/** Whether a label is printed as soon as a pack is weighed: a choice of this device. */
export const labelsAtOnce = () => useLocalStorage('ekko-labels-at-once', true)

/** Which there are stays known while nobody looks: what was printed may be answered later. */
const held = createGlobalState(() => shallowRef<Instruments | null>(null))

let asked = 0
let newest = 0

/** Scale, printer and probe of the bench, one for all that look at them; the scale is heard as long as one does. */
export const useInstruments = createSharedComposable(() => {
  const state = held()
  const shown = shallowRef<Shown | null>(null)
  let source: EventSource | null = null
  const isLost = ref(false)

  function listen() {
    source?.close()
    source = null
    shown.value = null
    if (!state.value || state.value.scale.kind === 'none') return
    source = new EventSource('/api/instruments/scale/readings')
    source.onmessage = (event) => {
      isLost.value = false
      shown.value = JSON.parse(String(event.data)) as Shown
    }
    source.onerror = () => (isLost.value = true)
  }
  async function sent(method: 'GET' | 'PUT' | 'POST', path: string, body?: unknown): Promise<FieldIssue[]> {
    const turn = ++asked
    const answer = await ask<Instruments>(method, path, body)
    if (answer.kind !== 'ok') return issuesOf(answer)
    // An answer that was overtaken by that to a later request is older than what is known.
    if (turn > newest) {
      newest = turn
      state.value = answer.body
    }
    return []
  }
  const told = async (path: string, body?: unknown): Promise<FieldIssue[]> => {
    const answer = await ask('POST', `/instruments/scale/${path}`, body)
    return answer.kind === 'ok' ? [] : issuesOf(answer)
  }
  void sent('GET', '/instruments').then(listen)
  onScopeDispose(() => source?.close())

  return {
    state,
    /** What the scale shows now; null where there is none, or nothing is heard of it. */
    shown: computed(() => (isLost.value || shown.value?.gone ? null : shown.value)),
    hasScale: computed(() => (state.value?.scale.kind ?? 'none') !== 'none'),
    hasPrinter: computed(() => (state.value?.printer.kind ?? 'none') !== 'none'),
    hasProbe: computed(() => (state.value?.probe.kind ?? 'none') !== 'none'),
    takeScale: async (scale: ScaleChoice) => {
      const issues = await sent('PUT', '/instruments/scale', scale)
      if (issues.length === 0) listen()
      return issues
    },
    takePrinter: (printer: PrinterChoice) => sent('PUT', '/instruments/printer', printer),
    takeProbe: (probe: ProbeChoice) => sent('PUT', '/instruments/probe', probe),
    print: (paper: string) => sent('POST', '/instruments/printer/print', { paper }),
    tare: () => told('tare'),
    zero: () => told('zero'),
    load: (kilograms: number) => told('load', { kg: kg(kilograms) }),
    readProbe: (hours: number, kilograms: number) =>
      ask<ProbeReading>(
        'GET',
        `/instruments/probe/reading?hours=${hours.toFixed(2)}&kg=${kilograms.toFixed(1)}`,
      ),
  }
})
