import type { BenchRow } from '#contracts'
import { factBodySchema, type FactBody, type FactKind, type Species } from '#core/records'
import { many, type Row, type Tx } from '../store/tx.ts'

const OF_BENCH: readonly FactKind[] = ['fault', 'work', 'scald', 'downgrade']
const isOfBench = (fact: FactBody): fact is BenchRow['fact'] => OF_BENCH.includes(fact.kind)

/** As many as a farm learns from: older ones have been learnt. */
const NEWEST = 4000

/** What was timed, scalded and what went wrong at the bench of any lot that was not withdrawn, in force, the newest of them. */
export async function bench(tx: Tx, _: undefined): Promise<BenchRow[]> {
  const rows = await many<Row>(
    tx,
    `select * from (
       select f.at, f.rev, f.fact, l.id as lot, l.tag, l.species
       from fact f join lot_group g on g.id = f.lot_group join lot l on l.id = g.lot
       where f.kind = any($2) and f.stands
         and not exists (select 1 from fact later where later.corrects = f.id)
         and not exists (
           select 1 from fact gone join lot_group h on h.id = gone.lot_group
           where h.lot = l.id and gone.kind = 'withdrawal' and gone.stands
             and not exists (select 1 from fact later where later.corrects = gone.id))
       order by f.at desc, f.rev desc limit $1) newest
     order by at, rev`,
    [NEWEST, OF_BENCH],
  )
  return rows.flatMap((r): BenchRow[] => {
    const fact = factBodySchema.parse(r.fact)
    if (!isOfBench(fact)) return []
    return [{ lot: String(r.lot), tag: String(r.tag), species: r.species as Species, fact }]
  })
}
