import { kg, KG_PER_LB, mm } from '#core/measure'
import { animalOf, compile, cutUp, SidedMap, type CutUp, type Flow } from '#core/carcass'
import type { Anatomy, SideName } from '#core/anatomy'
import type { Chart, ChartLine, Sum } from './charts.ts'

export type { Sum } from './charts.ts'

export interface Compared extends ChartLine {
  found: number
  /** Points of carcass, and as a ratio of the published figure. */
  points: number
  ratio: number
}

/** How a carcass is cut for a list of figures: ways of each side, lines, trim, dressing. */
export type CutAs = Pick<Chart, 'carcassKg' | 'trim' | 'conventions' | 'lines' | 'mm' | 'left' | 'right'> & {
  animal?: Record<string, string>
}

export interface CutUpAs {
  cutting: CutUp
  carcassKg: number
}

/** Cuts a carcass of the usual type, of the weight the list is for. */
export function cutAs(flow: Flow, as: CutAs): CutUpAs {
  const keyed = <V>(of: Record<string, V>, ...sides: SideName[]) =>
    Object.entries(of).flatMap(([id, value]) => sides.map((side) => ({ id, side, value })))
  const long = Object.fromEntries(Object.entries(as.mm).map(([id, at]) => [id, mm(at)]))
  const choices = {
    paths: new SidedMap([
      ...keyed(as.left, 'left'),
      ...keyed(as.right, 'right'),
      ...keyed(as.animal ?? {}, 'animal'),
    ]),
    lines: new SidedMap(keyed(as.lines, 'left', 'right')),
    mm: new SidedMap(keyed(long, 'left', 'right')),
    trim: as.trim,
  }
  const { conventions, carcassKg } = as
  const carcass = kg(carcassKg)
  const { factors } = animalOf(flow.anatomy, { type: null, measured: {}, conventions }, carcass, carcass)
  return { cutting: cutUp(flow, choices, { conventions, carcass, live: kg(0), factors }), carcassKg }
}

/** Cuts a carcass as the chart does, and sets what comes of it beside what was published; lb. */
export function compare(chart: Chart, anatomy: Anatomy = chart.anatomy): Compared[] {
  const { cutting } = cutAs(compile(anatomy), chart)
  const carcassLb = chart.carcassKg / KG_PER_LB
  return chart.rows.map((row) => {
    const found = sumOf(cutting, row.of) / KG_PER_LB
    return { ...row, found, points: ((found - row.lb) / carcassLb) * 100, ratio: found / row.lb }
  })
}

/** Kg of a sum in a carcass that was cut. */
export function sumOf(cutting: CutUp, { parts, to, less, also, tissue }: Sum): number {
  let sum = (also ?? []).reduce((s, x) => s + sumOf(cutting, x), 0)
  for (const slot of cutting.slots) {
    if (!parts.includes(slot.part)) continue
    if (!to) sum += tissue ? slot.tissue[tissue] : slot.kg
    for (const row of slot.rows) {
      const target = row.cut?.id ?? row.part!
      if (to?.includes(target)) sum += row.green
      if (less?.includes(target)) sum -= row.green
    }
  }
  return sum
}

/** All products together, % of carcass: published, found. `apart` leaves out what a stricter reading does not count. */
export function saleable(
  chart: Chart,
  rows: readonly Compared[],
  apart = false,
): { published: number; found: number } {
  const counted = rows.filter((r) => r.is === 'product' && !(apart && chart.apart.includes(r.name)))
  const share = (of: (r: Compared) => number) =>
    (counted.reduce((s, r) => s + of(r), 0) / (chart.carcassKg / KG_PER_LB)) * 100
  return { published: share((r) => r.lb), found: share((r) => r.found) }
}

/** The comparison as a table, in Markdown. */
export function tableOf(chart: Chart, rows: readonly Compared[]): string {
  const line = (cells: string[]) => `| ${cells.join(' | ')} |`
  const total = (name: string, apart: boolean) => {
    const { published, found } = saleable(chart, rows, apart)
    return line([
      name,
      `${published.toFixed(1)} %`,
      `${found.toFixed(1)} %`,
      (found - published).toFixed(2),
      '',
    ])
  }
  return [
    line(['line', 'published, lb', 'found, lb', 'points of carcass', 'ratio']),
    line(['---', '--:', '--:', '--:', '--:']),
    ...rows.map((r) =>
      line([
        r.is === 'primal' ? `**${r.name}**` : r.name,
        r.lb.toFixed(1),
        r.found.toFixed(1),
        r.points.toFixed(2),
        r.ratio.toFixed(2),
      ]),
    ),
    total('Saleable, % of carcass', false),
    ...(chart.apart.length > 0
      ? [total(`Saleable without ${chart.apart.join(', ').toLowerCase()}`, true)]
      : []),
  ].join('\n')
}
