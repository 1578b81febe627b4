import same from 'fast-deep-equal'
import { defineStore } from 'pinia'
import { v7 as uuid } from 'uuid'
import { computed, markRaw, shallowRef } from 'vue'
import type { Join, Lot, LotChange, NewFact, NewPack, NewWeighing, Split } from '#contracts'
import { joined } from '#contracts/wire'
import type { Anatomy } from '#core/anatomy'
import { compile, type Flow } from '#core/carcass'
import { gramsOf } from '#core/measure'
import { standingFact, type FactRow, type Inverse } from '#core/plan'
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
import { useFarm } from './farm.ts'
import { requestOf } from './queue.ts'

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

  /** Decides for a group, and what is no group’s business for the lot. */
  function decide(lot: string, decisions: Decision[], group: string | null = null) {
    const held = lots.value.get(lot)
    if (!held) return
    for (const cutting of [true, false])
      send(
        held,
        decisions.filter((d) => isGroupField(d.field) === cutting),
        groupFor(held, cutting, group),
      )
  }

  function send(
    held: Lot,
    decisions: Decision[],
    group: string,
    back: { undoes?: string; redoes?: string } = {},
  ) {
    if (decisions.length === 0) return
    const lot = held.id
    const batch = uuid()
    const mine = own.get(lot) ?? []
    farm.queue.add({
      lot,
      append: {
        batch,
        group,
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
  function note(lot: string, facts: FactBody[], withdrawn: FactRow[] = [], group: string | null = null) {
    const held = lots.value.get(lot)
    if (!held) return
    const all = keptOf(held).facts
    for (const cutting of [true, false]) {
      const of = groupFor(held, cutting, group)
      const known = all.filter((f) => f.group === of)
      noteIn(
        { lot, group: of },
        known,
        facts.filter((f) => isGroupFact(f) === cutting),
        withdrawn.filter((w) => isGroupFact(w.fact) === cutting && known.some((k) => k.id === w.id)),
      )
    }
  }

  function noteIn(
    to: { lot: string; group: string },
    known: readonly FactRow[],
    facts: FactBody[],
    withdrawn: FactRow[],
  ) {
    const stated = facts.flatMap((fact): NewFact[] => {
      const now = standingFact(known, fact)
      return same(now?.fact, fact) ? [] : [{ id: uuid(), corrects: now?.id ?? null, stands: true, fact }]
    })
    const gone = withdrawn.map(({ id, fact }): NewFact => ({ id: uuid(), corrects: id, stands: false, fact }))
    const all = [...stated, ...gone]
    if (all.length > 0) farm.queue.add({ ...to, facts: all })
  }

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

  /** Takes back or brings back a batch; what another has decided since is asked about first. */
  function takeBack(lot: string, undo: Inverse, how: 'undoes' | 'redoes') {
    if (undo.contested.length === 0) return sendBack(lot, undo.decisions, undo.batch, how)
    const conflicts = undo.contested.map(({ mine, theirs }) => ({
      ...{ mine, theirs: theirs.decision, id: null, by: theirs.device },
    }))
    farm.conflict = { lot, conflicts, of: { undo, how } }
  }
  /** Of what would be undone another decided something since: theirs stays and the rest is undone, or all is set anew. */
  function settleUndo(
    lot: string,
    { batch, decisions, contested }: Inverse,
    how: 'undoes' | 'redoes',
    mine: boolean,
  ) {
    if (mine || decisions.length === 0) pass(batch)
    if (mine) decide(lot, [...decisions, ...contested.map((c) => c.mine)], groupOfBatch(lot, batch))
    else sendBack(lot, decisions, batch, how)
  }
  const groupOfBatch = (lot: string, batch: string): string | null => {
    const held = lots.value.get(lot)
    return (held && keptOf(held).commands.find((c) => c.batch === batch)?.group) ?? null
  }
  /** What is taken back or brought back is of the group it was decided for. */
  function sendBack(lot: string, decisions: Decision[], batch: string, how: 'undoes' | 'redoes') {
    const held = lots.value.get(lot)
    const group = groupOfBatch(lot, batch)
    if (held && group) send(held, decisions, group, { [how]: batch })
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
    if ('append' in pending)
      decide(
        pending.lot,
        pending.append.commands.map((c) => c.decision),
        pending.append.group,
      )
    else if ('facts' in pending)
      farm.queue.add({
        lot: pending.lot,
        ...(pending.group && { group: pending.group }),
        facts: pending.facts.flatMap((f): NewFact[] => {
          const clash = conflicts.find((c) => same(c.mine, f.stands ? f.fact : null))
          if (!clash) return [{ ...f, id: uuid() }]
          return f.stands || clash.id ? [{ ...f, id: uuid(), corrects: clash.id }] : []
        }),
      })
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
    note,
    correct,
    hangAgain,
    settle,
    passed,
    takeBack,
    keptOf,
    stateOf,
    split,
    join,
    /** Facts that the next request rests on: kept before it is sent, or refused. */
    noteNow: (lot: string, ...bodies: FactBody[]) => {
      const facts = bodies.map((fact): NewFact => ({ id: uuid(), corrects: null, stands: true, fact }))
      return farm.keep<LotChange>(`/lots/${lot}/facts`, { id: facts[0]!.id, facts }, merge, { lot, facts })
    },
    weigh: (lot: string, weighing: NewWeighing) =>
      farm.keep<LotChange>(`/lots/${lot}/weighings`, weighing, merge, { lot, weighing }),
    pack: (lot: string, pack: NewPack) =>
      farm.keep<LotChange>(`/lots/${lot}/packs`, pack, merge, { lot, pack }),
  }
})
