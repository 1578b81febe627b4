import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { FarmChange, Lot, NewLot, NewWeighing, Split, Write } from '#contracts'
import { HISTORY_HEADER } from '#contracts/wire'
import { hearHistory, history } from './api.ts'
import { inBatches, outbox, partsOf, type Pending } from './queue.ts'

const held = new Map<string, unknown>()
const old = new Map<string, unknown>()
vi.mock('idb-keyval', () => ({
  createStore: () => null,
  get: async (key: string) => old.get(key),
  set: async (key: string, value: unknown, place?: null) =>
    void (place === undefined ? old : held).set(key, value),
  del: async (key: string) => void held.delete(key),
  entries: async () => [...held],
}))

const id = (n: number) => `00000000-0000-7000-8000-${String(n).padStart(12, '0')}`
const batch = (n: number): Pending => ({
  lot: id(99),
  append: {
    batch: id(n),
    base: 0,
    own: [],
    undoes: null,
    redoes: null,
    commands: [{ id: id(n + 100), decision: { field: 'days', target: 'lot', side: 'animal', value: n } }],
  },
})
const lot = { id: id(99) } as Lot
const json = (status: number, body: unknown) =>
  new Response(JSON.stringify(body), { status, headers: { 'content-type': 'application/json' } })
const heard = () => ({ kept: vi.fn(), conflict: vi.fn(), refused: vi.fn() })

beforeEach(() => {
  held.clear()
  old.clear()
  vi.useFakeTimers()
})
afterEach(() => vi.useRealTimers())

describe('decisions on their way', () => {
  it('are sent one after another, in order, and forgotten when acknowledged', async () => {
    const sent: string[] = []
    vi.stubGlobal('fetch', async (_: string, init: RequestInit) => {
      sent.push((JSON.parse(String(init.body)) as { batch: string }).batch)
      return json(200, lot)
    })
    const events = heard()
    const queue = outbox(events)
    queue.add(batch(1))
    queue.add(batch(2))
    await vi.waitFor(() => expect(events.kept).toHaveBeenCalledTimes(2))
    expect(sent).toEqual([id(1), id(2)])
    expect(queue.pending.value).toEqual([])
    await vi.waitFor(() => expect([...held.keys()]).toEqual([]))
  })

  it('stay pending until what was kept is in place: a plan never blinks back to what it was', async () => {
    vi.stubGlobal('fetch', async () => json(200, lot))
    const waiting: number[] = []
    const queue = outbox({ ...heard(), kept: () => void waiting.push(queue.pending.value.length) })
    queue.add(batch(1))
    await vi.waitFor(() => expect(queue.pending.value).toEqual([]))
    expect(waiting).toEqual([1])
  })

  it('are held through an outage, sent again with the same ids, and survive a reload', async () => {
    let away = true
    vi.stubGlobal('fetch', async () => {
      if (away) throw new TypeError('no network')
      return json(200, lot)
    })
    const events = heard()
    const queue = outbox(events)
    queue.add(batch(1))
    await vi.waitFor(() => expect(queue.reachable.value).toBe(false))
    expect(queue.pendingOf(id(99))).toEqual([batch(1)])
    expect(queue.pendingOf(id(98))).toEqual([])
    expect([...held.keys()]).toEqual([id(1)])

    const reloaded = outbox(events)
    await reloaded.resume()
    away = false
    await vi.advanceTimersByTimeAsync(4000)
    await vi.waitFor(() => expect(events.kept).toHaveBeenCalled())
    expect(queue.reachable.value).toBe(true)
    expect(reloaded.pending.value).toEqual([])
  })

  it('that met a conflict or a refusal are handed back, and the next one still goes', async () => {
    const answers = [
      json(409, { status: 409, title: '', type: '', conflicts: [{ mine: {}, theirs: {}, id: null }] }),
      json(422, { status: 422, title: 'no', type: '' }),
      json(200, lot),
    ]
    vi.stubGlobal('fetch', async () => answers.shift())
    const events = heard()
    const queue = outbox(events)
    for (const n of [1, 2, 3]) queue.add(batch(n))
    await vi.waitFor(() => expect(events.kept).toHaveBeenCalledOnce())
    expect(events.conflict.mock.calls[0]![0].append.batch).toBe(id(1))
    expect(events.refused.mock.calls[0]![0].append.batch).toBe(id(2))
  })

  it('refused they lie aside with the reason, over a reload too, until a person sends or drops them', async () => {
    const answers = [json(422, { status: 422, title: 'No such way.', type: '' })]
    vi.stubGlobal('fetch', async () => answers.shift() ?? json(200, lot))
    const queue = outbox(heard())
    queue.add(batch(1))
    await vi.waitFor(() => expect(queue.aside.value).toHaveLength(1))
    expect(queue.pending.value).toEqual([])
    const events = heard()
    const reloaded = outbox(events)
    await reloaded.resume()
    expect(reloaded.aside.value).toEqual([{ item: batch(1), why: 'No such way.' }])
    expect(events.kept).not.toHaveBeenCalled()
    reloaded.again(id(1))
    await vi.waitFor(() => expect(events.kept).toHaveBeenCalledOnce())
    expect(reloaded.aside.value).toEqual([])
    await vi.waitFor(() => expect(held.size).toBe(0))
  })
  it('on anything but a refusal they are held and sent again: a fault of the server loses nothing', async () => {
    const answers = [500, 429, 500].map((status) =>
      json(status, { status, title: `Fault ${status}.`, type: '' }),
    )
    vi.stubGlobal('fetch', async () => answers.shift() ?? json(200, lot))
    const events = heard()
    const queue = outbox(events)
    queue.add(batch(1))
    await vi.waitFor(() => expect(queue.why.value).toBe('Fault 500.'))
    expect([queue.reachable.value, queue.aside.value]).toEqual([false, []])
    await vi.advanceTimersByTimeAsync(8000)
    await vi.waitFor(() => expect(events.kept).toHaveBeenCalledOnce())
    expect([queue.reachable.value, queue.why.value]).toEqual([true, null])
  })
  it('one that may not be done here, or that the server fails on again and again, lies aside and lets the rest through', async () => {
    vi.stubGlobal('fetch', async (_: string, init: RequestInit) => {
      const { batch: sent } = JSON.parse(String(init.body)) as { batch: string }
      const status = sent === id(1) ? 403 : sent === id(2) ? 500 : 200
      return status === 200 ? json(200, lot) : json(status, { status, title: `Fault ${status}.`, type: '' })
    })
    const events = heard()
    const queue = outbox(events)
    for (const n of [1, 2, 3]) queue.add(batch(n))
    await vi.advanceTimersByTimeAsync(8000)
    await vi.waitFor(() => expect(events.kept).toHaveBeenCalledOnce())
    expect(queue.aside.value.map((a) => a.why)).toEqual(['Fault 403.', 'Fault 500.'])
    expect(queue.pending.value).toEqual([])
  })
  it('decided on records that a copy has taken the place of since, they are not sent but lie aside for a person', async () => {
    const sent: string[] = []
    let away = true
    vi.stubGlobal('fetch', async (_: string, init: RequestInit) => {
      if (away) throw new TypeError('no network')
      sent.push((init.headers as Record<string, string>)[HISTORY_HEADER]!)
      return json(200, lot)
    })
    hearHistory('before')
    const queue = outbox(heard())
    queue.add(batch(1))
    await vi.waitFor(() => expect(queue.reachable.value).toBe(false))
    hearHistory('after')
    away = false
    await vi.advanceTimersByTimeAsync(4000)
    expect(queue.aside.value[0]!.why).toMatch(/A copy of the records was brought back meanwhile/)
    expect(sent).toEqual([])
    // Sent again by a person it belongs to what stands now.
    queue.again(id(1))
    await vi.waitFor(() => expect(sent).toEqual(['after']))
    history.value = null
  })
  it('a weight goes its own way, as what was noted and decided does', async () => {
    const sent: string[] = []
    vi.stubGlobal('fetch', async (url: string) => {
      sent.push(url)
      return json(200, lot)
    })
    const queue = outbox(heard())
    const weighing = { id: id(7), stage: 'live', shown: { value: 260, unit: 'lb' } } as NewWeighing
    queue.add({ lot: id(99), weighing })
    await vi.waitFor(() => expect(sent).toEqual([`/api/lots/${id(99)}/weighings`]))
  })
  it('a new lot, its groups and the farm wait as decisions do, what is said of a lot behind the lot itself', async () => {
    const sent: string[] = []
    let away = true
    vi.stubGlobal('fetch', async (url: string, init: RequestInit) => {
      if (away) throw new TypeError('no network')
      sent.push(`${init.method} ${url}`)
      return json(200, url === '/api/farm' ? { massUnit: 'lb', revision: 4 } : lot)
    })
    const events = { ...heard(), saved: vi.fn() }
    const queue = outbox(events)
    const hung = { id: id(99), tag: 'Hog 9', species: 'hog', count: 2 } as NewLot
    queue.add({ lot: id(99), hung })
    queue.add({ lot: id(99), split: { group: id(1), half: true, into: [{ id: id(2) }] } as unknown as Split })
    queue.add({ lot: id(99), joined: { id: id(3), name: 'All', as: id(2), with: [id(4)] } })
    for (const n of [5, 6])
      queue.add({ lot: '', id: id(n), settings: { name: `${n}`, base: 3 } as FarmChange })
    expect([queue.isHere(id(99)), queue.isHere(id(98))]).toEqual([true, false])
    // Of settings the last holds all that was typed: one lies here.
    await vi.waitFor(() => expect([...held.keys()].sort()).toEqual([2, 3, 6, 99].map(id)))
    away = false
    await vi.advanceTimersByTimeAsync(4000)
    await vi.waitFor(() => expect(events.saved).toHaveBeenCalledWith({ massUnit: 'lb', revision: 4 }))
    const of = `POST /api/lots/${id(99)}`
    expect(sent).toEqual(['POST /api/lots', `${of}/groups`, `${of}/groups/joined`, 'PUT /api/farm'])
    expect(queue.isHere(id(99))).toBe(false)
  })
  it('settings that were changed elsewhere meanwhile lie aside; sent again by a person they are those of now', async () => {
    const bases: number[] = []
    vi.stubGlobal('fetch', async (_: string, init: RequestInit) => {
      const { base } = JSON.parse(String(init.body)) as { base: number }
      bases.push(base)
      if (base < 7) return json(409, { status: 409, title: 'Changed meanwhile.', type: '/problems/changed' })
      return json(200, { massUnit: 'lb', revision: 8 })
    })
    const events = { ...heard(), saved: vi.fn() }
    const queue = outbox(events)
    queue.add({ lot: '', id: id(6), settings: { name: 'Ours', base: 3 } as FarmChange })
    await vi.waitFor(() => expect(queue.aside.value.map((a) => a.why)).toEqual(['Changed meanwhile.']))
    queue.again(id(6), 7)
    await vi.waitFor(() => expect(events.saved).toHaveBeenCalledOnce())
    expect(bases).toEqual([3, 7])
  })
  it('two windows share what they hold record by record; what an earlier version held is taken over', async () => {
    vi.stubGlobal('fetch', async () => {
      throw new TypeError('no network')
    })
    const [one, other] = [outbox(heard()), outbox(heard())]
    one.add(batch(1))
    other.add(batch(2))
    await vi.waitFor(() => expect([...held.keys()].sort()).toEqual([id(1), id(2)]))
    old.set('ekko-pending', [batch(3)])
    const reloaded = outbox(heard())
    await reloaded.resume()
    expect(reloaded.pending.value).toEqual([batch(1), batch(2), batch(3)])
  })

  it('facts go to an address of their own, in turn with what was decided', async () => {
    const sent: string[] = []
    vi.stubGlobal('fetch', async (url: string) => {
      sent.push(url)
      return json(200, lot)
    })
    const events = heard()
    const queue = outbox(events)
    const fact = { kind: 'observation', what: 'ribs', value: 14 } as const
    queue.add({ lot: id(99), facts: [{ id: id(5), corrects: null, stands: true, fact }] })
    queue.add(batch(1))
    await vi.waitFor(() => expect(events.kept).toHaveBeenCalledTimes(2))
    expect(sent).toEqual([`/api/lots/${id(99)}/facts`, `/api/lots/${id(99)}/decisions`])
  })
})

describe('several things that go together', () => {
  const hung: NewLot = { id: id(98), tag: 'Pen', species: 'hog', count: 1 }
  const writes: Write[] = [
    { is: 'hung', lot: id(98), hung },
    { is: 'facts', lot: id(98), facts: { facts: [] } },
  ]
  it('are one request, and each lot hears what it got of it', async () => {
    const sent = vi.fn(async (_: string, init: RequestInit) => {
      void init
      return json(200, { changes: [{ id: id(98) }, { id: id(99) }] })
    })
    vi.stubGlobal('fetch', sent)
    const events = heard()
    const queue = outbox(events)
    queue.add({ lot: id(98), writes, request: id(7) })
    expect([queue.isHere(id(98)), queue.isPending(id(7)), queue.pendingOf(id(98)).length]).toEqual([
      true,
      true,
      2,
    ])
    await vi.waitFor(() => expect(queue.pending.value).toEqual([]))
    expect(sent.mock.calls.map(([path, init]) => [path, JSON.parse(String(init.body))])).toEqual([
      ['/api/writes', { request: id(7), writes }],
    ])
    expect(events.kept.mock.calls.map(([c]) => (c as Lot).id)).toEqual([id(98), id(99)])
  })
  it('what a press decides for one group is one batch of it, for two it is two', () => {
    const decided = (group: number, n: number): Write => {
      const [part] = partsOf(batch(n))
      if (!part || !('append' in part)) throw new Error('no decision')
      return { is: 'append', ...part, append: { ...part.append, batch: id(1), group: id(group) } }
    }
    const out = inBatches([decided(50, 2), decided(51, 3), decided(50, 4)])
    expect(out.map((w) => (w.is === 'append' ? w.append.commands.map((c) => c.id) : []))).toEqual([
      [id(102), id(104)],
      [id(103)],
    ])
  })
})
