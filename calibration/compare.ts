import { KG_PER_LB } from '#core/measure'
import {
  compile,
  evaluate,
  newYield,
  pour,
  setFlow,
  type Flow,
  type FlowSetting,
  type Yield,
} from '#core/carcass'
import type { Anatomy } from '#core/anatomy'
import type { Chart, ChartLine, Sum } from './charts.ts'

export interface Compared extends ChartLine {
  found: number
  /** Points of carcass, and as a ratio of the published figure. */
  points: number
  ratio: number
}

/** Cuts a carcass as the chart does, and sets what comes of it beside what was published; lb. */
export function compare(chart: Chart, anatomy: Anatomy = chart.anatomy): Compared[] {
  const flow = compile(anatomy)
  const keyed = (of: Record<string, string>, side: string) =>
    Object.entries(of).map(([id, value]) => [`${id}:${side}`, value] as const)
  const setting = setFlow(flow, {
    paths: new Map([...keyed(chart.left, 'left'), ...keyed(chart.right, 'right')]),
    lines: new Map([...keyed(chart.lines, 'left'), ...keyed(chart.lines, 'right')]),
    mm: new Map(
      Object.entries(chart.mm).flatMap(([id, mm]) =>
        [`${id}:left`, `${id}:right`].map((k) => [k, mm] as const),
      ),
    ),
    trim: chart.trim,
  })
  const inputs = pour(flow, setting, chart.conventions, chart.carcassKg)
  const y = evaluate(flow, setting, inputs, newYield(flow))
  const carcassLb = chart.carcassKg / KG_PER_LB
  return chart.rows.map((row) => {
    const found = sumOf(flow, setting, y, row.of) / KG_PER_LB
    return { ...row, found, points: ((found - row.lb) / carcassLb) * 100, ratio: found / row.lb }
  })
}

function sumOf(flow: Flow, setting: FlowSetting, y: Yield, { parts, to, less }: Sum): number {
  let sum = 0
  flow.slots.forEach((slot, s) => {
    if (!parts.includes(slot.part)) return
    if (!to) for (let t = 0; t < 4; t++) sum += y.slotKg[s * 4 + t]!
    for (let r = setting.start[s]!; r < setting.end[s]!; r++) {
      const cut = flow.rowCut[r]!
      const target = cut >= 0 ? flow.anatomy.cuts[cut]!.id : flow.slots[flow.rowSlot[r]!]!.part
      if (to?.includes(target)) sum += y.rowKg[r]!
      if (less?.includes(target)) sum -= y.rowKg[r]!
    }
  })
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
