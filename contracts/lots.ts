import { z } from 'zod'
import {
  decisionSchema,
  idSchema,
  lineSchema,
  newFactSchema,
  revisionSchema,
  type Decision,
  type FactBody,
} from '#core/records'

/** A batch of decisions: `base` is the revision of the lot the page had heard of. */
export const appendSchema = z
  .object({
    batch: idSchema,
    /** The group it is decided for; the lot where not said. */
    group: idSchema.optional(),
    base: revisionSchema,
    /** Batches this page took itself since `base`: it cannot be in conflict with itself. */
    own: z.array(idSchema).max(400),
    undoes: idSchema.nullable(),
    redoes: idSchema.nullable(),
    commands: z
      .array(z.object({ id: idSchema, decision: decisionSchema }))
      .min(1)
      .max(400),
  })
  .refine((a) => a.undoes === null || a.redoes === null, {
    path: ['redoes'],
    message: 'A batch takes one batch back or brings one back, not both.',
  })
  .refine((a) => new Set(a.commands.map((c) => c.id)).size === a.commands.length, {
    path: ['commands'],
    message: 'Two decisions of this batch have one id.',
  })
export type Append = z.infer<typeof appendSchema>

/** Facts that belong together: kept all or not at all. */
export const factsSchema = z
  .object({ group: idSchema.optional(), facts: z.array(newFactSchema).min(1).max(200) })
  .refine(({ facts }) => new Set(facts.map((f) => f.id)).size === facts.length, {
    path: ['facts'],
    message: 'Two of these facts have one id.',
  })
export type Facts = z.infer<typeof factsSchema>

const nameSchema = lineSchema(40)

/** A group is split into others that together are all of it: so many animals each, or (`half`) its two sides. */
export const splitSchema = z.object({
  group: idSchema,
  half: z.boolean().default(false),
  into: z
    .array(z.object({ id: idSchema, animals: z.number().int().min(1).max(2000), name: nameSchema }))
    .min(2)
    .max(20),
})
export type Split = z.infer<typeof splitSchema>

/** Groups are put together to one, which is cut as one of them (`as`) is. */
export const joinSchema = z.object({
  id: idSchema,
  name: nameSchema,
  as: idSchema,
  with: z.array(idSchema).min(1).max(20),
})
export type Join = z.infer<typeof joinSchema>

/** Something said of the same thing twice: here, and elsewhere meanwhile. */
export interface Clash {
  mine: Decision | FactBody | null
  theirs: Decision | FactBody | null
  /** The fact to correct for who keeps theirs; null for decisions. */
  id: string | null
  /** The device theirs was said on. */
  by: string | null
}
