import { readFileSync, writeFileSync } from 'node:fs'
import { ANATOMIES } from '#core/species'
import { gunzipSync, gzipSync } from 'node:zlib'
import { describe, expect, it } from 'vitest'
import { readAnatomy } from '#core/anatomy'
import { compile } from '#core/carcass'
import { minorOf } from '#core/measure'
import { broughtUp, CONTENT_STEPS, keptFarmSchema, lotSchema, type Lot } from '#core/records'
import { alternativesFor, figuresOf, reckon, stateOf } from './index.ts'

/** What the program of that time made of a lot (server/specimens/README.md): weights, kg per cut, money. */
interface Figures {
  tag: string
  weights: Record<string, number> | null
  cuts: Record<
    string,
    { kg: number; weighedKg: number; value: number; price: { minor: number; per: string } }
  >
  costs: { rows: { label: string; amount: number; fromPlan: boolean }[]; total: number }
  net: number
  cover: number | null
}

const file = (name: string) => new URL(`../../server/specimens/${name}`, import.meta.url)
function specimen(name: string) {
  const raw = JSON.parse(gunzipSync(readFileSync(file(`${name}.json.gz`))).toString('utf8')) as {
    version: number
    content: Record<string, unknown>
  }
  return { version: raw.version, content: broughtUp(raw.content, raw.version, CONTENT_STEPS) }
}
const reading = (content: Record<string, unknown>, lot: Lot) => {
  const pin = readAnatomy((content.anatomies as Record<string, unknown>)[lot.anatomy], ANATOMIES)
  if (!pin.ok) throw new Error(JSON.stringify(pin.issues))
  return reckon(compile(pin.value.anatomy), stateOf(lot), figuresOf(keptFarmSchema.parse(content.farm)), 0)
}
const GRAM = 0.0005
const isNotDone = ({ fact }: Lot['facts'][number]) => fact.kind !== 'tick' || fact.what !== 'cut'

describe.each([1, 2, 3, 4, 5, 12])('bundle %d as it was written then', (version) => {
  const { content } = specimen(`bundle-${version}`)
  const lots = (content.lots as unknown[]).map((l) => lotSchema.parse(l))
  const then = JSON.parse(readFileSync(file(`figures-${version}.json`), 'utf8')) as Figures[]

  it('holds lots whose records are in the order of their revisions, facts apart from decisions', () => {
    expect(lots.map((l) => l.tag)).toEqual(then.map((f) => f.tag))
    // A split is a revision of its own.
    for (const l of lots.filter((x) => x.groups.length === 1)) {
      const revs = [...l.weighings, ...l.packs, ...l.commands, ...l.facts].map((r) => r.rev)
      expect(revs.toSorted((a, b) => a - b)).toEqual(revs.map((_, i) => i + 1))
      expect(l.rev).toBe(revs.length)
    }
    expect(lots.flatMap((l) => l.facts).length).toBeGreaterThan(20)
  })
  it.each(then.map((f) => [f.tag, f] as const))(
    '%s weighs, gives and costs what it did then: every cut to the gram, every sum to the minor unit',
    (tag, figures) => {
      const lot = lots.find((l) => l.tag === tag)!
      const r = reading(content, lot)
      // Packs teach the rest of a lot since the fifth: one with packs is held to what it gives without them, and what was weighed.
      const isPacked = lot.packs.length > 0 && version < 5
      const planned = isPacked
        ? reading(content, { ...lot, packs: [], facts: lot.facts.filter(isNotDone) })
        : r
      for (const [stage, kg] of Object.entries(figures.weights ?? {}))
        expect(Math.abs(r.weights![stage as 'live'] - kg), stage).toBeLessThan(GRAM)
      expect(r.cuts.map((c) => c.cut.id).sort()).toEqual(Object.keys(figures.cuts).sort())
      for (const c of r.cuts) {
        const was = figures.cuts[c.cut.id]!
        const plan = planned.cuts.find((p) => p.cut.id === c.cut.id)!.kg
        const kg = !isPacked ? c.kg : c.done ? c.weighedKg : Math.max(c.weighedKg, plan)
        expect(Math.abs(kg - was.kg), c.cut.id).toBeLessThan(GRAM)
        expect(Math.abs(c.weighedKg - was.weighedKg), c.cut.id).toBeLessThan(GRAM)
        expect(minorOf(c.price), c.cut.id).toBe(was.price.minor)
        if (r.plan.route !== 'household' && !isPacked) expect(c.value, c.cut.id).toBe(was.value)
      }
      const typed = (rows: { label: string; amount: number; fromPlan: boolean }[]) =>
        rows
          .filter((row) => !row.fromPlan)
          .map((row) => [row.label, row.amount])
          .toSorted()
      expect(typed(r.money.costs.rows)).toEqual(typed(figures.costs.rows))
      const billed = (rows: Figures['costs']['rows'], word: string) =>
        rows.find((row) => row.label === word)?.amount
      for (const word of ['Kill fee', 'Cut and wrap'])
        expect(billed(r.money.costs.rows, word), word).toBe(billed(figures.costs.rows, word))
      if (!isPacked) expect(r.money.net).toBe(figures.net)
    },
  )
  it('can be planned on: every part of every lot has ways that are valued', () => {
    for (const l of lots) {
      const r = reading(content, l)
      const part = r.flow.anatomy.parts.find((p) => r.cutting.partKg(p.id) > 1 && p.scope === 'side')
      if (part) expect(alternativesFor(r, part.id, ['left', 'right']).length, l.tag).toBeGreaterThan(1)
    }
  })
})

/** What a lot is read to: weights, kilograms of each cut, what it brings, costs, net. */
function readTo(content: Record<string, unknown>, lot: Lot) {
  const { weights, cuts, money } = reading(content, lot)
  return {
    ...(weights as Record<string, number> | null),
    ...Object.fromEntries(
      cuts.flatMap((c): [string, number][] => [
        [`${c.cut.id} kg`, c.kg],
        [`${c.cut.id} weighed`, c.weighedKg],
        [`${c.cut.id} value`, c.value],
      ]),
    ),
    ...Object.fromEntries(money.costs.rows.map((r, i): [string, number] => [`cost ${i}`, r.amount])),
    net: money.net,
    cover: money.cover ?? -1,
  }
}
const BUNDLES = ['1', '2-first', '2', '3', '4', '5', '6', '7', '8', '9', '10', '11', '12']
const KEPT = file('readings.json.gz')

describe('a change of how records are kept moves no figure', () => {
  it.each(BUNDLES)('bundle %s reads as it did before, to 1e-12', (name) => {
    const { content } = specimen(`bundle-${name}`)
    const now = Object.fromEntries(
      (content.lots as unknown[]).map((l) => lotSchema.parse(l)).map((l) => [l.id, readTo(content, l)]),
    )
    const kept = JSON.parse(gunzipSync(readFileSync(KEPT)).toString('utf8')) as Record<string, typeof now>
    // Written anew only where a rule of the reading is changed on purpose (server/specimens/README.md).
    if (process.env.READINGS === 'write')
      writeFileSync(KEPT, gzipSync(JSON.stringify({ ...kept, [name]: now }), { level: 9 }))
    const then: Record<string, Record<string, number>> = process.env.READINGS === 'write' ? now : kept[name]!
    expect(Object.keys(now)).toEqual(Object.keys(then))
    for (const [id, figures] of Object.entries(now)) {
      expect(Object.keys(figures)).toEqual(Object.keys(then[id]!))
      for (const [what, value] of Object.entries(figures)) {
        const was = then[id]![what]!
        expect(Math.abs(value - was), `${id} ${what}`).toBeLessThanOrEqual(1e-12 * Math.max(1, Math.abs(was)))
      }
    }
  })
})

describe('what a bundle of version 2 lacked at first', () => {
  it('named plans: it is read as one with none', () => {
    const { content } = specimen('bundle-2-first')
    expect(content.plans).toEqual([])
    expect((content.lots as unknown[]).map((l) => lotSchema.parse(l))).toHaveLength(8)
  })
})
