import { z } from 'zod'
import { keySchema } from '../text.ts'

const whole = z.literal('animal')
/** Decisions of all of a lot, and of a cut whichever side it comes from. */
export const ofLot = { target: z.literal('lot'), side: whole }
export const onCut = { target: keySchema, side: whole }

/** A decision on a field: of a target on a side, and its value; null goes back to the usual. */
export const of = <F extends string, T extends z.ZodType, S extends z.ZodType, V extends z.ZodType>(
  field: F,
  { target, side, value }: { target: T; side: S; value: V },
) => z.object({ field: z.literal(field), target, side, value: value.nullable() })
