import { z } from 'zod'
import { revisionSchema } from './entry.ts'
import { sheetSchema, type Sheet } from './kinds/index.ts'
import type { FeeSheet, Overhead, PriceSheet } from './kinds/sheets.ts'
import { idSchema } from './text.ts'
import { instantSchema } from './time.ts'

/** A sheet that holds from a day on. */
export type DatedSheet = FeeSheet | PriceSheet | Overhead

/** A sheet as kept. */
export const storedSheetSchema = z.object({
  id: idSchema,
  body: sheetSchema,
  at: instantSchema,
  withdrawn: z.boolean(),
  revision: revisionSchema.min(1),
})
/** One of these; `B` says which. */
export type StoredSheet<B extends Sheet = Sheet> = Omit<z.infer<typeof storedSheetSchema>, 'body'> & {
  body: B
}
