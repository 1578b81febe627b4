import type { StoredSheet } from '#core/records'
import type { Shared } from '#contracts'
import { put, select, selectOne, sheets } from '../store/tables/index.ts'
import { many, type Row, type Tx } from '../store/tx.ts'

/** Every sheet in the order they came, those put away too. */
export const selectSheets = (tx: Tx): Promise<StoredSheet[]> => select(tx, sheets)

export const selectSheet = (tx: Tx, id: string): Promise<StoredSheet | null> =>
  selectOne(tx, sheets, 'id = $1', [id])

export const upsertSheet = (tx: Tx, sheet: StoredSheet): Promise<void> => put(tx, sheets, sheet)

/** What lots bear of each of the farm’s own costs: the lines in force that say they are a share of it. Minor units. */
export async function selectShared(tx: Tx): Promise<Shared[]> {
  const rows = await many<Row>(
    tx,
    `select f.fact->'shared'->>'of' as of, sum((f.fact->>'amount')::bigint) as amount,
       count(distinct g.lot) as lots
     from fact f join lot_group g on g.id = f.lot_group
     where f.kind = 'cost' and f.stands and f.fact->'shared' ? 'of'
       and not exists (select 1 from fact later where later.corrects = f.id)
     group by 1`,
  )
  return rows.map((r) => ({ of: String(r.of), amount: Number(r.amount), lots: Number(r.lots) }))
}
