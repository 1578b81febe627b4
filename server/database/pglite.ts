import { cpSync, existsSync } from 'node:fs'
import { join } from 'node:path'
import { PGlite } from '@electric-sql/pglite'
import { migrate, SCHEMA, schemaOf } from '../store/migrate.ts'
import type { Tx } from '../store/tx.ts'
import type { Cluster, Session, Stamp } from './cluster.ts'
import { failedWhile } from '../pulse.ts'
import { DiskFailure } from './disk.ts'
import { ownersOnly } from './owner.ts'
import { damagedPage } from './pages.ts'

/** SQLSTATE classes after which the database is not to be trusted: of the system, of the operator, internal. */
const FATAL = /^(?:58|57P|XX)/

/** What every whole PostgreSQL folder has; a server of PostgreSQL refuses one without any of it, PGlite makes a new one in it. */
const MARKS = ['PG_VERSION', 'global/pg_control', 'global', 'base', 'pg_wal', 'pg_xact'] as const

const COLUMNS = `select c.relname as table, bool_or(a.attname = 'revision') as revised
  from pg_class c join pg_attribute a on a.attrelid = c.oid and not a.attisdropped
  where c.relkind = 'r' and c.relnamespace = 'public'::regnamespace group by 1 order by 1`

/** Rows of every table, and the sum of revisions where rows are changed in place. */
async function stampOf(db: PGlite): Promise<Stamp> {
  const { rows: tables } = await db.query<{ table: string; revised: boolean }>(COLUMNS)
  const stamp: Stamp = {}
  for (const { table, revised } of tables) {
    const sum = revised ? 'coalesce(sum(revision), 0)' : '0'
    const { rows } = await db.query<{ n: number }>(`select (count(*) + ${sum})::int as n from "${table}"`)
    stamp[table] = rows[0]!.n
  }
  return stamp
}

async function open(place: string): Promise<Session<Tx>> {
  const made = await failedWhile(() => PGlite.create(place))
  if ('error' in made) throw made.code ? new DiskFailure('write', place, made.code) : made.error
  const db = made.value
  return {
    transaction: (work) => db.transaction(work),
    stamp: () => stampOf(db),
    files: async () => {
      const { rows } = await db.query<{ path: string }>(
        `select pg_relation_filepath(oid) as path from pg_class where relkind in ('r', 'i', 't', 'S', 'm') and relpersistence = 'p'`,
      )
      return rows.map((r) => r.path)
    },
    schema: () => schemaOf(db),
    migrate: () => migrate(db),
    logBytes: async () => {
      const { rows } = await db.query<{ bytes: string }>(
        'select pg_wal_lsn_diff(pg_current_wal_lsn(), redo_lsn)::bigint::text as bytes from pg_control_checkpoint()',
      )
      return Number(rows[0]!.bytes)
    },
    // Nothing else gathers what lies in the tables, and without it an index is guessed at.
    checkpoint: async () => void (await db.exec('analyze; checkpoint')),
    close: () => db.close(),
  }
}

/**
 * PostgreSQL as PGlite runs it. It never calls fsync: what reaches the platter, and when, is the engine's business.
 */
export const pglite = (empty?: string): Cluster<Tx> => ({
  log: 'pg_wal',
  empty,
  schema: SCHEMA,
  marks: MARKS,
  damaged: damagedPage,
  open: async (place) => {
    const lost = existsSync(place) ? MARKS.find((m) => !existsSync(join(place, m))) : undefined
    // PGlite would make an empty database of it.
    if (lost) throw new Error(`${lost} is not in ${place}.`)
    if (empty && !existsSync(place) && existsSync(empty)) {
      cpSync(empty, place, { recursive: true })
      ownersOnly(place)
    }
    return open(place)
  },
  isFatal: (error) =>
    error instanceof WebAssembly.RuntimeError || FATAL.test(String((error as { code?: unknown }).code ?? '')),
})
