import { z } from 'zod'
import { grams, type Grams } from '#core/measure'
import {
  idSchema,
  instantSchema,
  keySchema,
  lineSchema,
  newPackEventSchema,
  packEventSchema,
  packNumberSchema,
  shownMassSchema,
  SPECIES,
  UNIT_STATES,
  WRAPS,
  type PackingItem,
} from '#core/records'

/** A pack as a list shows it: what it is, of which lot, and where it lies. */
export const unitRowSchema = z.object({
  number: packNumberSchema,
  weighIn: idSchema,
  lot: idSchema,
  tag: z.string(),
  species: z.enum(SPECIES),
  cut: keySchema,
  /** What its cut is called. */
  names: z.object({ american: z.string(), commonwealth: z.string() }),
  grams: z.number().int().transform(grams),
  /** As the scale said, where it was weighed alone; of several weighed together it has its share in grams. */
  shown: shownMassSchema.nullable(),
  pieces: z.number().int().nullable(),
  state: z.enum(UNIT_STATES),
  place: z.string().nullable(),
  wrap: z.enum(WRAPS).nullable(),
  at: instantSchema,
})
export type UnitRow = z.infer<typeof unitRowSchema>

/** Which packs are asked for: a page of them, from a number downwards. */
export const packsAskedSchema = z.object({
  lot: idSchema.optional(),
  state: z.enum(UNIT_STATES).optional(),
  place: lineSchema(60).optional(),
  cut: keySchema.optional(),
  before: z.coerce.number().pipe(packNumberSchema).optional(),
  limit: z.coerce.number().int().min(1).max(200).default(50),
})
export type PacksAsked = z.infer<typeof packsAskedSchema>

export interface PackPage {
  packs: UnitRow[]
  more: boolean
  /** What lies where, of all that are there: with the first page. */
  places: { place: string | null; packs: number; grams: Grams }[]
}

/** Of what the farm counted of its wrappings and labels, how many packs took since. */
export interface UsedSince {
  item: PackingItem
  used: number
}

export interface PackTrace {
  pack: UnitRow
  events: z.infer<typeof packEventSchema>[]
}

/** What was done with packs, kept all or not at all. */
export const packEventsSchema = z
  .object({ events: z.array(newPackEventSchema).min(1).max(200) })
  .refine(({ events }) => new Set(events.map((e) => e.id)).size === events.length, {
    path: ['events'],
    message: 'Two of these have one id.',
  })
export type PackEvents = z.infer<typeof packEventsSchema>
