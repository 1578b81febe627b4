import { createHash } from 'node:crypto'
import type { PGlite, Transaction } from '@electric-sql/pglite'
import { farmUp, farmSchema, lotUp } from '#core/records'
import { many, type Row } from './tx.ts'
import first from './001-first.sql?raw'
import species from './002-species.sql?raw'
import plans from './003-plans.sql?raw'
import revisions from './004-revisions.sql?raw'
import records from './005-records.sql?raw'
import whole from './006-records.sql?raw'
import farm from './007-farm.sql?raw'
import jobs from './008-jobs.sql?raw'
import animals from './009-animals.sql?raw'
import groups from './010-groups.sql?raw'
import sheets from './011-sheets.sql?raw'
import overhead from './012-overhead.sql?raw'
import bench from './013-bench.sql?raw'
import packs from './014-packs.sql?raw'
import packing from './015-packing.sql?raw'
import birds from './016-birds.sql?raw'
import history from './017-history.sql?raw'
import weighedOn from './018-weighed-on.sql?raw'
import kinds from './019-kinds.sql?raw'
import counters from './020-counters.sql?raw'
import requests from './021-requests.sql?raw'

interface Migration {
  id: number
  sql: string
  /** Brings rows up that SQL alone cannot, in the same transaction, after the statements. */
  rows?: (tx: Transaction) => Promise<void>
}

const shown = (r: Row) => ({ value: Number(r.shown_value), unit: r.shown_unit })
const kept = (r: Row) => ({
  id: r.id,
  shown: shown(r),
  grams: Number(r.grams),
  corrects: r.corrects,
  stands: r.stands,
  at: (r.at as Date).toISOString(),
})

/** The columns that a row of a lot had when facts became records of their own. */
const COLUMNS_THEN = {
  ...{ id: 'id', group: 'lot_group', rev: 'rev', at: 'at', device: 'device', person: 'person' },
  ...{ stage: 'stage', basis: 'basis', source: 'source', cut: 'cut', packs: 'packs', grams: 'grams' },
  ...{ batch: 'batch', undoes: 'undoes', redoes: 'redoes', corrects: 'corrects', stands: 'stands' },
} as const
/** Keeps a row as it was kept then: what tables and records have become since is no matter of it. */
async function keepThen(tx: Transaction, table: string, row: Row): Promise<void> {
  const shown = row.shown as { value: number; unit: string } | undefined
  const fact = row.fact as { kind: string } | undefined
  const named: [string, unknown][] = [
    ...Object.entries(COLUMNS_THEN).flatMap(([key, column]): [string, unknown][] =>
      row[key] === undefined ? [] : [[column, row[key]]],
    ),
    ...(shown
      ? ([
          ['shown_value', shown.value],
          ['shown_unit', shown.unit],
        ] as [string, unknown][])
      : []),
    ...(fact
      ? ([
          ['kind', fact.kind],
          ['fact', JSON.stringify(fact)],
        ] as [string, unknown][])
      : []),
    ...(row.decision ? ([['decision', JSON.stringify(row.decision)]] as [string, unknown][]) : []),
  ]
  await tx.query(
    `insert into ${table} (${named.map(([column]) => column).join()}) values (${named.map((_, i) => `$${i + 1}`).join()})`,
    named.map(([, value]) => value),
  )
}

/** Rows of before in the forms of the bundle of that time, brought up as a bundle of that time is. */
async function recordsUp(tx: Transaction): Promise<void> {
  const farm = (await many<Row>(tx, 'select * from farm'))[0]
  if (farm) {
    const { mince, hour } = farmSchema
      .pick({ mince: true, hour: true })
      .parse(farmUp({ massUnit: farm.mass_unit, mincePerKg: Number(farm.mince_per_kg) }))
    await tx.query('update farm set mince_milli = $1, mince_per = $2, hour = $3', [
      mince.milli,
      mince.per,
      hour,
    ])
  }
  const lots = await many<Row>(
    tx,
    'select l.*, g.id as of_group, g.animals from lot l join lot_group g on g.lot = l.id order by l.number',
  )
  const rows = (table: string) =>
    many<Row>(
      tx,
      `select *, lot_group as of_group from ${table} order by ${table === 'command' ? 'seq' : 'ordinal'}`,
    )
  const weighings = await rows('weighing')
  const packs = await rows('pack')
  const commands = await rows('command')
  const own = (all: Row[], lot: Row) => all.filter((r) => r.of_group === lot.of_group)
  const up = lots.map((lot) =>
    lotUp({
      id: lot.id,
      tag: lot.tag,
      species: lot.species,
      count: lot.animals,
      anatomy: lot.anatomy,
      createdAt: (lot.created_at as Date).toISOString(),
      weighings: own(weighings, lot).map((r) => ({
        ...kept(r),
        stage: r.stage,
        basis: r.basis,
        source: r.source,
      })),
      packs: own(packs, lot).map((r) => ({ ...kept(r), cut: r.cut, packs: r.packs, number: null })),
      commands: own(commands, lot).map((r) => ({
        id: r.id,
        seq: Number(r.seq),
        batch: r.batch,
        undoes: r.undoes,
        redoes: r.redoes,
        decision: r.decision,
        at: (r.at as Date).toISOString(),
      })),
    }),
  )
  for (const table of ['weighing', 'pack', 'command']) {
    await tx.query(`alter table ${table} disable trigger ${table}_kept`)
    await tx.query(`delete from ${table}`)
    await tx.query(`alter table ${table} enable trigger ${table}_kept`)
  }
  for (const lot of up) {
    await tx.query('update lot set rev = $2 where id = $1', [lot.id, lot.rev])
    for (const [list, table] of Object.entries({
      weighings: 'weighing',
      packs: 'pack',
      commands: 'command',
      facts: 'fact',
    }))
      for (const row of lot[list] as Row[]) await keepThen(tx, table, row)
  }
}

/** Forward only; a migration is never changed once it has landed. */
const MIGRATIONS: Migration[] = [
  { id: 1, sql: first },
  { id: 2, sql: species },
  { id: 3, sql: plans },
  { id: 4, sql: revisions },
  { id: 5, sql: records, rows: recordsUp },
  { id: 6, sql: whole },
  { id: 7, sql: farm },
  { id: 8, sql: jobs },
  { id: 9, sql: animals },
  { id: 10, sql: groups },
  { id: 11, sql: sheets },
  { id: 12, sql: overhead },
  { id: 13, sql: bench },
  { id: 14, sql: packs },
  { id: 15, sql: packing },
  { id: 16, sql: birds },
  { id: 17, sql: history },
  { id: 18, sql: weighedOn },
  { id: 19, sql: kinds },
  { id: 20, sql: counters },
  { id: 21, sql: requests },
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
export async function migrate(db: PGlite, to = SCHEMA): Promise<void> {
  await db.exec(
    'create table if not exists migration (id integer primary key, at timestamptz not null default now())',
  )
  const newest = await schemaOf(db)
  for (const { id, sql, rows } of MIGRATIONS.filter((m) => m.id > newest && m.id <= to)) {
    await db.transaction(async (tx) => {
      await tx.exec(sql)
      await rows?.(tx)
      await tx.query('insert into migration (id) values ($1)', [id])
    })
  }
}

/** Which statements make a database of this schema: another where any of them is. */
export const schemaDigest = (): string =>
  createHash('sha256')
    .update(MIGRATIONS.map((m) => m.sql).join('\0'))
    .digest('hex')
