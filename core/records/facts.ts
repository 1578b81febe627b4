import { z } from 'zod'
import { correctionShape, entrySchema, WITHDRAWS, withdrawsSomething } from './entry.ts'
import { factBodySchema } from './kinds/index.ts'
import { idSchema } from './text.ts'

/** A fact as it is kept: what was seen, paid, billed, ticked. It is corrected by a later one, never undone. */
export const factSchema = entrySchema
  .extend({ ...correctionShape, fact: factBodySchema })
  .refine(withdrawsSomething, WITHDRAWS)
export type Fact = z.infer<typeof factSchema>

/** A fact as it is sent. */
export const newFactSchema = z
  .object({ id: idSchema, ...correctionShape, fact: factBodySchema })
  .refine(withdrawsSomething, WITHDRAWS)
export type NewFact = z.infer<typeof newFactSchema>
