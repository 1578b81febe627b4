import { z } from 'zod'
import { revisionSchema } from './entry.ts'
import { figureSchema } from './figures.ts'
import { DESTINATIONS, SPECIES, TOOLS } from './lists.ts'
import { portionSchema } from './portion.ts'
import { keySchema, lineSchema, textSchema } from './text.ts'
import { instantSchema } from './time.ts'

const id = z
  .string()
  .regex(/^own-[a-z0-9]+(?:-[a-z0-9]+)*$/, 'starts with “own-” and has only small letters, digits and dashes')
  .max(60)
const names = z.object({ american: lineSchema(80), commonwealth: lineSchema(80) })
const share = figureSchema(0, 1)
const destination = z.enum(DESTINATIONS)

const ownCut = z.object({
  id,
  names,
  destination,
  kind: z.enum(['product', 'by-product']),
  index: figureSchema(0, 50),
  portion: portionSchema.nullable(),
})
const process = z.object({
  inflows: z.array(z.object({ name: lineSchema(40), share: figureSchema(0, 3) })).max(8),
  yield: figureSchema(0.05, 4),
})
const ownOutput = z.object({
  cut: keySchema.optional(),
  part: keySchema.optional(),
  lean: share,
  fat: share,
  bone: share,
  skin: share,
  process: process.optional(),
})
const ownPath = z.object({
  id,
  part: keySchema,
  names,
  destination,
  minutes: figureSchema(0, 600),
  tool: z.enum(TOOLS),
  steps: textSchema(500),
  needs: z.array(keySchema).max(5).optional(),
  outputs: z.array(ownOutput).min(1).max(20),
})

/**
 * A farm's own cuts, parts and ways to cut, for one species (docs/own-cuts.md). Own ids start with `own-`, so that
 * they never meet ours. Shares are of each tissue of the part, 0 to 1, and close to 1.
 */
export const ownAdditionsSchema = z.object({
  species: z.enum(SPECIES),
  cuts: z.array(ownCut).max(100),
  parts: z.array(z.object({ id, names, fallback: id })).max(40),
  paths: z.array(ownPath).max(100),
})
export type OwnAdditions = z.infer<typeof ownAdditionsSchema>

/** A version of a farm's own parts and ways to cut; the newest of its species is what a new lot is pinned to. */
export const ownVersionSchema = z.object({
  version: revisionSchema.min(1),
  body: ownAdditionsSchema,
  at: instantSchema,
})
export type OwnVersion = z.infer<typeof ownVersionSchema>
