import type { KeptFarm } from '#core/records'
import { farms, put, selectOne } from '../store/tables/index.ts'
import type { Tx } from '../store/tx.ts'

export const selectFarm = (tx: Tx): Promise<KeptFarm | null> => selectOne(tx, farms, 'id = $1', [1])

export const upsertFarm = (tx: Tx, farm: KeptFarm): Promise<void> => put(tx, farms, farm)
