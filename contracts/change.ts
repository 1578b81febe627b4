import { z } from 'zod'
import {
  commandSchema,
  factSchema,
  groupSchema,
  idSchema,
  packSchema,
  revisionSchema,
  weighingSchema,
} from '#core/records'

/** What was added to a lot after revision `from`: with it, a lot known up to there stands as it does at `rev`. */
export const lotChangeSchema = z.object({
  id: idSchema,
  from: revisionSchema,
  rev: revisionSchema,
  groups: z.array(groupSchema),
  weighings: z.array(weighingSchema),
  commands: z.array(commandSchema),
  facts: z.array(factSchema),
  packs: z.array(packSchema),
})
export type LotChange = z.infer<typeof lotChangeSchema>

/** What a bell says: a lot now stands at a revision, by a device and its request; something of the farm changed, or all of it. */
export type Said = { lot: string; rev: number; device: string; request: string } | { farm: true }
/** … and of which history of the records that is. */
export type Rung = Said & { history: string }
