import { z } from 'zod'
import { idSchema } from './text.ts'
import { instantSchema } from './time.ts'

/** The person and the device of what was written before either was known. */
export const UNNAMED = '00000000-0000-0000-0000-000000000000'

export const revisionSchema = z.number().int().min(0).max(Number.MAX_SAFE_INTEGER)

/** By whom and where something was written. */
export const authorSchema = z.object({ device: idSchema, person: idSchema })
export type Author = z.infer<typeof authorSchema>

/**
 * What every record of a lot bears: its id, the group it is about, the lot's revision at which it was added (order is by
 * it, never by a clock), when, on which device and by whom.
 */
export const entrySchema = z.object({
  id: idSchema,
  group: idSchema,
  rev: revisionSchema.min(1),
  at: instantSchema,
  device: idSchema,
  person: idSchema,
})
export type Entry = z.infer<typeof entrySchema>

/** A correction is a new record that names the old one; `stands: false` puts nothing in its place. */
export const correctionShape = { corrects: idSchema.nullable(), stands: z.boolean() }
export interface Correctable {
  id: string
  corrects: string | null
  stands: boolean
}
export const withdrawsSomething = (r: Omit<Correctable, 'id'>) => r.stands || r.corrects !== null
export const WITHDRAWS = { path: ['stands'], message: 'Only a correction can withdraw a figure.' }

/** The records in force: those no later one corrects, and that were not withdrawn. */
export function inForce<R extends Correctable>(all: readonly R[]): R[] {
  const corrected = new Set(all.flatMap((r) => (r.corrects ? [r.corrects] : [])))
  return all.filter((r) => r.stands && !corrected.has(r.id))
}
/** Whether a record is there to be corrected, and was not yet. */
export const correctable = (all: readonly Correctable[], id: string) =>
  all.some((r) => r.id === id) && !all.some((r) => r.corrects === id)
