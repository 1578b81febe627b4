import { z } from 'zod'
import { issuedPaperSchema } from '#core/papers'
import {
  keptFarmSchema,
  lotSchema,
  packEventSchema,
  ownVersionSchema,
  storedPlanSchema,
  storedSheetSchema,
} from '#core/records'

/** The last number: what changes after it is said by the forms in the head. */
export const BUNDLE_VERSION = 12
const formsSchema = z.record(z.string(), z.number().int().min(1).max(10_000))
/** The form of each kind of record that stands in a bundle; what is not named is of the first. */
export const kindFormsSchema = z.object({
  fact: formsSchema,
  decision: formsSchema,
  event: formsSchema,
  sheet: formsSchema,
})
/** The whole farm in one file (docs/bundle.md). `digest` is the SHA-256 of `content` as JSON. */
export const bundleSchema = z.object({
  format: z.literal('ekko-farm'),
  version: z.literal(BUNDLE_VERSION),
  kinds: kindFormsSchema,
  digest: z.string(),
  content: z.object({
    farm: keptFarmSchema.nullable(),
    anatomies: z.record(z.string(), z.record(z.string(), z.unknown())),
    own: z.array(ownVersionSchema),
    plans: z.array(storedPlanSchema),
    sheets: z.array(storedSheetSchema),
    lots: z.array(lotSchema),
    /** What was done with packs after they were made. */
    packEvents: z.array(packEventSchema),
    papers: z.array(issuedPaperSchema),
    /** Bytes of what is attached, in base64, by their hash. */
    attachments: z.record(z.string(), z.base64()),
    /** Hashes of what is attached and could not be read when this was made; not there where there are none. */
    lost: z.array(z.string()).optional(),
  }),
})
export type Bundle = z.infer<typeof bundleSchema>
