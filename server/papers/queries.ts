import { issuedPaperSchema, type IssuedPaper } from '#core/papers'
import { instant, many, one, type Row, type Tx } from '../store/tx.ts'

const paperOf = (r: Row): IssuedPaper =>
  issuedPaperSchema.parse({
    id: r.id,
    lot: r.lot,
    kind: r.kind,
    share: r.share,
    data: r.data,
    issuedAt: instant(r.issued_at),
  })

export async function insertPaper(tx: Tx, p: IssuedPaper): Promise<void> {
  await tx.query(
    'insert into paper (id, lot, kind, data, issued_at, share) values ($1, $2, $3, $4, $5, $6)',
    [p.id, p.lot, p.kind, JSON.stringify(p.data), p.issuedAt, p.share],
  )
}

export async function selectPaper(tx: Tx, id: string): Promise<IssuedPaper | null> {
  const row = await one<Row>(tx, 'select * from paper where id = $1', [id])
  return row && paperOf(row)
}

export async function selectPapers(tx: Tx): Promise<IssuedPaper[]> {
  return (await many<Row>(tx, 'select * from paper order by number')).map(paperOf)
}
