import { z } from 'zod'
import {
  commandSchema,
  factSchema,
  groupSchema,
  idSchema,
  packSchema,
  revisionSchema,
  weighingSchema,
  type Lot,
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

/**
 * A lot with what was added to it. One that comes twice or late adds nothing; null where something between was missed:
 * then what came after the lot's own revision is asked for.
 */
export function joined(lot: Lot, change: LotChange): Lot | null {
  if (change.rev <= lot.rev) return lot
  if (change.from > lot.rev) return null
  const out = { ...lot, rev: change.rev }
  const join = <R extends { rev: number }>(held: R[], added: readonly R[]): R[] => {
    const fresh = added.filter((r) => r.rev > lot.rev)
    return fresh.length > 0 ? [...held, ...fresh] : held
  }
  out.groups = join(lot.groups, change.groups)
  out.weighings = join(lot.weighings, change.weighings)
  out.commands = join(lot.commands, change.commands)
  out.facts = join(lot.facts, change.facts)
  out.packs = join(lot.packs, change.packs)
  return out
}

/** What a bell says: a lot now stands at a revision, by a device and its request; or something of the farm changed. */
export type Rung = { lot: string; rev: number; device: string; request: string } | { farm: true }
