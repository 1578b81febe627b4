import { z } from 'zod'
import { lineSchema } from '../text.ts'
import { event } from './kind.ts'

const ofPack = { hangsOn: 'pack', moves: 'nothing', right: 'weigh' } as const

/** Where a pack was put. Where it lies is what was said last. */
export const put = event(
  z.object({
    what: z.literal('put'),
    place: lineSchema(60)
      .nullable()
      .refine((place) => place !== null, 'Say where it is put.'),
  }),
  ofPack,
)
/** Its label was printed. */
export const label = event(
  z.object({ what: z.literal('label'), place: z.null('A label lies nowhere.') }),
  ofPack,
)
