import { defineStore } from 'pinia'
import { v7 as uuid } from 'uuid'
import { computed, markRaw, ref, shallowRef } from 'vue'
import type {
  Farm,
  Home,
  KeptFarm,
  Lot,
  NewLot,
  NewPack,
  NewWeighing,
  Problem,
  Standing,
  StoredPlan,
} from '#contracts'
import type { Anatomy } from '#core/anatomy'
import { compile, type Flow, type Weighing } from '#core/carcass'
import type { LotState, PackWeighing } from '#core/forecast'
import type { Command, CutPlan, Decision } from '#core/plan'
import { ask, issuesOf, type FieldIssue } from './api.ts'
import { decisionQueue, type Pending } from './queue.ts'

export interface OpenConflict {
  pending: Pending
  conflicts: NonNullable<Problem['conflicts']>
}

/** What the server holds, and the decisions still on their way there. Figures are computed, never stored. */
export const useFarm = defineStore('farm', () => {
  const farm = ref<KeptFarm | null>(null)
  const lots = shallowRef<Map<string, Lot>>(new Map())
  const plans = shallowRef<StoredPlan[]>([])
  const flows = shallowRef<Map<string, Flow>>(new Map())
  const state = ref<'loading' | 'ready' | 'failed'>('loading')
  /** Why the records did not open, in the server's own words. */
  const failure = ref<string | null>(null)
  const conflict = ref<OpenConflict | null>(null)
  const refusal = ref<string | null>(null)
  const standing = ref<Standing | null>(null)
  const own = new Map<string, string[]>()

  const put = (lot: Lot) => {
    const held = lots.value.get(lot.id)
    // Records are append-only: an answer with no more of them is the same, or an older one that came late.
    const records = (l: Lot) => l.commands.length + l.weighings.length + l.packs.length
    if (held && records(held) >= records(lot)) return
    lots.value = new Map(lots.value).set(lot.id, markRaw(lot))
  }
  const queue = decisionQueue({
    kept: put,
    conflict: (pending, conflicts) => {
      conflict.value = { pending, conflicts }
      void refresh(pending.lot)
    },
    refused: (pending, problem) => {
      refusal.value = issuesOf({ kind: 'problem', problem })[0]!.detail
      void refresh(pending.lot)
    },
  })

  async function fetchFlow(hash: string) {
    if (flows.value.has(hash)) return
    const answer = await ask<Anatomy>('GET', `/anatomies/${hash}`)
    if (answer.kind === 'ok') flows.value = new Map(flows.value).set(hash, markRaw(compile(answer.body)))
  }

  async function load() {
    const answer = await ask<Home>('GET', '/home')
    if (answer.kind !== 'ok') {
      if (state.value !== 'ready') state.value = 'failed'
      failure.value = answer.kind === 'unreachable' ? (answer.why ?? null) : answer.problem.title
      return
    }
    void ask<Standing>('GET', '/standing').then((stands) => {
      if (stands.kind === 'ok') standing.value = stands.body
    })
    farm.value = answer.body.farm
    plans.value = answer.body.plans
    await Promise.all([...new Set(answer.body.lots.map((l) => l.anatomy))].map(fetchFlow))
    lots.value = new Map(answer.body.lots.map((l) => [l.id, markRaw(l)]))
    state.value = 'ready'
  }

  async function refresh(id: string) {
    const answer = await ask<Lot>('GET', `/lots/${id}`)
    if (answer.kind !== 'ok') return
    await fetchFlow(answer.body.anatomy)
    put(answer.body)
  }

  /** Opens the ear for other windows; what changed there is fetched here. */
  function listen() {
    const source = new EventSource('/api/events')
    source.onmessage = (event) => {
      const what = JSON.parse(String(event.data)) as { lot?: string }
      if (what.lot) void refresh(what.lot)
      else void load()
    }
    source.onopen = () => void load()
    void queue.resume()
  }

  async function keep<T extends Lot>(path: string, body: unknown): Promise<FieldIssue[]> {
    const answer = await ask<T>('POST', path, body)
    if (answer.kind !== 'ok') return issuesOf(answer)
    await fetchFlow(answer.body.anatomy)
    put(answer.body)
    return []
  }

  /** Saves the farm's settings; where another window changed them since, what stands now comes back beside them. */
  async function saveFarm(
    next: Farm,
    base = farm.value?.revision ?? 0,
  ): Promise<{ issues: FieldIssue[]; theirs?: KeptFarm }> {
    const answer = await ask<KeptFarm>('PUT', '/farm', { ...next, base })
    if (answer.kind === 'problem' && answer.problem.type === '/problems/changed')
      return { issues: [], theirs: answer.problem.held as KeptFarm }
    if (answer.kind !== 'ok') return { issues: issuesOf(answer) }
    farm.value = answer.body
    return { issues: [] }
  }

  /** Keeps a named plan for every animal of its species, or takes one away. */
  async function keepPlan(id: string, body: CutPlan, withdrawn = false): Promise<FieldIssue[]> {
    const base = plans.value.find((p) => p.id === id)?.revision ?? 0
    const answer = await ask<StoredPlan>('PUT', `/plans/${id}`, { base, body, withdrawn })
    if (answer.kind !== 'ok') return issuesOf(answer)
    plans.value = [...plans.value.filter((p) => p.id !== id), ...(withdrawn ? [] : [answer.body])]
    return []
  }

  function decide(lot: string, decisions: Decision[], back: { undoes?: string; redoes?: string } = {}) {
    const held = lots.value.get(lot)
    if (!held || decisions.length === 0) return
    const batch = uuid()
    const mine = own.get(lot) ?? []
    queue.add({
      lot,
      append: {
        batch,
        base: held.commands.at(-1)?.seq ?? 0,
        own: mine.slice(-200),
        undoes: back.undoes ?? null,
        redoes: back.redoes ?? null,
        commands: decisions.map((decision) => ({ id: uuid(), decision })),
      },
    })
    own.set(lot, [...mine, batch])
  }

  /** A conflict is settled: mine is sent again knowing theirs, or let go. */
  function settle(choice: 'mine' | 'theirs') {
    const open = conflict.value
    conflict.value = null
    if (open && choice === 'mine')
      decide(
        open.pending.lot,
        open.pending.append.commands.map((c) => c.decision),
      )
  }

  /** A lot as it stands with the decisions still on their way. */
  function stateOf(lot: Lot): LotState {
    const last = lot.commands.at(-1)?.seq ?? 0
    const sent = new Set(lot.commands.map((c) => c.id))
    const coming: Command[] = queue
      .decisionsFor(lot.id)
      .filter((p) => !sent.has(p.id))
      .map((p, i) => ({
        id: p.id,
        seq: last + 1 + i,
        batch: p.append.batch,
        undoes: p.append.undoes,
        redoes: p.append.redoes,
        decision: p.decision,
        at: '',
      }))
    return {
      count: lot.count,
      weighings: lot.weighings as Weighing[],
      commands: [...lot.commands, ...coming],
      packs: lot.packs as PackWeighing[],
    }
  }

  const saving = computed<'saved' | 'saving' | 'held'>(() => {
    if (!queue.reachable.value) return 'held'
    return queue.pending.value.length > 0 ? 'saving' : 'saved'
  })

  return {
    farm,
    lots,
    plans,
    flows,
    state,
    failure,
    standing,
    stopped: queue.why,
    conflict,
    refusal,
    saving,
    load,
    listen,
    saveFarm,
    keepPlan,
    decide,
    settle,
    stateOf,
    hangLot: (lot: NewLot) => keep('/lots', lot),
    weigh: (lot: string, weighing: NewWeighing) => keep(`/lots/${lot}/weighings`, weighing),
    pack: (lot: string, pack: NewPack) => keep(`/lots/${lot}/packs`, pack),
  }
})
