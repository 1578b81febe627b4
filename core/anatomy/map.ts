import type { Anatomy } from './types.ts'

export type Point = [x: number, y: number]

export interface PartShape {
  part: string
  polygon: Point[]
  label: Point
}

/** One half carcass as shapes in a 400 × 800 box, back to the left; parts drawn later lie over earlier ones. */
export interface HungSide {
  width: number
  height: number
  parts: PartShape[]
  ribs: { rib: number; from: Point; bend: Point; to: Point; number: Point }[]
  vertebrae: Point[]
  lines: { line: string; setting: string; y: number; from: number; to: number; inForce: boolean }[]
}

const WIDTH = 400
const HEIGHT = 800
/** Where the drawing's stations lie from the hock down. */
const Y = {
  foot: 24,
  hock: 64,
  leg: 112,
  legLine: 305,
  neck: 740,
  jowl: 792,
  elbow: 676,
  knee: 744,
  toe: 790,
}
const STEP = 6

/** Cubic Hermite through points (at, value), slopes from neighbours. */
function smooth<P extends { at: number }>(points: readonly P[], value: (p: P) => number, y: number): number {
  const last = points.length - 1
  let i = points.findIndex((p) => p.at >= y)
  if (i <= 0) i = i === 0 ? 1 : last
  const [p0, p1, p2, p3] = [
    points[Math.max(0, i - 2)]!,
    points[i - 1]!,
    points[i]!,
    points[Math.min(last, i + 1)]!,
  ]
  const span = p2.at - p1.at
  const t = (y - p1.at) / span
  const slope1 = ((value(p2) - value(p0)) / (p2.at - p0.at)) * span
  const slope2 = ((value(p3) - value(p1)) / (p3.at - p1.at)) * span
  const [t2, t3] = [t * t, t * t * t]
  return (
    (2 * t3 - 3 * t2 + 1) * value(p1) +
    (t3 - 2 * t2 + t) * slope1 +
    (3 * t2 - 2 * t3) * value(p2) +
    (t3 - t2) * slope2
  )
}

type EdgeAt = (y: number) => number

function down(from: number, to: number, at: EdgeAt): Point[] {
  const steps = Math.max(2, Math.ceil(Math.abs(to - from) / STEP))
  return Array.from({ length: steps + 1 }, (_, i) => {
    const y = from + ((to - from) * i) / steps
    return [at(y), y]
  })
}
const strip = (top: number, bottom: number, left: EdgeAt, right: EdgeAt): Point[] => [
  ...down(top, bottom, left),
  ...down(bottom, top, right),
]
const bulge = (y: number, from: number, to: number) => Math.sin((Math.PI * (y - from)) / (to - from))

/** A lens of the given half widths around an edge, between two heights. */
const lens = (top: number, bottom: number, at: EdgeAt, left: number, right: number): Point[] =>
  strip(
    top,
    bottom,
    (y) => at(y) - left * bulge(y, top, bottom),
    (y) => at(y) + right * bulge(y, top, bottom),
  )

/** Draws a hung side with its lines at the given axis positions. */
export function drawSide(anatomy: Anatomy, lineAt: Record<string, number>): HungSide {
  const { outline, foreleg } = anatomy.map
  const cumulative = anatomy.axis.reduce<number[]>((sums, s) => [...sums, sums.at(-1)! + s.mm], [0])
  const legAt = lineAt['leg-line'] ?? anatomy.axis.length
  const yOf = (position: number) =>
    Y.neck - (cumulative[position]! / cumulative[legAt]!) * (Y.neck - Y.legLine)
  const back: EdgeAt = (y) => smooth(outline, (p) => p.back, y)
  const eye: EdgeAt = (y) => smooth(outline, (p) => p.eye, y)
  const belly: EdgeAt = (y) => smooth(outline, (p) => p.belly, y)
  const fore =
    (side: 'left' | 'right'): EdgeAt =>
    (y) =>
      smooth(foreleg, (p) => p[side], y)
  const shoulderY = yOf(lineAt['shoulder-line'] ?? 0)
  const legY = yOf(legAt)

  const ribSegments = anatomy.axis.flatMap((s, i) =>
    s.rib ? [{ rib: s.rib, y: (yOf(i) + yOf(i + 1)) / 2 }] : [],
  )
  const lastRibY = Math.min(...ribSegments.map((r) => r.y)) - 6
  const ribEnd: EdgeAt = (y) => eye(y) + 0.58 * (belly(y) - eye(y)) * Math.min(1, 0.45 + (y - lastRibY) / 130)
  const jowlIn = (y: number) => 1 - Math.sqrt(Math.max(0, 1 - ((y - Y.neck) / (Y.jowl - Y.neck)) ** 2))
  const shape = (part: string, polygon: Point[], label: Point): PartShape => ({ part, polygon, label })
  const middle = (y: number): Point => [(back(y) + belly(y)) / 2, y]

  return {
    width: WIDTH,
    height: HEIGHT,
    parts: [
      shape('hind-foot', strip(Y.foot, Y.hock, back, belly), middle(44)),
      shape('hind-hock', strip(Y.hock, Y.leg, back, belly), middle(90)),
      shape('leg', strip(Y.leg, legY, back, belly), middle(215)),
      shape('loin', strip(legY, shoulderY, back, eye), [(back(legY) + eye(legY)) / 2, legY + 52]),
      shape('belly', strip(legY, shoulderY, eye, belly), [belly(500) - 58, 440]),
      shape('spare-ribs', strip(lastRibY, shoulderY, eye, ribEnd), [
        eye(560) + 46,
        Math.min(575, (lastRibY + shoulderY) / 2 + 26),
      ]),
      shape('shoulder', strip(shoulderY, Y.neck, back, belly), [eye(690) - 8, Math.max(shoulderY + 30, 690)]),
      shape(
        'jowl',
        strip(
          Y.neck,
          Y.jowl,
          (y) => back(y) + 26 * jowlIn(y),
          (y) => belly(y) - 26 * jowlIn(y),
        ),
        middle(764),
      ),
      shape('fore-hock', strip(Y.elbow, Y.knee, fore('left'), fore('right')), [300, 715]),
      shape('fore-foot', strip(Y.knee, Y.toe, fore('left'), fore('right')), [316, 768]),
      shape(
        'leaf-fat',
        lens(legY + 18, legY + 128, (y) => belly(y) - 26, 26, 8),
        [belly(legY + 70) - 36, legY + 70],
      ),
      shape('tenderloin', lens(legY - 40, legY + 118, eye, 20, 5), [eye(legY + 30) - 6, legY + 30]),
      shape(
        'kidney',
        lens(legY + 74, legY + 114, (y) => eye(y) + 28, 12, 12),
        [eye(legY + 94) + 28, legY + 94],
      ),
    ],
    ribs: ribSegments.map(({ rib, y }) => ({
      rib,
      from: [back(y) + 42, y],
      bend: [eye(y) - 8, y - 5],
      to: [y < shoulderY ? ribEnd(y) - 4 : eye(y) + 52, y + 13],
      number: [back(y) + 14, y + 4],
    })),
    vertebrae: anatomy.axis.slice(0, legAt + 1).map((_, i): Point => {
      const y = i < legAt ? (yOf(i) + yOf(i + 1)) / 2 : legY - 16
      return [back(y) + 36, y]
    }),
    lines: anatomy.lines.flatMap((line) =>
      line.settings.map((s) => {
        const y = yOf(s.at)
        return {
          line: line.id,
          setting: s.id,
          y,
          from: back(y),
          to: belly(y),
          inForce: lineAt[line.id] === s.at,
        }
      }),
    ),
  }
}
