import { describe, expect, it } from 'vitest'
import { ANATOMIES } from '#core/anatomy'
import { kg } from '#core/measure'
import { KG_PER_LB } from '#core/measure'
import { beefCutability, beefYieldGrade, lambYieldGrade, porkFatFreeLean, shiftOf } from './index.ts'
import { cutUp } from './testing.ts'

describe('grades (USDA standards, formulas from memory; worked by hand)', () => {
  it('beef with 0.4 in fat, 2.5 % kidney fat, 700 lb, 12 in² is yield grade 2.82 and 50.24 % cutability', () => {
    expect(beefYieldGrade(0.4, 2.5, 700, 12)).toBeCloseTo(2.82, 9)
    expect(beefCutability(0.4, 2.5, 700, 12)).toBeCloseTo(50.243, 9)
  })
  it('lamb with 0.25 in fat is yield grade 2.9', () => expect(lambYieldGrade(0.25)).toBeCloseTo(2.9, 9))
  it('a 184 lb hog with 0.9 in fat and 6.5 in² loin eye holds 93.97 lb fat-free lean', () =>
    expect(porkFatFreeLean(184, 0.9, 6.5)).toBeCloseTo(93.9741, 4))
})

describe('the hog’s lean against the published fat-free lean, which did not set it', () => {
  it('dissected lean of a usual carcass is the fat-free lean and the little fat within the muscle (up to a tenth)', () => {
    const { hog } = ANATOMIES
    const usual = (id: string) => hog.measures.find((m) => m.id === id)!.usual
    const fatFree = porkFatFreeLean(184, usual('fat-depth') / 25.4, usual('eye-area') / 6.4516) / 184
    const lean = cutUp('hog', undefined, { conventions: { leaf: false } }).tissue[0]! / 100
    expect(lean / fatFree).toBeGreaterThan(1)
    expect(lean / fatFree).toBeLessThan(1.1)
  })
})

describe('measurements shift the estimate, and only relative to a usual carcass', () => {
  it('the usual measurements shift nothing', () => {
    for (const a of Object.values(ANATOMIES).filter((x) => x.measures.length > 0)) {
      const usual = Object.fromEntries(a.measures.map((m) => [m.id, m.usual]))
      expect(shiftOf(a, usual, kg(a.referenceKg))!.leanPoints, a.id).toBeCloseTo(0, 12)
    }
  })
  it('more fat means less lean, a larger eye more; what lean gains fat loses', () => {
    for (const a of Object.values(ANATOMIES).filter((x) => x.measures.length > 0)) {
      const fat = a.measures.find((m) => m.id === 'fat-depth')!
      const over = shiftOf(a, { 'fat-depth': fat.usual * 1.5 }, kg(a.referenceKg))!
      expect(over.leanPoints, a.id).toBeLessThan(-0.2)
      expect(over.fatPoints, a.id).toBeCloseTo(-over.leanPoints, 12)
      expect(over.spread.fat, a.id).toBeLessThan(a.spread.fat)
    }
    const eye = shiftOf(ANATOMIES.steer, { 'eye-area': 95 }, kg(320))!
    expect(eye.leanPoints).toBeGreaterThan(0.5)
  })
  it('the ratio is the published one: fat-free lean of a fat hog against a usual one', () => {
    const { hog } = ANATOMIES
    const hcw = 84 / KG_PER_LB
    const lean = (mm: number) => porkFatFreeLean(hcw, mm / 25.4, 42 / 6.4516)
    expect(shiftOf(hog, { 'fat-depth': 32 }, kg(84))!.factors[0]).toBeCloseTo(lean(32) / lean(22), 9)
  })
  it('nothing measured is no shift', () => expect(shiftOf(ANATOMIES.hog, {}, kg(84))).toBeNull())
})
