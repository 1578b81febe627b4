import { z } from 'zod'
import { figureSchema, shownMassSchema } from '../figures.ts'
import { CHILLED, COVERS, LEAN_COLOURS, MARBLINGS, TEMP_PLACES } from '../lists.ts'
import { textSchema } from '../text.ts'
import { instantSchema } from '../time.ts'
import * as typed from '../form.ts'
import { fact } from './kind.ts'

const ofLot = { hangsOn: 'lot', moves: 'nothing', right: 'keep' } as const

/** A temperature that was read, and when. */
export const temperature = fact(
  z.object({
    kind: z.literal('temperature'),
    at: instantSchema,
    where: z.enum(TEMP_PLACES),
    c: figureSchema(-40, 60),
    /** Whether a probe said it, or a person typed it. */
    source: z.enum(['probe', 'typed']),
  }),
  {
    ...ofLot,
    fields: ({ shape }) => ({ c: typed.celsius(shape.c), at: typed.picked('When was it read?') }),
  },
)
export type Temperature = z.infer<typeof temperature.schema>

/** How the carcass was found when it was accepted: each side as it weighed, and what was seen. */
export const acceptance = fact(
  z.object({
    kind: z.literal('acceptance'),
    /** When it was hung. */
    hungAt: instantSchema.nullable(),
    left: shownMassSchema.nullable(),
    right: shownMassSchema.nullable(),
    colour: z.enum(LEAN_COLOURS).nullable(),
    marbling: z.enum(MARBLINGS).nullable(),
    cover: z.enum(COVERS).nullable(),
    /** What cools it; a cooler where nobody said. */
    chilled: z.enum(CHILLED).optional(),
    /** Bruises, dirt, hair; offal that was condemned. */
    condition: textSchema(300).nullable(),
    condemned: textSchema(300).nullable(),
  }),
  {
    ...ofLot,
    subject: () => 'acceptance',
    fields: ({ shape }) => ({
      left: typed.maybe(typed.mass),
      right: typed.maybe(typed.mass),
      hungAt: typed.maybe(typed.picked('')),
      condition: typed.maybe(typed.line(shape.condition.unwrap(), '')),
      condemned: typed.maybe(typed.line(shape.condemned.unwrap(), '')),
    }),
  },
)
export type Acceptance = z.infer<typeof acceptance.schema>

/** Ice that was filled up in a chest: when, how much where it was weighed, and whether the water was let off first. */
export const icing = fact(
  z.object({
    kind: z.literal('icing'),
    at: instantSchema,
    shown: shownMassSchema.nullable(),
    drained: z.boolean(),
  }),
  { ...ofLot, fields: () => ({ mass: typed.maybe(typed.mass), at: typed.picked('When was it filled up?') }) },
)
export type Icing = z.infer<typeof icing.schema>
