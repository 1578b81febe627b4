import { z } from 'zod'
import { revisionSchema } from './entry.ts'
import { feeSchema } from './facts.ts'
import { idSchema, lineSchema } from './text.ts'
import { daySchema, instantSchema } from './time.ts'

/** What one processor bills from a day on, for any animal: a lot takes over what it bills, and keeps it when the sheet changes. */
export const feeSheetSchema = z.object({
  format: z.literal('ekko-fees'),
  version: z.literal(1),
  /** The processor. */
  name: lineSchema(80),
  from: daySchema,
  fees: z.array(feeSchema.omit({ kind: true })).max(60),
})
export type FeeSheet = z.infer<typeof feeSheetSchema>

/** A fee sheet as kept. */
export const storedSheetSchema = z.object({
  id: idSchema,
  body: feeSheetSchema,
  at: instantSchema,
  withdrawn: z.boolean(),
  revision: revisionSchema.min(1),
})
export type StoredSheet = z.infer<typeof storedSheetSchema>
