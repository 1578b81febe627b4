import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { grams } from '#core/measure'
import { gramsEach, packedIn, unitsOf } from './index.ts'

type Row = Parameters<typeof packedIn>[0][number]
const made = (id: string, number: number | null, g: number, packs: number, more: Partial<Row> = {}): Row => ({
  ...{ id, cut: 'bacon', grams: grams(g), packs, number, corrects: null, stands: true, at: '' },
  ...more,
})
const voided = (pack: number, id = `v${pack}`) => ({
  id,
  corrects: null,
  stands: true,
  fact: { kind: 'void' as const, pack, why: 'dropped' },
})
const sum = (rows: readonly Row[]) => rows.reduce((s, r) => s + r.grams, 0)

describe('packs as things', () => {
  it('packs weighed together share their grams to the gram', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 400 }), fc.integer({ min: 1, max: 90_000 }), (n, g) => {
        const each = gramsEach(g, n)
        expect(each).toHaveLength(n)
        expect(each.reduce((a, b) => a + b, 0)).toBe(g)
        expect(Math.max(...each) - Math.min(...each)).toBeLessThanOrEqual(1)
      }),
    )
  })

  it('a voided pack is taken off, its sisters stay; withdrawn, it is a pack again', () => {
    const nine = made('a', 10, 4500, 9)
    expect(packedIn([nine], [voided(12)])).toEqual([{ ...nine, packs: 8, grams: 4000 }])
    const back = { ...voided(12, 'back'), corrects: 'v12', stands: false }
    expect(packedIn([nine], [voided(12), back])).toEqual([nine])
  })

  it('a pack halved is gone and its halves are there: what purged in the bag is what is missing', () => {
    const whole = made('a', 1, 2000, 1)
    const halves = made('b', 2, 1960, 2, { outOf: [1] })
    expect(sum(packedIn([whole, halves], []))).toBe(1960)
    expect(unitsOf([whole, halves], []).map((u) => [u.number, u.grams, u.state])).toEqual([
      [1, 2000, 'opened'],
      [2, 980, 'here'],
      [3, 980, 'here'],
    ])
  })

  it('a correction replaces all packs of what it names; a withdrawn opening closes the pack again', () => {
    const first = made('a', 1, 9100, 9)
    const right = made('b', 10, 4128, 9, { corrects: 'a' })
    expect(sum(packedIn([first, right], []))).toBe(4128)
    const opened = made('c', 19, 400, 1, { outOf: [10] })
    const undone = made('d', null, 400, 1, { corrects: 'c', stands: false })
    expect(sum(packedIn([first, right, opened], []))).toBe(4128 - gramsEach(4128, 9)[0]! + 400)
    expect(sum(packedIn([first, right, opened, undone], []))).toBe(4128)
  })

  it('a tub without packs counts as weighed and has no number', () => {
    const bones = made('a', null, 12_000, 0, { cut: 'bones' })
    expect(packedIn([bones], [])).toEqual([bones])
    expect(unitsOf([bones], [])).toEqual([])
  })

  it('packed = Σ made − void − opened, whatever is weighed, opened, voided and corrected', () => {
    const step = fc.record({
      what: fc.constantFrom('weigh', 'void', 'open', 'correct'),
      n: fc.integer({ min: 1, max: 6 }),
      g: fc.integer({ min: 60, max: 5000 }),
      pick: fc.nat(),
    })
    fc.assert(
      fc.property(fc.array(step, { maxLength: 25 }), (steps) => {
        const rows: Row[] = []
        const facts: ReturnType<typeof voided>[] = []
        let next = 1
        for (const [i, { what, n, g, pick }] of steps.entries()) {
          const here = unitsOf(rows, facts).filter((u) => u.state === 'here')
          const one = here[pick % Math.max(1, here.length)]
          if (what === 'void' && one) facts.push(voided(one.number))
          else if (what === 'correct' && rows.some((r) => r.id === one?.weighIn && !r.outOf)) {
            rows.push(made(`r${i}`, next, g, n, { corrects: one!.weighIn }))
            next += n
          } else if (what === 'weigh' || (what === 'open' && one)) {
            rows.push(made(`r${i}`, next, g, n, what === 'open' ? { outOf: [one!.number] } : {}))
            next += n
          }
        }
        const units = unitsOf(rows, facts)
        expect(new Set(units.map((u) => u.number)).size).toBe(units.length)
        const here = units.filter((u) => u.state === 'here').reduce((s, u) => s + u.grams, 0)
        expect(sum(packedIn(rows, facts))).toBe(here)
      }),
    )
  })
})
