import { randomLcg, randomNormal } from 'd3-random'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { kg } from '#core/measure'
import { FORMATS, lineFormatSchema, lineOf, probeAt, readLine, scaleModel, type LineFormat } from './index.ts'

const scale = (seed = 0.3) => scaleModel(randomNormal.source(randomLcg(seed))(0, 1))
const run = (s: ReturnType<typeof scale>, seconds: number) =>
  Array.from({ length: seconds * 10 }, () => s.after(0.1))

describe('a scale', () => {
  it('moves while it settles, then stands still within two steps of what lies on it', () => {
    const s = scale()
    run(s, 3)
    s.put(kg(2))
    const readings = run(s, 4)
    expect(readings.slice(0, 5).some((r) => r.stable)).toBe(false)
    const still = readings.findLast((r) => r.stable)!
    expect(still.shown).toBeCloseTo(2 / 0.45359237, 1)
  })
  it('past its end it says so, and never that it stands still', () => {
    const s = scale()
    s.put(kg(45))
    const readings = run(s, 4)
    expect(readings.at(-1)).toMatchObject({ overload: true, stable: false })
  })
})

describe('lines of a scale', () => {
  it.each([
    ['stand-in', '= 2.34 kg', { kg: 2.34, stable: true, unit: 'kg', digits: 2 }],
    ['stand-in', '~ 5.20 lb', { kg: 2.3586803, stable: false, unit: 'lb' }],
    ['stand-in', '! 0.00 kg', { overload: true, stable: false }],
    ['value first', '  12,345 kg S', { kg: 12.345, stable: true, digits: 3 }],
    ['value first', '+ 450 g S', { kg: 0.45, stable: true, unit: 'kg' }],
    ['value first', '+ 450 g S', { digits: 3 }],
    ['value first', '12.5 oz S', { kg: 0.35436904, unit: 'lb', digits: 2 }],
    ['value first', '2.4 lb S', { unit: 'lb', digits: 1 }],
    ['value only', '-0.02', { kg: -0.02, stable: false, unit: 'kg' }],
  ] as const)('%s reads “%s”', (format, line, reading) => {
    const read = readLine(FORMATS[format], line)!
    for (const [key, value] of Object.entries(reading))
      if (typeof value === 'number') expect(read[key as 'kg']).toBeCloseTo(value, 6)
      else expect(read[key as 'stable']).toBe(value)
  })
  it.each(['', 'hello', '= kg', '= 2.34 stone', `= ${'9'.repeat(200)} kg`])('“%s” is no line of it', (line) =>
    expect(readLine(FORMATS['stand-in'], line)).toBeNull(),
  )
  it('what is written in a format is read in it, whatever its words', () => {
    const word = fc.constantFrom('*', 'ST', '(ok)', 'a.b', '$')
    const line = fc.constantFrom(
      '{state} {value} {unit}',
      'W[{value}]{unit};{state}',
      '{value}{unit} {state}',
    )
    fc.assert(
      fc.property(
        line,
        fc.uniqueArray(word, { minLength: 3, maxLength: 3 }),
        fc.integer({ min: 0, max: 30_000 }),
        (l, w, g) => {
          const format: LineFormat = { line: l, still: w[0]!, moving: w[1]!, over: w[2]!, unit: 'kg' }
          const r = { kg: kg(g / 1000), unit: 'kg' as const, digits: 3, stable: true, overload: false }
          const back = readLine(format, lineOf(format, r, g / 1000))!
          expect(back.kg).toBeCloseTo(g / 1000, 9)
          expect(back.stable).toBe(true)
        },
      ),
    )
  })
  it('a format without a value, or with one twice, is none', () => {
    const f = FORMATS['stand-in']
    expect(lineFormatSchema.safeParse({ ...f, line: '{state} {unit}' }).success).toBe(false)
    expect(lineFormatSchema.safeParse({ ...f, line: '{value} {value}' }).success).toBe(false)
  })
})

describe('a probe in a carcass', () => {
  const beef = { startC: 39, airC: 1, tauHours: 16, lagHours: 5 }
  it('a third of the way is left after one time constant (Newton’s law of cooling, a textbook)', () =>
    expect((probeAt(beef, 21, 'deep') - 1) / 38).toBeCloseTo(Math.exp(-1), 9))
  it('the middle waits, the surface does not', () => {
    expect(probeAt(beef, 4, 'deep')).toBe(39)
    expect(probeAt(beef, 4, 'surface')).toBeLessThan(20)
  })
})
