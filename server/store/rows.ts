import type { KeptFarm, Lot, Paper } from '#contracts'
import { grams } from '#core/measure'
import type { Command } from '#core/plan'

/** What a statement needs of a transaction. */
export interface Tx {
  query<R>(sql: string, params?: unknown[]): Promise<{ rows: R[] }>
}

export async function one<R>(tx: Tx, sql: string, params: unknown[] = []): Promise<R | null> {
  const { rows } = await tx.query<R>(sql, params)
  return rows[0] ?? null
}

export async function many<R>(tx: Tx, sql: string, params: unknown[] = []): Promise<R[]> {
  return (await tx.query<R>(sql, params)).rows
}

/** Rows as the tables hold them; numeric and bigint arrive as text or number and leave as numbers here only. */
export interface FarmRow {
  name: string
  currency: string
  mass_unit: KeptFarm['massUnit']
  name_set: KeptFarm['nameSet']
  zone: string
  mince_per_kg: string
  revision: number
}

export interface LotRow {
  id: string
  tag: string
  species: Lot['species']
  anatomy: string
  created_at: Date
  group_id: string
  animals: number
}

interface WeightRow {
  id: string
  shown_value: string
  shown_unit: 'kg' | 'lb'
  grams: string | number
  corrects: string | null
  stands: boolean
  at: Date
}
export type WeighingRow = WeightRow & Pick<Lot['weighings'][number], 'stage' | 'basis' | 'source'>
export type PackRow = WeightRow & { cut: string; packs: number }
export type CommandRow = Omit<Command, 'seq' | 'at'> & { seq: string | number; at: Date }

export interface PaperRow {
  id: string
  lot: string
  kind: Paper['kind']
  share: Paper['share']
  data: Record<string, unknown>
  issued_at: Date
}

export const farmOf = (r: FarmRow): KeptFarm => ({
  name: r.name,
  currency: r.currency,
  massUnit: r.mass_unit,
  nameSet: r.name_set,
  zone: r.zone,
  mincePerKg: Number(r.mince_per_kg),
  revision: r.revision,
})

const weightOf = (r: WeightRow) => ({
  id: r.id,
  shown: { value: Number(r.shown_value), unit: r.shown_unit },
  grams: grams(Number(r.grams)),
  corrects: r.corrects,
  stands: r.stands,
  at: r.at.toISOString(),
})
export const weighingOf = (r: WeighingRow) => ({
  ...weightOf(r),
  stage: r.stage,
  basis: r.basis,
  source: r.source,
})
export const packOf = (r: PackRow) => ({ ...weightOf(r), cut: r.cut, packs: r.packs })
export const commandOf = (r: CommandRow): Command => ({
  id: r.id,
  seq: Number(r.seq),
  batch: r.batch,
  undoes: r.undoes,
  redoes: r.redoes,
  decision: r.decision,
  at: r.at.toISOString(),
})
export const paperOf = (r: PaperRow): Paper => ({
  id: r.id,
  lot: r.lot,
  kind: r.kind,
  share: r.share,
  data: r.data,
  issuedAt: r.issued_at.toISOString(),
})
