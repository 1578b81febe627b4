import { sheetUp, storedSheetSchema, type StoredSheet } from '#core/records'
import type { Shared } from '#contracts'
import { instant, many, one, type Row, type Tx } from '../store/tx.ts'

const sheetOf = (r: Row): StoredSheet =>
  storedSheetSchema.parse({
    id: r.id,
    body: sheetUp(r.body as { format: string; version: number }),
    at: instant(r.at),
    withdrawn: r.withdrawn,
    revision: Number(r.revision),
  })

const SHEETS = 'select id, body, at, withdrawn, revision from sheet'

/** Every sheet in the order they came, those put away too. */
export async function selectSheets(tx: Tx): Promise<StoredSheet[]> {
  return (await many<Row>(tx, `${SHEETS} order by number`)).map(sheetOf)
}

export async function selectSheet(tx: Tx, id: string): Promise<StoredSheet | null> {
  const row = await one<Row>(tx, `${SHEETS} where id = $1`, [id])
  return row && sheetOf(row)
}

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

export async function upsertSheet(tx: Tx, s: StoredSheet): Promise<void> {
  await tx.query(
    `insert into sheet (id, body, at, withdrawn, revision) values ($1, $2, $3, $4, $5)
     on conflict (id) do update set body = $2, withdrawn = $4, revision = $5`,
    [s.id, JSON.stringify(s.body), s.at, s.withdrawn, s.revision],
  )
}
