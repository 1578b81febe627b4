import type { z } from 'zod'
import { many, one, type Row, type Tx } from '../tx.ts'
import type { Column, Part } from './columns.ts'

/** Rows are only added (triggers refuse any change), or change in place with a revision that goes up, or are worked out from others. */
export type Keeps = 'append' | 'replace' | 'derived'

interface Description<R extends object, W extends R> {
  name: string
  schema: z.ZodType<R>
  /** What is changed by it. */
  keeps: Keeps
  /** The columns that tell one row from another. */
  key: readonly string[]
  /** The columns rows stand in order by. */
  order: readonly string[]
  /** A column the database counts up by itself. */
  counted?: string
  /** A column of every field of the record; and columns that are written of it and not read back. */
  columns: { [K in keyof Required<R>]: Column }
  also?: Record<string, { column: Column; from: (row: W) => unknown }>
  /** Columns that a later write leaves as they were first. */
  once?: readonly string[]
  /** What one of its rows is called where its id stands for another thing; null where it has no id of its own. */
  called: string | null
  /** Under which name its rows stand in a bundle, of the farm or within each lot. */
  bundle?: string
  within?: 'lots'
}
/** A table of the database as records lie in it: what is written, read, taken away and brought back follows from it. */
export interface Table<R extends object, W extends R = R> extends Description<R, W> {
  parts: readonly (Part & { name: string })[]
  /** Rows as JSON in `$1`, one statement for all of them. */
  insertion: string
  rows(written: readonly W[]): string
  /** A row as the database gives it. */
  read(row: Row): R
}

const snake = (key: string) => key.replaceAll(/[A-Z]/g, (x) => `_${x.toLowerCase()}`)

export function table<R extends object, W extends R = R>(of: Description<R, W>): Table<R, W> {
  const fields = Object.entries(of.columns) as [string, Column][]
  const also = Object.entries(of.also ?? {})
  const under = (key: string, column: Column) =>
    column.parts.map((p) => ({ ...p, name: p.name ?? snake(key) }))
  const columns = [
    ...fields.map(([key, column]) => ({
      column,
      parts: under(key, column),
      from: (row: W) => (row as Row)[key],
    })),
    ...also.map(([key, { column, from }]) => ({ column, parts: under(key, column), from })),
  ]
  const parts = columns.flatMap((c) => c.parts)
  const names = parts.map((p) => p.name).join(', ')
  const typed = parts.map((p) => `${p.name} ${p.type}`).join(', ')
  const reads = fields.map(([key, column]) => ({
    key,
    column,
    names: column.parts.length > 0 ? under(key, column).map((p) => p.name) : [key],
  }))
  return {
    ...of,
    parts,
    insertion: `insert into ${of.name} (${names}) select ${names} from jsonb_to_recordset($1::jsonb) as r (${typed})`,
    rows: (written) =>
      JSON.stringify(
        written.map((row) =>
          Object.fromEntries(
            columns.flatMap((c) => {
              const values = c.column.write(c.from(row))
              return c.parts.map((p, i) => [p.name, values[i]])
            }),
          ),
        ),
      ),
    read: (row) => {
      const record: Row = {}
      for (const { key, column, names: at } of reads) {
        const value = column.read(...at.map((n) => row[n]))
        // A field that is not said is not there, and not one that says nothing.
        if (value !== undefined) record[key] = value
      }
      return of.schema.parse(record)
    },
  }
}

/** Adds rows: one statement, however many they are. */
export async function insert<R extends object, W extends R>(
  tx: Tx,
  into: Table<R, W>,
  rows: readonly W[],
): Promise<void> {
  if (rows.length > 0) await tx.query(into.insertion, [into.rows(rows)])
}

/** Adds a row, or sets it in place of the one with its key. */
export async function put<R extends object, W extends R>(tx: Tx, into: Table<R, W>, row: W): Promise<void> {
  const kept = new Set([...into.key, ...(into.once ?? [])])
  const set = into.parts.filter((p) => !kept.has(p.name)).map((p) => `${p.name} = excluded.${p.name}`)
  await tx.query(`${into.insertion} on conflict (${into.key.join()}) do update set ${set.join()}`, [
    into.rows([row]),
  ])
}

const statement = (of: Table<never>, where: string) =>
  `select * from ${of.name}${where && ` where ${where}`} order by ${of.order.join()}`

/** Rows of a table, in its order; of those that `where` asks for. */
export const select = async <R extends object, W extends R>(
  tx: Tx,
  of: Table<R, W>,
  where = '',
  params: unknown[] = [],
): Promise<R[]> => (await many<Row>(tx, statement(of as never, where), params)).map(of.read)

export async function selectOne<R extends object, W extends R>(
  tx: Tx,
  of: Table<R, W>,
  where: string,
  params: unknown[],
): Promise<R | null> {
  const row = await one<Row>(tx, statement(of as never, where), params)
  return row && of.read(row)
}
