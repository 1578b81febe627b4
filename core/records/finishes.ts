import { z } from 'zod'
import { figureSchema } from './figures.ts'
import { ALLERGENS, FINISH_IDS } from './lists.ts'
import { unitPriceSchema } from './prices.ts'

/** Of what was weighed before, how much a finish can take away or add. */
export const FINISH_CHANGE = { low: -0.5, high: 0.6 } as const

/**
 * What is done to a cut once it is cut: `minutes` for each piece, or for each kg where the finish counts so; `goods` what goes
 * on or round it costs for a unit of weight before; `change` the share of that weight it gains or loses; `extra` what a buyer
 * pays more for a unit of weight after.
 */
export const finishSchema = z.object({
  finish: z.enum(FINISH_IDS),
  minutes: figureSchema(0, 120),
  goods: unitPriceSchema,
  change: figureSchema(FINISH_CHANGE.low, FINISH_CHANGE.high),
  extra: unitPriceSchema,
  allergens: z.array(z.enum(ALLERGENS)).max(ALLERGENS.length),
})
export type Finish = z.infer<typeof finishSchema>

/** The finishes of a cut, each once. */
export const finishesSchema = z
  .array(finishSchema)
  .min(1)
  .max(FINISH_IDS.length)
  .refine((all) => new Set(all.map((f) => f.finish)).size === all.length, 'A finish is done once.')
