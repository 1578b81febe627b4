import { z } from 'zod'
import type { Species } from '#core/anatomy'
import { STANDINGS, type Progress, type Standing } from '#core/reading'
import {
  farmSchema,
  idSchema,
  revisionSchema,
  type KeptFarm,
  type LotHead,
  type StoredPlan,
} from '#core/records'
import type { You } from './devices.ts'

/** What is changed in place is sent with the revision it was changed from: another's change is never lost. */
export const farmChangeSchema = farmSchema.extend({ base: revisionSchema })
export type FarmChange = z.input<typeof farmChangeSchema>

/** A lot as it hangs on the rail: what it is and how far it has come, worked out where the records are. */
export interface LotCard extends LotHead {
  withdrawn: boolean
  progress: Progress
}
/** Which lots of the rail are asked for: the newest before one, of those whose name has a text or that stand so. */
export const railAskedSchema = z.object({
  before: idSchema.nullable().default(null),
  wanted: z.string().max(80).default(''),
  standings: z.array(z.enum(STANDINGS)).max(STANDINGS.length).default([]),
})
export type RailAsked = z.infer<typeof railAskedSchema>
/** Lots as they hang, a page of them. */
export interface Rail {
  lots: LotCard[]
  /** How many like these came before them. */
  older: number
  /** How many hang at each place, of all. */
  standings: Record<Standing, number>
}
/** What a page opens with, of the records. The records of a lot are asked for when it is opened. */
export interface FarmKept extends Rail {
  farm: KeptFarm | null
  plans: StoredPlan[]
  /** By species, the anatomy a lot hung now would be read by. */
  today: Record<Species, string>
}
export interface Home extends FarmKept {
  /** Who the server takes this page for. */
  you: You
  /** Names of devices that were let in, by the id they write under. */
  devices: Record<string, string>
}
