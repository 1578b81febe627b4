import { deviation, sum } from 'd3-array'
import { gramsOf, kg, kgOf, type Kg } from '#core/measure'
import type { OneAnimal } from '#core/records'

/** What the animals that were weighed one by one come to, at one stage. */
export interface Apart {
  weighed: number
  sum: Kg
  mean: Kg
  /** How far they lie apart: the sample standard deviation; null of fewer than two. */
  sd: Kg | null
  /** Every animal of the lot is among them: the sum is the lot’s own weight. */
  all: boolean
}

const massOf = (animal: OneAnimal, stage: 'live' | 'hot'): Kg | null =>
  animal[stage] && kgOf(gramsOf(animal[stage]))

/** The single weights of a lot of `count` together; null where none was weighed by itself. */
export function weighedApart(
  animals: readonly OneAnimal[],
  count: number,
  stage: 'live' | 'hot',
): Apart | null {
  const masses = animals.flatMap((a) => massOf(a, stage) ?? [])
  if (masses.length === 0) return null
  const total = sum(masses)
  const sd = deviation(masses)
  return {
    weighed: masses.length,
    sum: kg(total),
    mean: kg(total / masses.length),
    sd: sd === undefined ? null : kg(sd),
    all: masses.length === count,
  }
}

/** What one animal dressed out at, weighed alive and hot: its carcass as a share of it; null without both. */
export function dressedAt(animal: OneAnimal): number | null {
  const [live, hot] = [massOf(animal, 'live'), massOf(animal, 'hot')]
  return live === null || hot === null ? null : hot / live
}
