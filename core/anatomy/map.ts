import { linePositions, positionOf } from './axis.ts'
import type { Anatomy, CrossLine, Edge, LaidMap, Level, MapShape, Point, SidesMap } from './types.ts'

export interface PartShape {
  /** The parts that may lie here, first what another was opened into. */
  parts: string[]
  polygon: Point[]
  label: Point
  /** Lies on both sides of the middle of a laid-out bird. */
  both: boolean
}

/** Where a setting of a transverse line lies: height, and the back and belly edge there. */
export interface LineMark {
  line: string
  setting: string
  y: number
  from: number
  to: number
}

/** A quarter of a segment of the axis, as drawn. */
export interface AxisLevel {
  at: number
  y: number
  from: number
  to: number
}

/** One half carcass as shapes in a 400 × 800 box; parts drawn later lie over earlier ones. */
export interface HungSide {
  parts: PartShape[]
  ribs: { rib: number; from: Point; bend: Point; to: Point; number: Point }[]
  vertebrae: Point[]
  /** Seams between muscles, hinted. */
  seams: Point[][]
  marks: LineMark[]
  /** Every quarter of a segment along the axis, from the head end: its height, and the back and belly edge there. */
  levels: AxisLevel[]
  /** Long lines as drawn, and px per mm across them. */
  along: { line: string; path: Point[] }[]
  pxPerMm: number
}

export type Hung = { kind: 'sides' | 'whole'; side: HungSide } | { kind: 'laid'; parts: PartShape[] }

export interface LinesAt {
  at: Readonly<Record<string, number>>
  mm: Readonly<Record<string, number>>
}

type EdgeAt = (y: number) => number
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

/**
 * Draws a carcass with its lines where they lie: a hung side, the half of a whole one seen from behind (`whole`; the
 * back is then the middle), or a bird laid out on its back.
 */
export function drawHung(anatomy: Anatomy, lines: LinesAt, whole = false): Hung {
  const { map } = anatomy
  if (map.kind === 'laid') return { kind: 'laid', parts: laid(map) }
  const outline = (whole && map.whole) || map.outline
  const limb = outline === map.outline ? map.limb : (map.wholeLimb ?? map.limb)
  return {
    kind: outline === map.outline ? 'sides' : 'whole',
    side: drawSide(anatomy, { ...map, outline, limb }, lines),
  }
}

const usual = new WeakMap<Anatomy, { kind: 'hung' | 'laid'; shapes: PartShape[] }>()
/** A half carcass, or a bird, with every line where it usually lies: where a part is, whatever the plan. */
export function drawUsual(anatomy: Anatomy): { kind: 'hung' | 'laid'; shapes: PartShape[] } {
  const held = usual.get(anatomy)
  if (held) return held
  const mm = Object.fromEntries(
    anatomy.lines.flatMap((l) => (l.kind === 'along' ? [[l.id, l.mm.usual] as const] : [])),
  )
  const hung = drawHung(anatomy, { at: linePositions(anatomy, () => undefined).at, mm })
  const made =
    hung.kind === 'laid'
      ? { kind: 'laid' as const, shapes: hung.parts }
      : { kind: 'hung' as const, shapes: hung.side.parts }
  usual.set(anatomy, made)
  return made
}

/** Catmull-Rom through a closed outline, as points. */
function rounded(points: readonly Point[]): Point[] {
  const n = points.length
  return points.flatMap((_, i) => {
    const [a, b, c, d] = [-1, 0, 1, 2].map((k) => points[(i + k + n) % n]!) as [Point, Point, Point, Point]
    return [0, 0.25, 0.5, 0.75].map((t): Point => {
      const at = (k: 0 | 1) =>
        0.5 *
        (2 * b[k] +
          (c[k] - a[k]) * t +
          (2 * a[k] - 5 * b[k] + 4 * c[k] - d[k]) * t * t +
          (3 * b[k] - a[k] - 3 * c[k] + d[k]) * t * t * t)
      return [at(0), at(1)]
    })
  })
}
const laid = (map: LaidMap): PartShape[] =>
  map.shapes.map((s) => ({ parts: s.parts, polygon: rounded(s.outline), label: s.label, both: s.both }))

function drawSide(anatomy: Anatomy, map: SidesMap, lines: LinesAt): HungSide {
  const { axis } = anatomy
  const { spine, limb, outline } = map
  const cumulative = axis.reduce<number[]>((sums, s) => [...sums, sums.at(-1)! + s.mm], [0])
  const mmAt = (position: number) => {
    const i = Math.min(Math.floor(position), axis.length - 1)
    return cumulative[i]! + (position - i) * axis[i]!.mm
  }
  const topAt = usualAt(anatomy, spine.topLine)
  const pxPerMm = (spine.bottom - spine.top) / mmAt(topAt)
  const yOf = (position: number) => spine.bottom - mmAt(position) * pxPerMm
  const level = (l: Level): number => (typeof l === 'number' ? l : yOf(lines.at[l.line]!) + (l.plus ?? 0))

  const ribSegments = axis.flatMap((s, i) => (s.rib ? [{ rib: s.rib, y: (yOf(i) + yOf(i + 1)) / 2 }] : []))
  const lastRibY = Math.min(...ribSegments.map((r) => r.y)) - 6
  const edge = (e: Edge): EdgeAt => {
    if (e === 'back') return (y) => smooth(outline, (p) => p.back, y)
    if (e === 'eye') return (y) => smooth(outline, (p) => p.eye, y)
    if (e === 'belly') return (y) => smooth(outline, (p) => p.belly, y)
    if (e === 'limb left') return (y) => smooth(limb, (p) => p.left, y)
    if (e === 'limb right') return (y) => smooth(limb, (p) => p.right, y)
    if (e === 'rib end')
      return (y) => eye(y) + 0.62 * (belly(y) - eye(y)) * Math.min(1, 0.45 + Math.max(0, y - lastRibY) / 130)
    if ('line' in e) {
      const mm = lines.mm[e.line] ?? 0
      return (y) => Math.min(eye(y) + mm * pxPerMm, eye(y) + 0.9 * (belly(y) - eye(y)))
    }
    const [from, to] = [edge(e.from), edge(e.to)]
    return (y) => from(y) + e.share * (to(y) - from(y))
  }
  const [back, eye, belly, ribEnd] = [edge('back'), edge('eye'), edge('belly'), edge('rib end')]

  const shape = (s: MapShape): PartShape => {
    const [top, bottom] = [level(s.from), Math.max(level(s.from), level(s.to))]
    const [left, right] = [edge(s.left), edge(s.right)]
    const [l, r] = s.bulge ?? [0, 0]
    const labelY = s.label ? level(s.label.level) : (top + bottom) / 2
    return {
      parts: s.parts,
      both: false,
      polygon:
        s.kind === 'strip'
          ? strip(top, bottom, left, right)
          : strip(
              top,
              bottom,
              (y) => left(y) - l * bulge(y, top, bottom),
              (y) => right(y) + r * bulge(y, top, bottom),
            ),
      label: [
        s.label ? edge(s.label.edge)(labelY) + (s.label.dx ?? 0) : (left(labelY) + right(labelY)) / 2,
        labelY,
      ],
    }
  }
  const across = anatomy.lines.filter((l) => l.kind === 'across')
  return {
    parts: map.shapes.map(shape),
    ribs: ribSegments.map(({ rib, y }) => ({
      rib,
      from: [back(y) + 0.42 * (eye(y) - back(y)), y],
      bend: [eye(y) - 8, y - 5],
      to: [ribEnd(y) - 4, y + 13],
      number: [back(y) + 0.15 * (eye(y) - back(y)), y + 4],
    })),
    vertebrae: axis.slice(0, Math.ceil(topAt)).map((_, i): Point => {
      const y = (yOf(i) + yOf(i + 1)) / 2
      return [back(y) + 0.37 * (eye(y) - back(y)), y]
    }),
    seams: (map.seams ?? []).map((s) => down(level(s.from), level(s.to), edge(s.edge))),
    marks: across.flatMap((line) =>
      line.settings.map((s) => {
        const y = yOf(placed(anatomy, line, s.id, lines.at))
        return { line: line.id, setting: s.id, y, from: back(y), to: belly(y) }
      }),
    ),
    levels: Array.from({ length: axis.length * 4 + 1 }, (_, i) => {
      const y = yOf(i / 4)
      return { at: i / 4, y, from: back(y), to: belly(y) }
    }),
    along: anatomy.lines
      .filter((l) => l.kind === 'along')
      .map((l) => {
        const [from, to] = reachOf(anatomy, l.id, lines.at)
        return { line: l.id, path: down(yOf(to), yOf(from), edge({ line: l.id })) }
      }),
    pxPerMm,
  }
}

/** The stretch of the axis a long line divides: from the foremost to the hindmost of the spans it runs through. */
function reachOf(anatomy: Anatomy, line: string, at: LinesAt['at']): [number, number] {
  const ends = anatomy.bands.flatMap((band) =>
    band.spans.flatMap((span, i) =>
      span.below?.line === line
        ? [
            i === 0 ? 0 : at[band.spans[i - 1]!.until]!,
            span.until === 'end' ? anatomy.axis.length : at[span.until]!,
          ]
        : [],
    ),
  )
  return [Math.min(...ends), Math.max(...ends)]
}

const placed = (anatomy: Anatomy, line: CrossLine, setting: string, at: LinesAt['at']) =>
  positionOf(anatomy.axis, line.settings.find((s) => s.id === setting)!.at, at)

function usualAt(anatomy: Anatomy, id: string): number {
  const line = anatomy.lines.find((l) => l.id === id)
  return line?.kind === 'across' ? placed(anatomy, line, line.fallback, {}) : anatomy.axis.length
}
