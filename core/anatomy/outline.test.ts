import { describe, expect, it } from 'vitest'
import { ANATOMIES } from '#core/species'
import { drawUsual } from './index.ts'
import { limbOf, outlineOf, type Proportions } from './outline.ts'

const { hog, lamb, steer } = ANATOMIES

const P: Proportions = {
  shank: 0.11,
  shankWidth: 0.04,
  leg: 0.25,
  legWidth: 0.26,
  waist: 0.23,
  loinCurve: 0.03,
  chest: 0.35,
  chestAt: 0.7,
  shoulder: 0.3,
  neck: 0.1,
  neckWidth: 0.12,
  foreShank: 0.15,
}
const LENGTH = 780
const depth = (r: { back: number; belly: number }) => (r.belly - r.back) / LENGTH
const rowsOf = (a: typeof hog) => (a.map.kind === 'sides' ? a.map.outline : [])

describe('the outline of a hung half', () => {
  it('has the proportions it is drawn from: leg, waist, chest, shoulder and neck as wide, and where, they say', () => {
    const rows = outlineOf(P)
    const at = (share: number) => rows.find((r) => Math.abs(r.at - (20 + share * LENGTH)) <= 1)!
    expect(depth(at(P.shank + 0.55 * P.leg))).toBeCloseTo(P.legWidth, 2)
    expect(depth(at(P.shank + P.leg))).toBeCloseTo(P.waist, 2)
    expect(depth(at(P.chestAt))).toBeCloseTo(P.chest, 2)
    expect(depth(at(1))).toBeCloseTo(P.neckWidth, 2)
    expect(at(P.shank + P.leg).back - at(P.chestAt).back).toBeCloseTo(P.loinCurve * LENGTH, -1)
    expect(rows.map((r) => r.at)).toEqual(rows.map((r) => r.at).toSorted((a, b) => a - b))
    for (const r of rows) {
      expect(r.eye).toBeGreaterThan(r.back)
      expect(r.belly).toBeGreaterThan(r.eye)
    }
  })
  it('the fore shank hangs before the chest and narrows to its joint', () => {
    const limb = limbOf(P)
    const wide = limb.map((l) => l.right - l.left)
    expect(wide).toEqual(wide.toSorted((a, b) => b - a))
    expect((limb.at(-1)!.at - limb[0]!.at) / LENGTH).toBeGreaterThan(P.foreShank)
  })
  it.each([hog, lamb, steer])(
    '$id is deepest at the chest, and drawn in at the flank (common practice)',
    (a) => {
      const rows = rowsOf(a)
      const chest = Math.max(...rows.map(depth))
      const chestAt = rows.find((r) => depth(r) === chest)!.at
      const leg = Math.max(...rows.filter((r) => r.at < 300).map(depth))
      const waist = Math.min(...rows.filter((r) => r.at > 230 && r.at < chestAt).map(depth))
      expect(waist).toBeLessThan(leg)
      expect(waist).toBeLessThan(chest)
      expect(chestAt).toBeGreaterThan(450)
    },
  )
  it('a hog has the widest leg for its length, a lamb the longest neck, a steer the deepest chest (common practice)', () => {
    const widest = (a: typeof hog) =>
      Math.max(
        ...rowsOf(a)
          .filter((r) => r.at < 300)
          .map(depth),
      )
    const deepest = (a: typeof hog) => Math.max(...rowsOf(a).map(depth))
    expect(widest(hog)).toBeGreaterThan(Math.max(widest(lamb), widest(steer)))
    expect(deepest(steer)).toBeGreaterThan(Math.max(deepest(lamb), deepest(hog)))
  })
  it('no part is drawn outside the outline of its half, or turned inside out', () => {
    for (const a of [hog, lamb, steer])
      for (const s of drawUsual(a).shapes)
        for (const [x, y] of s.polygon) {
          expect(x).toBeGreaterThan(40)
          expect(x).toBeLessThan(380)
          expect(y).toBeGreaterThanOrEqual(0)
          expect(y).toBeLessThanOrEqual(801)
        }
  })
})
