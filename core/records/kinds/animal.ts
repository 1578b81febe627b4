import { z } from 'zod'
import { shownMassSchema } from '../figures.ts'
import { ATTACHMENT_TYPES, WAIT_MEANINGS } from '../lists.ts'
import { hashSchema, lineSchema, textSchema } from '../text.ts'
import { clockSchema, daySchema } from '../time.ts'
import * as typed from '../form.ts'
import { fact } from './kind.ts'
import { SEEN } from './seen.ts'

/**
 * What was seen of the animal: what of it hangs and of which lot or farm it is, its tag or ear number, the day it was killed and
 * the plant, its route, its type, how it was dressed, what was measured, how many ribs it has, what a part of it weighed, and
 * what was cut away of a part because it was bruised or condemned.
 */
export const observation = fact(z.discriminatedUnion('what', SEEN), {
  hangsOn: ({ what }) => (what === 'part' || what === 'cut-away' ? 'group' : 'lot'),
  subject: (b) => {
    if ('side' in b) return `${b.what} ${b.of} ${b.side}`
    return 'of' in b ? `${b.what} ${b.of}` : b.what
  },
  moves: 'mass',
  right: 'keep',
})
export type Observation = z.infer<typeof observation.schema>

/** One animal of several: its ear tag or leg band, and what it weighed by itself, alive and hot. */
export const animal = fact(
  z.object({
    kind: z.literal('animal'),
    mark: lineSchema(40),
    live: shownMassSchema.nullable(),
    hot: shownMassSchema.nullable(),
  }),
  {
    ...{ hangsOn: 'lot', moves: 'mass', right: 'keep' },
    subject: (b) => `animal ${b.mark}`,
    fields: ({ shape }) => ({
      mark: typed.line(shape.mark, 'Which animal? Type its ear tag or the number of its band.'),
      live: typed.maybe(typed.mass),
      hot: typed.maybe(typed.mass),
    }),
  },
)
export type OneAnimal = z.infer<typeof animal.schema>

/**
 * A medicine that was given, and how long is waited; `animal` is the ear number it was given to, of several. `given` is the day of
 * the last dose, day 0 of the wait. `until` is the last day of the wait, or the first clear one where it `means` that, from an hour
 * on where one was said; null where nobody knows: given off its label, or a wait that is not on it.
 */
export const medicine = fact(
  z.object({
    kind: z.literal('medicine'),
    name: lineSchema(80),
    given: daySchema,
    until: daySchema.nullable(),
    means: z.enum(WAIT_MEANINGS).optional(),
    hour: clockSchema.optional(),
    animal: lineSchema(40).nullable(),
  }),
  {
    ...{ hangsOn: 'lot', moves: 'mass', right: 'keep' },
    fields: ({ shape }) => ({
      name: typed.line(shape.name, 'Which medicine? Type what stands on its label.'),
      given: typed.picked('On which day was it given?'),
      /** Nobody knows it where it was given off its label. */
      until: typed.maybe(typed.picked('')),
      hour: typed.maybe(typed.line(shape.hour.unwrap(), '')),
      animal: typed.maybe(typed.line(shape.animal.unwrap(), '')),
    }),
  },
)
export type Medicine = z.infer<typeof medicine.schema>

/** A picture or page that belongs to the lot; its bytes lie beside the database under their hash. */
export const attachment = fact(
  z.object({
    kind: z.literal('attachment'),
    name: lineSchema(120),
    type: z.enum(ATTACHMENT_TYPES),
    bytes: z.number().int().min(1).max(16_000_000),
    hash: hashSchema,
  }),
  {
    hangsOn: 'lot',
    moves: 'nothing',
    right: 'weigh',
    pictures: { hash: 'name' },
  },
)
export type Attachment = z.infer<typeof attachment.schema>

/** The lot was hung by mistake: it leaves the rail, and all its records stay. */
export const withdrawal = fact(z.object({ kind: z.literal('withdrawal'), why: textSchema(300) }), {
  hangsOn: 'lot',
  subject: () => 'withdrawal',
  moves: 'nothing',
  right: 'keep',
})
