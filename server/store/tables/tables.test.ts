import { cpSync } from 'node:fs'
import { join } from 'node:path'
import { PGlite } from '@electric-sql/pglite'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { placesOf } from '../../database/places.ts'
import { newFolder } from '../../testing.ts'
import { TABLES } from './index.ts'

/** What is no record: which migrations were made, which history this is, which number comes next. */
const BESIDE = ['migration', 'history', 'counter']
const SHORT: Record<string, string> = {
  int2: 'smallint',
  int4: 'integer',
  int8: 'bigint',
  bool: 'boolean',
  _int8: 'bigint[]',
}

describe('the tables as they are described, held against the catalogue of the database', () => {
  let db: PGlite
  beforeAll(async () => {
    const place = join(newFolder(), 'db')
    cpSync(placesOf(inject('emptyFolder')).db, place, { recursive: true })
    db = await PGlite.create(place)
  })
  afterAll(() => db.close())
  const rows = async <R>(sql: string, params: unknown[] = []) => (await db.query<R>(sql, params)).rows

  it('each table there is, and none that is not', async () => {
    const there = await rows<{ name: string }>(
      `select table_name as name from information_schema.tables where table_schema = 'public' order by 1`,
    )
    expect(there.map((t) => t.name)).toEqual([...TABLES.map((t) => t.name), ...BESIDE].sort())
  })
  it.each(TABLES.map((t) => [t.name, t] as const))(
    '%s: each column with its type, and whether it may be null',
    async (name, t) => {
      const columns = await rows<{
        column_name: string
        udt_name: string
        is_nullable: string
        is_identity: string
      }>(
        `select column_name, udt_name, is_nullable, is_identity from information_schema.columns
       where table_schema = 'public' and table_name = $1`,
        [name],
      )
      const written = columns.filter((c) => c.is_identity === 'NO')
      const found = written.map((c) => [
        c.column_name,
        SHORT[c.udt_name] ?? c.udt_name,
        c.is_nullable === 'YES',
      ])
      expect(found.sort()).toEqual(t.parts.map((p) => [p.name, p.type, p.null]).sort())
      const counted = columns.filter((c) => c.is_identity === 'YES').map((c) => c.column_name)
      expect(counted).toEqual(t.counted === undefined ? [] : [t.counted])
    },
  )
  it.each(TABLES.map((t) => [t.name, t] as const))(
    '%s: its key, and that nothing kept is changed',
    async (name, t) => {
      const keys = await rows<{ attname: string }>(
        `select a.attname from pg_index i join pg_attribute a on a.attrelid = i.indrelid and a.attnum = any(i.indkey)
       where i.indrelid = $1::regclass and i.indisprimary`,
        [name],
      )
      expect(keys.map((k) => k.attname).sort()).toEqual([...t.key].sort())
      const triggers = await rows<{ tgname: string }>(
        `select tgname from pg_trigger where tgrelid = $1::regclass and not tgisinternal order by 1`,
        [name],
      )
      const refusals = t.keeps === 'append' ? [`${name}_kept`, `${name}_whole`] : []
      expect(triggers.map((x) => x.tgname)).toEqual(refusals)
    },
  )
})
