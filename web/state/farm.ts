import { defineStore } from 'pinia'
import { v7 as uuid } from 'uuid'
import { computed, markRaw, ref, shallowRef, watch } from 'vue'
import type {
  Home,
  KeptFarm,
  Lot,
  LotCard,
  LotChange,
  Problem,
  Rail,
  Rung,
  Standing,
  StoredPlan,
  Write,
  Written,
  You,
} from '#contracts'
import type { Inverse } from '#core/plan'
import type { Standing as Stand } from '#core/reading'
import type { CutPlan, FactBody, Farm } from '#core/records'
import { ask, hearHistory, history, issuesOf, type FieldIssue } from './api.ts'
import { becomes, ME } from './device.ts'
import { listenWith } from './ear.ts'
import { inBatches, outbox, type Pending } from './queue.ts'

/** What a person has to say: something on its way was decided elsewhere too, or what they would undo has been since. */
export interface OpenConflict {
  lot: string
  conflicts: NonNullable<Problem['conflicts']>
  of: Pending | { undo: Undo; how: 'undoes' | 'redoes' }
}
/** A press that is taken back or brought back: what of it is of each group. */
export interface Undo {
  batch: string
  parts: { group: string; inverse: Inverse }[]
}

/** What holds the records of opened lots, once a page needs any (lots.ts). */
export interface LotsKeeper {
  /** What a write added is put in its place. */
  merge(change: LotChange): Promise<void>
  /** A lot has more than is held of it. */
  behind(lot: string, rev: number): void
  /** Something may have been missed; `anew` where other records lie there now. */
  catchUp(anew: boolean): void
}

/** Facts of a lot of which nothing was said before, as they are written. */
export const saidFirst = (lot: string, ...facts: FactBody[]): Write => ({
  ...{ is: 'facts', lot },
  facts: { facts: facts.map((fact) => ({ id: uuid(), corrects: null, stands: true, fact })) },
})

/** Which of several writes an issue is in: a page knows its own fields. */
const WRITE = /^writes\.\d+\.(?:(?:hung|weighing|pack|facts|append|split|joined)\.)?/

/** The farm as its pages open with it: its words and money, its lots as they hang, plans; and what is on its way. */
export const useFarm = defineStore('farm', () => {
  const farm = ref<KeptFarm | null>(null)
  const cards = shallowRef<ReadonlyMap<string, LotCard>>(new Map())
  /** How many lots hang at each place, and how many of them came before those whose cards are here. */
  const standings = shallowRef<Home['standings']>({ alive: 0, hanging: 0, packing: 0, packed: 0 })
  const older = ref(0)
  let last: string | null = null
  const plans = shallowRef<StoredPlan[]>([])
  /** By species, what a lot hung now would be read by. */
  const today = shallowRef<Home['today'] | null>(null)
  const state = ref<'loading' | 'ready' | 'failed'>('loading')
  /** Why the records did not open, in the server's own words. */
  const failure = ref<string | null>(null)
  const conflict = ref<OpenConflict | null>(null)
  const standing = ref<Standing | null>(null)
  /** Who the server takes this page for, and names of devices that wrote here. */
  const you = ref<You | null>(null)
  const names = shallowRef<Home['devices']>({})
  let keeper: LotsKeeper | null = null

  /** Lots of which more was written than their card says; asked for when the rail is looked at. */
  const stale = shallowRef<ReadonlySet<string>>(new Set())
  const outdate = (lot: string) => (stale.value = new Set([...stale.value, lot]))

  const queue = outbox({
    kept: async (change) => {
      outdate(change.id)
      await keeper?.merge(change)
    },
    saved: (now) => (farm.value = now),
    conflict: (pending, conflicts) => {
      conflict.value = { lot: pending.lot, of: pending, conflicts }
      keeper?.behind(pending.lot, Infinity)
    },
    refused: (pending) => {
      if ('settings' in pending) void load()
      keeper?.behind(pending.lot, Infinity)
    },
  })

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
    you.value = answer.body.you
    if (!answer.body.you.machine) becomes(answer.body.you.device)
    names.value = answer.body.devices
    cards.value = new Map()
    row = []
    put(answer.body.lots, true)
    standings.value = answer.body.standings
    older.value = answer.body.older
    last = answer.body.lots.find((l) => !l.withdrawn)?.id ?? null
    stale.value = new Set()
    state.value = 'ready'
  }

  /** Ids of the newest lots in the order they came, as far back as was asked for; others were found apart. */
  let row: string[] = []
  /** Puts cards in their place: those of a page before the row, those found apart before all of it. */
  function put(more: readonly LotCard[], isPage = false) {
    const all = new Map(cards.value)
    for (const card of more) all.set(card.id, markRaw(card))
    if (isPage) row = [...more.map((c) => c.id), ...row]
    const inRow = new Set(row)
    const apart = [...all.keys()].filter((id) => !inRow.has(id))
    cards.value = new Map([...apart, ...row].map((id) => [id, all.get(id)!]))
  }

  /** Asks for the cards that are no longer true; of a lot that was not known how many hang is asked anew. */
  async function freshen() {
    const ids = [...stale.value]
    stale.value = new Set()
    const fresh = await Promise.all(ids.map((id) => ask<LotCard>('GET', `/lots/${id}/card`)))
    const found = fresh.flatMap((answer) => (answer.kind === 'ok' ? [answer.body] : []))
    if (found.some((c) => !cards.value.has(c.id))) return load()
    const now = { ...standings.value }
    const count = (card: LotCard, by: number) => card.withdrawn || (now[card.progress.standing] += by)
    for (const card of found) {
      count(cards.value.get(card.id)!, -1)
      count(card, 1)
    }
    standings.value = now
    put(found)
  }

  /** Lots that came before those shown. */
  async function fetchOlder() {
    const answer = await ask<Rail>('GET', `/lots?before=${last}`)
    if (answer.kind !== 'ok') return
    put(answer.body.lots, true)
    older.value = answer.body.older
    last = answer.body.lots[0]?.id ?? last
  }
  /** Brings in lots that are not shown yet, by a part of their name or by where they stand. */
  async function search(wanted: string, at: readonly Stand[]) {
    if (older.value === 0 || !wanted.trim()) return
    const query = new URLSearchParams({ wanted: wanted.trim(), standings: at.join() })
    const answer = await ask<Rail>('GET', `/lots?${query}`)
    if (answer.kind === 'ok') put(answer.body.lots)
  }

  /** What this very page asked for comes back as its answer: its echo fetches nothing. */
  const waiting = new Set<string>()
  const isOwn = ({ device, request }: { device: string; request: string }) =>
    device === ME.device && (waiting.has(request) || queue.isPending(request))

  // Other records lie there now: what was read of those before means nothing any more, whoever told it first.
  watch(history, (_, before) => {
    if (before === null) return
    void load()
    keeper?.catchUp(true)
  })
  function hear(what: Rung) {
    hearHistory(what.history)
    if ('farm' in what) return void load()
    if (isOwn(what)) return
    outdate(what.lot)
    keeper?.behind(what.lot, what.rev)
  }
  async function catchUp() {
    await load()
    keeper?.catchUp(false)
  }

  /** Opens the ear for other windows, and then the farm: nothing that is said in between is missed. */
  function listen() {
    listenWith({
      hear,
      opened: () => void catchUp(),
      lost: (closed) => (closed || state.value !== 'ready') && void load(),
    })
    void queue.resume()
  }

  /**
   * Sends a thing of its own id and waits for it: why it was not kept, if it was not. Where no answer comes it lies in the
   * queue instead (`item`), and so does what is said of a lot that lies there itself.
   */
  async function keep<T extends Lot | LotChange>(
    path: string,
    body: { id: string } & Record<string, unknown>,
    kept: (answer: T) => void | Promise<void>,
    item: Pending,
  ): Promise<FieldIssue[]> {
    if (queue.isHere(item.lot)) {
      queue.add(item)
      return []
    }
    waiting.add(body.id)
    const answer = await ask<T>('POST', path, body)
    waiting.delete(body.id)
    if (answer.kind === 'unreachable') {
      queue.add(item)
      return []
    }
    if (answer.kind !== 'ok') return issuesOf(answer)
    outdate(answer.body.id)
    await kept(answer.body)
    return []
  }

  /**
   * Sends several writes that belong together and waits for them: all are kept or none, and then why. What is wrong is at its own
   * field, whichever of them it is in. Where no answer comes they lie in the queue, together.
   */
  async function keepAll(parts: Write[]): Promise<FieldIssue[]> {
    const request = uuid()
    const writes = inBatches(parts)
    const item: Pending = { lot: writes[0]!.lot, writes, request }
    if (writes.some((w) => w.is !== 'hung' && queue.isHere(w.lot))) {
      queue.add(item)
      return []
    }
    waiting.add(request)
    const answer = await ask<Written>('POST', '/writes', { request, writes })
    waiting.delete(request)
    if (answer.kind === 'unreachable') {
      queue.add(item)
      return []
    }
    if (answer.kind === 'problem')
      return issuesOf(answer).map((i) => ({ ...i, field: i.field.replace(WRITE, '') }))
    for (const change of answer.body.changes) {
      outdate(change.id)
      await keeper?.merge(change)
    }
    if (writes.some((w) => w.is === 'hung')) await freshen()
    return []
  }

  /** Saves the farm's settings, or holds them here; where another window changed them since, what stands now comes back beside them. */
  async function saveFarm(
    next: Farm,
    base = farm.value?.revision ?? 0,
  ): Promise<{ issues: FieldIssue[]; theirs?: KeptFarm }> {
    const answer = await ask<KeptFarm>('PUT', '/farm', { ...next, base })
    if (answer.kind === 'problem' && answer.problem.type === '/problems/changed')
      return { issues: [], theirs: answer.problem.held as KeptFarm }
    if (answer.kind === 'problem') return { issues: issuesOf(answer) }
    if (answer.kind === 'unreachable') queue.add({ lot: '', id: uuid(), settings: { ...next, base } })
    farm.value = answer.kind === 'ok' ? answer.body : { ...next, revision: base }
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

  const saving = computed<'saved' | 'saving' | 'held' | 'aside'>(() => {
    if (!queue.reachable.value) return 'held'
    if (queue.pending.value.length > 0) return 'saving'
    return queue.aside.value.length > 0 ? 'aside' : 'saved'
  })

  return {
    farm,
    you,
    names,
    /** A device of the cutting floor: it follows the card, weighs and packs. */
    isFloor: computed(() => !!you.value && !you.value.machine && you.value.floor),
    cards,
    standings,
    older,
    plans,
    today,
    state,
    failure,
    standing,
    stopped: queue.why,
    conflict,
    saving,
    stale,
    freshen,
    fetchOlder,
    search,
    load,
    listen,
    keep,
    keepAll,
    saveFarm,
    keepPlan,
    queue: markRaw(queue),
    heldBy: (lots: LotsKeeper) => (keeper = lots),
  }
})
