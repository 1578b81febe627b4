import { describe, expect, it } from 'vitest'
import { ANATOMIES } from '#core/species'
import type { Said } from './index.ts'
import {
  adoptPlan,
  checkDecisions,
  cutPlanOf,
  housePlans,
  mostPieces,
  nextUndo,
  NO_LOG,
  readPlan,
  refusalOf,
  tried,
  type Log,
} from './index.ts'
import { cutDone, splitAt, way } from './testing.ts'
import { mm } from '#core/measure'
import { cutPlanSchema, decisionSchema, UNNAMED } from '#core/records'

const { hog, steer } = ANATOMIES
const plan = (...said: Said[]) => readPlan(hog, tried(NO_LOG, said))
const boned = splitAt('loin', 0.5, 'loin-boneless-chops')
const check = (d: Said, ...before: Said[]) =>
  checkDecisions(hog, tried(NO_LOG, before), [d as typeof boned], false).map((i) => i.code)
const ticked = (of: string): Said => ({ kind: 'tick', what: 'step', of, side: 'left' })

describe('a part planned two ways', () => {
  it('stands on its side only, beside the way of its front', () => {
    const { choices } = plan(boned)
    expect(choices.splits!.get('loin', 'left')).toEqual({ at: 0.5, path: 'loin-boneless-chops' })
    expect(choices.splits!.has('loin', 'right')).toBe(false)
    expect(choices.paths.has('loin', 'left')).toBe(false)
  })
  it('is one way again when taken back', () => {
    expect(plan(boned, splitAt('loin', null)).choices.splits!.size).toBe(0)
    const rows: Log = tried(NO_LOG, [boned])
    const undo = nextUndo(
      rows.commands.map((c) => ({ ...c, batch: 'b' })),
      { device: UNNAMED, person: UNNAMED },
    )
    expect(undo!.decisions).toEqual([splitAt('loin', null)])
  })
  it('cannot be with a way that takes the part whole or in one with another, nor twice the same', () => {
    expect(check(splitAt('loin', 0.5, 'loin-porchetta'))).toEqual(['split-in-one'])
    expect(check(boned, way('loin', 'loin-boneless-chops'))).toEqual(['split-alike'])
    expect(check(boned)).toEqual([])
  })
  it('a way taken later that needs the whole part lets the split go, and says so', () => {
    const { choices, dropped } = plan(boned, way('loin', 'loin-porchetta'), way('belly', 'belly-porchetta'))
    expect(choices.splits!.size).toBe(0)
    expect(dropped.map((d) => [d.part, d.path, d.issue.code])).toEqual([
      ['loin', 'loin-boneless-chops', 'split-in-one'],
    ])
  })
  it('names a part and a way there are, at a place on the part', () => {
    expect(check(splitAt('liver', 0.5, 'liver-kept'))).toEqual(['unknown-id'])
    expect(check(splitAt('loin', 0.5, 'leg-boned'))).toEqual(['unknown-id'])
    for (const at of [0, 0.01, 0.99, 1.2, -1])
      expect(decisionSchema.safeParse({ ...boned, value: { at, path: 'x' } }).success, String(at)).toBe(false)
    expect(decisionSchema.safeParse(boned).success).toBe(true)
  })
  it('what was cut is cut: no split of a part that is ticked off', () => {
    expect(check(boned, ticked('loin'))).toEqual(['step-done'])
    expect(check(splitAt('loin', null), boned, ticked('loin'))).toEqual(['step-done'])
    expect(check(boned, boned, ticked('loin'))).toEqual([])
    expect(check(boned, cutDone('bacon'))).toEqual([])
  })
  it('behind a split the same bones are still used once: other parts are refused by it too', () => {
    const shreds = steer.paths.find((p) => p.excludes?.length)!
    const other = steer.paths.find((p) => p.id === shreds.excludes![0]!.path)!
    const front = steer.paths.find(
      (p) => p.part === other.part && p.id !== other.id && !p.pair && !p.together,
    )!
    const after = readPlan(
      steer,
      tried(NO_LOG, [way(other.part, front.id), splitAt(other.part, 0.4, other.id)]),
    )
    expect(refusalOf(steer, after, shreds.part, ['left'], shreds.id)?.code).toBe('shut-out')
  })
  it('travels in a named plan, and a plan from before there were any has none', () => {
    const named = cutPlanOf(hog, plan(boned), 'Half and half')
    expect(named.splits).toEqual([{ part: 'loin', side: 'left', split: boned.value }])
    expect(adoptPlan(hog, plan(), named).decisions).toEqual([boned])
    expect(adoptPlan(hog, plan(boned), named).decisions).toEqual([])
    const old = cutPlanOf(hog, plan(), 'As usual')
    expect(Object.keys(old)).not.toContain('splits')
    expect(cutPlanSchema.parse(old)).toEqual(old)
    const back = adoptPlan(hog, plan(boned), old)
    expect(back.decisions).toEqual([splitAt('loin', null)])
  })
  it('a named plan leaves out, with a reason, a split that cannot be had', () => {
    const named = cutPlanOf(hog, plan(boned), 'x')
    const strange = {
      ...named,
      splits: [{ part: 'loin', side: 'left' as const, split: { at: 0.5, path: 'gone' } }],
    }
    expect(adoptPlan(hog, plan(), strange)).toMatchObject({
      decisions: [],
      leftOut: [{ what: 'loin: gone' }],
    })
    expect(adoptPlan(hog, plan(ticked('loin')), named).decisions).toEqual([])
    expect(housePlans(hog).every((p) => p.splits === undefined)).toBe(true)
  })
})

it('a length gives so many pieces and no more: 600 mm at 8 mm and a saw of 2 mm are 60 (by hand)', () => {
  expect(mostPieces(mm(600), 2)).toBe(60)
  expect(mostPieces(mm(600), 0)).toBe(200)
})
