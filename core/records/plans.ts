import { z } from 'zod'
import { mm } from '#core/measure'
import { LEAN_BOUNDS } from './split.ts'
import { revisionSchema } from './entry.ts'
import { figureSchema } from './figures.ts'
import { HALVES, SIDES, SPECIES, TRIM_LEVELS } from './lists.ts'
import { portionSchema } from './portion.ts'
import { splitSchema } from './split.ts'
import { idSchema, keySchema as id, lineSchema, textSchema } from './text.ts'
import { instantSchema } from './time.ts'

const half = z.enum(HALVES)

/** A named plan: how an animal of a species is cut, for any lot of it. What it does not name is as usual. */
export const cutPlanSchema = z.object({
  format: z.literal('ekko-plan'),
  version: z.literal(1),
  species: z.enum(SPECIES),
  name: lineSchema(80),
  says: textSchema(300),
  trim: z.enum(TRIM_LEVELS),
  lines: z.array(z.object({ line: id, side: half, setting: id })).max(60),
  mm: z.array(z.object({ line: id, side: half, mm: figureSchema(0, 1000).transform(mm) })).max(40),
  paths: z.array(z.object({ part: id, side: z.enum(SIDES), path: id })).max(300),
  /** Chemical lean of the mince; as it falls where not said. */
  lean: figureSchema(LEAN_BOUNDS.low, LEAN_BOUNDS.high).optional(),
  /** Parts cut two ways along their length. Left out where there are none: a plan kept earlier stays as it was written. */
  splits: z
    .array(z.object({ part: id, side: half, split: splitSchema }))
    .max(100)
    .optional(),
  portions: z.array(z.object({ cut: id, portion: portionSchema })).max(200),
})
export type CutPlan = z.infer<typeof cutPlanSchema>

/** A named plan as kept. */
export const storedPlanSchema = z.object({
  id: idSchema,
  body: cutPlanSchema,
  at: instantSchema,
  withdrawn: z.boolean(),
  revision: revisionSchema.min(1),
})
export type StoredPlan = z.infer<typeof storedPlanSchema>
