import { readFileSync, writeFileSync } from 'node:fs'
import { levenbergMarquardt } from 'ml-levenberg-marquardt'
import { TISSUES, type Anatomy, type Tissue } from '#core/anatomy'
import { CHARTS, type Chart } from './charts.ts'
import { compare, saleable, tableOf, type Compared } from './compare.ts'

/** How far (log) a band's tissue may lie from its written figure, and how close a chart line is meant to be met. */
const WRITTEN_SD = 0.12
const PRIMAL_SD = 0.6
const PRODUCT_SD = 0.5
const TOTAL_SD = 0.4

type Factors = Record<string, Partial<Record<Tissue, number>>>

/** Bands without the factors an earlier fit found. */
function written(anatomy: Anatomy, factors: Factors): Anatomy {
  const bands = anatomy.bands.map((b) => ({ ...b, tissue: { ...b.tissue } }))
  for (const b of bands) for (const t of TISSUES) b.tissue[t] /= factors[b.id]?.[t] ?? 1
  return { ...anatomy, bands }
}

function scaled(anatomy: Anatomy, free: readonly [string, Tissue][], logs: readonly number[]): Anatomy {
  const bands = anatomy.bands.map((b) => ({ ...b, tissue: { ...b.tissue } }))
  free.forEach(([id, t], i) => (bands.find((b) => b.id === id)!.tissue[t] *= Math.exp(logs[i]!)))
  return { ...anatomy, bands }
}

/** Residual-free targets of the fit: chart lines in points of carcass, totals, and the written figures themselves. */
function figuresOf(chart: Chart, rows: readonly Compared[], logs: readonly number[]) {
  const lines = rows
    .filter((r) => r.is === 'primal' || r.lb >= 5)
    .map((r) => r.points / (r.is === 'primal' ? PRIMAL_SD : PRODUCT_SD))
  const totals = [false, true].map((apart) => {
    const { published, found } = saleable(chart, rows, apart)
    return (found - published) / TOTAL_SD
  })
  return [...lines, ...totals, ...logs.map((x) => x / WRITTEN_SD)]
}

function fit(chart: Chart, held: Factors): { factors: Factors; rows: Compared[] } {
  const base = written(chart.anatomy, held)
  const free = base.bands.flatMap((b) =>
    TISSUES.filter((t) => b.tissue[t] > 0 && b.id !== 'head').map((t): [string, Tissue] => [b.id, t]),
  )
  const of = (logs: number[]) => figuresOf(chart, compare(chart, scaled(base, free, logs)), logs)
  const count = of(free.map(() => 0)).length
  const cache = { key: '', figures: [] as number[] }
  const { parameterValues } = levenbergMarquardt(
    { x: Array.from({ length: count }, (_, i) => i), y: new Array<number>(count).fill(0) },
    (logs) => (i) => {
      const key = logs.join()
      if (cache.key !== key) Object.assign(cache, { key, figures: of([...logs]) })
      return cache.figures[i]!
    },
    {
      initialValues: free.map(() => 0),
      maxIterations: 60,
      gradientDifference: 1e-4,
      damping: 0.1,
      errorTolerance: 1e-9,
    },
  )
  const factors: Factors = {}
  free.forEach(([id, t], i) => {
    factors[id] = { ...factors[id], [t]: Number(Math.exp(parameterValues[i]!).toFixed(4)) }
  })
  const logs = free.map(([id, t]) => Math.log(factors[id]![t]!))
  return { factors, rows: compare(chart, scaled(base, free, logs)) }
}

const report = [
  '# Calibration',
  '',
  'Written by `npm run fit`: the mass of every band of cells, fitted to two published cutting charts by Levenberg–Marquardt',
  'least squares, each band held near the figure we wrote from memory. Found is what Ekko reckons when it cuts a carcass',
  'the way the chart did. The charts set these cells, so they do not test them; other carcasses, lines and ways do.',
]
for (const chart of CHARTS) {
  const file = `core/anatomy/${chart.id}/data/fitted.json`
  const held = JSON.parse(readFileSync(file, 'utf8')) as Factors
  const { factors, rows } = fit(chart, held)
  writeFileSync(file, `${JSON.stringify(factors, null, 2)}\n`)
  const worst = rows
    .filter((r) => r.is === 'product' && r.lb >= 5 && Math.abs(r.ratio - 1) > 0.1)
    .map((r) => `${r.name} (${r.ratio.toFixed(2)})`)
  report.push(
    '',
    `## ${chart.anatomy.names.american}`,
    '',
    `Published: ${chart.source}.`,
    '',
    tableOf(chart, rows),
    '',
    worst.length > 0
      ? `Further than a tenth off: ${worst.join(', ')}.`
      : 'No product line of 5 lb or more is further than a tenth off.',
  )
  console.log(tableOf(chart, rows))
}
writeFileSync('docs/calibration.md', `${report.join('\n')}\n`)
