import { z } from 'zod'
import {
  cutPlanSchema,
  ownAdditionsSchema,
  revisionSchema,
  sheetSchema,
  type Downgrade,
  type Fault,
  type Species,
  type Scald,
  type Work,
} from '#core/records'

/** Additions as they are sent: `base` is the newest version the page had heard of. */
export const ownChangeSchema = z.object({ base: revisionSchema, body: ownAdditionsSchema })
export type OwnChange = z.infer<typeof ownChangeSchema>

export const planChangeSchema = z.object({
  base: revisionSchema,
  body: cutPlanSchema,
  withdrawn: z.boolean(),
})
export type PlanChange = z.infer<typeof planChangeSchema>

/** A sheet of fees or prices as it is sent: `base` is the revision the page had heard of. */
export const sheetChangeSchema = z.object({
  base: revisionSchema,
  body: sheetSchema,
  withdrawn: z.boolean(),
})
/** What lots bear of one of the farm’s own costs, minor units. */
export interface Shared {
  of: string
  amount: number
  lots: number
}
/** What was timed and what went wrong at the bench, over all lots that hang, in the order it was written. */
export interface BenchRow {
  lot: string
  tag: string
  species: Species
  fact: Fault | Work | Scald | Downgrade
}
export type SheetChange = z.infer<typeof sheetChangeSchema>
