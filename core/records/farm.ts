import { z } from 'zod'
import { MASS_UNITS, minor, NAME_SETS } from '#core/measure'
import { unitPriceSchema } from './decisions.ts'
import { revisionSchema } from './entry.ts'
import { amountSchema, currencySchema } from './figures.ts'
import { lineSchema } from './text.ts'
import { zoneSchema } from './time.ts'

export const farmSchema = z.object({
  name: lineSchema(80),
  currency: currencySchema,
  massUnit: z.enum(MASS_UNITS),
  nameSet: z.enum(NAME_SETS),
  zone: zoneSchema,
  /** Price of mince: what price indices are relative to until prices are set. */
  mince: unitPriceSchema.refine((p) => p.milli >= 10 && p.milli <= 1_000_000_000, {
    path: ['milli'],
    message: 'It is no price of meat. Check the figure.',
  }),
  /** What an hour at the bench costs; 0 counts no labour by the plan. */
  hour: amountSchema.transform(minor),
})
export type Farm = z.infer<typeof farmSchema>

export const keptFarmSchema = farmSchema.extend({ revision: revisionSchema.min(1) })
export type KeptFarm = z.infer<typeof keptFarmSchema>
