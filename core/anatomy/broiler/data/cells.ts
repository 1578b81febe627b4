import { bandsOn, part, plucked } from '../../notation.ts'
import type { Band, Line, Part, Segment } from '../../types.ts'

/** A bird is not cut along counted ribs: one segment, and what it is parted into is a path. */
export const axis: Segment[] = [{ id: 'bird', mm: 260 }]
export const lines: Line[] = []

const rows = bandsOn(axis)

/**
 * Mass of each band as a share (%) of the ready-to-cook bird without neck and giblets; those are what they add when
 * left in. Our own working figures, from memory (docs/sources.md: broiler-cells).
 */
export const bands: Band[] = [
  rows('body', '57.4/5.2/22.9/14.5', 'bird'),
  rows('neck', '1.3/0.2/1/0.5', 'neck'),
  rows('giblets', '5.4', 'giblets'),
]

const bird = (id: string, words: string, fallback: string, more: Partial<Part> = {}) =>
  part(id, words, fallback, { scope: 'animal', ...more })
export const parts: Part[] = [
  bird('bird', 'Bird', 'bird-whole'),
  bird('breast', 'Breast', 'breast-boneless'),
  bird('leg', 'Legs', 'leg-parted'),
  bird('wing', 'Wings', 'wing-whole'),
  bird('back', 'Back', 'back-stock'),
  bird('neck', 'Neck', 'neck-kept', { needs: ['giblets'] }),
  bird('giblets', 'Giblets', 'giblets-kept', { needs: ['giblets'] }),
  { ...plucked('loose-neck', 'Neck, off the bird', 'loose-neck-left', 2.3, '45/7/33/15'), needs: ['!giblets'] },
  { ...plucked('loose-giblets', 'Heart, liver and gizzard', 'loose-giblets-left', 4), needs: ['!giblets'] },
  plucked('feet', 'Feet', 'feet-left', 4, '10/5/55/30'),
  bird('trim', 'Trim', 'trim-ground'),
  bird('frames', 'Frames and bones', 'frames-kept'),
]
