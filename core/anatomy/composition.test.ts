import { describe, expect, it } from 'vitest'
import { kg } from '#core/measure'
import { compositionAt, expectedMeasure, SPECIES, tissuesAt, typeOf, type Species } from './index.ts'
import { ANATOMIES } from '#core/species'

const typeIn = (species: Species, id: string) => typeOf(ANATOMIES[species], id)!
const ALL = SPECIES.flatMap((s) => ANATOMIES[s].types.map((t) => [`${s} ${t.id}`, t] as const))

/**
 * Rows between the lightest and the heaviest of a type, from memory; the two ends set the type, these do not
 * (docs/sources.md: types). Lean, fat, bone, skin, % of cold carcass; what is missing to 100 is cord, glands, tendon.
 */
const BETWEEN: [Species, string, number, number[]][] = [
  ['hog', 'commercial', 60, [57, 24, 13, 6]],
  ['hog', 'commercial', 85, [54, 29, 11.4, 5.6]],
  ['hog', 'commercial', 110, [51, 33, 10, 5]],
  ['hog', 'heritage', 85, [46, 39, 9.5, 5.5]],
  ['hog', 'wild', 60, [65, 10, 17, 8]],
  ['steer', 'grain', 320, [57, 27, 15, 0]],
  ['steer', 'grass', 270, [64, 17, 18, 0]],
  ['steer', 'calf', 110, [66, 10, 22, 0]],
  ['lamb', 'middle', 15, [59, 19, 21, 0]],
  ['lamb', 'middle', 20, [57, 24, 18, 0]],
  ['lamb', 'middle', 27, [53, 30, 16, 0]],
]

describe('what an animal is made of', () => {
  it.each(BETWEEN)('%s %s at %d kg is %j (from memory), within 2.5 points', (species, id, weight, row) => {
    const made = tissuesAt(typeIn(species, id), kg(weight))
    const all = row.reduce((s, x) => s + x, 0)
    ;[made.lean, made.fat, made.bone, made.skin].forEach((share, i) =>
      expect(Math.abs(share * 100 - (row[i]! / all) * 100)).toBeLessThanOrEqual(2.5),
    )
  })
  it.each(ALL)('%s closes at every weight; heavier is never less fat nor more bony', (_, type) => {
    const [light, heavy] = [type.rows[0].kg * 0.5, type.rows[1].kg * 1.6]
    let before = { fat: -1, bone: 2 }
    for (let at = light; at <= heavy; at += (heavy - light) / 40) {
      const { lean, bone, skin, outer, seam, kidney } = compositionAt(type, kg(at))
      const fat = outer + seam + kidney
      expect(lean + bone + skin + fat).toBeCloseTo(1, 12)
      expect(Math.min(lean, bone, skin, outer, seam, kidney)).toBeGreaterThanOrEqual(0)
      expect(fat).toBeGreaterThanOrEqual(before.fat - 1e-12)
      expect(bone).toBeLessThanOrEqual(before.bone + 1e-12)
      before = { fat, bone }
    }
  })
  it('beyond a fifth outside its rows a type changes no more', () => {
    const type = typeIn('hog', 'commercial')
    expect(compositionAt(type, kg(400))).toEqual(compositionAt(type, kg(170 * 1.2)))
    expect(compositionAt(type, kg(5))).toEqual(compositionAt(type, kg(25 * 0.8)))
  })
  it('fat grows outside faster than between the muscles (common practice)', () => {
    const of = (at: number) => compositionAt(typeIn('steer', 'grain'), kg(at))
    expect(of(400).outer / of(400).seam).toBeGreaterThan(of(220).outer / of(220).seam)
  })
  it.each([
    ['steer', 'grain', 320, 2.5, 3.5],
    ['steer', 'grass', 270, 1.5, 2.5],
    ['steer', 'dairy', 320, 3.5, 5],
    ['steer', 'calf', 110, 2, 3],
    ['lamb', 'middle', 20, 2, 4],
    ['hog', 'commercial', 85, 1.5, 2.5],
    ['hog', 'heritage', 85, 2.5, 4],
    ['hog', 'wild', 60, 0.4, 1],
  ] as const)(
    'kidney or leaf fat of a %s, %s, of %d kg is %d–%d %% of the carcass',
    (species, id, at, low, high) => {
      const { kidney } = compositionAt(typeIn(species, id), kg(at))
      expect(kidney * 100).toBeGreaterThanOrEqual(low - 0.1)
      expect(kidney * 100).toBeLessThanOrEqual(high + 0.1)
    },
  )
})

describe('what is usually measured', () => {
  it.each([
    ['steer', 'grain', 'fat-depth', 320, 12],
    ['steer', 'grass', 'fat-depth', 270, 5],
    ['steer', 'grain', 'eye-area', 400, 90],
    ['hog', 'commercial', 'fat-depth', 85, 16],
    ['hog', 'commercial', 'eye-area', 60, 34],
    ['lamb', 'middle', 'fat-depth', 27, 7],
  ] as const)('on a %s, %s: %s at %d kg is %d', (species, id, what, at, value) =>
    expect(expectedMeasure(typeIn(species, id), what, kg(at))).toBeCloseTo(value, 9),
  )
  it('lies between its rows, goes on beyond them, and never falls to nothing', () => {
    const type = typeIn('steer', 'grain')
    const of = (at: number) => expectedMeasure(type, 'eye-area', kg(at))!
    expect(of(285)).toBeGreaterThan(70)
    expect(of(285)).toBeLessThan(80)
    expect(of(450)).toBeGreaterThan(90)
    expect(expectedMeasure(type, 'fat-depth', kg(120))!).toBeGreaterThan(1)
    expect(expectedMeasure(typeIn('broiler', 'fast'), 'fat-depth', kg(2))).toBeNull()
  })
})
