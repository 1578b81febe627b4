import { z } from 'zod'
import { grams } from '#core/measure'
import { correctionShape, entrySchema, WITHDRAWS, withdrawsSomething } from './entry.ts'
import { packNumberSchema, shownMassSchema } from './figures.ts'
import { HANGING_BASES, SOURCES, WEIGHED_STAGES, WRAPS } from './lists.ts'
import { eventSchema } from './kinds/index.ts'
import { idSchema, keySchema, lineSchema } from './text.ts'
import { authorSchema } from './entry.ts'
import { daySchema, instantSchema } from './time.ts'

const gramsSchema = z.number().int().positive().transform(grams)

const hasItsBasis = (w: { stage: string; basis: string | null }) =>
  (w.stage === 'hanging') === (w.basis !== null)
const BASIS = { path: ['basis'], message: 'A hanging weight has a basis; other weights have none.' }

const weighed = {
  stage: z.enum(WEIGHED_STAGES),
  basis: z.enum(HANGING_BASES).nullable(),
  source: z.enum(SOURCES),
  shown: shownMassSchema,
  /** The day it was weighed, where that is another than the day it was written down. */
  day: daySchema.optional(),
  ...correctionShape,
}
const packed = {
  cut: keySchema,
  /** All of these packs together. */
  shown: shownMassSchema,
  packs: z.number().int().min(0).max(5000),
  /** Pieces in each of them, where they were counted. */
  pieces: z.number().int().min(1).max(500).optional(),
  wrap: z.enum(WRAPS).optional(),
  /** Where they were put. */
  place: lineSchema(60).optional(),
  /** Packs that were opened for these: halved, joined, weighed again. */
  outOf: z.array(packNumberSchema).min(1).max(50).optional(),
  /** The label of whoever packed them (a processor's list). */
  said: lineSchema(60).optional(),
  ...correctionShape,
}
const OPENED_TWICE = { path: ['outOf'], message: 'A pack is opened once.' }
const opensOnce = ({ outOf = [] }: { outOf?: number[] | undefined }) => new Set(outOf).size === outOf.length

/** A weight as it was recorded, for the whole group. Never changed: a correction is a new one that names it. */
export const weighingSchema = entrySchema
  .extend({ ...weighed, grams: gramsSchema })
  .refine(hasItsBasis, BASIS)
  .refine(withdrawsSomething, WITHDRAWS)
export type Weighing = z.infer<typeof weighingSchema>

/** A weighing as it is sent, of a group or of all of the lot. Grams are worked out where it is kept; `confirmed` keeps an unusual figure. */
export const newWeighingSchema = z
  .object({ id: idSchema, group: idSchema.optional(), ...weighed, confirmed: z.boolean() })
  .refine(hasItsBasis, BASIS)
  .refine(withdrawsSomething, WITHDRAWS)
export type NewWeighing = z.infer<typeof newWeighingSchema>

/** One weighing of packs of a cut, numbered from `number` on (null where it made none: a tub, a withdrawal). Never changed: a correction names it. */
export const packSchema = entrySchema
  .extend({ ...packed, grams: gramsSchema, number: packNumberSchema.nullable() })
  .refine(withdrawsSomething, WITHDRAWS)
  .refine(opensOnce, OPENED_TWICE)
export type PackWeighing = z.infer<typeof packSchema>

/** Packs as they are sent; `confirmed` keeps an unlikely weight. */
export const newPackSchema = z
  .object({ id: idSchema, group: idSchema.optional(), ...packed, confirmed: z.boolean().optional() })
  .refine(withdrawsSomething, WITHDRAWS)
  .refine(opensOnce, OPENED_TWICE)
export type NewPack = z.infer<typeof newPackSchema>

/** What was done with a pack after it was made. Where it lies is what was said last; nothing is taken back. */
export const newPackEventSchema = z.intersection(
  z.object({ id: idSchema, number: packNumberSchema }),
  eventSchema,
)
export type NewPackEvent = z.infer<typeof newPackEventSchema>
export const packEventSchema = z.intersection(newPackEventSchema, authorSchema.extend({ at: instantSchema }))
export type PackEvent = z.infer<typeof packEventSchema>
