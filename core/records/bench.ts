import { z } from 'zod'
import { SCHOOL_IDS, SCHOOLS, SKILLS, STATIONS } from './lists.ts'
import { keySchema, lineSchema } from './text.ts'
import { clockSchema } from './time.ts'

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
