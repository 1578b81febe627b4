import { lookup, type SideName } from '#core/anatomy'
import { issueOf, kg, minus, sumOf, type Issue, type Kg } from '#core/measure'
import type { Reckoning } from './lot.ts'

/** What is impossible about the weight of a part, or about what was cut away of one; null where it may be. */
export function judgePart(
  read: Reckoning,
  what: 'part' | 'cut-away',
  of: string,
  side: SideName,
  typed: Kg,
): Issue | null {
  const part = lookup(read.flow.anatomy).part(of)!.names
  const { cutting, plan } = read
  if (what === 'cut-away') {
    const most = cutting.partKg(of, side)
    return typed > most ? issueOf('cut-away-above-part', what, { part, typed, most }) : null
  }
  const others = sumOf([...plan.parts], (p) => (p.id === of && p.side === side ? kg(0) : p.value))
  const most = minus(cutting.balance.carcass, others)
  return typed > most ? issueOf('part-above-carcass', what, { part, typed, most }) : null
}
