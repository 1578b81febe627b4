import { z } from 'zod'
import { animalsSchema as animals, figureSchema, shownMassSchema } from './figures.ts'
import { CHILLS, LINE_STATIONS, SPECIES } from './lists.ts'
import { keySchema, lineSchema } from './text.ts'
import { clockSchema, daySchema } from './time.ts'

/** A station where it is not as usual: minutes a load and how far they lie apart, places, birds a load, room before it, who. */
export const lineStationSchema = z.object({
  id: z.enum(LINE_STATIONS),
  off: z.boolean().optional(),
  minutes: figureSchema(0.02, 480).optional(),
  cv: figureSchema(0, 1.5).optional(),
  places: z.number().int().min(1).max(500).optional(),
  load: z.number().int().min(1).max(100).optional(),
  room: z.number().int().min(0).max(2000).optional(),
  /** Names of the crew who work there; all where nobody is named. */
  who: z.array(lineSchema(40)).max(20).optional(),
})
export type LineStationPlan = z.infer<typeof lineStationSchema>

/** The day birds are killed, as it is planned. */
export const birdDaySchema = z.object({
  day: daySchema.nullable(),
  begins: clockSchema,
  /** How many of them; all that are alive where not said. */
  birds: animals.nullable(),
  stations: z
    .array(lineStationSchema)
    .max(LINE_STATIONS.length)
    .refine((all) => new Set(all.map((s) => s.id)).size === all.length, 'A station stands in it twice.'),
  chill: z.object({
    how: z.enum(CHILLS),
    water: shownMassSchema.nullable(),
    waterC: figureSchema(0, 40),
    ice: shownMassSchema.nullable(),
    /** Water a carcass took up, as a share of it, weighed before and after: it is declared on labels. */
    retained: figureSchema(0, 0.3).optional(),
  }),
  /** What the freezer holds, litres. */
  freezer: figureSchema(10, 100_000).nullable(),
  pickups: z.array(z.object({ at: clockSchema, who: lineSchema(60), birds: animals })).max(100),
  /** Others that go through after these, on the same day. */
  also: z.object({ species: z.enum(SPECIES), type: keySchema.nullable(), birds: animals }).nullable(),
})
export type BirdDay = z.infer<typeof birdDaySchema>

/** What a batch is raised to: the weight alive, and the share of them that is to reach it. */
export const raiseSchema = z.object({ shown: shownMassSchema, share: figureSchema(0.05, 0.99) })
export type RaiseTo = z.infer<typeof raiseSchema>

/** Where one size class ends and the next begins, dressed, from small to large. */
export const classesSchema = z.array(shownMassSchema).min(1).max(5)
export type Classes = z.infer<typeof classesSchema>
