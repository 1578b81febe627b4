import { z } from 'zod'
import { amountSchema, figureSchema } from './figures.ts'
import { unitPriceSchema } from './prices.ts'

/** What is wanted beside the costs, where it is no sum of money: a margin of what is brought, or pay for an hour at the bench. */
export const aimSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('margin'), share: figureSchema(0, 0.9) }),
  z.object({ kind: z.literal('hour'), amount: amountSchema }),
])
export type Aim = z.infer<typeof aimSchema>

/** Meat of the own table: how much of a cut, and the price a unit of it counts as. */
export const ownUseSchema = z.object({ share: figureSchema(0, 1), at: unitPriceSchema.nullable() })
export type OwnUse = z.infer<typeof ownUseSchema>
