import type { PGlite } from '@electric-sql/pglite'
import first from './001-first.sql?raw'
import species from './002-species.sql?raw'
import plans from './003-plans.sql?raw'

/** Forward only; a migration is never changed once it has landed. */
const MIGRATIONS: { id: number; sql: string }[] = [
  { id: 1, sql: first },
  { id: 2, sql: species },
  { id: 3, sql: plans },
]

/** Brings a database up to this version of the schema; refuses one from a newer version. */
export async function migrate(db: PGlite): Promise<void> {
  await db.exec(
    'create table if not exists migration (id integer primary key, at timestamptz not null default now())',
  )
  const { rows } = await db.query<{ id: number }>('select id from migration')
  const done = new Set(rows.map((r) => r.id))
  const newest = Math.max(0, ...done)
  if (newest > MIGRATIONS.at(-1)!.id)
    throw new Error(
      `This folder was written by a newer Ekko (schema ${newest}). Start that version, or restore a bundle.`,
    )
  for (const { id, sql } of MIGRATIONS.filter((m) => !done.has(m.id))) {
    await db.transaction(async (tx) => {
      await tx.exec(sql)
      await tx.query('insert into migration (id) values ($1)', [id])
    })
  }
}
