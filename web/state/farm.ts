import { defineStore } from 'pinia'
import { v7 as uuid } from 'uuid'
import { computed, markRaw, ref, shallowRef } from 'vue'
import same from 'fast-deep-equal'
import { joined } from '#contracts'
import type {
  FarmChange,
  Home,
  KeptFarm,
  Lot,
  LotChange,
  NewFact,
  NewLot,
  NewPack,
  NewWeighing,
  Problem,
  Rung,
  Standing,
  StoredPlan,
} from '#contracts'
import type { Anatomy } from '#core/anatomy'
import { compile, type Flow } from '#core/carcass'
import { standingFact, type CommandRow, type FactRow } from '#core/plan'
import type { FarmFigures, LotState } from '#core/reading'
import { inForce, readBy, type CutPlan, type Decision, type FactBody } from '#core/records'
import { minor, priceOf } from '#core/measure'
import { ask, issuesOf, type FieldIssue } from './api.ts'
import { ME } from './device.ts'
import { outbox, type Pending } from './queue.ts'

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
  /** Pins written in an earlier form: their lots say so. */
  const oldPins = shallowRef<ReadonlySet<string>>(new Set())
  /** By species, what a lot hung now would be read by. */
  const today = shallowRef<Home['today'] | null>(null)
  const state = ref<'loading' | 'ready' | 'failed'>('loading')
  /** Why the records did not open, in the server's own words. */
  const failure = ref<string | null>(null)
  const conflict = ref<OpenConflict | null>(null)
  const refusal = ref<string | null>(null)
  const standing = ref<Standing | null>(null)
  const own = new Map<string, string[]>()

  const put = (lot: Lot) => {
    const held = lots.value.get(lot.id)
    // Records are append-only: an answer of no later revision is the same, or an older one that came late.
    if (held && held.rev >= lot.rev) return
    lots.value = new Map(lots.value).set(lot.id, markRaw(lot))
  }
  const queue = outbox({
    kept: merge,
    conflict: (pending, conflicts) => {
      conflict.value = { pending, conflicts }
      void refresh(pending.lot)
    },
    refused: (pending, problem) => {
      refusal.value = issuesOf({ kind: 'problem', problem })[0]!.detail
      void refresh(pending.lot)
    },
  })

  /** Fetches an anatomy that is not held yet; false when it could not be had. */
  async function fetchFlow(hash: string): Promise<boolean> {
    if (flows.value.has(hash)) return true
    const answer = await ask<{ anatomy: Anatomy; old: boolean }>('GET', `/anatomies/${hash}`)
    if (answer.kind !== 'ok') return false
    const { anatomy, old } = answer.body
    flows.value = new Map(flows.value).set(hash, markRaw(compile(anatomy)))
    if (old) oldPins.value = new Set([...oldPins.value, hash])
    return true
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
    today.value = answer.body.today
    await Promise.all([...new Set(answer.body.lots.map(readBy))].map(fetchFlow))
    lots.value = new Map(answer.body.lots.map((l) => [l.id, markRaw(l)]))
    state.value = 'ready'
  }

  /** Fetches what a lot has since it was last heard of; all of it where nothing is known, or these are other records. */
  async function refresh(id: string) {
    const held = lots.value.get(id)
    const answer = await ask<Lot | LotChange>('GET', `/lots/${id}${held ? `?since=${held.rev}` : ''}`)
    if (answer.kind !== 'ok') return
    const lot = 'from' in answer.body ? joined(lots.value.get(id)!, answer.body) : answer.body
    if (!lot) return refresh(id)
    await fetchFlow(readBy(lot))
    put(lot)
  }

  /** Puts in place what a write added; what was missed before it is fetched. */
  async function merge(change: LotChange) {
    const held = lots.value.get(change.id)
    const lot = held && joined(held, change)
    if (!lot) return refresh(change.id)
    put(lot)
  }

  const waiting = new Set<string>()
  /** What this very page asked for comes back as its answer: its echo fetches nothing. */
  const isOwn = ({ device, request }: { device: string; request: string }) =>
    device === ME.device && (waiting.has(request) || queue.isPending(request))

  /** Opens the ear for other windows; what changed there is fetched here. */
  function listen() {
    const source = new EventSource('/api/events')
    source.onmessage = (event) => {
      const what = JSON.parse(String(event.data)) as Rung
      if ('farm' in what) void load()
      else if (!isOwn(what) && (lots.value.get(what.lot)?.rev ?? -1) < what.rev) void refresh(what.lot)
    }
    source.onopen = () => void load()
    // A machine that slept or lost its network may hold a stream that is dead and does not know it.
    window.addEventListener('online', () => void load())
    document.addEventListener('visibilitychange', () => document.hidden || void load())
    void queue.resume()
  }

  async function keep(path: string, body: { id: string }): Promise<FieldIssue[]> {
    waiting.add(body.id)
    const answer = await ask<Lot | LotChange>('POST', path, body)
    waiting.delete(body.id)
    if (answer.kind !== 'ok') return issuesOf(answer)
    if ('from' in answer.body) await merge(answer.body)
    else {
      await fetchFlow(readBy(answer.body))
      put(answer.body)
    }
    return []
  }

  /** Saves the farm's settings; where another window changed them since, what stands now comes back beside them. */
  async function saveFarm(
    next: Omit<FarmChange, 'base'>,
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
        base: held.rev,
        own: mine.slice(-200),
        undoes: back.undoes ?? null,
        redoes: back.redoes ?? null,
        commands: decisions.map((decision) => ({ id: uuid(), decision })),
      },
    })
    own.set(lot, [...mine, batch])
  }

  /** Notes facts of a lot. Each corrects what is known about the same thing; `null` after an id withdraws that one. */
  function note(lot: string, facts: FactBody[], withdrawn: FactRow[] = []) {
    const held = lots.value.get(lot)
    if (!held || facts.length + withdrawn.length === 0) return
    const known = stateOf(held).facts
    const stated = facts.flatMap((fact): NewFact[] => {
      const now = standingFact(known, fact)
      return same(now?.fact, fact) ? [] : [{ id: uuid(), corrects: now?.id ?? null, stands: true, fact }]
    })
    const gone = withdrawn.map(({ id, fact }): NewFact => ({ id: uuid(), corrects: id, stands: false, fact }))
    const all = [...stated, ...gone]
    if (all.length > 0) queue.add({ lot, facts: all })
  }

  /** Hung after all: the withdrawal is withdrawn, and everything stands as it did. */
  function hangAgain(lot: string) {
    const known = lots.value.get(lot)?.facts ?? []
    note(
      lot,
      [],
      inForce(known).filter((f) => f.fact.kind === 'withdrawal'),
    )
  }

  /** Puts another fact in the place of one: a cost that was mistyped. */
  function correct(lot: string, row: FactRow, fact: FactBody) {
    queue.add({ lot, facts: [{ id: uuid(), corrects: row.id, stands: true, fact }] })
  }

  /** A conflict is settled: mine is sent again knowing theirs, or let go. */
  function settle(choice: 'mine' | 'theirs') {
    const open = conflict.value
    conflict.value = null
    if (!open || choice === 'theirs') return
    const { pending, conflicts } = open
    if ('append' in pending)
      decide(
        pending.lot,
        pending.append.commands.map((c) => c.decision),
      )
    else
      queue.add({
        lot: pending.lot,
        facts: pending.facts.flatMap((f): NewFact[] => {
          const clash = conflicts.find((c) => same(c.mine, f.stands ? f.fact : null))
          if (!clash) return [{ ...f, id: uuid() }]
          return f.stands || clash.id ? [{ ...f, id: uuid(), corrects: clash.id }] : []
        }),
      })
  }

  /** A lot as it stands with what is still on its way. */
  function stateOf(lot: Lot): LotState {
    const commands: CommandRow[] = [...lot.commands]
    const facts: FactRow[] = [...lot.facts]
    const kept = new Set([...commands, ...facts].map((r) => r.id))
    let rev = lot.rev
    for (const item of queue.pendingOf(lot.id)) {
      if ('facts' in item) {
        for (const f of item.facts) if (!kept.has(f.id)) facts.push({ ...f, at: '' })
        continue
      }
      const { batch, undoes, redoes } = item.append
      for (const { id, decision } of item.append.commands)
        if (!kept.has(id)) commands.push({ id, rev: ++rev, batch, undoes, redoes, decision, ...ME })
    }
    return { count: lot.count, weighings: lot.weighings, commands, facts, packs: lot.packs }
  }

  /** What figures are reckoned by; plain ones before a farm has said how. */
  const figures = computed<FarmFigures>(() => ({
    massUnit: farm.value?.massUnit ?? 'kg',
    mince: farm.value?.mince ?? priceOf(1000, 'kg'),
    hour: farm.value?.hour ?? minor(0),
  }))

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
    note,
    correct,
    hangAgain,
    figures,
    oldPins,
    today,
    fetchFlow,
    settle,
    stateOf,
    hangLot: (lot: NewLot) => keep('/lots', lot),
    weigh: (lot: string, weighing: NewWeighing) => keep(`/lots/${lot}/weighings`, weighing),
    pack: (lot: string, pack: NewPack) => keep(`/lots/${lot}/packs`, pack),
  }
})
