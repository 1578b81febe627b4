import type { Destination, Names } from '#core/anatomy'
import { kg, minus, plus, sumOf, times, type Kg } from '#core/measure'
import type { Reckoning } from './lot.ts'

/** One step on the way from the live animal to what is taken home. `kg` is what went (or came, below zero). */
export interface Loss {
  id:
    | 'shrink'
    | 'dressing'
    | 'cooler'
    | 'age-trim'
    | 'cut-away'
    | 'bone'
    | 'fat'
    | 'discard'
    | 'saw'
    | 'added'
    | 'unaccounted'
  kg: Kg
  left: Kg
  /** What a step is made of, where that is known: the parts of the live animal that are no carcass. */
  of: { names: Names; kg: Kg }[]
}

/** What each loss is called. */
export const LOSS_WORDS: Record<Loss['id'] | 'kept', string> = {
  shrink: 'fasting and haulage',
  dressing: 'blood, guts, dressed off',
  cooler: 'drying in the cooler',
  'age-trim': 'dried face cut off',
  'cut-away': 'bruised or condemned, cut away',
  kept: 'offal kept beside it',
  bone: 'bones',
  fat: 'fat and skin trimmed off',
  discard: 'glands and discards',
  saw: 'saw dust, drip, smoke',
  added: 'cure and seasoning added',
  unaccounted: 'not accounted for',
}

/**
 * Where the rest of the animal went: live weight less every loss, by name, is what is taken home. Mass added by
 * cures, seasoning or a chill tank stands as a negative loss; offal that is kept is not lost. Empty without a weight.
 */
export function whereItGoes(read: Reckoning): Loss[] {
  const { weights, balance } = read
  if (!weights) return []
  const dressedOff = minus(minus(weights.shrunk, weights.hot), balance.kept)
  const steps: [Loss['id'], Kg, Loss['of']?][] = [
    ['shrink', minus(weights.live, weights.shrunk)],
    ['dressing', dressedOff, liveParts(read, dressedOff)],
    ['cooler', minus(weights.hot, weights.aged)],
    ...fromHanging(read).flatMap(({ id, kg: went }): [Loss['id'], Kg][] =>
      id === 'kept' ? [] : [[id, went]],
    ),
  ]
  let left = weights.live
  return steps.flatMap(([id, went, of = []]) => {
    if (Math.abs(went) < 0.005) return []
    left = minus(left, went)
    return [{ id, kg: went, left, of }]
  })
}

/** From what hangs to what is taken home: kept offal and what is added come in, the rest goes. Adds up to their difference. */
export function fromHanging({ cuts, balance, cutting }: Reckoning): { id: Loss['id'] | 'kept'; kg: Kg }[] {
  const byProduct = (to: Destination) =>
    sumOf(cuts, (c) => (c.cut.kind === 'by-product' && c.cut.destination === to ? c.kg : kg(0)))
  const [bone, fat] = [byProduct('N'), byProduct('F')]
  const waste = minus(balance.byProducts, plus(bone, fat))
  // What is all weighed may be less than was thought to go.
  const upTo = (most: Kg, x: Kg) => kg(Math.max(0, Math.min(most, x)))
  const face = upTo(waste, cutting.ageTrim)
  const away = upTo(
    minus(waste, face),
    sumOf(cutting.slots, (s) => s.cutAway),
  )
  return [
    { id: 'kept', kg: kg(-balance.kept) },
    { id: 'age-trim', kg: face },
    { id: 'cut-away', kg: away },
    { id: 'bone', kg: bone },
    { id: 'fat', kg: fat },
    { id: 'discard', kg: minus(waste, plus(face, away)) },
    { id: 'saw', kg: balance.losses },
    { id: 'added', kg: kg(-balance.added) },
    { id: 'unaccounted', kg: balance.difference },
  ]
}

/** The parts that are dressed off, by their usual shares; what fills the gut takes up the difference to what was weighed. */
function liveParts(read: Reckoning, dressedOff: Kg): Loss['of'] {
  const { flow, weights, cutting } = read
  const named = flow.anatomy.live
    .filter((l) => l.id !== 'fill')
    .map((l) => {
      const kept = l.part === undefined ? kg(0) : cutting.partKg(l.part, 'animal')
      return { names: l.names, kg: kg(Math.max(0, l.share * weights!.shrunk - kept)) }
    })
  const fill = flow.anatomy.live.find((l) => l.id === 'fill')
  const sum = sumOf(named, (l) => l.kg)
  const scale = Math.min(1, dressedOff / sum)
  return [
    ...named.map((l) => ({ ...l, kg: times(l.kg, scale) })),
    ...(fill ? [{ names: fill.names, kg: minus(dressedOff, times(sum, scale)) }] : []),
  ].filter((l) => l.kg > 0.005)
}
