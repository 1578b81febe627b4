import { formOf, formUp, type Family } from '#core/records'
import { instant, type Row } from '../tx.ts'

export type SqlType =
  | 'uuid'
  | 'text'
  | 'smallint'
  | 'integer'
  | 'bigint'
  | 'numeric'
  | 'boolean'
  | 'jsonb'
  | 'timestamptz'
  | 'bigint[]'

/** One column of the database; its name is that of the field where none is said. */
export interface Part {
  name: string | null
  type: SqlType
  null: boolean
}
/** How a field of a record lies in its columns: none where a statement works it out. */
export interface Column {
  parts: readonly Part[]
  write(value: unknown): unknown[]
  read(...values: unknown[]): unknown
}

/** A field of one column: null where the record has null (`orNull`), or has no such field (`orNone`). */
export interface Single extends Column {
  of(name: string): Single
  orNull: Single
  orNone: Single
}
function single(
  type: SqlType,
  reads: (value: unknown) => unknown = (v) => v,
  { name, none }: { name: string | null; none: null | undefined | 'never' } = { name: null, none: 'never' },
): Single {
  return {
    parts: [{ name, type, null: none !== 'never' }],
    write: (value) => [value ?? null],
    read: (value) => (value === null && none !== 'never' ? none : reads(value)),
    of: (to) => single(type, reads, { name: to, none }),
    get orNull() {
      return single(type, reads, { name, none: null })
    },
    get orNone() {
      return single(type, reads, { name, none: undefined })
    },
  }
}
export const uuid = single('uuid')
export const text = single('text')
export const boolean = single('boolean')
export const jsonb = single('jsonb')
export const smallint = single('smallint', Number)
export const integer = single('integer', Number)
export const bigint = single('bigint', Number)
export const instantAt = single('timestamptz', instant)
/** Numbers, none where the record says nothing of them. */
export const numbers: Column = {
  parts: [{ name: null, type: 'bigint[]', null: false }],
  write: (value) => [value ?? []],
  read: (value) => ((value as unknown[]).length > 0 ? (value as unknown[]).map(Number) : undefined),
}

/** Fields of a record in a field of it, each in a column of its own; all null where there is none. */
const pair = (parts: readonly Part[], keys: readonly [string, string]): Column => ({
  parts,
  write: (value) => keys.map((key) => (value as Row | undefined)?.[key] ?? null),
  read: (first, second) => (first === null ? undefined : { [keys[0]]: Number(first), [keys[1]]: second }),
})
/** A weight as a scale showed it: its figure and its unit. */
export const shownAs = (name: string, isNull = false): Column =>
  pair(
    [
      { name: `${name}_value`, type: 'numeric', null: isNull },
      { name: `${name}_unit`, type: 'text', null: isNull },
    ],
    ['value', 'unit'],
  )
export const priceAs = (name: string): Column =>
  pair(
    [
      { name: `${name}_milli`, type: 'bigint', null: false },
      { name: `${name}_per`, type: 'text', null: false },
    ],
    ['milli', 'per'],
  )

/** A body of a kind of record, with the form it was written in and, where it stands by itself, its name: brought up as it is read. */
export const bodyOf = (
  family: Family,
  { name, tag, named }: { name: string; tag: string; named: boolean },
): Column => ({
  parts: [
    ...(named ? [{ name: tag, type: 'text', null: false } as const] : []),
    { name, type: 'jsonb', null: false },
    { name: 'form', type: 'smallint', null: false },
  ],
  write: (value) => {
    const id = String((value as Row)[tag])
    return [...(named ? [id] : []), value, formOf(family, id)]
  },
  read: (...values) => {
    const [body, form] = values.slice(-2) as [Row, unknown]
    return formUp(family, String(body[tag]), body, Number(form))
  },
})

/** What a statement works out beside the table, under the field’s own name. */
export const workedOut: Column = { parts: [], write: () => [], read: (value) => value }
