import { z } from 'zod'
import { SHARES } from './lists.ts'
import { idSchema, keySchema, lineSchema, textSchema } from './text.ts'
import { instantSchema } from './time.ts'
import { packNumberSchema } from './figures.ts'

/** What is typed when a paper is issued, and printed on it: for whom, how they are reached, and the farm's own words. */
export const paperWordsSchema = z.object({
  customer: lineSchema(80).optional(),
  telephone: lineSchema(40).optional(),
  greeting: textSchema(600).optional(),
  collection: textSchema(300).optional(),
  instructions: textSchema(600).optional(),
  /** The part it is of, where it is not of the whole plan; and whether it is printed large, or with how a hand does each step. */
  only: keySchema.optional(),
  type: z.enum(['large', 'steps']).optional(),
  /** The packs it is of. */
  packs: z.array(packNumberSchema).min(1).max(200).optional(),
})
export type PaperWords = z.infer<typeof paperWordsSchema>

/** `share` is for letters: the whole animal, a half, a quarter. */
/** Which kinds there are is the papers' own to say. */
const asked = { id: idSchema, kind: keySchema, share: z.literal(SHARES) }
export const newPaperSchema = z.object({
  ...asked,
  /** The group it is of; all of the lot where not said. */
  group: idSchema.optional(),
  share: asked.share.default(1),
  words: paperWordsSchema.default({}),
})
export type NewPaper = z.infer<typeof newPaperSchema>

/** A paper as it was issued: the data printed, so that a later figure never changes it. */
export const paperSchema = z.object({
  ...asked,
  lot: idSchema,
  data: z.record(z.string(), z.unknown()),
  issuedAt: instantSchema,
})
export type Paper = z.infer<typeof paperSchema>
