import { z } from 'zod'
import { milli } from '#core/measure'

/** Whole thousandths of a minor unit per kg or lb. Ten million minor units per unit is past any meat. */
export const unitPriceSchema = z.object({
  milli: z
    .number()
    .int('A price is whole thousandths of a cent.')
    .min(0)
    .max(10_000_000_000)
    .transform(milli),
  per: z.enum(['kg', 'lb']),
})
