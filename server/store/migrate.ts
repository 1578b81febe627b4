import type { PGlite } from '@electric-sql/pglite'
import first from './001-first.sql?raw'
import species from './002-species.sql?raw'
import plans from './003-plans.sql?raw'
import revisions from './004-revisions.sql?raw'

/** Forward only; a migration is never changed once it has landed. */
const MIGRATIONS: { id: number; sql: string }[] = [
  { id: 1, sql: first },
  { id: 2, sql: species },
  { id: 3, sql: plans },
  { id: 4, sql: revisions },
]

/** The schema this program writes. */
export const SCHEMA = MIGRATIONS.at(-1)!.id

/** The schema a database has; 0 for an empty one. */
export async function schemaOf(db: PGlite): Promise<number> {
  const { rows: found } = await db.query<{ there: boolean }>(
    `select to_regclass('migration') is not null as there`,
  )
  if (!found[0]!.there) return 0
  const { rows } = await db.query<{ newest: number }>('select coalesce(max(id), 0) as newest from migration')
  return rows[0]!.newest
}

/** Brings a database up to this version of the schema, a migration at a time, each whole or not at all. */
export async function migrate(db: PGlite): Promise<void> {
  await db.exec(
    'create table if not exists migration (id integer primary key, at timestamptz not null default now())',
  )
  const newest = await schemaOf(db)
  for (const { id, sql } of MIGRATIONS.filter((m) => m.id > newest)) {
    await db.transaction(async (tx) => {
      await tx.exec(sql)
      await tx.query('insert into migration (id) values ($1)', [id])
    })
  }
}
