import { describe, expect, it } from 'vitest'
import { ANATOMIES } from '#core/species'
import { kg, PLAIN, saysFor, sayIssue } from '#core/measure'
import type { Said } from '#core/plan'
import { groupState, reckon, type KeptLot } from '#core/reading'
import { UNNAMED, type Fault, type SchoolId } from '#core/records'
import { flowOf } from '../carcass/testing.ts'
import { FARM, lotOf } from '../reading/testing.ts'
import { way } from '../plan/testing.ts'
import {
  faultLoss,
  judgeFault,
  lessonsAt,
  madeAt,
  repeatedFaults,
  sayHandStep,
  stepsOf,
  type FaultRow,
} from './index.ts'

const CHOPS: Said[] = [way('loin', 'loin-chops'), way('loin', 'loin-chops', 'right')]
const hog = reckon(flowOf('hog'), lotOf('hog', CHOPS, 'hot'), FARM, 0)
const fault = (more: Partial<Fault> = {}): Fault => ({
  ...{ kind: 'fault', of: 'loin', side: 'left', what: 'Sawn thin', cut: 'bone-in-chop', to: 'trim' },
  ...{ shown: { value: 0.4, unit: 'kg' }, cause: 'no stop', lesson: null, lost: 0, ...more },
})
const codes = (f: Fault) => judgeFault(hog, f)?.code ?? null

describe('a fault as it is written down', () => {
  it('is of a cut that the step gives, goes to another of that step or to waste, and is no more than there was', () => {
    expect(codes(fault())).toBeNull()
    expect(codes(fault({ to: null }))).toBeNull()
    expect(codes(fault({ cut: 'bacon' }))).toBe('fault-nowhere')
    expect(codes(fault({ to: 'bacon' }))).toBe('fault-nowhere')
    expect(codes(fault({ to: 'bone-in-chop' }))).toBe('fault-nowhere')
    expect(codes(fault({ shown: { value: 40, unit: 'kg' } }))).toBe('fault-too-much')
    expect(codes(fault({ cut: null, shown: null }))).toBeNull()
    // Half of it said: at the field that is missing.
    expect(judgeFault(hog, fault({ cut: null }))).toMatchObject({ code: 'fault-half', field: 'cut' })
    expect(judgeFault(hog, fault({ shown: null }))).toMatchObject({ code: 'fault-half', field: 'shown' })
    const issue = judgeFault(hog, fault({ shown: { value: 40, unit: 'kg' } }))!
    expect(sayIssue(issue, saysFor({ ...PLAIN, massUnit: 'kg' }))).toMatch(
      /^40\.00 kg is more than the [\d.]+ kg of .* that this step gives\. Check/,
    )
  })
  it('costs what it was to bring, less what it still brings', () => {
    const chop = hog.cuts.find((c) => c.cut.id === 'bone-in-chop')!
    const one = faultLoss(hog, 'bone-in-chop', null, kg(1))
    expect(one).toBe(Math.round(chop.price.milli / 1000 / (chop.price.per === 'kg' ? 1 : 0.453_592_37)))
    expect(faultLoss(hog, 'bone-in-chop', null, kg(2))).toBeCloseTo(2 * one, -1)
    const toTrim = faultLoss(hog, 'bone-in-chop', 'trim', kg(1))
    expect(toTrim).toBeLessThan(one)
    expect(toTrim).toBeGreaterThan(0)
  })
  it('may be of any cut that is made there, with its weight', () => {
    const made = madeAt(hog, 'loin', 'left')
    expect(made.some((m) => m.id === 'trim' && !m.isCut)).toBe(true)
    expect(made.every((m) => m.kg >= 0)).toBe(true)
  })
})

describe('what a farm gets wrong', () => {
  const row = (lot: string, more: Partial<Fault>): FaultRow => ({
    ...{ lot, tag: lot, species: 'hog', fault: fault(more) },
  })
  const rows = [
    row('a', { what: 'Sawn thin', lost: 500, lesson: 'Set the stop' }),
    row('b', { what: 'sawn thin', lost: 250, lesson: null }),
    row('c', { of: 'leg', what: 'Left meat on the bone', lost: 600, lesson: 'Scrape' }),
  ]
  it('is listed with the dearest first, alike ones together, with the newest lesson', () => {
    expect(repeatedFaults(rows).map((r) => [r.of, r.times, r.lost, r.lesson])).toEqual([
      ['loin', 2, 750, 'Set the stop'],
      ['leg', 1, 600, 'Scrape'],
    ])
  })
  it('is said at that step of the next animal of the species, and nowhere else', () => {
    expect(lessonsAt(rows, 'hog', 'loin')).toEqual(['Set the stop'])
    expect(lessonsAt(rows, 'hog', 'belly')).toEqual([])
    expect(lessonsAt(rows, 'lamb', 'loin')).toEqual([])
  })
})

describe('a lot that is split after it was begun', () => {
  it('has its share of what went wrong before, and what was signed', () => {
    const entry = { at: '2026-01-01T00:00:00Z', device: UNNAMED, person: UNNAMED }
    const group = (id: string, parent: string | null, animals: number, rev: number) => ({
      ...{ id, parent, animals, rev, half: false, joins: [], name: id, ...entry },
    })
    const facts = [
      { id: 'f', rev: 1, fact: fault({ shown: { value: 4, unit: 'kg' } }) },
      { id: 'c', rev: 2, fact: { kind: 'check', check: 'glands', of: 'leg', side: 'left', by: 'JB' } },
    ].map((f) => ({ ...f, group: 'all', corrects: null, stands: true, ...entry }))
    const lot = {
      ...{ species: 'hog', count: 4, commands: [], weighings: [], packs: [] },
      ...{ groups: [group('all', null, 4, 0), group('one', 'all', 1, 3), group('rest', 'all', 3, 4)], facts },
    } as unknown as KeptLot
    const of = (id: string) => groupState(lot, id).facts.map((f) => f.fact)
    expect(of('one')).toContainEqual(fault({ shown: { value: 1, unit: 'kg' } }))
    expect(of('rest')).toContainEqual(fault({ shown: { value: 3, unit: 'kg' } }))
    expect(of('one').map((f) => f.kind)).toContain('check')
  })
})

describe('a step as it is said', () => {
  const says = saysFor(PLAIN)
  const path = ANATOMIES.hog.paths.find((p) => p.id === 'loin-boneless-chops')!
  const said = (schools: [SchoolId, string][]) => {
    const map = new Map(schools)
    return stepsOf(ANATOMIES.hog, path, new Map(), map).map((s) => sayHandStep(s, says, map))
  }
  it('is of its part in the farm’s names, said once', () => {
    const commonwealth = saysFor({ ...PLAIN, nameSet: 'commonwealth' })
    const heads = (who: typeof says) =>
      stepsOf(ANATOMIES.hog, path, new Map(), new Map()).map((s) => ({
        s,
        out: sayHandStep(s, who, new Map()),
      }))
    const named = heads(says).filter(({ s }) => s.of !== null)
    expect(named.length).toBeGreaterThan(2)
    for (const who of [says, commonwealth])
      for (const { s, out } of heads(who).filter((x) => x.s.of !== null)) {
        const name = who.name(s.of!).toLowerCase()
        const times = `${out.head} ${out.at}`.split(name).length - 1
        expect(times, `${out.head} | ${out.at}`).toBeGreaterThanOrEqual(1)
        if (!s.at.includes(s.of!.american.toLowerCase())) expect(out.head).toContain(`: ${name}`)
        else expect(out.head).not.toContain(':')
      }
  })
  it('names the hand that holds by who cuts, and no mark of it is left unsaid', () => {
    const [right, left] = [said([]), said([['hand', 'left']])]
    expect(right[0]!.how).toContain('at your left hand')
    expect(left[0]!.how).toContain('at your right hand')
    for (const s of [...right, ...left]) expect(`${s.how} ${s.caution}`).not.toMatch(/[{}]/)
  })
})
