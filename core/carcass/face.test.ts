import { describe, expect, it } from 'vitest'
import { depotOf, TISSUES, type Band, type Species, type Tissue } from '#core/anatomy'
import { ANATOMIES } from '#core/species'
import { kg } from '#core/measure'
import { hanging } from './animal.ts'
import { animalOf } from './animalOf.ts'
import { faceAt, hasFace, sliceKg, type Back, type Face } from './face.ts'
import { areaOf, drawFace } from './faceDrawing.ts'

const RED = ['hog', 'lamb', 'steer'] as const
const backOf = (
  species: Species,
  carcass = ANATOMIES[species].referenceKg,
  measured: Back['measured'] = {},
): Back => {
  const anatomy = ANATOMIES[species]
  const said = { type: null, measured, conventions: {} }
  return { anatomy, carcass: kg(carcass), ...said, animal: animalOf(anatomy, said, kg(carcass), kg(carcass)) }
}
const places = (species: Species) => ANATOMIES[species].axis.map((_, i) => i + 0.5)

describe('the face of a cut', () => {
  it('a bird has none: it is not sawn across', () => expect(hasFace(ANATOMIES.broiler)).toBe(false))
  it.each(RED)('%s: areas times length times density are the mass of the back, to the gram', (species) => {
    const back = backOf(species)
    const { anatomy } = back
    const of = (b: Band, t: Tissue) =>
      b.tissue[t] * hanging(anatomy, b, t, {}) * back.animal.factors[depotOf(b, t)]
    const total = anatomy.bands.reduce((s, b) => s + TISSUES.reduce((x, t) => x + of(b, t), 0), 0)
    const eye = anatomy.bands.find((b) => b.id === 'eye')!
    const along = (area: (f: Face) => number) =>
      places(species).reduce(
        (sum, at, i) => sum + (area(faceAt(back, at)) * (anatomy.axis[i]!.mm / 10) * 1.05) / 1000,
        0,
      )
    const half = anatomy.referenceKg / 2 / total
    expect(along((f) => f.chine + f.rib)).toBeCloseTo(of(eye, 'bone') * half, 3)
    expect(along((f) => f.eye + f.lean)).toBeCloseTo(of(eye, 'lean') * half, 3)
  })
  it.each(RED)('%s: what is drawn of every piece is the model’s area, within 3 %', (species) => {
    for (const at of places(species).filter((x) => x > 2)) {
      const face = faceAt(backOf(species), at)
      const { pieces } = drawFace(face)
      const drawn = new Map(pieces.map((p) => [p.id, areaOf(p.outline) / 100]))
      const seen: Partial<Record<string, number>> = {
        eye: drawn.get('eye'),
        lean: drawn.get('lean')! - drawn.get('eye')!,
        seam: drawn.get('seam')! - drawn.get('lean')!,
        cover: drawn.get('cover'),
        skin: drawn.get('skin'),
        chine: drawn.get('chine'),
        rib: drawn.get('rib'),
        tenderloin: drawn.get('tenderloin'),
      }
      for (const [id, cm2] of Object.entries(seen)) {
        const model = face[id as keyof typeof face] as number
        if (cm2 === undefined || model < 0.5) continue
        expect(Math.abs(cm2 / model - 1), `${id} at ${at}`).toBeLessThan(0.03)
      }
    }
  })
  it('an eye that was measured is drawn at its size, where it is measured', () => {
    for (const [species, cm2] of [
      ['steer', 91],
      ['steer', 70],
      ['lamb', 16.5],
      ['hog', 48],
    ] as const) {
      const { anatomy } = backOf(species)
      const site = anatomy.axis.findLastIndex((s) => s.rib) + 0.5
      const face = faceAt(backOf(species, anatomy.referenceKg, { 'eye-area': cm2 }), site)
      expect(face.eye).toBeCloseTo(cm2, 6)
      const eye = drawFace(face).pieces.find((p) => p.id === 'eye')!
      expect(areaOf(eye.outline) / 100).toBeCloseTo(cm2, 3)
    }
  })
  it('a heavier carcass has a bigger face, as the two-thirds power of its weight nearly (solid geometry)', () => {
    for (const species of RED) {
      const { anatomy } = backOf(species)
      const site = anatomy.axis.findLastIndex((s) => s.rib) + 0.5
      const bone = (w: number) => {
        const f = faceAt({ ...backOf(species), carcass: kg(w) }, site)
        return f.chine + f.rib
      }
      expect(bone(anatomy.referenceKg * 1.3) / bone(anatomy.referenceKg)).toBeCloseTo(1.3 ** (2 / 3), 6)
    }
  })
  it('the tenderloin lies behind the ribs, thickest towards the hip (common practice)', () => {
    for (const species of RED) {
      const at = (id: string) => {
        const i = ANATOMIES[species].axis.findIndex((s) => s.id === id)
        return faceAt(backOf(species), i + 0.5).tenderloin
      }
      expect(at('rib 5')).toBeLessThan(0.3 * at('lumbar 3'))
    }
  })
  it('a T-bone of a middle steer, 25 mm, is about what a counter sells: 0.5–0.8 kg before its fat is trimmed', () => {
    const i = ANATOMIES.steer.axis.findIndex((s) => s.id === 'lumbar 3')
    const slice = sliceKg(faceAt(backOf('steer'), i + 0.5), 25)
    expect(slice).toBeGreaterThan(0.5)
    expect(slice).toBeLessThan(0.8)
  })
})
