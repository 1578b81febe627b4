import { z } from 'zod'
import { entrySchema } from './entry.ts'
import { decisionSchema } from './kinds/index.ts'
import { idSchema } from './text.ts'

/** A decision as it is kept: its id and batch are minted where it was taken, its revision where it was kept. */
export const commandSchema = entrySchema.extend({
  batch: idSchema,
  /** The batch this one takes back, or brings back. */
  undoes: idSchema.nullable(),
  redoes: idSchema.nullable(),
  decision: decisionSchema,
})
export type Command = z.infer<typeof commandSchema>
