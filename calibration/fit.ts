import { readFileSync, writeFileSync } from 'node:fs'
import { levenbergMarquardt } from 'ml-levenberg-marquardt'
import {
  compositionAt,
  depotOf,
  DEPOTS,
  TISSUES,
  type Anatomy,
  type Band,
  type Depot,
  type Species,
  type Tissue,
} from '#core/anatomy'
import { ANATOMIES } from '#core/species'
import { kg } from '#core/measure'
import { CHARTS } from './charts.ts'
import { compare, tableOf } from './compare.ts'
import { foldsOf, predicted, summary, yieldTable, type Prediction } from './folds.ts'
import { partsFound, partsMeant } from './parts.ts'
import { cutForList, findYields, yieldList, type Found, type YieldRow } from './yields.ts'

/** How far (log) a band's tissue may lie from its written figure, and how close a part and a piece are meant to be met. */
const WRITTEN_SD = 0.25
const PART_SD = 0.35
/** A piece of the list is meant to lie within half of its band. */
const PIECE_SD = 0.5

type Factors = Record<string, Partial<Record<Tissue, number>>>

/** Bands without the factors an earlier fit found. */
function written(anatomy: Anatomy, factors: Factors): Anatomy {
  const bands = anatomy.bands.map((b) => ({ ...b, tissue: { ...b.tissue } }))
  for (const b of bands) for (const t of TISSUES) b.tissue[t] /= factors[b.id]?.[t] ?? 1
  return { ...anatomy, bands }
}

/** What one band's tissue alone gives of every part and piece, in % of itself: all else is a weighted sum of these. */
interface Response {
  band: Band
  tissue: Tissue
  off: number[]
  pieces: Found[]
}

const alone = (anatomy: Anatomy, id: string, tissue: Tissue): Anatomy => ({
  ...anatomy,
  types: [],
  bands: anatomy.bands.map((b) => ({
    ...b,
    tissue: { lean: 0, fat: 0, bone: 0, skin: 0, seam: 0, ...(b.id === id && { [tissue]: 1 }) },
  })),
})

function responsesOf(species: Species, base: Anatomy, all: readonly YieldRow[]): Response[] {
  return base.bands.flatMap((band) =>
    band.id === 'head'
      ? []
      : TISSUES.filter((t) => band.tissue[t] > 0).map((tissue): Response => {
          const cut = cutForList(species, alone(base, band.id, tissue))
          return { band, tissue, off: partsFound(species, cut.bone!), pieces: findYields(species, all, cut) }
        }),
  )
}

/** Cells fitted to the part table and to the pieces of the list that are seen; the others are predicted. */
function fit(species: Species, base: Anatomy, responses: Response[], seen: ReadonlySet<string>) {
  const usual = base.types[0]!
  const { lean, ...depots } = compositionAt(usual, kg(usual.depots.kg))
  const meant = partsMeant(species)
  /** % of carcass in each cell: as written and fitted, then scaled so that the depots are those of the usual animal. */
  const masses = (logs: readonly number[]) => {
    const raw = responses.map((r, i) => r.band.tissue[r.tissue] * Math.exp(logs[i]!))
    const depotOfCell = responses.map((r) => depotOf(r.band, r.tissue))
    const sums = Object.fromEntries(
      DEPOTS.map((d) => [d, raw.reduce((s, m, i) => s + (depotOfCell[i] === d ? m : 0), 0)]),
    ) as Record<Depot, number>
    const own = { ...depots, lean, eye: lean }
    const of = (d: Depot) =>
      d === 'lean' || d === 'eye' ? own.lean / (sums.lean + sums.eye) : own[d] / sums[d]
    return raw.map((m, i) => m * of(depotOfCell[i]!))
  }
  const found = (m: readonly number[], of: (r: Response) => number) =>
    responses.reduce((s, r, i) => s + m[i]! * of(r), 0)
  const pieces = (m: readonly number[]): Found[] =>
    responses[0]!.pieces.map((p, k) => ({ ...p, found: found(m, (r) => r.pieces[k]!.found) }))
  const of = (logs: readonly number[]) => {
    const m = masses(logs)
    return [
      ...meant.map((x, k) => (found(m, (r) => r.off[k]!) - x) / PART_SD),
      ...pieces(m)
        .filter((p) => seen.has(p.name))
        .map((p) => (p.found - (p.low + p.high) / 2) / (PIECE_SD * (p.high - p.low))),
      ...logs.map((x) => x / WRITTEN_SD),
    ]
  }
  const start = responses.map(() => 0)
  const count = of(start).length
  const cache = { key: '', figures: [] as number[] }
  const { parameterValues } = levenbergMarquardt(
    { x: Array.from({ length: count }, (_, i) => i), y: new Array<number>(count).fill(0) },
    (logs) => (i) => {
      const key = logs.join()
      if (cache.key !== key) Object.assign(cache, { key, figures: of(logs) })
      return cache.figures[i]!
    },
    { initialValues: start, maxIterations: 40, gradientDifference: 1e-4, damping: 0.1, errorTolerance: 1e-9 },
  )
  const fitted = masses(parameterValues)
  const factors: Factors = {}
  responses.forEach(({ band, tissue }, i) => {
    const factor = fitted[i]! / band.tissue[tissue]
    factors[band.id] = { ...factors[band.id], [tissue]: Number(factor.toFixed(4)) }
  })
  return { factors, found: pieces(fitted) }
}

const shippedOf = (found: readonly Found[], name: string) =>
  Number(found.find((f) => f.name === name)!.found.toFixed(3))

const list = yieldList()
const predictions: (Prediction & { shipped: number })[] = []
const report = [
  '# Calibration',
  '',
  'Written by `npm run fit`. The mass of every band of cells is fitted by Levenberg–Marquardt least squares to the table of',
  'parts of a middle animal and to the yield list (docs/sources.md), each band held near the figure we wrote from memory.',
  'For the test the list is dealt into two folds by the hash of the commit that brought it; each fold is predicted by a fit',
  'that has not seen it. What ships is fitted on all of it. Shares of the ways are written, not fitted: they are from the',
  'same memory as the list, so a fold is a weaker check than a scale would be.',
]
for (const species of ['steer', 'hog', 'lamb'] as const) {
  const file = `core/anatomy/${species}/data/fitted.json`
  const held = JSON.parse(readFileSync(file, 'utf8')) as Factors
  const base = written(ANATOMIES[species], held)
  const rows = list.filter((r) => r.species === species)
  const responses = responsesOf(species, base, rows)
  const folds = foldsOf(rows)
  const own = [0, 1].flatMap((fold) => {
    const seen = new Set(folds.filter((f) => f.fold !== fold).map((f) => f.row.name))
    return predicted(fit(species, base, responses, seen).found, folds, fold)
  })
  const { factors, found } = fit(species, base, responses, new Set(rows.map((r) => r.name)))
  predictions.push(...own.map((p) => ({ ...p, shipped: shippedOf(found, p.name) })))
  writeFileSync(file, `${JSON.stringify(factors, null, 2)}\n`)
  report.push('', `## ${ANATOMIES[species].names.american}`, '', summary(own), '', yieldTable(own, found))
  console.log(`${species}: ${summary(own)}`)
}
for (const [species, says] of [
  ['broiler', 'One band: nothing is fitted.'],
  [
    'turkey',
    'One band: nothing is fitted. Its parts are the part table’s; the other pieces are a broiler’s shares.',
  ],
  [
    'duck',
    'One band: nothing is fitted. Its parts are the part table’s; the other pieces are a broiler’s shares.',
  ],
  ['rabbit', 'One band: nothing is fitted. Its parts are the part table’s.'],
  ['goat', 'A lamb’s bands with stated factors, set by hand until the list was met: no prediction.'],
  ['calf', 'A steer’s bands with stated factors, set by hand until the list was met: no prediction.'],
] as const)
  report.push(
    '',
    `## ${ANATOMIES[species].names.american}`,
    '',
    says,
    '',
    yieldTable([], findYields(species, list)),
  )
for (const chart of CHARTS) {
  report.push(
    '',
    `## ${chart.anatomy.names.american}: a consumer chart as a check`,
    '',
    `Published: ${chart.source}. Cut at trim ${chart.trim}; it sets nothing.`,
    '',
    tableOf(chart, compare(chart)),
  )
}
writeFileSync('docs/calibration.md', `${report.join('\n')}\n`)
writeFileSync('calibration/predicted.json', `${JSON.stringify(predictions, null, 2)}\n`)
