import same from 'fast-deep-equal'
import type { PlanChange, StoredPlan } from '#contracts'
import { strangersIn } from '#core/plan'
import { anatomyOfToday } from '../anatomies/today.ts'
import { refusedFor, type Changed } from '../store/outcomes.ts'
import type { Tx } from '../store/tx.ts'
import { selectPlan, upsertPlan } from './queries.ts'

/** Keeps a named plan for every animal of its species, or marks it as taken away. */
export async function savePlan(
  tx: Tx,
  { id, plan, at }: { id: string; plan: PlanChange; at: string },
): Promise<Changed<StoredPlan>> {
  const { base, body, withdrawn } = plan
  const held = await selectPlan(tx, id)
  if (held && same([held.body, held.withdrawn], [body, withdrawn])) return { result: 'kept', value: held }
  if (base !== (held?.revision ?? 0)) return { result: 'changed', held, sent: { body, withdrawn } }
  // One that is only put away may be older than today's figures; nothing else of unknown parts is kept.
  const isSame = held !== null && same(held.body, body)
  const strangers = isSame ? [] : strangersIn(await anatomyOfToday(tx, body.species), body)
  if (strangers.length > 0) return refusedFor(...strangers.map((i) => ({ ...i, field: `body.${i.field}` })))
  await upsertPlan(tx, { id, body, withdrawn, at, revision: base + 1 })
  return { result: 'kept', value: (await selectPlan(tx, id))! }
}
