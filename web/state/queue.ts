import { createStore, del, entries, get, set } from 'idb-keyval'
import { ref } from 'vue'
import type {
  Append,
  FarmChange,
  Join,
  KeptFarm,
  LotChange,
  NewFact,
  NewLot,
  NewPack,
  NewWeighing,
  Problem,
  Split,
  Write,
  Written,
} from '#contracts'
import { ask, history, issuesOf, sayProblem, type Answer } from './api.ts'

/** One thing that is said of a lot. */
export type OfLot = { lot: string } & (
  | { append: Append }
  | { facts: NewFact[]; group?: string }
  | { pack: NewPack }
  | { weighing: NewWeighing }
  | { hung: NewLot }
  | { split: Split }
  | { joined: Join }
)
/**
 * What is on its way to the server; kept in the browser until it is acknowledged. Several things of one or more lots go together,
 * all or none, under the lot of the first; the farm's settings are of no lot.
 */
export type Pending = { history?: string /* The history it was decided on. */ } & (
  | OfLot
  | { lot: string; writes: Write[]; request: string }
  | { lot: string; settings: FarmChange; id: string }
)

/** One thing as it is written together with others. */
export function writeOf(part: OfLot): Write {
  if ('facts' in part) {
    const { lot, facts, group } = part
    return { is: 'facts', lot, facts: { facts, ...(group && { group }) } }
  }
  if ('append' in part) return { is: 'append', ...part }
  if ('pack' in part) return { is: 'pack', ...part }
  if ('weighing' in part) return { is: 'weighing', ...part }
  if ('hung' in part) return { is: 'hung', ...part }
  return 'split' in part ? { is: 'split', ...part } : { is: 'joined', ...part }
}

/** Writes with what one press decides for a group in one batch of it: a lot that is not split is its own only group. */
export function inBatches(writes: readonly Write[]): Write[] {
  const out: Write[] = []
  for (const w of writes) {
    const same = out.findIndex(
      (o) =>
        o.is === 'append' &&
        w.is === 'append' &&
        o.lot === w.lot &&
        o.append.batch === w.append.batch &&
        o.append.group === w.append.group,
    )
    const held = out[same]
    if (held?.is !== 'append' || w.is !== 'append') out.push(w)
    else {
      const commands = [...held.append.commands, ...w.append.commands]
      out[same] = { ...held, append: { ...held.append, commands } }
    }
  }
  return out
}

/** What of something pending is said, one after another: of a lot each. */
export function partsOf(p: Pending): OfLot[] {
  if ('settings' in p) return []
  if (!('writes' in p)) return [p]
  return p.writes.map((w): OfLot => {
    if (w.is !== 'facts') return w
    return { lot: w.lot, facts: w.facts.facts, ...(w.facts.group && { group: w.facts.group }) }
  })
}
/** What was not taken, and why: it lies aside until a person sends it again or drops it. */
export interface Aside {
  item: Pending
  why: string
}

/** Where earlier versions kept all of it as one list. */
const OLD_PLACE = 'ekko-pending'
const RETRY_MS = 1500
/** Answers that will be the same whenever it is sent again; on any other it is kept, and sent later. */
const REFUSALS = new Set([400, 403, 404, 409, 413, 422])
/** A fault of the server may pass; one that stays does not hold up what was decided after it. */
const FAULTS = 3

export interface QueueEvents {
  /** What was kept, put in its place; what is awaited here is still pending. */
  kept(change: LotChange): void | Promise<void>
  /** The farm's settings were taken. */
  saved?(farm: KeptFarm): void
  conflict(pending: Pending, conflicts: NonNullable<Problem['conflicts']>): void
  refused(pending: Pending): void
}

/** The id of a batch, of a pack, or of the first of some facts; made in the order of time, so it is also their order. */
export function requestOf(p: Pending): string {
  if ('writes' in p) return p.request
  if ('append' in p) return p.append.batch
  if ('facts' in p) return p.facts[0]!.id
  if ('split' in p) return p.split.into[0]!.id
  if ('settings' in p) return p.id
  return ('pack' in p ? p.pack : 'weighing' in p ? p.weighing : 'hung' in p ? p.hung : p.joined).id
}

/** What was decided on records that a copy has taken the place of is not sent: a person looks at it first. */
const OTHER_HISTORY: Problem = {
  type: '/problems/other-history',
  title: 'A copy of the records was brought back meanwhile.',
  status: 409,
  detail: 'Look whether this still holds, and send it again if it does.',
}
const isOfNow = (item: Pending) => !item.history || !history.value || item.history === history.value
type Kept = LotChange | KeptFarm | Written
const sent = async (item: Pending): Promise<Answer<Kept>> =>
  isOfNow(item) ? sentNow(item) : { kind: 'problem', problem: OTHER_HISTORY }
function sentNow(item: Pending): Promise<Answer<Kept>> {
  if ('writes' in item) return ask<Written>('POST', '/writes', { request: item.request, writes: item.writes })
  if ('settings' in item) return ask<KeptFarm>('PUT', '/farm', item.settings)
  if ('hung' in item) return ask<LotChange>('POST', '/lots', item.hung)
  const to = (what: string, body: unknown) => ask<LotChange>('POST', `/lots/${item.lot}/${what}`, body)
  if ('append' in item) return to('decisions', item.append)
  if ('pack' in item) return to('packs', item.pack)
  if ('weighing' in item) return to('weighings', item.weighing)
  if ('split' in item) return to('groups', item.split)
  if ('joined' in item) return to('groups/joined', item.joined)
  return to('facts', { facts: item.facts, group: item.group })
}

/** Sends one after another what was decided and noted; an outage holds it, a reload finds it again. */
export function outbox(events: QueueEvents) {
  const pending = ref<Pending[]>([])
  const aside = ref<Aside[]>([])
  const reachable = ref(true)
  /** Why nothing is taken, in the server's own words, where it has any. */
  const why = ref<string | null>(null)
  let sending = false
  /** How often in a row the server failed on the first of them. */
  let faults = 0

  // Each lies under its own id, so that two windows of this browser never write over one another's.
  const place = createStore('ekko-queue', 'records')
  const plain = (item: Pending) => JSON.parse(JSON.stringify(item)) as Pending
  const remember = (item: Pending, refused: string | null = null) =>
    set(requestOf(item), { item: plain(item), why: refused }, place).catch(() => undefined)
  const forget = (item: Pending) => del(requestOf(item), place).catch(() => undefined)

  /** Whether an answer says that it was not taken now, but may be later; then why, if it says. */
  function isHeld(answer: Answer<unknown>): boolean {
    const status = answer.kind === 'problem' ? answer.problem.status : 0
    faults = status === 500 ? faults + 1 : 0
    if (answer.kind === 'ok' || REFUSALS.has(status) || faults === FAULTS) return false
    why.value = answer.kind === 'problem' ? sayProblem(answer.problem) : (answer.why ?? null)
    return true
  }

  async function send(): Promise<void> {
    if (sending) return
    sending = true
    while (pending.value.length > 0) {
      const next = pending.value[0]!
      const answer = await sent(next)
      reachable.value = !isHeld(answer)
      if (!reachable.value) {
        setTimeout(() => void send(), RETRY_MS)
        break
      }
      why.value = null
      // What was kept is put in place before it stops being pending, in one turn: a plan never blinks back.
      if (answer.kind === 'ok') await took(answer.body)
      pending.value = pending.value.filter((p) => p !== next)
      faults = 0
      if (answer.kind === 'problem') await setAside(next, answer.problem)
      else await forget(next)
    }
    sending = false
  }

  async function took(body: Kept) {
    if ('massUnit' in body) return events.saved?.(body)
    for (const change of 'changes' in body ? body.changes : [body]) await events.kept(change)
  }

  async function setAside(item: Pending, problem: Problem) {
    const { conflicts } = problem
    const said = conflicts
      ? 'Changed in two windows: nothing was overwritten.'
      : issuesOf({ kind: 'problem', problem })
          .map((i) => i.detail)
          .join(' ')
    aside.value.push({ item, why: said })
    await remember(item, said)
    if (conflicts) events.conflict(item, conflicts)
    else events.refused(item)
  }

  /** Takes one out of what lies aside, by its request; the person has dealt with it. */
  function drop(request: string): Pending | null {
    const found = aside.value.find((a) => requestOf(a.item) === request)
    if (!found) return null
    aside.value = aside.value.filter((a) => a !== found)
    void forget(found.item)
    return found.item
  }

  function add(decided: Pending) {
    const item = { ...decided, ...(history.value && { history: history.value }) }
    // Settings are changed as a whole: what was typed later holds all that was typed before.
    if ('settings' in item) for (const p of pending.value.filter((p) => 'settings' in p)) void forget(p)
    if ('settings' in item) pending.value = pending.value.filter((p) => !('settings' in p))
    pending.value.push(item)
    void remember(item)
    void send()
  }

  return {
    pending,
    aside,
    reachable,
    why,
    add,
    drop,
    /** Sends one again that lay aside: settings then take the place of those that stand (`revision`), which a person has seen. */
    again(request: string, revision = 0) {
      const item = drop(request)
      if (item) add('settings' in item ? { ...item, settings: { ...item.settings, base: revision } } : item)
    },
    async resume() {
      const old = (await get<Pending[]>(OLD_PLACE).catch(() => undefined)) ?? []
      for (const item of old) await remember(item)
      if (old.length > 0) await set(OLD_PLACE, []).catch(() => undefined)
      const held = await entries<string, { item: Pending; why: string | null }>(place).catch(() => [])
      const known = new Set([...pending.value, ...aside.value.map((a) => a.item)].map(requestOf))
      const found = held
        .toSorted(([a], [b]) => (a < b ? -1 : 1))
        .flatMap(([id, x]) => (known.has(id) ? [] : [x]))
      for (const { item, why: refused } of found)
        if (refused !== null) aside.value.push({ item, why: refused })
      pending.value.unshift(...found.flatMap((x) => (x.why === null ? [x.item] : [])))
      void send()
    },
    /** Whether a batch, or the first of some facts, is still on its way. */
    isPending: (request: string): boolean => pending.value.some((p) => requestOf(p) === request),
    pendingOf: (lot: string): OfLot[] => pending.value.flatMap(partsOf).filter((p) => p.lot === lot),
    /** Whether a lot is known to this browser only: what is said of it waits behind it. */
    isHere: (lot: string): boolean =>
      pending.value.flatMap(partsOf).some((p) => 'hung' in p && p.lot === lot),
  }
}
