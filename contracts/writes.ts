import { z } from 'zod'
import { idSchema, newLotSchema, newPackSchema, newWeighingSchema } from '#core/records'
import type { LotChange } from './change.ts'
import { appendSchema, factsSchema, joinSchema, splitSchema } from './lots.ts'

const lot = { lot: idSchema }
/** One write of a lot, as its own address takes it; `hung` is the lot itself. */
export const writeSchema = z.discriminatedUnion('is', [
  z.object({ is: z.literal('hung'), ...lot, hung: newLotSchema }),
  z.object({ is: z.literal('weighing'), ...lot, weighing: newWeighingSchema }),
  z.object({ is: z.literal('pack'), ...lot, pack: newPackSchema }),
  z.object({ is: z.literal('facts'), ...lot, facts: factsSchema }),
  z.object({ is: z.literal('append'), ...lot, append: appendSchema }),
  z.object({ is: z.literal('split'), ...lot, split: splitSchema }),
  z.object({ is: z.literal('joined'), ...lot, joined: joinSchema }),
])
export type Write = z.infer<typeof writeSchema>

/** As many as one press needs; each is judged on what those before it leave. */
const MOST_WRITES = 200
/** Several writes of one or more lots that are kept all or not at all. What they decide is one batch: undone together. */
export const writesSchema = z.object({
  request: idSchema,
  writes: z.array(writeSchema).min(1).max(MOST_WRITES),
})
export type Writes = z.infer<typeof writesSchema>

/** What was added to each lot; the same request has the same answer. */
export interface Written {
  changes: LotChange[]
}
