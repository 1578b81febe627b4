import { storedPlanSchema, type StoredPlan } from '#core/records'
import { instant, many, one, type Row, type Tx } from '../store/tx.ts'

const planOf = (r: Row): StoredPlan =>
  storedPlanSchema.parse({
    id: r.id,
    body: r.body,
    at: instant(r.at),
    withdrawn: r.withdrawn,
    revision: r.revision,
  })

const PLANS = 'select id, body, at, withdrawn, revision from cut_plan'

/** Every named plan in the order they came, those taken away too. */
export async function selectPlans(tx: Tx): Promise<StoredPlan[]> {
  return (await many<Row>(tx, `${PLANS} order by number`)).map(planOf)
}

export async function selectPlan(tx: Tx, id: string): Promise<StoredPlan | null> {
  const row = await one<Row>(tx, `${PLANS} where id = $1`, [id])
  return row && planOf(row)
}

export async function upsertPlan(tx: Tx, p: StoredPlan): Promise<void> {
  await tx.query(
    `insert into cut_plan (id, species, body, at, withdrawn, revision) values ($1, $2, $3, $4, $5, $6)
     on conflict (id) do update set species = $2, body = $3, withdrawn = $5, revision = $6`,
    [p.id, p.body.species, JSON.stringify(p.body), p.at, p.withdrawn, p.revision],
  )
}
