import { z } from 'zod'
import { figureSchema } from './figures.ts'
import { keySchema } from './text.ts'

/** How near to an end of a part, as a share of its length, it can be split: nearer there is nothing to cut apart. */
export const SPLIT_BOUNDS = { low: 0.05, high: 0.95 } as const
/** Where along a part, as a share of its length from the front, another way begins; and that way. */
export const splitSchema = z.object({
  at: figureSchema(SPLIT_BOUNDS.low, SPLIT_BOUNDS.high),
  path: keySchema,
})
export type SplitAt = z.infer<typeof splitSchema>

/** Chemical lean that mince can be asked for: below there is no lean to speak of, above nothing is as lean. */
export const LEAN_BOUNDS = { low: 0.5, high: 0.92 } as const
