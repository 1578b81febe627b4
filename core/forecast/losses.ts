import type { Reckoning } from './reckon.ts'

/** One step on the way from the live animal to what is taken home. `kg` is what went (or came, below zero). */
export interface Loss {
  id: 'shrink' | 'dressing' | 'cooler' | 'bone' | 'fat' | 'discard' | 'saw' | 'added' | 'unaccounted'
  kg: number
  left: number
}

/**
 * Where the rest of the animal went: live weight less every loss, by name, is what is taken home. Mass added by
 * cures and seasoning stands as a negative loss. Empty without a weight.
 */
export function whereItGoes(read: Reckoning): Loss[] {
  const { weights, cuts, balance } = read
  if (!weights) return []
  const of = (...ids: string[]) => cuts.reduce((sum, c) => (ids.includes(c.cut.id) ? sum + c.kg : sum), 0)
  const bone = of('bones')
  const fat = of('back-fat', 'rind')
  const steps: [Loss['id'], number][] = [
    ['shrink', weights.live - weights.shrunk],
    ['dressing', weights.shrunk - weights.hot],
    ['cooler', weights.hot - weights.aged],
    ['bone', bone],
    ['fat', fat],
    ['discard', balance.byProducts - bone - fat],
    ['saw', balance.losses],
    ['added', -balance.added],
    ['unaccounted', balance.difference],
  ]
  let left: number = weights.live
  return steps.flatMap(([id, kg]) => {
    if (Math.abs(kg) < 0.005) return []
    left -= kg
    return [{ id, kg, left }]
  })
}
