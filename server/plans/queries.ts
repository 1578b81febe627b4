import type { StoredPlan } from '#core/records'
import { plans, put, select, selectOne } from '../store/tables/index.ts'
import type { Tx } from '../store/tx.ts'

/** Every named plan in the order they came, those taken away too. */
export const selectPlans = (tx: Tx): Promise<StoredPlan[]> => select(tx, plans)

export const selectPlan = (tx: Tx, id: string): Promise<StoredPlan | null> =>
  selectOne(tx, plans, 'id = $1', [id])

export const upsertPlan = (tx: Tx, plan: StoredPlan): Promise<void> => put(tx, plans, plan)
