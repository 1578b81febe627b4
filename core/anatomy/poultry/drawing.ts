import type { LaidMap, Point } from '../types.ts'

/** How a bird is built as it lies on its back, shares of the length of its body (docs/sources.md: proportions). */
export interface BirdBuild {
  /** Half of the body at its widest, and at the shoulder and the vent beside that. */
  width: number
  shoulder: number
  vent: number
  /** How far down the breast reaches, and how much of the width it covers. */
  breast: number
  breastWidth: number
  /** From the hip to the hock, and the leg at its thickest. */
  leg: number
  thigh: number
  wing: number
  neck: number
  foot: number
}

/** Where the body begins, and how long it is drawn: all else follows from the build. */
const TOP = 104
const LENGTH = 186
const MIDDLE = 200

/** Our own drawing of a bird on its back, neck up; shapes of the right half are mirrored where there are two. 400 × 400. */
export function birdMap(b: BirdBuild): LaidMap {
  const w = b.width * LENGTH
  const at = (x: number, y: number): Point => [Math.round(MIDDLE + x * w), Math.round(TOP + y * LENGTH)]
  const half = [
    at(0.3, -0.02),
    at(b.shoulder, 0.05),
    at(0.97, 0.24),
    at(1, 0.45),
    at(0.93, 0.68),
    at(b.vent, 0.92),
    at(0.16, 1.03),
  ]
  const mirrored = half.map(([x, y]): Point => [2 * MIDDLE - x, y]).reverse()
  const [hip, hock] = [0.62, 0.62 + b.leg]
  const knee = hip + 0.52 * b.leg
  const out = 0.72 + b.thigh
  const elbow = 0.98 + b.wing
  return {
    kind: 'laid',
    shapes: [
      {
        parts: ['neck', 'loose-neck'],
        both: false,
        label: at(0, -0.04 - b.neck / 2),
        outline: [
          at(-0.26, 0.02),
          at(-0.17, -b.neck / 2),
          at(-0.2, -b.neck),
          at(0, -b.neck - 0.04),
          at(0.2, -b.neck),
          at(0.17, -b.neck / 2),
          at(0.26, 0.02),
          at(0, 0.06),
        ],
      },
      {
        parts: ['wing', 'bird'],
        both: true,
        label: at(0.94 + 0.3 * b.wing, 0.28),
        outline: [
          at(0.62, 0.06),
          at(0.86, 0.0),
          at(elbow - 0.3, 0.04),
          at(elbow - 0.06, 0.18),
          at(elbow, 0.36),
          at(elbow - 0.06, 0.5),
          at(elbow - 0.2, 0.54),
          at(elbow - 0.36, 0.44),
          at(1.0, 0.32),
          at(0.86, 0.22),
        ],
      },
      {
        parts: ['feet'],
        both: true,
        label: at(0.66, hock + 0.2),
        outline: [
          at(0.56, hock - 0.02),
          at(0.72, hock - 0.02),
          at(0.7, hock + 0.4 * b.foot),
          at(0.98, hock + 0.86 * b.foot),
          at(0.9, hock + 0.94 * b.foot),
          at(0.68, hock + 0.62 * b.foot),
          at(0.62, hock + b.foot),
          at(0.54, hock + b.foot),
          at(0.56, hock + 0.62 * b.foot),
          at(0.36, hock + 0.88 * b.foot),
          at(0.3, hock + 0.8 * b.foot),
          at(0.54, hock + 0.4 * b.foot),
        ],
      },
      {
        parts: ['back', 'bird'],
        both: false,
        label: at(0, 0.93),
        outline: [...half, at(0.1, 1.12), at(-0.1, 1.12), ...mirrored],
      },
      {
        parts: ['leg', 'bird'],
        both: true,
        label: at(0.5 + out / 3, knee - 0.04),
        outline: [
          at(0.52, hip + 0.02),
          at(0.84, hip - 0.12),
          at(out, hip - 0.04),
          at(out + 0.12, hip + 0.16),
          at(out, knee + 0.04),
          at(0.84, hock - 0.12),
          at(0.78, hock),
          at(0.64, hock + 0.05),
          at(0.52, hock),
          at(0.56, hock - 0.14),
          at(0.5, knee + 0.06),
          at(0.36, knee - 0.04),
          at(0.36, hip + 0.16),
        ],
      },
      {
        parts: ['breast', 'bird'],
        both: true,
        label: at(0, 0.36),
        outline: [
          at(0, 0.04),
          at(0.34 * b.breastWidth, 0),
          at(0.78 * b.breastWidth, 0.1),
          at(0.98 * b.breastWidth, 0.3),
          at(0.92 * b.breastWidth, 0.5),
          at(0.6 * b.breastWidth, b.breast - 0.1),
          at(0.22 * b.breastWidth, b.breast - 0.02),
          at(0, b.breast),
        ],
      },
      {
        parts: ['giblets', 'loose-giblets'],
        both: false,
        label: [64, 352],
        outline: [
          [40, 338],
          [52, 326],
          [66, 332],
          [80, 326],
          [92, 338],
          [88, 354],
          [74, 362],
          [66, 372],
          [54, 364],
          [42, 354],
        ],
      },
    ],
  }
}
