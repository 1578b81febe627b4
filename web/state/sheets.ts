import { v7 as uuid } from 'uuid'
import { ref } from 'vue'
import type { FeeSheet, StoredSheet } from '#core/records'
import { ask, issuesOf, type FieldIssue } from './api.ts'

/** Fee sheets of the farm's processors, asked for where they are looked at. */
export function useSheets() {
  const sheets = ref<StoredSheet[]>([])
  const state = ref<'loading' | 'ready' | 'failed'>('loading')
  async function load() {
    const answer = await ask<StoredSheet[]>('GET', '/sheets')
    state.value = answer.kind === 'ok' ? 'ready' : 'failed'
    if (answer.kind === 'ok') sheets.value = answer.body
  }
  void load()
  async function save(id: string, body: FeeSheet, withdrawn: boolean): Promise<FieldIssue[]> {
    const base = sheets.value.find((s) => s.id === id)?.revision ?? 0
    const answer = await ask<StoredSheet>('PUT', `/sheets/${id}`, { base, body, withdrawn })
    if (answer.kind !== 'ok') return issuesOf(answer)
    sheets.value = [...sheets.value.filter((s) => s.id !== id), ...(withdrawn ? [] : [answer.body])]
    return []
  }
  return {
    sheets,
    state,
    keep: (body: FeeSheet) => save(uuid(), body, false),
    putAway: (s: StoredSheet) => save(s.id, s.body, true),
  }
}
