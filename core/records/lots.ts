import { z } from 'zod'
import { commandSchema, type Command } from './decisions.ts'
import { entrySchema, revisionSchema } from './entry.ts'
import { factSchema } from './facts.ts'
import { SPECIES } from './lists.ts'
import { hashSchema, idSchema, lineSchema } from './text.ts'
import { instantSchema } from './time.ts'
import { packSchema, weighingSchema } from './weights.ts'

const animals = z.number().int().min(1).max(2000)

/**
 * A number of animals that are weighed, planned and packed together. A lot is one group until it is split; a group may be
 * put together with others (`joins`), and is then cut as its `parent` was. `half`: one side of each of them.
 */
export const groupSchema = entrySchema.omit({ group: true }).extend({
  rev: revisionSchema,
  parent: idSchema.nullable(),
  joins: z.array(idSchema).max(20).default([]),
  animals,
  half: z.boolean().default(false),
  name: z.string().max(40).default(''),
})
export type Group = z.infer<typeof groupSchema>

export const newLotSchema = z.object({
  id: idSchema,
  tag: lineSchema(80),
  species: z.enum(SPECIES),
  count: animals,
})
export type NewLot = z.infer<typeof newLotSchema>

/** What a lot is, without what was recorded of it. `rev` counts the records; the next one has the next number. */
export const lotHeadSchema = newLotSchema.extend({
  anatomy: hashSchema,
  createdAt: instantSchema,
  device: idSchema,
  person: idSchema,
  rev: revisionSchema,
})
export type LotHead = z.infer<typeof lotHeadSchema>

/** A lot with every record of it, each list in the order of revisions. */
export const lotSchema = lotHeadSchema.extend({
  groups: z.array(groupSchema).min(1),
  weighings: z.array(weighingSchema),
  commands: z.array(commandSchema),
  facts: z.array(factSchema),
  packs: z.array(packSchema),
})
export type Lot = z.infer<typeof lotSchema>

/** The anatomy a lot is read by: the one it was hung with, or a newer one it was moved up to. */
export function readBy(
  lot: Pick<Lot, 'anatomy'> & { commands: readonly Pick<Command, 'decision'>[] },
): string {
  const moved = lot.commands.findLast((c) => c.decision.field === 'anatomy')?.decision.value
  return typeof moved === 'string' ? moved : lot.anatomy
}
/** Every anatomy a lot was ever read by. */
export const anatomiesOf = (lot: Pick<Lot, 'anatomy' | 'commands'>): string[] => [
  ...new Set([
    lot.anatomy,
    ...lot.commands.flatMap(({ decision: d }) => (d.field === 'anatomy' && d.value ? [d.value] : [])),
  ]),
]
