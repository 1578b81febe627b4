import { randomLcg } from 'd3-random'
import { shuffler } from 'd3-array'
import { offBand, type Found, type YieldRow } from './yields.ts'

/** The commit that brought the yield list, before the first fit to it: it deals the folds. */
export const LISTED = 'bf9618a454cd8742a823ce94be6e8a793a407fd8'

/** A piece as a fit foretold it that had not seen it. */
export interface Prediction {
  species: string
  name: string
  low: number
  high: number
  fold: number
  found: number
}

/** Pieces of a species dealt into two halves, in an order drawn from the hash. */
export function foldsOf(rows: readonly YieldRow[]): { row: YieldRow; fold: number }[] {
  const seed = Number.parseInt(LISTED.slice(0, 8), 16) / 2 ** 32
  return shuffler(randomLcg(seed))([...rows]).map((row, i) => ({ row, fold: i % 2 }))
}

export const predicted = (
  found: readonly Found[],
  folds: readonly { row: YieldRow; fold: number }[],
  fold: number,
): Prediction[] =>
  folds
    .filter((f) => f.fold === fold)
    .map(({ row: { species, name, low, high } }) => ({
      species,
      name,
      low,
      high,
      fold,
      found: Number(found.find((x) => x.species === species && x.name === name)!.found.toFixed(3)),
    }))

/** "Fold 1: 18 of 21 inside; fold 2: 17 of 21; furthest off: flap −12 %." */
export function summary(of: readonly Prediction[]): string {
  const fold = (n: number) => of.filter((p) => p.fold === n)
  const inside = (n: number) => fold(n).filter((p) => offBand(p) === 0).length
  const worst = [...of].sort((a, b) => Math.abs(offBand(b)) - Math.abs(offBand(a)))[0]!
  const percent = (offBand(worst) * 100).toFixed(0).replace('-', '−')
  return `Predicted unseen: fold 1, ${inside(0)} of ${fold(0).length} inside their bands; fold 2, ${inside(1)} of ${fold(1).length}; furthest off ${worst.name}, ${percent} %.`
}

/** Each piece with its band, as it was predicted, and as what ships gives it. */
export function yieldTable(own: readonly Prediction[], found: readonly Found[]): string {
  const mark = (x: Pick<Prediction, 'found' | 'low' | 'high'>) =>
    `${x.found.toFixed(2)}${offBand(x) === 0 ? '' : ` (${(offBand(x) * 100).toFixed(0).replace('-', '−')} %)`}`
  return [
    '| piece | band, % of carcass | fold | predicted unseen | as shipped |',
    '| --- | --: | --: | --: | --: |',
    ...found.map((f) => {
      const p = own.find((x) => x.name === f.name)
      return `| ${f.name} | ${f.low}–${f.high} | ${p ? p.fold + 1 : ''} | ${p ? mark(p) : ''} | ${mark(f)} |`
    }),
  ].join('\n')
}
