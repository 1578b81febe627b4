import same from 'fast-deep-equal'
import { farmSchema, type FarmChange, type FarmKept, type KeptFarm } from '#contracts'
import { todaysPins } from '../anatomies/today.ts'
import { selectHeads } from '../lots/queries.ts'
import { firstOf } from '../lots/rail.ts'
import { selectPlans } from '../plans/queries.ts'
import type { Beside } from '../store/beside.ts'
import type { Changed } from '../store/outcomes.ts'
import type { Tx } from '../store/tx.ts'
import { selectFarm, upsertFarm } from './queries.ts'

export async function home(tx: Tx, _: undefined, { cards }: Beside): Promise<FarmKept> {
  const plans = (await selectPlans(tx)).filter((p) => !p.withdrawn)
  const farm = await selectFarm(tx)
  const lots = await cards.of(tx, await selectHeads(tx), farm)
  return { ...firstOf(lots), farm, plans, today: await todaysPins(tx) }
}

export async function saveFarm(tx: Tx, { base, ...sent }: FarmChange): Promise<Changed<KeptFarm>> {
  const farm = farmSchema.parse(sent)
  const held = await selectFarm(tx)
  if (held && same(held, { ...farm, revision: held.revision })) return { result: 'kept', value: held }
  if (base !== (held?.revision ?? 0)) return { result: 'changed', held, sent: farm }
  const value = { ...farm, revision: base + 1 }
  await upsertFarm(tx, value)
  return { result: 'kept', value }
}
