import { inForce } from '#core/records'
import type { LotState, Reckoning } from './lot.ts'

/** Costs that were written down after all of a lot was packed: it was taken for paid before. */
export function lateCosts(read: Reckoning, lot: LotState): ReadonlySet<string> {
  const products = read.cuts.filter((c) => c.cut.kind === 'product')
  if (products.length === 0 || !products.every((c) => c.done)) return new Set()
  const closed = inForce(lot.packs).reduce((last, p) => (p.at > last ? p.at : last), '')
  const late = inForce(lot.facts).filter((f) => f.fact.kind === 'cost' && f.at !== '' && f.at > closed)
  return new Set(closed === '' ? [] : late.map((f) => f.id))
}
