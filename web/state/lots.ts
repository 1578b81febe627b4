import same from 'fast-deep-equal'
import { defineStore } from 'pinia'
import { v7 as uuid } from 'uuid'
import { computed, markRaw, shallowRef } from 'vue'
import type { Lot, LotChange, NewFact, NewPack, NewWeighing } from '#contracts'
import { joined } from '#contracts/wire'
import type { Anatomy } from '#core/anatomy'
import { compile, type Flow } from '#core/carcass'
import { standingFact, type CommandRow, type FactRow, type Inverse } from '#core/plan'
import { figuresOf, type LotState } from '#core/reading'
import { inForce, readBy, type Decision, type FactBody } from '#core/records'
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

  function decide(lot: string, decisions: Decision[], back: { undoes?: string; redoes?: string } = {}) {
    const held = lots.value.get(lot)
    if (!held || decisions.length === 0) return
    const batch = uuid()
    const mine = own.get(lot) ?? []
    farm.queue.add({
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
    if (all.length > 0) farm.queue.add({ lot, facts: all })
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
    farm.queue.add({ lot, facts: [{ id: uuid(), corrects: row.id, stands: true, fact }] })
  }

  /** Batches that another decided over and a person left so: Undo and Redo go on to the one before. */
  const passed = shallowRef<ReadonlySet<string>>(new Set())
  const pass = (batch: string) => (passed.value = new Set([...passed.value, batch]))

  /** Takes back or brings back a batch; what another has decided since is asked about first. */
  function takeBack(lot: string, undo: Inverse, how: 'undoes' | 'redoes') {
    if (undo.contested.length === 0) return decide(lot, undo.decisions, { [how]: undo.batch })
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
    if (mine) decide(lot, [...decisions, ...contested.map((c) => c.mine)])
    else decide(lot, decisions, { [how]: batch })
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
      )
    else
      farm.queue.add({
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
    for (const item of farm.queue.pendingOf(lot.id)) {
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

  return {
    lots,
    flows,
    oldPins,
    missing,
    figures: computed(() => figuresOf(farm.farm)),
    fetchFlow,
    open,
    decide,
    note,
    correct,
    hangAgain,
    settle,
    passed,
    takeBack,
    stateOf,
    /** Facts that the next request rests on: kept before it is sent, or refused. */
    noteNow: (lot: string, ...bodies: FactBody[]) => {
      const facts = bodies.map((fact): NewFact => ({ id: uuid(), corrects: null, stands: true, fact }))
      return farm.keep<LotChange>(`/lots/${lot}/facts`, { id: facts[0]!.id, facts }, merge)
    },
    weigh: (lot: string, weighing: NewWeighing) =>
      farm.keep<LotChange>(`/lots/${lot}/weighings`, weighing, merge),
    pack: (lot: string, pack: NewPack) => farm.keep<LotChange>(`/lots/${lot}/packs`, pack, merge),
  }
})
