import { z } from 'zod'
import { MASS_UNITS, minor, NAME_SETS } from '#core/measure'
import { unitPriceSchema } from './prices.ts'
import { revisionSchema } from './entry.ts'
import { amountSchema, currencySchema, shownMassSchema } from './figures.ts'
import { SPECIES } from './lists.ts'
import { keySchema, lineSchema, textSchema } from './text.ts'
import { zoneSchema } from './time.ts'

const minceSchema = unitPriceSchema.refine((p) => p.milli >= 10 && p.milli <= 1_000_000_000, {
  path: ['milli'],
  message: 'It is no price of meat. Check the figure.',
})

export const farmSchema = z.object({
  name: lineSchema(80),
  currency: currencySchema,
  massUnit: z.enum(MASS_UNITS),
  nameSet: z.enum(NAME_SETS),
  zone: zoneSchema,
  /** Price of mince: what price indices are relative to until prices are set. */
  mince: minceSchema,
  /** The same for a species whose mince costs something else. */
  minces: z.partialRecord(z.enum(SPECIES), minceSchema).optional(),
  /** The pack mince and sausage are filled in, where it is not half a kilogram or a pound. */
  pack: shownMassSchema.optional(),
  /** Where the farm is and how it is reached: it stands on every paper. */
  address: textSchema(200).optional(),
  telephone: lineSchema(40).optional(),
  /** What a customer or supplier calls a cut or part, in any language: for finding it. */
  aliases: z
    .array(z.object({ species: z.enum(SPECIES), id: keySchema, word: lineSchema(60) }))
    .max(500)
    .optional(),
  /** What an hour at the bench costs; 0 counts no labour by the plan. */
  hour: amountSchema.transform(minor),
})
export type Farm = z.infer<typeof farmSchema>

export const keptFarmSchema = farmSchema.extend({ revision: revisionSchema.min(1) })
export type KeptFarm = z.infer<typeof keptFarmSchema>
