import { anatomyOf, type Pinned } from './pins.ts'
import { issuedPaperSchema, type IssuedPaper } from '#core/papers'
import {
  commandSchema,
  factSchema,
  groupSchema,
  keptFarmSchema,
  lotHeadSchema,
  ownVersionSchema,
  packSchema,
  storedPlanSchema,
  weighingSchema,
  type Command,
  type Fact,
  type Group,
  type KeptFarm,
  type LotHead,
  type OwnVersion,
  type PackWeighing,
  type StoredPlan,
  type Weighing,
} from '#core/records'

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
const instant = (at: unknown) => (at as Date).toISOString()
const entry = (r: Row) => ({
  id: r.id,
  group: r.lot_group,
  rev: Number(r.rev),
  at: instant(r.at),
  device: r.device,
  person: r.person,
})
const correction = (r: Row) => ({ corrects: r.corrects, stands: r.stands })
const shown = (r: Row) => ({ value: Number(r.shown_value), unit: r.shown_unit })

export const farmOf = (r: Row): KeptFarm =>
  keptFarmSchema.parse({
    name: r.name,
    currency: r.currency,
    massUnit: r.mass_unit,
    nameSet: r.name_set,
    zone: r.zone,
    mince: { milli: Number(r.mince_milli), per: r.mince_per },
    hour: Number(r.hour),
    revision: r.revision,
  })
export const weighingOf = (r: Row): Weighing =>
  weighingSchema.parse({
    ...entry(r),
    ...correction(r),
    stage: r.stage,
    basis: r.basis,
    source: r.source,
    shown: shown(r),
    grams: Number(r.grams),
  })
export const packOf = (r: Row): PackWeighing =>
  packSchema.parse({
    ...entry(r),
    ...correction(r),
    cut: r.cut,
    shown: shown(r),
    grams: Number(r.grams),
    packs: r.packs,
  })
export const commandOf = (r: Row): Command =>
  commandSchema.parse({
    ...entry(r),
    batch: r.batch,
    undoes: r.undoes,
    redoes: r.redoes,
    decision: r.decision,
  })
export const factOf = (r: Row): Fact => factSchema.parse({ ...entry(r), ...correction(r), fact: r.fact })
export const groupOf = (r: Row): Group =>
  groupSchema.parse({
    id: r.id,
    rev: Number(r.rev),
    at: instant(r.at),
    device: r.device,
    person: r.person,
    parent: r.parent,
    animals: r.animals,
  })
export const lotHeadOf = (r: Row): LotHead =>
  lotHeadSchema.parse({
    id: r.id,
    tag: r.tag,
    species: r.species,
    count: r.count,
    anatomy: r.anatomy,
    createdAt: instant(r.created_at),
    device: r.device,
    person: r.person,
    rev: Number(r.rev),
  })
export const ownOf = (r: Row): OwnVersion =>
  ownVersionSchema.parse({ version: r.version, body: r.body, at: instant(r.at) })
export const planOf = (r: Row): StoredPlan =>
  storedPlanSchema.parse({
    id: r.id,
    body: r.body,
    at: instant(r.at),
    withdrawn: r.withdrawn,
    revision: r.revision,
  })
export const paperOf = (r: Row): IssuedPaper =>
  issuedPaperSchema.parse({
    id: r.id,
    lot: r.lot,
    kind: r.kind,
    share: r.share,
    data: r.data,
    issuedAt: instant(r.issued_at),
  })
export const pinOf = (r: Row): Pinned => anatomyOf(String(r.hash), r.body)
