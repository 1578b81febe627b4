import type { KeptFarm, Lot, NewPack, NewWeighing, OwnVersion, Paper, StoredPlan } from '#contracts'
import type { Anatomy } from '#core/anatomy'
import { gramsOf } from '#core/measure'
import type { Command } from '#core/plan'
import {
  commandOf,
  farmOf,
  many,
  one,
  packOf,
  paperOf,
  weighingOf,
  type CommandRow,
  type FarmRow,
  type LotRow,
  type PackRow,
  type PaperRow,
  type Tx,
  type WeighingRow,
} from './rows.ts'

export async function selectFarm(tx: Tx): Promise<KeptFarm | null> {
  const row = await one<FarmRow>(tx, 'select * from farm where id = 1')
  return row && farmOf(row)
}

export async function upsertFarm(tx: Tx, f: KeptFarm): Promise<void> {
  await tx.query(
    `insert into farm (id, name, currency, mass_unit, name_set, zone, mince_per_kg, revision)
     values (1, $1, $2, $3, $4, $5, $6, $7)
     on conflict (id) do update set
       name = $1, currency = $2, mass_unit = $3, name_set = $4, zone = $5, mince_per_kg = $6, revision = $7`,
    [f.name, f.currency, f.massUnit, f.nameSet, f.zone, f.mincePerKg, f.revision],
  )
}

export async function selectAnatomy(tx: Tx, hash: string): Promise<Anatomy | null> {
  return (await one<{ body: Anatomy }>(tx, 'select body from anatomy where hash = $1', [hash]))?.body ?? null
}

export async function insertAnatomy(tx: Tx, hash: string, species: string, body: unknown): Promise<void> {
  await tx.query('insert into anatomy (hash, species, body) values ($1, $2, $3) on conflict do nothing', [
    hash,
    species,
    JSON.stringify(body),
  ])
}

const ownOf = (r: { version: number; body: OwnVersion['body']; at: Date }): OwnVersion => ({
  version: r.version,
  body: r.body,
  at: r.at.toISOString(),
})

/** Every version of the farm's own additions, oldest first; of one species, or of all. */
export async function selectOwn(tx: Tx, species: string | null): Promise<OwnVersion[]> {
  const rows = await many<Parameters<typeof ownOf>[0]>(
    tx,
    'select version, body, at from own_addition where $1::text is null or species = $1 order by species, version',
    [species],
  )
  return rows.map(ownOf)
}

export async function insertOwn(tx: Tx, own: OwnVersion): Promise<void> {
  await tx.query('insert into own_addition (species, version, body, at) values ($1, $2, $3, $4)', [
    own.body.species,
    own.version,
    JSON.stringify(own.body),
    own.at,
  ])
}

type PlanRow = Omit<StoredPlan, 'at'> & { at: Date }
const PLANS = 'select id, body, at, withdrawn, revision from cut_plan'
const planOf = (r: PlanRow): StoredPlan => ({ ...r, at: r.at.toISOString() })

/** Every named plan in the order they came, those taken away too. */
export async function selectPlans(tx: Tx): Promise<StoredPlan[]> {
  return (await many<PlanRow>(tx, `${PLANS} order by number`)).map(planOf)
}

export async function selectPlan(tx: Tx, id: string): Promise<StoredPlan | null> {
  const row = await one<PlanRow>(tx, `${PLANS} where id = $1`, [id])
  return row && planOf(row)
}

export async function upsertPlan(tx: Tx, p: StoredPlan): Promise<void> {
  await tx.query(
    `insert into cut_plan (id, species, body, at, withdrawn, revision) values ($1, $2, $3, $4, $5, $6)
     on conflict (id) do update set species = $2, body = $3, withdrawn = $5, revision = $6`,
    [p.id, p.body.species, JSON.stringify(p.body), p.at, p.withdrawn, p.revision],
  )
}

export async function insertLot(
  tx: Tx,
  lot: Pick<Lot, 'id' | 'tag' | 'species' | 'count' | 'anatomy' | 'createdAt'>,
): Promise<void> {
  await tx.query('insert into lot (id, tag, species, anatomy, created_at) values ($1, $2, $3, $4, $5)', [
    lot.id,
    lot.tag,
    lot.species,
    lot.anatomy,
    lot.createdAt,
  ])
  await tx.query('insert into lot_group (id, lot, animals) values ($1, $1, $2)', [lot.id, lot.count])
}

const LOTS = `select l.id, l.tag, l.species, l.anatomy, l.created_at, g.id as group_id, g.animals
  from lot l join lot_group g on g.lot = l.id`

async function filled(tx: Tx, row: LotRow): Promise<Lot> {
  return {
    id: row.id,
    tag: row.tag,
    species: row.species,
    count: row.animals,
    anatomy: row.anatomy,
    createdAt: row.created_at.toISOString(),
    weighings: (
      await many<WeighingRow>(tx, 'select * from weighing where lot_group = $1 order by ordinal', [
        row.group_id,
      ])
    ).map(weighingOf),
    commands: (
      await many<CommandRow>(tx, 'select * from command where lot_group = $1 order by seq', [row.group_id])
    ).map(commandOf),
    packs: (
      await many<PackRow>(tx, 'select * from pack where lot_group = $1 order by ordinal', [row.group_id])
    ).map(packOf),
  }
}

export async function selectLot(tx: Tx, id: string): Promise<Lot | null> {
  const row = await one<LotRow>(tx, `${LOTS} where l.id = $1`, [id])
  return row && filled(tx, row)
}

export async function selectLots(tx: Tx): Promise<Lot[]> {
  const lots: Lot[] = []
  for (const row of await many<LotRow>(tx, `${LOTS} order by l.number`)) lots.push(await filled(tx, row))
  return lots
}

export async function insertWeighing(
  tx: Tx,
  lot: string,
  w: Omit<NewWeighing, 'confirmed'>,
  at: string,
): Promise<void> {
  await tx.query(
    `insert into weighing (id, lot_group, stage, basis, source, shown_value, shown_unit, grams, corrects, stands, at)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11)`,
    [
      w.id,
      lot,
      w.stage,
      w.basis,
      w.source,
      w.shown.value,
      w.shown.unit,
      gramsOf(w.shown),
      w.corrects,
      w.stands,
      at,
    ],
  )
}

export async function insertPack(tx: Tx, lot: string, p: NewPack, at: string): Promise<void> {
  await tx.query(
    `insert into pack (id, lot_group, cut, shown_value, shown_unit, grams, packs, corrects, stands, at)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10)`,
    [p.id, lot, p.cut, p.shown.value, p.shown.unit, gramsOf(p.shown), p.packs, p.corrects, p.stands, at],
  )
}

export async function insertCommand(tx: Tx, lot: string, c: Omit<Command, 'seq'>): Promise<void> {
  await tx.query(
    'insert into command (id, lot_group, batch, undoes, redoes, decision, at) values ($1, $2, $3, $4, $5, $6, $7)',
    [c.id, lot, c.batch, c.undoes, c.redoes, JSON.stringify(c.decision), c.at],
  )
}

/** A restored command keeps its number: later conflicts are judged by it. */
export async function insertNumberedCommand(tx: Tx, lot: string, c: Command): Promise<void> {
  await tx.query(
    `insert into command (seq, id, lot_group, batch, undoes, redoes, decision, at) overriding system value
     values ($1, $2, $3, $4, $5, $6, $7, $8)`,
    [c.seq, c.id, lot, c.batch, c.undoes, c.redoes, JSON.stringify(c.decision), c.at],
  )
}

export async function continueNumbers(tx: Tx): Promise<void> {
  await tx.query(
    `select setval(pg_get_serial_sequence('command', 'seq'), coalesce((select max(seq) from command), 0) + 1, false)`,
  )
}

export async function insertPaper(tx: Tx, p: Paper): Promise<void> {
  await tx.query(
    'insert into paper (id, lot, kind, data, issued_at, share) values ($1, $2, $3, $4, $5, $6)',
    [p.id, p.lot, p.kind, JSON.stringify(p.data), p.issuedAt, p.share],
  )
}

export async function selectPaper(tx: Tx, id: string): Promise<Paper | null> {
  const row = await one<PaperRow>(tx, 'select * from paper where id = $1', [id])
  return row && paperOf(row)
}

export async function selectPapers(tx: Tx): Promise<Paper[]> {
  return (await many<PaperRow>(tx, 'select * from paper order by number')).map(paperOf)
}

const AS_SENT = `id, lot_group as lot, shown_value, shown_unit, corrects, stands`
interface SentRow {
  id: string
  lot: string
  shown_value: string
  shown_unit: 'kg' | 'lb'
  corrects: string | null
  stands: boolean
}
const sentOf = <R extends SentRow>({ shown_value, shown_unit, ...row }: R) => ({
  ...row,
  shown: { value: Number(shown_value), unit: shown_unit },
})

/** A weighing of any lot, as it was sent; to be held against one sent again. */
export async function selectWeighing(tx: Tx, id: string) {
  const row = await one<SentRow & Pick<NewWeighing, 'stage' | 'basis' | 'source'>>(
    tx,
    `select ${AS_SENT}, stage, basis, source from weighing where id = $1`,
    [id],
  )
  return row && sentOf(row)
}

/** Packs of any lot, as they were sent. */
export async function selectPack(tx: Tx, id: string) {
  const row = await one<SentRow & Pick<NewPack, 'cut' | 'packs'>>(
    tx,
    `select ${AS_SENT}, cut, packs from pack where id = $1`,
    [id],
  )
  return row && sentOf(row)
}

/** A batch of decisions of any lot, as it was sent. */
export async function selectBatch(tx: Tx, batch: string) {
  const rows = await many<Pick<Command, 'id' | 'batch' | 'undoes' | 'redoes' | 'decision'> & { lot: string }>(
    tx,
    'select id, lot_group as lot, batch, undoes, redoes, decision from command where batch = $1 order by seq',
    [batch],
  )
  const [first] = rows
  if (!first) return null
  const { lot, undoes, redoes } = first
  return { lot, batch, undoes, redoes, commands: rows.map(({ id, decision }) => ({ id, decision })) }
}

/** Decisions of any lot and batch that have one of these ids. */
export function selectCommandsBy(tx: Tx, ids: string[]): Promise<Pick<Command, 'id' | 'decision'>[]> {
  return many(tx, 'select id, decision from command where id = any($1::uuid[])', [ids])
}
