import same from 'fast-deep-equal'
import { defineStore } from 'pinia'
import { v7 as uuid } from 'uuid'
import { computed, markRaw, shallowRef } from 'vue'
import type { Join, Lot, LotChange, NewFact, NewPack, NewWeighing, Split, Write } from '#contracts'
import { joined } from '#contracts/wire'
import type { Anatomy } from '#core/anatomy'
import { compile, type Flow } from '#core/carcass'
import { gramsOf } from '#core/measure'
import { standingFact, type FactRow } from '#core/plan'
import { figuresOf, viewOf, type KeptLot, type LotState } from '#core/reading'
import {
  inForce,
  isGroupFact,
  isGroupField,
  onlyLeaf,
  readBy,
  wholeOf,
  type Decision,
  type FactBody,
  type Station,
} from '#core/records'
import { ask } from './api.ts'
import { ME } from './device.ts'
import { useFarm, type OpenConflict, type Undo } from './farm.ts'
import { inBatches, partsOf, requestOf, writeOf, type OfLot } from './queue.ts'

/** The records of lots that were opened, and the decisions still on their way. Figures are computed, never stored. */
export const useLots = defineStore('lots', () => {
  const farm = useFarm()
  const lots = shallowRef<ReadonlyMap<string, Lot>>(new Map())
  const flows = shallowRef<ReadonlyMap<string, Flow>>(new Map())
  /** Pins written in an earlier form: their lots say so. */
  const oldPins = shallowRef<ReadonlySet<string>>(new Set())
  /** Ids that name no lot. */
  const missing = shallowRef<ReadonlySet<string>>(new Set())
  /** Batches this page took itself, by lot: it cannot be in conflict with itself. */
  const own = new Map<string, string[]>()

  const set = (lot: Lot) => (lots.value = new Map(lots.value).set(lot.id, markRaw(lot)))
  /** Records are append-only: an answer of no later revision is the same, or an older one that came late. */
  const put = (lot: Lot) => (lots.value.get(lot.id)?.rev ?? -1) < lot.rev && set(lot)

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

  /** Fetches what a lot has since it was last heard of; all of it where nothing is known, or these are other records. */
  async function refresh(id: string): Promise<void> {
    const held = lots.value.get(id)
    const answer = await ask<Lot | LotChange>('GET', `/lots/${id}${held ? `?since=${held.rev}` : ''}`)
    if (answer.kind === 'problem' && answer.problem.status === 404)
      missing.value = new Set([...missing.value, id])
    if (answer.kind !== 'ok') return
    if (!('from' in answer.body)) {
      await fetchFlow(readBy(answer.body))
      return void set(answer.body)
    }
    const known = lots.value.get(id)
    const lot = known && joined(known, answer.body)
    if (!lot) return refresh(id)
    await fetchFlow(readBy(lot))
    put(lot)
  }

  /** Puts in place what a write added; what was missed before it is fetched. */
  async function merge(change: LotChange): Promise<void> {
    const held = lots.value.get(change.id)
    if (!held) return
    const lot = joined(held, change)
    if (!lot) return refresh(change.id)
    put(lot)
  }

  farm.heldBy({
    merge,
    behind: (id, rev) => {
      const held = lots.value.get(id)
      if (held && held.rev < rev) void refresh(id)
    },
    catchUp: (anew) => {
      const ids = [...lots.value.keys()]
      if (anew) lots.value = new Map()
      for (const id of ids) void refresh(id)
    },
  })

  /** A lot that is looked at: its records are fetched unless they are here. */
  const open = async (id: string) => (lots.value.has(id) ? undefined : refresh(id))

  /** The group something of a lot is decided for or seen of: how it is cut is of one that is cut, all else of the lot. */
  function groupFor(lot: Lot, cutting: boolean, group: string | null | undefined): string {
    return (cutting ? (group ?? onlyLeaf(lot.groups)?.id) : null) ?? wholeOf(lot.groups).id
  }

  /** What a press decides, as it is written: for a group, and what is no group’s business for the lot; one batch, undone together. */
  function decided(lot: string, decisions: Decision[], group: string | null = null, batch = uuid()): Write[] {
    const held = lots.value.get(lot)
    if (!held) return []
    return [true, false].flatMap((cutting) =>
      appended(held, {
        ...{ batch, group: groupFor(held, cutting, group) },
        decisions: decisions.filter((d) => isGroupField(d.field) === cutting),
      }),
    )
  }
  const decide = (lot: string, decisions: Decision[], group: string | null = null) =>
    post(decided(lot, decisions, group))

  interface Appended {
    batch: string
    group: string
    decisions: Decision[]
    back?: { undoes?: string; redoes?: string }
  }
  function appended(held: Lot, { batch, group, decisions, back }: Appended): Write[] {
    if (decisions.length === 0) return []
    const lot = held.id
    const mine = own.get(lot) ?? []
    own.set(lot, [...mine.filter((b) => b !== batch), batch])
    return [
      {
        ...{ is: 'append', lot },
        append: {
          ...{ batch, group, base: held.rev, own: mine.slice(-200) },
          ...{ undoes: back?.undoes ?? null, redoes: back?.redoes ?? null },
          commands: decisions.map((decision) => ({ id: uuid(), decision })),
        },
      },
    ]
  }

  /** Sends what was written without waiting for it: several things together, all or none. */
  function post(parts: Write[]) {
    const writes = inBatches(parts)
    const [first, second] = writes
    if (!first) return
    if (second) return farm.queue.add({ lot: first.lot, writes, request: uuid() })
    const [only] = partsOf({ lot: first.lot, writes, request: '' })
    farm.queue.add(only!)
  }

  /** Facts of a lot as they are written. Each corrects what is known about the same thing; those in `withdrawn` are taken back. */
  function noted(
    lot: string,
    facts: FactBody[],
    withdrawn: FactRow[] = [],
    group: string | null = null,
  ): Write[] {
    const held = lots.value.get(lot)
    if (!held) return []
    const all = keptOf(held).facts
    return [true, false].flatMap((cutting) => {
      const of = groupFor(held, cutting, group)
      const known = all.filter((f) => f.group === of)
      const said = [
        ...stated(
          known,
          facts.filter((f) => isGroupFact(f) === cutting),
        ),
        ...withdrawn
          .filter((w) => isGroupFact(w.fact) === cutting && known.some((k) => k.id === w.id))
          .map(({ id, fact }): NewFact => ({ id: uuid(), corrects: id, stands: false, fact })),
      ]
      return said.length > 0 ? [{ is: 'facts' as const, lot, facts: { group: of, facts: said } }] : []
    })
  }
  const note = (lot: string, facts: FactBody[], withdrawn: FactRow[] = [], group: string | null = null) =>
    post(noted(lot, facts, withdrawn, group))

  const stated = (known: readonly FactRow[], facts: FactBody[]): NewFact[] =>
    facts.flatMap((fact) => {
      const now = standingFact(known, fact)
      return same(now?.fact, fact) ? [] : [{ id: uuid(), corrects: now?.id ?? null, stands: true, fact }]
    })

  /** Hung after all: the withdrawal is withdrawn, and everything stands as it did. */
  async function hangAgain(lot: string) {
    await open(lot)
    const known = lots.value.get(lot)?.facts ?? []
    note(
      lot,
      [],
      inForce(known).filter((f) => f.fact.kind === 'withdrawal'),
    )
  }

  /** Puts another fact in the place of one: a cost that was mistyped. */
  function correct(lot: string, row: FactRow, fact: FactBody) {
    const held = lots.value.get(lot)
    const group = held && keptOf(held).facts.find((f) => f.id === row.id)?.group
    farm.queue.add({
      lot,
      ...(group && { group }),
      facts: [{ id: uuid(), corrects: row.id, stands: true, fact }],
    })
  }

  /** Batches that another decided over and a person left so: Undo and Redo go on to the one before. */
  const passed = shallowRef<ReadonlySet<string>>(new Set())
  const pass = (batch: string) => (passed.value = new Set([...passed.value, batch]))

  /** Takes back or brings back a press; what another has decided since is asked about first. */
  function takeBack(lot: string, undo: Undo, how: 'undoes' | 'redoes') {
    const contested = undo.parts.flatMap((p) => p.inverse.contested)
    if (contested.length === 0) return sendBack(lot, undo, how)
    const conflicts = contested.map(({ mine, theirs }) => ({
      ...{ mine, theirs: theirs.decision, id: null, by: theirs.device },
    }))
    farm.conflict = { lot, conflicts, of: { undo, how } }
  }
  /** Of what would be undone another decided something since: theirs stays and the rest is undone, or all is set anew. */
  function settleUndo(lot: string, undo: Undo, how: 'undoes' | 'redoes', mine: boolean) {
    if (mine || undo.parts.every((p) => p.inverse.decisions.length === 0)) pass(undo.batch)
    if (!mine) return sendBack(lot, undo, how)
    const batch = uuid()
    post(
      undo.parts.flatMap(({ group, inverse }) =>
        decided(lot, [...inverse.decisions, ...inverse.contested.map((c) => c.mine)], group, batch),
      ),
    )
  }
  /** What is taken back or brought back is of the groups it was decided for, in one batch again. */
  function sendBack(lot: string, { batch: of, parts }: Undo, how: 'undoes' | 'redoes') {
    const held = lots.value.get(lot)
    const batch = uuid()
    if (held)
      post(
        parts.flatMap(({ group, inverse }) =>
          appended(held, { batch, group, decisions: inverse.decisions, back: { [how]: of } }),
        ),
      )
  }

  /** A conflict is settled: mine is sent again knowing theirs, or let go. */
  async function settle(choice: 'mine' | 'theirs') {
    const held = farm.conflict
    farm.conflict = null
    if (!held) return
    const { of: pending, conflicts } = held
    if ('undo' in pending) return settleUndo(held.lot, pending.undo, pending.how, choice === 'mine')
    farm.queue.drop(requestOf(pending))
    if (choice === 'theirs') return
    await open(pending.lot)
    const batch = uuid()
    post(partsOf(pending).flatMap((part) => sentAnew(part, conflicts, batch)))
  }

  /** What met a conflict, as it is sent again: knowing what stands now. */
  function sentAnew(part: OfLot, conflicts: OpenConflict['conflicts'], batch: string): Write[] {
    if ('append' in part)
      return decided(
        part.lot,
        part.append.commands.map((c) => c.decision),
        part.append.group,
        batch,
      )
    if (!('facts' in part)) return [writeOf(part)]
    const facts = part.facts.flatMap((f): NewFact[] => {
      const clash = conflicts.find((c) => same(c.mine, f.stands ? f.fact : null))
      if (!clash) return [{ ...f, id: uuid() }]
      return f.stands || clash.id ? [{ ...f, id: uuid(), corrects: clash.id }] : []
    })
    return facts.length > 0 ? [writeOf({ ...part, facts })] : []
  }

  /** A lot with what is still on its way, every row of its group. */
  function keptOf(lot: Lot): KeptLot {
    const commands: KeptLot['commands'][number][] = [...lot.commands]
    const facts: KeptLot['facts'][number][] = [...lot.facts]
    const packs: KeptLot['packs'][number][] = [...lot.packs]
    const weighings: KeptLot['weighings'][number][] = [...lot.weighings]
    const kept = new Set([...commands, ...facts].map((r) => r.id))
    let rev = lot.rev
    for (const item of farm.queue.pendingOf(lot.id)) {
      if ('facts' in item) {
        const group = item.group ?? wholeOf(lot.groups).id
        for (const f of item.facts) if (!kept.has(f.id)) facts.push({ ...f, group, at: '' })
        continue
      }
      if ('pack' in item) {
        const { pack } = item
        const group = pack.group ?? wholeOf(lot.groups).id
        if (!packs.some((p) => p.id === pack.id))
          packs.push({ ...pack, group, number: null, grams: gramsOf(pack.shown), at: '' })
        continue
      }
      if ('weighing' in item) {
        const { weighing } = item
        const group = weighing.group ?? wholeOf(lot.groups).id
        if (!weighings.some((w) => w.id === weighing.id))
          weighings.push({ ...weighing, group, grams: gramsOf(weighing.shown), at: '' })
        continue
      }
      if (!('append' in item)) continue
      const { batch, undoes, redoes } = item.append
      const group = item.append.group ?? wholeOf(lot.groups).id
      for (const { id, decision } of item.append.commands)
        if (!kept.has(id)) commands.push({ id, group, rev: ++rev, batch, undoes, redoes, decision, ...ME })
    }
    return { ...lot, weighings, commands, facts, packs }
  }
  /** A lot as it stands with what is still on its way; or one group of it. */
  const stateOf = (lot: Lot, group: string | null = null): LotState => viewOf(keptOf(lot), group)

  /** Stations that nothing of the farm's equipment makes now (state/bench.ts). */
  const down = shallowRef<readonly Station[]>([])

  /** Groups are made and put together at once: what is decided next is decided for them. */
  const split = (lot: string, body: Split) =>
    farm.keep<LotChange>(`/lots/${lot}/groups`, { id: body.into[0]!.id, ...body }, merge, {
      lot,
      split: body,
    })
  const join = (lot: string, joined: Join) =>
    farm.keep<LotChange>(`/lots/${lot}/groups/joined`, joined, merge, { lot, joined })

  return {
    lots,
    flows,
    oldPins,
    missing,
    figures: computed(() => ({ ...figuresOf(farm.farm), down: down.value })),
    down,
    fetchFlow,
    open,
    decide,
    decided,
    note,
    noted,
    correct,
    hangAgain,
    settle,
    passed,
    takeBack,
    keptOf,
    stateOf,
    split,
    join,
    weigh: (lot: string, weighing: NewWeighing) =>
      farm.keep<LotChange>(`/lots/${lot}/weighings`, weighing, merge, { lot, weighing }),
    pack: (lot: string, pack: NewPack) =>
      farm.keep<LotChange>(`/lots/${lot}/packs`, pack, merge, { lot, pack }),
  }
})
