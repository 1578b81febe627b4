import { get, set } from 'idb-keyval'
import { ref } from 'vue'
import type { Append, LotChange, NewFact, Problem } from '#contracts'
import { ask } from './api.ts'

/** What is on its way to the server; kept in the browser until it is acknowledged. */
export type Pending = { lot: string } & ({ append: Append } | { facts: NewFact[] })

const PLACE = 'ekko-pending'
const RETRY_MS = 1500

export interface QueueEvents {
  /** What was kept, put in its place; what is awaited here is still pending. */
  kept(change: LotChange): void | Promise<void>
  conflict(pending: Pending, conflicts: NonNullable<Problem['conflicts']>): void
  refused(pending: Pending, problem: Problem): void
}

const sent = (item: Pending) =>
  'append' in item
    ? ask<LotChange>('POST', `/lots/${item.lot}/decisions`, item.append)
    : ask<LotChange>('POST', `/lots/${item.lot}/facts`, { facts: item.facts })

/** Sends one after another what was decided and noted; an outage holds it, a reload finds it again. */
export function outbox(events: QueueEvents) {
  const pending = ref<Pending[]>([])
  const reachable = ref(true)
  /** Why nothing is taken, in the server's own words, where it has any. */
  const why = ref<string | null>(null)
  let sending = false

  const remember = () => set(PLACE, JSON.parse(JSON.stringify(pending.value))).catch(() => undefined)

  async function send(): Promise<void> {
    if (sending) return
    sending = true
    while (pending.value.length > 0) {
      const next = pending.value[0]!
      const answer = await sent(next)
      reachable.value = answer.kind !== 'unreachable'
      why.value = answer.kind === 'unreachable' ? (answer.why ?? null) : null
      if (answer.kind === 'unreachable') {
        setTimeout(() => void send(), RETRY_MS)
        break
      }
      // What was kept is put in place before it stops being pending, in one turn: a plan never blinks back.
      if (answer.kind === 'ok') await events.kept(answer.body)
      pending.value.shift()
      if (answer.kind !== 'ok') {
        if (answer.problem.conflicts) events.conflict(next, answer.problem.conflicts)
        else events.refused(next, answer.problem)
      }
      await remember()
    }
    sending = false
  }

  return {
    pending,
    reachable,
    why,
    add(item: Pending) {
      pending.value.push(item)
      void remember()
      void send()
    },
    async resume() {
      const held = await get<Pending[]>(PLACE).catch(() => undefined)
      if (held?.length) {
        pending.value.unshift(...held)
        void send()
      }
    },
    /** Whether a batch, or the first of some facts, is still on its way. */
    isPending: (request: string): boolean =>
      pending.value.some((p) => ('append' in p ? p.append.batch : p.facts[0]?.id) === request),
    pendingOf: (lot: string): Pending[] => pending.value.filter((p) => p.lot === lot),
  }
}
