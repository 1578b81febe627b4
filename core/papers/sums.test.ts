import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { orderedWork } from '#core/hand'
import { KG_PER_LB } from '#core/measure'
import { reckon, shownWeights } from '#core/reading'
import { SHARES } from '#core/records'
import { flowOf } from '../carcass/testing.ts'
import { FARM, someLots } from '../reading/testing.ts'
import { drawUp, type BlockCard, type CutSheet, type Letter } from './index.ts'

const FARM_ABOUT = { name: 'F', massUnit: 'lb', nameSet: 'american', currency: 'USD' } as const
const about = { farm: FARM_ABOUT, lot: 'L', date: '2026-11-01', words: {} }
const number = (text: string) => Number(/[+−-]?[\d.]+/.exec(text)![0].replace('−', '-').replace('+', ''))
const sum = (all: readonly number[]) => all.reduce((s, x) => s + x, 0)

/** Every paper of every plan, whatever was weighed of it, adds up by hand. */
describe('what a paper says adds up, over any plan and any packs', () => {
  it('letter: the part of what hung, less every line, is what is taken home; no line for drying before that weight', () => {
    fc.assert(
      fc.property(someLots, fc.constantFrom(...SHARES), ({ lot, species }, share) => {
        const read = reckon(flowOf(species), lot, FARM, 0)
        const out = drawUp('letter', { ...about, read, share })
        if (!out.ok) throw new Error(out.issues[0]!.code)
        const l = out.value as Letter
        const went = l.losses.map((x) => (x.weight.startsWith('+') ? -1 : 1) * Math.abs(number(x.weight)))
        expect(number(l.from) - sum(went)).toBeCloseTo(number(l.total), 6)
        expect(l.losses.map((x) => x.name)).not.toContain('dries in the cooler')
        const rows = l.groups.flatMap((g) => g.rows)
        expect(sum(rows.map((r) => number(r.weight)))).toBeCloseTo(number(l.total), 6)
        expect(number(l.takeHome.replace('about ', ''))).toBe(number(l.total))
      }),
      { numRuns: 60 },
    )
  })
  it('letter: what is taken home lies in its own likely range, packs weighed or not; what is weighed has no range', () => {
    fc.assert(
      fc.property(someLots, ({ lot, species }) => {
        const read = reckon(flowOf(species), lot, FARM, 120)
        const out = drawUp('letter', { ...about, read, share: 1 })
        if (!out.ok) throw new Error(out.issues[0]!.code)
        const l = out.value as Letter
        const [, low, high] = /likely ([\d.]+)–([\d.]+)/.exec(l.takeHome) ?? []
        if (low) {
          expect(number(l.total)).toBeGreaterThanOrEqual(Number(low) - 0.1 - 0.01 * number(l.total))
          expect(number(l.total)).toBeLessThanOrEqual(Number(high) + 0.1 + 0.01 * number(l.total))
        }
        for (const row of l.groups.flatMap((g) => g.rows))
          expect(number(row.weight), row.name).toBeGreaterThan(0)
        const done = read.cuts.filter((c) => c.done && c.cut.kind === 'product')
        for (const c of done) {
          const row = l.groups.flatMap((g) => g.rows).find((r) => r.name === c.cut.names.american)
          // What does not show is no line: 0.0 lb is nothing that is handed over. A flock's letter is of one bird.
          if (!row) {
            expect(c.kg / read.count / KG_PER_LB).toBeLessThan(0.1)
            continue
          }
          expect(row.likely).toBe('')
          if (read.count === 1) expect(row.packs).toBe(String(c.weighedPacks))
        }
      }),
      { numRuns: 40 },
    )
  })
  it('block card: its steps add up to the tray and to all that is taken home', () => {
    fc.assert(
      fc.property(someLots, ({ lot, species }) => {
        const read = reckon(flowOf(species), lot, FARM, 0)
        const out = drawUp('block-card', { ...about, read, share: 1 })
        if (!out.ok) throw new Error(out.issues[0]!.code)
        const card = out.value as BlockCard
        // The same steps as the order and the day.
        const onCard = card.steps.map((s) => s.marks[0]!.target)
        expect(new Set(onCard)).toEqual(new Set(orderedWork(read).tasks.map((t) => t.id)))
        const written = card.steps.flatMap((s) => s.cuts.map((c) => number(c.weight)))
        expect(sum(written)).toBeCloseTo(number(card.total), 6)
        const planned = new Set(
          read.cutting.slots.flatMap((s) =>
            s.rows.flatMap((r) => (r.cut && r.green > 1e-9 ? [r.cut.id] : [])),
          ),
        )
        const tray = shownWeights(read, 'lb').cuts
        const products = read.cuts.filter((c) => c.cut.kind === 'product' && planned.has(c.cut.id))
        expect(number(card.total)).toBeCloseTo(sum(products.map((c) => tray.get(c.cut.id)!)), 6)
      }),
      { numRuns: 40 },
    )
  })
  it('cut sheet: every product of the plan stands on it once, with all its pieces and packs', () => {
    fc.assert(
      fc.property(someLots, ({ lot, species }) => {
        const read = reckon(flowOf(species), { ...lot, packs: [] }, FARM, 0)
        const out = drawUp('cut-sheet', { ...about, read, share: 1 })
        if (!out.ok) throw new Error(out.issues[0]!.code)
        const sheet = out.value as CutSheet
        const cuts = sheet.rows.flatMap((r) => r.cuts.map((c) => c.name))
        const products = read.cuts.filter(
          (c) => c.cut.kind === 'product' && c.kg > 1e-9 * KG_PER_LB && c.expectedKg > 1e-9,
        )
        expect(cuts.toSorted()).toEqual(products.map((c) => c.cut.names.american).toSorted())
        const numbers = sheet.rows.map((r) => r.number)
        expect(numbers).toEqual(numbers.map((_, i) => i + 1))
        const drawn = sheet.map!.shapes.flatMap((s) => (s.number === null ? [] : [s.number]))
        expect(drawn).toEqual([...new Set(drawn)])
      }),
      { numRuns: 40 },
    )
  })
})
