import { z } from 'zod'
import { HALVES, QUARTERS } from './lists.ts'
import { keySchema } from './text.ts'

/**
 * What of an animal hangs, or came in a box: all of it, a side, a quarter, or one part of it. Of a part the lot counts the
 * pieces, and they have no left or right.
 */
export const hangsSchema = z.discriminatedUnion('as', [
  z.object({ as: z.literal('whole') }),
  z.object({ as: z.literal('side'), side: z.enum(HALVES) }),
  z.object({ as: z.literal('quarter'), side: z.enum(HALVES), quarter: z.enum(QUARTERS) }),
  z.object({ as: z.literal('part'), part: keySchema }),
])
export type Hangs = z.infer<typeof hangsSchema>
export const ALL_HANGS: Hangs = { as: 'whole' }
