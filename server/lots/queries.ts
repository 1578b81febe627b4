import type { Lot, LotChange } from '#contracts'
import type { Command, Fact, Group, LotHead, PackWeighing, Weighing } from '#core/records'
import {
  commands,
  facts,
  groupJoins,
  groups,
  insert,
  lots,
  packs,
  select,
  selectOne,
  TABLES,
  units,
  weighings,
  type UnitKept,
} from '../store/tables/index.ts'
import { many, one, type Row, type Tx } from '../store/tx.ts'

/** Groups of a lot, with what each was put together of. */
export async function insertGroups(tx: Tx, lot: string, all: readonly Group[]): Promise<void> {
  await insert(
    tx,
    groups,
    all.map((g) => ({ ...g, lot })),
  )
  await insert(
    tx,
    groupJoins,
    all.flatMap((g) => g.joins.map((joins) => ({ group: g.id, joins }))),
  )
}

/** The next `count` revisions of a lot; the first of them. Whoever writes next waits until this is kept. */
export async function takeRevisions(tx: Tx, lot: string, count: number): Promise<number> {
  const row = await one<{ rev: string | number }>(
    tx,
    'update lot set rev = rev + $2 where id = $1 returning rev',
    [lot, count],
  )
  return Number(row!.rev) - count + 1
}

const HEADS = `select l.*, (select sum(g.animals)::int from lot_group g where g.lot = l.id and g.parent is null) as count
  from lot l`

const GROUPS = `select g.*, g.lot as of_lot,
  (select coalesce(json_agg(j.joins order by j.joins), '[]') from lot_group_join j where j.lot_group = g.id) as joins
  from lot_group g`

const rowsOf = (table: string) =>
  `select r.*, g.lot as of_lot from ${table} r join lot_group g on g.id = r.lot_group where g.lot = any($1::uuid[]) order by r.rev`

/** Lots with all their records: as many statements for one lot as for all of them. */
export async function filled(tx: Tx, heads: readonly LotHead[]): Promise<Lot[]> {
  if (heads.length === 0) return []
  const ids = [heads.map((h) => h.id)]
  const byLot = async <R>(sql: string, parse: (row: Row) => R): Promise<Map<string, R[]>> => {
    const found = new Map<string, R[]>(heads.map((h) => [h.id, []]))
    for (const row of await many<Row>(tx, sql, ids)) found.get(String(row.of_lot))!.push(parse(row))
    return found
  }
  const ofGroups = await byLot(`${GROUPS} where g.lot = any($1::uuid[]) order by g.rev, g.id`, groups.read)
  const ofWeighings = await byLot(rowsOf('weighing'), weighings.read)
  const ofCommands = await byLot(rowsOf('command'), commands.read)
  const ofFacts = await byLot(rowsOf('fact'), facts.read)
  const ofPacks = await byLot(rowsOf('pack'), packs.read)
  return heads.map((h) => ({
    ...h,
    groups: ofGroups.get(h.id)!,
    weighings: ofWeighings.get(h.id)!,
    commands: ofCommands.get(h.id)!,
    facts: ofFacts.get(h.id)!,
    packs: ofPacks.get(h.id)!,
  }))
}

export async function selectHead(tx: Tx, id: string): Promise<LotHead | null> {
  const row = await one<Row>(tx, `${HEADS} where l.id = $1`, [id])
  return row && lots.read(row)
}

/** The revision a lot is at; null where there is none. */
export async function selectRev(tx: Tx, id: string): Promise<number | null> {
  const row = await one<Row>(tx, 'select rev from lot where id = $1', [id])
  return row && Number(row.rev)
}

const listed = (rows: string) => `(select coalesce(json_agg(x), '[]') from (${rows}) x)`
const after = (table: string) =>
  listed(`select r.* from ${table} r join lot_group g on g.id = r.lot_group
    where g.lot = l.id and r.rev > $2 order by r.rev`)
/** One statement: each is waited for, whatever it reads. */
const SINCE = `select l.*,
    (select sum(g.animals)::int from lot_group g where g.lot = l.id and g.parent is null) as count,
    ${listed(`${GROUPS} where g.lot = l.id and g.rev > $2 order by g.rev, g.id`)} as groups,
    ${after('weighing')} as weighings, ${after('command')} as commands,
    ${after('fact')} as facts, ${after('pack')} as packs
  from lot l where l.id = $1`

type Records = Omit<LotChange, 'id' | 'from' | 'rev'>

/** What a lot is, and what was added to it after a revision: as many rows as that are, whatever lies before. */
export async function selectSince(
  tx: Tx,
  id: string,
  from: number,
): Promise<{ head: LotHead; records: Records; change: LotChange } | null> {
  const row = await one<Row>(tx, SINCE, [id, from])
  if (!row) return null
  const each = <R>(list: unknown, parse: (row: Row) => R) => (list as Row[]).map(parse)
  const head = lots.read(row)
  const records: Records = {
    groups: each(row.groups, groups.read),
    weighings: each(row.weighings, weighings.read),
    commands: each(row.commands, commands.read),
    facts: each(row.facts, facts.read),
    packs: each(row.packs, packs.read),
  }
  return { head, records, change: { id, from, rev: head.rev, ...records } }
}

/** Before the first revision. */
const NEVER = -1
export async function selectLot(tx: Tx, id: string): Promise<Lot | null> {
  const found = await selectSince(tx, id, NEVER)
  if (!found) return null
  return { ...found.head, ...found.records }
}

/** What every lot is, in the order they came. */
export async function selectHeads(tx: Tx): Promise<LotHead[]> {
  return (await many<Row>(tx, `${HEADS} order by l.number`)).map(lots.read)
}

export async function selectLots(tx: Tx): Promise<Lot[]> {
  return filled(tx, await selectHeads(tx))
}

/** A weigh-in and the packs it makes, in one statement; as it then lies there. */
export async function insertWeighIn(
  tx: Tx,
  pack: PackWeighing,
  made: readonly UnitKept[],
): Promise<PackWeighing> {
  const row = await one<Row>(
    tx,
    `with p as (${packs.insertion} returning *), u as (${units.insertion.replace('$1', '$2')}) select * from p`,
    [packs.rows([pack]), units.rows(made)],
  )
  return packs.read(row!)
}

const BY_ID = 'id = any($1::uuid[])'
/** A weighing of any lot under this id, to be held against one sent again. */
export const selectWeighing = (tx: Tx, id: string): Promise<Weighing | null> =>
  selectOne(tx, weighings, 'id = $1', [id])

export const selectPack = (tx: Tx, id: string): Promise<PackWeighing | null> =>
  selectOne(tx, packs, 'id = $1', [id])

/** Facts of any lot that have one of these ids. */
export const selectFactsBy = (tx: Tx, ids: string[]): Promise<Fact[]> => select(tx, facts, BY_ID, [ids])

/** A batch of decisions of any lot. */
export const selectBatch = (tx: Tx, batch: string): Promise<Command[]> =>
  select(tx, commands, 'batch = $1', [batch])

/** Decisions of any lot and batch that have one of these ids. */
export const selectCommandsBy = (tx: Tx, ids: string[]): Promise<Command[]> =>
  select(tx, commands, BY_ID, [ids])

export async function selectGroupsBy(tx: Tx, ids: string[]): Promise<Group[]> {
  return (await many<Row>(tx, `${GROUPS} where g.id = any($1::uuid[])`, [ids])).map(groups.read)
}

const UNDER = TABLES.filter((t) => t.called !== null)
  .map(({ called, name }) => `select '${called}' as kind, id from ${name} where id = any($1::uuid[])`)
  .join(' union all ')
/** What already has one of these ids, whatever kind of thing it is. */
export const selectUnder = (tx: Tx, ids: readonly string[]) =>
  many<{ kind: string; id: string }>(tx, UNDER, [ids])
