import { describe, expect, it } from 'vitest'
import { UNNAMED, type Author, type Decision, type FactBody } from '#core/records'
import {
  checkUndo,
  conflicts,
  contestedBy,
  latest,
  nextRedo,
  nextUndo,
  NO_LOG,
  standingFact,
  tried,
  type CommandRow,
  type FactRow,
} from './index.ts'
import { lineAt, paid, routed } from './testing.ts'

const ME: Author = { device: 'a', person: UNNAMED }
const NEIGHBOUR: Author = { device: 'a', person: 'q' }
const OTHER: Author = { device: 'b', person: UNNAMED }
const path = (target: string, value: string | null, side: 'left' | 'right' = 'left'): Decision => ({
  field: 'path',
  target,
  side,
  value,
})

/** A log that grows: each batch has a letter, each decision the next revision. */
function written(
  ...batches: [batch: string, decisions: Decision[], more?: Partial<CommandRow> & { by?: Author }][]
) {
  let rev = 0
  return batches.flatMap(([batch, decisions, { by = ME, ...more } = {}]) =>
    decisions.map((decision): CommandRow => ({
      id: `${++rev}`,
      rev,
      batch,
      undoes: null,
      redoes: null,
      decision,
      ...by,
      ...more,
    })),
  )
}
const undoing = (batch: string) => ({ undoes: batch })
const redoing = (batch: string) => ({ redoes: batch })
const codes = (
  commands: CommandRow[],
  which: { undoes?: string; redoes?: string },
  decisions: Decision[],
  by = ME,
) =>
  checkUndo(commands, { undoes: which.undoes ?? null, redoes: which.redoes ?? null }, decisions, by).map(
    (i) => `${i.field} ${i.code}`,
  )

describe('taking back and bringing back', () => {
  const a = path('loin', 'loin-roasts')
  const b = path('leg', 'leg-grind')
  it('gives each field the value it had before the batch, or the usual', () => {
    const log = written(['A', [a]], ['B', [path('loin', 'loin-grind'), b]])
    expect(nextUndo(log, ME)).toMatchObject({ batch: 'B', decisions: [a, path('leg', null)], contested: [] })
    const once = written(['A', [path('loin', 'loin-chops'), a]])
    expect(nextUndo(once, ME)).toMatchObject({ batch: 'A', decisions: [path('loin', null)] })
  })
  it('what was undone is brought back last first, until something new is decided', () => {
    const log = written(
      ['A', [a]],
      ['B', [b]],
      ['C', [path('leg', null)], undoing('B')],
      ['D', [path('loin', null)], undoing('A')],
    )
    expect(nextUndo(log, ME)).toBeNull()
    expect(nextRedo(log, ME)).toMatchObject({ batch: 'A', decisions: [a] })
    const again = [...log, ...written(['E', [a], redoing('A')]).map((c) => ({ ...c, rev: 9 }))]
    expect(nextUndo(again, ME)!.batch).toBe('A')
    expect(nextRedo(again, ME)).toMatchObject({ batch: 'B', decisions: [b] })
    const fresh = [...log, ...written(['F', [b]]).map((c) => ({ ...c, rev: 9 }))]
    expect(nextRedo(fresh, ME)).toBeNull()
    expect(nextUndo(fresh, ME)!.batch).toBe('F')
  })
  it('another device, or another person on this one, is somebody else', () => {
    const log = written(
      ['A', [a]],
      ['B', [b], { by: OTHER }],
      ['C', [path('belly', 'belly-slab')], { by: NEIGHBOUR }],
    )
    expect([ME, OTHER, NEIGHBOUR].map((by) => nextUndo(log, by)!.batch)).toEqual(['A', 'B', 'C'])
    expect(codes(log, undoing('B'), [path('leg', null)])).toEqual(['undoes undo-not-yours'])
    expect(codes(log, undoing('C'), [path('belly', null)])).toEqual(['undoes undo-not-yours'])
    const undone = [
      ...log,
      ...written(['D', [path('leg', null)], { ...undoing('B'), by: OTHER }]).map((c) => ({ ...c, rev: 9 })),
    ]
    expect(nextRedo(undone, ME)).toBeNull()
    expect(codes(undone, redoing('B'), [b])).toEqual(['redoes undo-not-yours'])
    expect(nextRedo(undone, OTHER)!.batch).toBe('B')
  })
  it('is one person’s on any device, and where nobody is named one device’s', () => {
    const onTablet: Author = { device: 'b', person: 'q' }
    const log = written(['A', [a], { by: NEIGHBOUR }], ['B', [b], { by: OTHER }])
    expect(nextUndo(log, onTablet)!.batch).toBe('A')
    expect(nextUndo(log, OTHER)!.batch).toBe('B')
    expect(nextUndo(log, ME)).toBeNull()
  })
  it('of a field another decided on since is nobody’s to change unseen: both come back, the rest apart', () => {
    const log = written(
      ['A', [path('belly', 'belly-slab')]],
      ['B', [a, b]],
      ['C', [path('leg', 'leg-whole')], { by: OTHER }],
    )
    const undo = nextUndo(log, ME)!
    expect(undo).toMatchObject({ batch: 'B', decisions: [path('loin', null)] })
    expect(undo.contested).toEqual([{ mine: path('leg', null), theirs: log.at(-1) }])
    const asked = { undoes: 'B', redoes: null }
    expect(contestedBy(log, asked, [path('loin', null), path('leg', null)], ME)).toEqual(undo.contested)
    expect(contestedBy(log, asked, undo.decisions, ME)).toEqual([])
    expect(nextUndo(log, ME, new Set(['B']))!.batch).toBe('A')
  })
  it('of a field that already stands as it would be set is no question; a batch of which nothing else is left is passed over', () => {
    const log = written(['A', [a]], ['B', [b]], ['C', [path('leg', null)], { by: OTHER }])
    expect(nextUndo(log, ME)).toEqual({ batch: 'A', decisions: [path('loin', null)], contested: [] })
  })
  it('may only take back what is there to take back, whole, and nothing else', () => {
    const log = written(['A', [a, b]])
    const [loin, leg] = [path('loin', null), path('leg', null)]
    expect(codes(log, undoing('A'), [loin, leg])).toEqual([])
    expect(codes(log, undoing('A'), [loin])).toEqual(['undoes undo-elsewhere'])
    expect(codes(log, undoing('A'), [loin, leg, path('belly', null)])).toEqual(['undoes undo-elsewhere'])
    expect(codes(log, undoing('X'), [loin])).toEqual(['undoes nothing-to-undo'])
    expect(codes(log, redoing('A'), [a, b])).toEqual(['redoes nothing-to-undo'])
    const undone = [...log, ...written(['B', [loin, leg], undoing('A')]).map((c) => ({ ...c, rev: 9 }))]
    expect(codes(undone, undoing('A'), [loin, leg])).toEqual(['undoes nothing-to-undo'])
    expect(codes(undone, redoing('A'), [a, b])).toEqual([])
    expect(codes(log, {}, [path('wing', 'x')])).toEqual([])
  })
  it('what was written before devices had names is anyone’s to take back', () => {
    const old = written(['A', [a], { by: { device: UNNAMED, person: UNNAMED } }])
    expect(nextUndo(old, OTHER)!.batch).toBe('A')
    expect(codes(old, undoing('A'), [path('loin', null)], OTHER)).toEqual([])
  })
})

describe('two windows', () => {
  const log = written(
    ['A', [path('loin', 'loin-roasts')]],
    ['B', [path('loin', 'loin-grind')], { by: OTHER }],
  )
  it('a page that has heard of a decision is not in conflict with it; one that has not, is', () => {
    const mine = path('loin', 'loin-chops')
    expect(conflicts(log, 2, [mine])).toEqual([])
    expect(conflicts(log, 1, [mine])).toEqual([
      { mine, theirs: path('loin', 'loin-grind'), rev: 2, by: OTHER.device },
    ])
    expect(conflicts(log, 0, [mine], ['B'])).toEqual([])
    expect(conflicts(log, 0, [mine], ['A'])).toHaveLength(1)
  })
  it('the same value, another side, another field, another part: no conflict', () => {
    for (const d of [
      path('loin', 'loin-grind'),
      path('loin', 'x', 'right'),
      path('leg', 'x'),
      lineAt('loin', 'x') as Decision,
    ])
      expect(conflicts(log, 0, [d])).toEqual([])
  })
  it('a price that comes back from the database with its keys in another order is the same price', () => {
    const price = (value: object) => ({ field: 'price', target: 'bacon', side: 'animal', value }) as Decision
    const all = written(['A', [price({ milli: 895000, per: 'lb' })]])
    expect(conflicts(all, 0, [price({ per: 'lb', milli: 895000 })])).toEqual([])
    expect(conflicts(all, 0, [price({ per: 'kg', milli: 895000 })])).toHaveLength(1)
  })
  it('the latest on each key counts', () => {
    expect([...latest(log).values()].map((c) => c.batch)).toEqual(['B'])
    expect(latest([...log, ...written(['C', [path('loin', 'x', 'right')]])]).size).toBe(2)
  })
})

describe('what is said is tried without being kept', () => {
  const ribs = (value: number): FactBody => ({ kind: 'observation', what: 'ribs', value })
  const row = (id: string, fact: FactBody, corrects: string | null = null, stands = true): FactRow => ({
    id,
    fact,
    corrects,
    stands,
    at: '',
  })
  it('a fact takes the place of the one about the same thing, costs stand beside each other', () => {
    const cost: FactBody = paid(1)
    const { facts, commands } = tried({ commands: [], facts: [row('1', ribs(14)), row('2', cost)] }, [
      ribs(15),
      cost,
      path('loin', 'x'),
    ])
    expect(facts.map((f) => f.corrects)).toEqual([null, null, '1', null])
    expect(facts.every((f) => f.stands)).toBe(true)
    expect(commands.map((c) => c.rev)).toEqual([3])
    expect(NO_LOG).toEqual({ commands: [], facts: [] })
  })
  it('decisions tried come after all that were kept', () => {
    const log = { commands: written(['A', [path('loin', 'a')]]).map((c) => ({ ...c, rev: 40 })), facts: [] }
    expect(tried(log, [path('loin', 'b'), path('loin', 'c')]).commands.map((c) => c.rev)).toEqual([
      40, 41, 42,
    ])
    expect(log.commands).toHaveLength(1)
  })
  it('the fact in force about a thing is the one no later one corrects, and that was not withdrawn', () => {
    const rows = [row('1', ribs(14)), row('2', ribs(15), '1')]
    expect(standingFact(rows, ribs(9))?.id).toBe('2')
    expect(standingFact([...rows, row('3', ribs(15), '2', false)], ribs(9))).toBeNull()
    expect(standingFact(rows, routed('custom'))).toBeNull()
    expect(standingFact([row('1', paid(1, 'a'))], paid(1, 'a'))).toBeNull()
  })
})
