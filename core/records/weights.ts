import { z } from 'zod'
import { grams } from '#core/measure'
import { correctionShape, entrySchema, WITHDRAWS, withdrawsSomething } from './entry.ts'
import { shownMassSchema } from './figures.ts'
import { HANGING_BASES, SOURCES, WEIGHED_STAGES } from './lists.ts'
import { idSchema, keySchema } from './text.ts'

const gramsSchema = z.number().int().positive().transform(grams)

const hasItsBasis = (w: { stage: string; basis: string | null }) =>
  (w.stage === 'hanging') === (w.basis !== null)
const BASIS = { path: ['basis'], message: 'A hanging weight has a basis; other weights have none.' }

const weighed = {
  stage: z.enum(WEIGHED_STAGES),
  basis: z.enum(HANGING_BASES).nullable(),
  source: z.enum(SOURCES),
  shown: shownMassSchema,
  ...correctionShape,
}
const packed = {
  cut: keySchema,
  shown: shownMassSchema,
  packs: z.number().int().min(0).max(5000),
  ...correctionShape,
}

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

/** One weighing of packs of a cut. Never changed: a correction names it. */
export const packSchema = entrySchema
  .extend({ ...packed, grams: gramsSchema })
  .refine(withdrawsSomething, WITHDRAWS)
export type PackWeighing = z.infer<typeof packSchema>

/** Packs as they are sent; `confirmed` keeps an unlikely weight. */
export const newPackSchema = z
  .object({ id: idSchema, group: idSchema.optional(), ...packed, confirmed: z.boolean().optional() })
  .refine(withdrawsSomething, WITHDRAWS)
export type NewPack = z.infer<typeof newPackSchema>
