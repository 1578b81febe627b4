import type { Destination, Names } from '#core/anatomy'
import { slotKey } from '#core/carcass'
import type { Reckoning } from './reckon.ts'

/** One step on the way from the live animal to what is taken home. `kg` is what went (or came, below zero). */
export interface Loss {
  id: 'shrink' | 'dressing' | 'cooler' | 'bone' | 'fat' | 'discard' | 'saw' | 'added' | 'unaccounted'
  kg: number
  left: number
  /** What a step is made of, where that is known: the parts of the live animal that are no carcass. */
  of: { names: Names; kg: number }[]
}

/**
 * Where the rest of the animal went: live weight less every loss, by name, is what is taken home. Mass added by
 * cures, seasoning or a chill tank stands as a negative loss; offal that is kept is not lost. Empty without a weight.
 */
export function whereItGoes(read: Reckoning): Loss[] {
  const { weights, cuts, balance } = read
  if (!weights) return []
  const byProduct = (to: Destination) =>
    cuts.reduce((sum, c) => (c.cut.kind === 'by-product' && c.cut.destination === to ? sum + c.kg : sum), 0)
  const [bone, fat] = [byProduct('N'), byProduct('F')]
  const dressedOff = weights.shrunk - weights.hot - balance.kept
  const steps: [Loss['id'], number, Loss['of']?][] = [
    ['shrink', weights.live - weights.shrunk],
    ['dressing', dressedOff, liveParts(read, dressedOff)],
    ['cooler', weights.hot - weights.aged],
    ['bone', bone],
    ['fat', fat],
    ['discard', balance.byProducts - bone - fat],
    ['saw', balance.losses],
    ['added', -balance.added],
    ['unaccounted', balance.difference],
  ]
  let left: number = weights.live
  return steps.flatMap(([id, kg, of = []]) => {
    if (Math.abs(kg) < 0.005) return []
    left -= kg
    return [{ id, kg, left, of }]
  })
}

/** The parts that are dressed off, by their usual shares; what fills the gut takes up the difference to what was weighed. */
function liveParts(read: Reckoning, dressedOff: number): Loss['of'] {
  const { flow, weights, slotKg } = read
  const named = flow.anatomy.live
    .filter((l) => l.id !== 'fill')
    .map((l) => {
      const slot = l.part === undefined ? undefined : flow.slotIndex.get(slotKey(l.part, 'animal'))
      const kept = slot === undefined ? 0 : [0, 1, 2, 3].reduce((s, t) => s + slotKg[slot * 4 + t]!, 0)
      return { names: l.names, kg: Math.max(0, l.share * weights!.shrunk - kept) }
    })
  const fill = flow.anatomy.live.find((l) => l.id === 'fill')
  const sum = named.reduce((s, l) => s + l.kg, 0)
  const scale = Math.min(1, dressedOff / sum)
  return [
    ...named.map((l) => ({ ...l, kg: l.kg * scale })),
    ...(fill ? [{ names: fill.names, kg: dressedOff - sum * scale }] : []),
  ].filter((l) => l.kg > 0.005)
}
