import { describe, expect, it } from 'vitest'
import { ANATOMIES } from '#core/species'
import { beefCutability, beefYieldGrade, lambYieldGrade, porkFatFreeLean } from './index.ts'
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
