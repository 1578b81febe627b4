import type { Point } from '#core/anatomy'
import type { Face } from './face.ts'

/** A piece of the face as it is drawn, to scale: closed outlines in millimetres, the back up and the spine on the left. */
export interface FacePiece {
  id: 'skin' | 'cover' | 'seam' | 'lean' | 'eye' | 'chine' | 'rib' | 'tenderloin'
  outline: Point[]
  /** cm² that can be seen of it, what lies over it taken off. */
  cm2: number
}
export interface FaceDrawing {
  pieces: FacePiece[]
  /** mm from the left and the top. */
  width: number
  height: number
}

const STEPS = 96
const CM2 = 100

/** Area a closed outline encloses, mm². */
export function areaOf(outline: readonly Point[]): number {
  let twice = 0
  outline.forEach(([x, y], i) => {
    const [nx, ny] = outline[(i + 1) % outline.length]!
    twice += x * ny - nx * y
  })
  return Math.abs(twice) / 2
}

const scaled = (points: readonly Point[], by: number, to: Point = [0, 0]): Point[] =>
  points.map(([x, y]): Point => [to[0] + x * by, to[1] + y * by])
/** An outline scaled about its middle until it encloses so much. */
const sized = (points: readonly Point[], mm2: number, to: Point): Point[] =>
  scaled(points, Math.sqrt(mm2 / areaOf(points)), to)

/** An oval whose ends are unlike: blunt towards the spine, drawn out towards the flank, as an eye is. */
const EYE: Point[] = Array.from({ length: STEPS }, (_, i): Point => {
  const a = (2 * Math.PI * i) / STEPS
  const x = Math.cos(a)
  return [1.55 * x, Math.sin(a) * (x > 0 ? 0.92 - 0.24 * x : 0.92)]
})
const OVAL: Point[] = Array.from({ length: STEPS }, (_, i): Point => {
  const a = (2 * Math.PI * i) / STEPS
  return [1.45 * Math.cos(a), Math.sin(a)]
})
/** Half a vertebra: the feather bone up, the body below, and the side arm under the eye. */
const CHINE: Point[] = [
  [0, -2.3],
  [0.35, -2.3],
  [0.45, -0.5],
  [1.5, -0.25],
  [1.5, 0.05],
  [0.85, 0.25],
  [0.95, 1.1],
  [0, 1.25],
]
const box = (points: readonly Point[]) => ({
  left: Math.min(...points.map((p) => p[0])),
  right: Math.max(...points.map((p) => p[0])),
  top: Math.min(...points.map((p) => p[1])),
  bottom: Math.max(...points.map((p) => p[1])),
})

/** A layer over the upper half of an outline, as thick as it must be to hold so much. */
function layerOver(outline: readonly Point[], mm2: number): { layer: Point[]; outer: Point[] } {
  const middle = (box(outline).top + box(outline).bottom) / 2
  const upper = outline.filter((p) => p[1] <= middle).sort((a, b) => a[0] - b[0])
  const lifted = (mm: number): Point[] =>
    upper.map(([x, y], i): Point => {
      const [before, after] = [upper[Math.max(0, i - 1)]!, upper[Math.min(upper.length - 1, i + 1)]!]
      const [dx, dy] = [after[0] - before[0], after[1] - before[1]]
      const long = Math.hypot(dx, dy) || 1
      return [x + (dy / long) * mm, y - (dx / long) * mm]
    })
  const closed = (mm: number): Point[] => [...lifted(mm), ...upper.toReversed()]
  let [low, high] = [0, 400]
  for (let i = 0; i < 60; i++) {
    const mid = (low + high) / 2
    if (areaOf(closed(mid)) < mm2) low = mid
    else high = mid
  }
  const mm = (low + high) / 2
  const rest = outline.filter((p) => p[1] > middle).sort((a, b) => b[0] - a[0])
  return { layer: closed(mm), outer: [...lifted(mm), ...rest] }
}

/**
 * The face drawn to scale: what is seen of every piece has the area the model gives it. The lean about the eye encloses the
 * eye, seam fat encloses both, the cover lies over them and the skin over it; the bones and the tenderloin stand apart.
 */
export function drawFace(face: Face): FaceDrawing {
  const chine = sized(CHINE, Math.max(1, face.chine * CM2), [0, 0])
  const bone = box(chine)
  const within = face.eye + face.lean + face.seam
  const seam = sized(EYE, Math.max(1, within * CM2), [0, 0])
  const reach = box(seam)
  // Beside the feather bone, on the side arm.
  const [x, y] = [bone.right * 0.3 - reach.left + 2, bone.top * 0.12 - reach.bottom]
  const at = (outline: readonly Point[]) => scaled(outline, 1, [x, y])
  const lean = sized(EYE, Math.max(1, (face.eye + face.lean) * CM2), [0, 0])
  const eye = sized(EYE, Math.max(1, face.eye * CM2), [0, 0])
  const cover = layerOver(seam, face.cover * CM2)
  const skin = layerOver(cover.outer, face.skin * CM2)
  const under = y + reach.bottom
  const pieces: FacePiece[] = [
    { id: 'skin', outline: at(skin.layer), cm2: face.skin },
    { id: 'cover', outline: at(cover.layer), cm2: face.cover },
    { id: 'seam', outline: at(seam), cm2: face.seam },
    { id: 'lean', outline: at(lean), cm2: face.lean },
    { id: 'eye', outline: at(eye), cm2: face.eye },
    { id: 'chine', outline: chine, cm2: face.chine },
  ]
  if (face.rib > 0.05) {
    // A rib as a bar that bends away under the eye.
    const long = Math.max(10, reach.right - reach.left)
    const bar: Point[] = [
      ...Array.from({ length: 13 }, (_, i): Point => [(i / 12) * long, (i / 12) ** 2 * long * 0.22]),
      ...Array.from({ length: 13 }, (_, i): Point => {
        const s = 1 - i / 12
        return [s * long, s ** 2 * long * 0.22 + 1]
      }),
    ]
    const thick = (face.rib * CM2) / areaOf(bar)
    const rib = bar.map(([px, py], i): Point => [px, i < 13 ? py : py - 1 + thick])
    pieces.push({ id: 'rib', outline: scaled(rib, 1, [bone.right * 0.9, under + 4]), cm2: face.rib })
  }
  if (face.tenderloin > 0.3) {
    const oval = sized(OVAL, face.tenderloin * CM2, [0, 0])
    const size = box(oval)
    pieces.push({
      id: 'tenderloin',
      outline: scaled(oval, 1, [
        bone.right + 3 - size.left,
        Math.max(under + 6, bone.top * 0.02 + 8) - size.top,
      ]),
      cm2: face.tenderloin,
    })
  }
  const all = box(pieces.flatMap((p) => p.outline))
  return {
    pieces: pieces.map((p) => ({ ...p, outline: scaled(p.outline, 1, [-all.left, -all.top]) })),
    width: all.right - all.left,
    height: all.bottom - all.top,
  }
}
