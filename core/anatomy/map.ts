import type { Anatomy } from './types.ts'

export type Point = [x: number, y: number]

export interface PartShape {
  part: string
  polygon: Point[]
  label: Point
}

/** One half carcass as shapes in a 340 × 800 box, back to the left; parts drawn later lie over earlier ones. */
export interface HungSide {
  width: number
  height: number
  parts: PartShape[]
  ribs: { rib: number; from: Point; bend: Point; to: Point }[]
  vertebrae: Point[]
  lines: { line: string; setting: string; y: number; from: number; to: number; inForce: boolean }[]
}

const WIDTH = 340
const HEIGHT = 800
const TRUNK = { legLine: 305, neck: 745 }
const STEP = 6

type Edge = 'back' | 'eye' | 'belly'

/** Cubic Hermite through the outline's points, slopes from neighbours. */
function edgeAt(outline: Anatomy['map']['outline'], edge: Edge, y: number): number {
  const last = outline.length - 1
  let i = outline.findIndex((p) => p.at >= y)
  if (i <= 0) i = i === 0 ? 1 : last
  const [p0, p1, p2, p3] = [outline[Math.max(0, i - 2)]!, outline[i - 1]!, outline[i]!, outline[Math.min(last, i + 1)]!]
  const span = p2.at - p1.at
  const t = (y - p1.at) / span
  const slope1 = ((p2[edge] - p0[edge]) / (p2.at - p0.at)) * span
  const slope2 = ((p3[edge] - p1[edge]) / (p3.at - p1.at)) * span
  const [t2, t3] = [t * t, t * t * t]
  return (2 * t3 - 3 * t2 + 1) * p1[edge] + (t3 - 2 * t2 + t) * slope1 + (3 * t2 - 2 * t3) * p2[edge] + (t3 - t2) * slope2
}

/** Draws a hung side with its lines at the given axis positions. */
export function drawSide(anatomy: Anatomy, lineAt: Record<string, number>): HungSide {
  const { outline, hock, jowl, foreleg } = anatomy.map
  const cumulative = anatomy.axis.reduce<number[]>((sums, s) => [...sums, sums.at(-1)! + s.mm], [0])
  const legAt = lineAt['leg-line'] ?? anatomy.axis.length
  const trunkMm = cumulative[legAt]!
  const yOf = (position: number) => TRUNK.neck - (cumulative[position]! / trunkMm) * (TRUNK.neck - TRUNK.legLine)
  const x = (edge: Edge, y: number) => edgeAt(outline, edge, y)

  const down = (from: number, to: number, at: (y: number) => number): Point[] => {
    const steps = Math.max(2, Math.ceil(Math.abs(to - from) / STEP))
    return Array.from({ length: steps + 1 }, (_, i) => {
      const y = from + ((to - from) * i) / steps
      return [at(y), y]
    })
  }
  const strip = (top: number, bottom: number, left: (y: number) => number, right: (y: number) => number): Point[] => [
    ...down(top, bottom, left),
    ...down(bottom, top, right),
  ]
  const shape = (part: string, polygon: Point[], label?: Point): PartShape => ({ part, polygon, label: label ?? centre(polygon) })

  const shoulderY = yOf(lineAt['shoulder-line'] ?? 0)
  const legY = yOf(legAt)
  const ribPosition = (rib: number) => anatomy.axis.findIndex((s) => s.rib === rib) + 0.5
  const yRib = (rib: number) => (yOf(Math.floor(ribPosition(rib))) + yOf(Math.ceil(ribPosition(rib)))) / 2
  const ribs = anatomy.axis.flatMap((s) => (s.rib ? [s.rib] : []))
  const lastRibY = yRib(ribs.length) - 6
  const ribEnd = (y: number) => x('eye', y) + 0.56 * (x('belly', y) - x('eye', y)) * Math.min(1, 0.45 + (y - lastRibY) / 130)

  const parts: PartShape[] = [
    shape('hind-foot', [hock[1]!, hock[2]!, hock[3]!, hock[4]!]),
    shape('hind-hock', [hock[0]!, hock[1]!, hock[4]!, hock[5]!]),
    shape('leg', strip(112, legY, (y) => x('back', y), (y) => x('belly', y)), [165, 225]),
    shape('loin', strip(legY, shoulderY, (y) => x('back', y), (y) => x('eye', y))),
    shape('belly', strip(legY, shoulderY, (y) => x('eye', y), (y) => x('belly', y)), [x('belly', 560) - 30, 430]),
    shape('spare-ribs', strip(lastRibY, shoulderY, (y) => x('eye', y), ribEnd), [x('eye', shoulderY) + 34, (lastRibY + shoulderY) / 2 + 30]),
    shape('shoulder', strip(shoulderY, TRUNK.neck, (y) => x('back', y), (y) => x('belly', y)), [x('eye', 690), Math.max(shoulderY + 38, 690)]),
    shape('jowl', jowl),
    shape('fore-hock', [foreleg[0]!, foreleg[1]!, foreleg[2]!, foreleg[5]!, foreleg[6]!, foreleg[7]!]),
    shape('fore-foot', [foreleg[2]!, foreleg[3]!, foreleg[4]!, foreleg[5]!]),
    shape('leaf-fat', strip(legY + 22, legY + 118, (y) => x('belly', y) - 22 - 26 * bulge(y, legY + 22, legY + 118), (y) => x('belly', y) - 14)),
    shape('tenderloin', strip(legY - 34, legY + 108, (y) => x('eye', y) - 16 * bulge(y, legY - 34, legY + 108), (y) => x('eye', y) + 4 * bulge(y, legY - 34, legY + 108))),
    shape('kidney', strip(legY + 74, legY + 112, (y) => x('eye', y) + 24 - 10 * bulge(y, legY + 74, legY + 112), (y) => x('eye', y) + 24 + 10 * bulge(y, legY + 74, legY + 112))),
  ]
  return {
    width: WIDTH,
    height: HEIGHT,
    parts,
    ribs: ribs.map((rib) => {
      const y = yRib(rib)
      const end = y < shoulderY ? ribEnd(y) : x('eye', y) + 46
      return { rib, from: [x('back', y) + 34, y], bend: [x('eye', y) - 6, y - 5], to: [end, y + 12] }
    }),
    vertebrae: anatomy.axis.flatMap((_, i): Point[] => {
      const y = (yOf(i) + (i + 1 <= legAt ? yOf(i + 1) : yOf(i) - 26)) / 2
      return i < legAt + 1 ? [[x('back', y) + 30, y]] : []
    }),
    lines: anatomy.lines.flatMap((line) =>
      line.settings.map((s) => {
        const y = yOf(s.at)
        return { line: line.id, setting: s.id, y, from: x('back', y), to: x('belly', y), inForce: lineAt[line.id] === s.at }
      }),
    ),
  }
}

const bulge = (y: number, from: number, to: number) => Math.sin((Math.PI * (y - from)) / (to - from))

function centre(polygon: Point[]): Point {
  const sum = polygon.reduce(([sx, sy], [px, py]) => [sx + px, sy + py] as Point, [0, 0] as Point)
  return [sum[0] / polygon.length, sum[1] / polygon.length]
}
