import type { Lot, LotChange } from '#contracts'
import {
  formOf,
  type Command,
  type Entry,
  type Fact,
  type Group,
  type LotHead,
  type PackWeighing,
  type Unit,
  type Weighing,
} from '#core/records'
import { many, one, type Row, type Tx } from '../store/tx.ts'
import { commandOf, factOf, groupOf, lotHeadOf, packOf, weighingOf } from './rows.ts'

export async function insertLot(tx: Tx, lot: Omit<LotHead, 'count'>): Promise<void> {
  await tx.query(
    `insert into lot (id, tag, species, anatomy, created_at, device, person, rev)
     values ($1, $2, $3, $4, $5, $6, $7, $8)`,
    [lot.id, lot.tag, lot.species, lot.anatomy, lot.createdAt, lot.device, lot.person, lot.rev],
  )
}

export async function insertGroup(tx: Tx, lot: string, g: Group): Promise<void> {
  await tx.query(
    `insert into lot_group (id, lot, parent, animals, half, name, rev, at, device, person)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10)`,
    [g.id, lot, g.parent, g.animals, g.half, g.name, g.rev, g.at, g.device, g.person],
  )
  for (const joins of g.joins)
    await tx.query('insert into lot_group_join (lot_group, joins) values ($1, $2)', [g.id, joins])
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
  const groups = await byLot(`${GROUPS} where g.lot = any($1::uuid[]) order by g.rev, g.id`, groupOf)
  const weighings = await byLot(rowsOf('weighing'), weighingOf)
  const commands = await byLot(rowsOf('command'), commandOf)
  const facts = await byLot(rowsOf('fact'), factOf)
  const packs = await byLot(rowsOf('pack'), packOf)
  return heads.map((h) => ({
    ...h,
    groups: groups.get(h.id)!,
    weighings: weighings.get(h.id)!,
    commands: commands.get(h.id)!,
    facts: facts.get(h.id)!,
    packs: packs.get(h.id)!,
  }))
}

export async function selectHead(tx: Tx, id: string): Promise<LotHead | null> {
  const row = await one<Row>(tx, `${HEADS} where l.id = $1`, [id])
  return row && lotHeadOf(row)
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

/** What a lot is, and what was added to it after a revision: as many rows as that are, whatever lies before. */
export async function selectSince(
  tx: Tx,
  id: string,
  from: number,
): Promise<{ head: LotHead; change: LotChange } | null> {
  const row = await one<Row>(tx, SINCE, [id, from])
  if (!row) return null
  const each = <R>(list: unknown, parse: (row: Row) => R) => (list as Row[]).map(parse)
  const head = lotHeadOf(row)
  return {
    head,
    change: {
      ...{ id, from, rev: head.rev },
      groups: each(row.groups, groupOf),
      weighings: each(row.weighings, weighingOf),
      commands: each(row.commands, commandOf),
      facts: each(row.facts, factOf),
      packs: each(row.packs, packOf),
    },
  }
}

/** Before the first revision. */
const NEVER = -1
export async function selectLot(tx: Tx, id: string): Promise<Lot | null> {
  const found = await selectSince(tx, id, NEVER)
  if (!found) return null
  const { groups, weighings, commands, facts, packs } = found.change
  return { ...found.head, groups, weighings, commands, facts, packs }
}

/** What every lot is, in the order they came. */
export async function selectHeads(tx: Tx): Promise<LotHead[]> {
  return (await many<Row>(tx, `${HEADS} order by l.number`)).map(lotHeadOf)
}

export async function selectLots(tx: Tx): Promise<Lot[]> {
  return filled(tx, await selectHeads(tx))
}

const ENTRY = 'id, lot_group, rev, at, device, person'

const entryOf = (e: Entry) => [e.id, e.group, e.rev, e.at, e.device, e.person]

export async function insertWeighing(tx: Tx, w: Weighing): Promise<void> {
  await tx.query(
    `insert into weighing (${ENTRY}, stage, basis, source, shown_value, shown_unit, grams, corrects, stands, weighed_on)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14, $15)`,
    [
      ...[...entryOf(w), w.stage, w.basis, w.source, w.shown.value, w.shown.unit, w.grams, w.corrects],
      ...[w.stands, w.day ?? null],
    ],
  )
}

const PACK_COLUMNS = `${ENTRY}, cut, shown_value, shown_unit, grams, packs, corrects, stands,
  number, pieces, wrap, place, said, out_of`
const packValues = (p: PackWeighing) => [
  ...[...entryOf(p), p.cut, p.shown.value, p.shown.unit, p.grams, p.packs, p.corrects, p.stands],
  ...[p.number, p.pieces ?? null, p.wrap ?? null, p.place ?? null, p.said ?? null, p.outOf ?? []],
]
const INSERT_PACK = `insert into pack (${PACK_COLUMNS})
  values (${Array.from({ length: 19 }, (_, i) => `$${i + 1}`).join(', ')})`

export async function insertPack(tx: Tx, p: PackWeighing): Promise<void> {
  await tx.query(INSERT_PACK, packValues(p))
}

/** A weigh-in and the packs it makes, in one statement; as it then lies there. */
export async function insertWeighIn(
  tx: Tx,
  lot: string,
  p: PackWeighing,
  units: readonly Unit[],
): Promise<PackWeighing> {
  const row = await one<Row>(
    tx,
    `with p as (${INSERT_PACK} returning *),
     u as (insert into unit (number, weigh_in, lot, cut, grams, state, place, at)
       select u.number, p.id, $20, p.cut, u.grams, 'here', p.place, p.at
       from p, unnest($21::bigint[], $22::bigint[]) as u (number, grams))
     select * from p`,
    [...packValues(p), lot, units.map((u) => u.number), units.map((u) => u.grams)],
  )
  return packOf(row!)
}

export async function insertCommand(tx: Tx, c: Command): Promise<void> {
  await tx.query(
    `insert into command (${ENTRY}, batch, undoes, redoes, decision, form)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11)`,
    [
      ...[...entryOf(c), c.batch, c.undoes, c.redoes, JSON.stringify(c.decision)],
      formOf('decision', c.decision.field),
    ],
  )
}

export async function insertFact(tx: Tx, f: Fact): Promise<void> {
  await tx.query(
    `insert into fact (${ENTRY}, corrects, stands, kind, fact, form)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11)`,
    [
      ...[...entryOf(f), f.corrects, f.stands, f.fact.kind, JSON.stringify(f.fact)],
      formOf('fact', f.fact.kind),
    ],
  )
}

/** A weighing of any lot under this id, to be held against one sent again. */
export async function selectWeighing(tx: Tx, id: string): Promise<Weighing | null> {
  const row = await one<Row>(tx, 'select * from weighing where id = $1', [id])
  return row && weighingOf(row)
}

export async function selectPack(tx: Tx, id: string): Promise<PackWeighing | null> {
  const row = await one<Row>(tx, 'select * from pack where id = $1', [id])
  return row && packOf(row)
}

/** Facts of any lot that have one of these ids. */
export async function selectFactsBy(tx: Tx, ids: string[]): Promise<Fact[]> {
  return (await many<Row>(tx, 'select * from fact where id = any($1::uuid[]) order by rev', [ids])).map(
    factOf,
  )
}

/** A batch of decisions of any lot. */
export async function selectBatch(tx: Tx, batch: string): Promise<Command[]> {
  return (await many<Row>(tx, 'select * from command where batch = $1 order by rev', [batch])).map(commandOf)
}

/** Decisions of any lot and batch that have one of these ids. */
export async function selectCommandsBy(tx: Tx, ids: string[]): Promise<Command[]> {
  return (await many<Row>(tx, 'select * from command where id = any($1::uuid[]) order by rev', [ids])).map(
    commandOf,
  )
}

export async function selectGroupsBy(tx: Tx, ids: string[]): Promise<Group[]> {
  return (await many<Row>(tx, `${GROUPS} where g.id = any($1::uuid[])`, [ids])).map(groupOf)
}

const KINDS = {
  ...{
    lot: 'lot',
    group: 'lot_group',
    weighing: 'weighing',
    pack: 'pack',
    decision: 'command',
    fact: 'fact',
  },
  ...{ paper: 'paper', 'event of a pack': 'pack_event', plan: 'cut_plan', sheet: 'sheet' },
}
const UNDER = Object.entries(KINDS)
  .map(([kind, table]) => `select '${kind}' as kind, id from ${table} where id = any($1::uuid[])`)
  .join(' union all ')
/** What already has one of these ids, whatever kind of thing it is. */
export const selectUnder = (tx: Tx, ids: readonly string[]) =>
  many<{ kind: string; id: string }>(tx, UNDER, [ids])
