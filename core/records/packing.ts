import { z } from 'zod'
import { PACK_SIZES, WRAPS } from './lists.ts'

/** What packs take: a wrapping of a size, a label, twine by the metre. */
export const packingItemSchema = z.discriminatedUnion('is', [
  z.object({
    is: z.literal('wrap'),
    wrap: z.enum(WRAPS),
    /** kg of what goes in. */
    upTo: z.union(PACK_SIZES.map((x) => z.literal(x))),
  }),
  z.object({ is: z.literal('label') }),
  z.object({ is: z.literal('twine') }),
])
export type PackingItem = z.infer<typeof packingItemSchema>
