import { v7 as uuid } from 'uuid'
import { ref, shallowRef } from 'vue'
import type { Shared } from '#contracts'
import type { Sheet, StoredSheet } from '#core/records'
import { ask, issuesOf, type FieldIssue } from './api.ts'

/** Sheets of fees or of prices, asked for where they are looked at. */
export function useSheets<F extends Sheet['format']>(format: F) {
  type Body = Extract<Sheet, { format: F }>
  const isOf = (s: StoredSheet): s is StoredSheet<Body> => s.body.format === format
  const sheets = shallowRef<StoredSheet<Body>[]>([])
  const state = ref<'loading' | 'ready' | 'failed'>('loading')
  async function load() {
    const answer = await ask<StoredSheet[]>('GET', '/sheets')
    state.value = answer.kind === 'ok' ? 'ready' : 'failed'
    if (answer.kind === 'ok') sheets.value = answer.body.filter(isOf)
  }
  void load()
  async function save(id: string, body: Body, withdrawn: boolean): Promise<FieldIssue[]> {
    const base = sheets.value.find((s) => s.id === id)?.revision ?? 0
    const answer = await ask<StoredSheet>('PUT', `/sheets/${id}`, { base, body, withdrawn })
    if (answer.kind !== 'ok') return issuesOf(answer)
    const kept = withdrawn ? [] : [answer.body].filter(isOf)
    sheets.value = [...sheets.value.filter((s) => s.id !== id), ...kept]
    return []
  }
  return {
    sheets,
    state,
    keep: (body: Body) => save(uuid(), body, false),
    change: (s: StoredSheet<Body>, body: Body) => save(s.id, body, false),
    putAway: (s: StoredSheet<Body>) => save(s.id, s.body, true),
  }
}

/** What the farm itself pays for, and how much of each lots bear. */
export function useOverheads() {
  const borne = shallowRef<ReadonlyMap<string, Shared>>(new Map())
  void ask<Shared[]>('GET', '/sheets/shared').then((answer) => {
    if (answer.kind === 'ok') borne.value = new Map(answer.body.map((s) => [s.of, s]))
  })
  return {
    ...useSheets('ekko-overhead'),
    borne,
    /** What was just written to lots, before the server has it. */
    bear(of: string, amount: number, lots: number) {
      const held = borne.value.get(of) ?? { of, amount: 0, lots: 0 }
      borne.value = new Map([
        ...borne.value,
        [of, { of, amount: held.amount + amount, lots: Math.max(held.lots, lots) }],
      ])
    },
  }
}
