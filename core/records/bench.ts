import { z } from 'zod'
import { amountSchema, figureSchema, shownMassSchema } from './figures.ts'
import { CHECK_IDS, SCHOOL_IDS, SCHOOLS, SIDES, SKILLS, STATIONS, WORK_EVENTS } from './lists.ts'
import { hashSchema, keySchema, lineSchema } from './text.ts'
import { instantSchema } from './time.ts'

/** Who signs: initials, or a name as short. */
const initialsSchema = lineSchema(12)

/** A check point of a step, signed; `celsius` is what the probe read, where it is one of cold, `minutes` the time out of it. */
export const checkSchema = z.object({
  kind: z.literal('check'),
  check: z.enum(CHECK_IDS),
  of: keySchema,
  side: z.enum(SIDES),
  by: initialsSchema,
  celsius: figureSchema(-40, 60).optional(),
  minutes: figureSchema(0, 1440).optional(),
})
export type Check = z.infer<typeof checkSchema>

/**
 * What went wrong at a step: how much of a cut went to another use, why, and what to do next time. `lost` is what that was
 * worth at the prices of the day, minor units; `photo` is an attachment of the lot.
 */
export const faultSchema = z.object({
  kind: z.literal('fault'),
  of: keySchema,
  side: z.enum(SIDES),
  what: lineSchema(120),
  cut: keySchema.nullable(),
  /** Another cut or part of the same way; null is waste. */
  to: keySchema.nullable(),
  shown: shownMassSchema.nullable(),
  cause: lineSchema(160),
  lesson: lineSchema(200).nullable(),
  lost: amountSchema,
  photo: hashSchema.optional(),
})
export type Fault = z.infer<typeof faultSchema>

/** A step of the day started, paused, handed over, resumed, skipped with a reason, done; `usual` is what the model had for it, minutes. */
export const workSchema = z.object({
  kind: z.literal('work'),
  of: keySchema,
  did: z.enum(WORK_EVENTS),
  when: instantSchema,
  by: lineSchema(40),
  why: lineSchema(160).optional(),
  usual: figureSchema(0, 2000).optional(),
})
export type Work = z.infer<typeof workSchema>

/** The card is closed: by whom, and why check points stayed open, where some did. */
export const closingSchema = z.object({
  kind: z.literal('closing'),
  by: initialsSchema,
  why: lineSchema(200).nullable(),
})
export type Closing = z.infer<typeof closingSchema>

const CLOCK = /^(?:[01]\d|2[0-3]):[0-5]\d$/
/** A time of a day. */
export const clockSchema = z
  .string()
  .regex(CLOCK, 'It is no time of a day. Write it as 08:30; a day ends at 23:59.')

/** Who is there on the day: from when until when, and how practised. */
export const crewSchema = z
  .array(
    z
      .object({ name: lineSchema(40), skill: z.enum(SKILLS), from: clockSchema, until: clockSchema })
      .refine((p) => p.from < p.until, {
        path: ['until'],
        message: 'It is not after the time they come. Check both times.',
      }),
  )
  .min(1, 'Nobody is there. Name at least one.')
  .max(20)
  .refine((all) => new Set(all.map((p) => p.name)).size === all.length, 'Two have one name. Tell them apart.')
export type Crew = z.infer<typeof crewSchema>

/** The order that is wanted: steps of the card by what they are ticked by. */
export const orderSchema = z
  .array(keySchema)
  .max(300)
  .refine((all) => new Set(all).size === all.length, 'A step stands in it twice.')

/** A way of working that was chosen. */
export const schoolChoiceSchema = z
  .object({ of: z.enum(SCHOOL_IDS), way: keySchema })
  .refine(({ of, way }) => (SCHOOLS[of] as readonly string[]).includes(way), {
    path: ['way'],
    message: 'There is no such way of working.',
  })

/** A farm's own order and ways of working for a species. */
export const schoolSheetShape = {
  order: orderSchema,
  stations: z.array(z.object({ of: keySchema, at: z.enum(STATIONS) })).max(300),
  schools: z.array(schoolChoiceSchema).max(SCHOOL_IDS.length),
}
