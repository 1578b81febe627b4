/** What a statement needs of a transaction. */
export interface Tx {
  query<R>(sql: string, params?: unknown[]): Promise<{ rows: R[] }>
}

/** Two rows where there can be one: the statement, or the schema, is wrong. */
export class NotOne extends Error {
  constructor(sql: string, count: number) {
    super(`${count} rows where one was asked for: ${sql.replaceAll(/\s+/g, ' ').slice(0, 80)}`)
  }
}

export async function many<R>(tx: Tx, sql: string, params: unknown[] = []): Promise<R[]> {
  return (await tx.query<R>(sql, params)).rows
}

export async function one<R>(tx: Tx, sql: string, params: unknown[] = []): Promise<R | null> {
  const rows = await many<R>(tx, sql, params)
  if (rows.length > 1) throw new NotOne(sql, rows.length)
  return rows[0] ?? null
}

/** A row as a table holds it; numeric and bigint arrive as text or number. Parsed into its record here and nowhere else. */
export type Row = Record<string, unknown>

/** A row of its own has a date; one inside a list has the text of it. */
export const instant = (at: unknown) => new Date(at as Date | string).toISOString()

export const entry = (r: Row) => ({
  id: r.id,
  group: r.lot_group,
  rev: Number(r.rev),
  at: instant(r.at),
  device: r.device,
  person: r.person,
})

export const correction = (r: Row) => ({ corrects: r.corrects, stands: r.stands })

export const shown = (r: Row) => ({ value: Number(r.shown_value), unit: r.shown_unit })
