import { fromKg, kg, minor, type Kg, type Minor } from '#core/measure'
import type { Reckoning } from './lot.ts'

/** What a head, and a unit of weight at a step, cost; minor units. */
export interface CostPer {
  of: 'head' | 'live' | 'hanging' | 'takeHome'
  amount: Minor
}

/** Less than this is no weight to share a cost over. */
const NONE = kg(0.001)

/** All that a lot cost over its animals and over its weight at every step, in the farm’s unit; what it has not is left out. */
export function costPer(read: Reckoning): CostPer[] {
  const { count, weights, worth, money, farm } = read
  const { total } = money.costs
  const over = (of: CostPer['of'], mass: Kg | undefined): CostPer[] =>
    mass !== undefined && mass > NONE ? [{ of, amount: minor(total / fromKg(mass, farm.massUnit)) }] : []
  return [
    ...(count > 1 ? [{ of: 'head' as const, amount: minor(total / count) }] : []),
    ...over('live', weights?.live),
    ...over('hanging', weights?.aged),
    ...over('takeHome', worth.takeHome),
  ]
}
