import { unitRowSchema, type PackPage, type PacksAsked, type UnitRow } from '#contracts'
import { grams } from '#core/measure'
import { hashSchema, type PackEvent, type Unit } from '#core/records'
import { insert, packEvents, select } from '../store/tables/index.ts'
import { instant, many, one, shown, type Row, type Tx } from '../store/tx.ts'

const heldSchema = unitRowSchema.omit({ names: true }).extend({ anatomy: hashSchema })
/** A pack, and the anatomy its cut is named by. */
export type UnitHeld = Omit<UnitRow, 'names'> & { anatomy: string }

const unitOf = (r: Row): UnitHeld =>
  heldSchema.parse({
    number: Number(r.number),
    weighIn: r.weigh_in,
    lot: r.lot,
    tag: r.tag,
    species: r.species,
    anatomy: r.anatomy,
    cut: r.cut,
    grams: Number(r.grams),
    shown: r.packs === 1 ? shown(r) : null,
    pieces: r.pieces,
    state: r.state,
    place: r.place,
    wrap: r.wrap,
    at: instant(r.at),
  })

/**
 * The next revision of a lot for a weigh-in, and the first of as many numbers as it makes packs: whoever writes next waits until
 * this is kept, so no number is given twice, and a refusal leaves no gap. Null where that weigh-in is kept already: nothing is taken.
 */
export async function takeNumbers(
  tx: Tx,
  lot: string,
  weighIn: string,
  packs: number,
): Promise<{ rev: number; number: number | null } | null> {
  const row = await one<Row>(
    tx,
    `with fresh as (select where not exists (select 1 from pack where id = $2)),
     taken as (
       update counter set next = next + $3 from fresh where name = 'pack' and $3 > 0 returning next - $3 as number)
     update lot set rev = rev + 1 from fresh where lot.id = $1 returning rev, (select number from taken) as number`,
    [lot, weighIn, packs],
  )
  return row && { rev: Number(row.rev), number: row.number === null ? null : Number(row.number) }
}

/** What became of packs. */
export async function setState(tx: Tx, numbers: readonly number[], state: Unit['state']): Promise<void> {
  if (numbers.length === 0) return
  await tx.query('update unit set state = $2 where number = any($1::bigint[])', [numbers, state])
}

/** Of these packs, those that were put somewhere after they were made. */
export async function movedOf(tx: Tx, numbers: readonly number[]): Promise<number[]> {
  if (numbers.length === 0) return []
  const rows = await many<Row>(
    tx,
    `select distinct number from pack_event where what = 'put' and number = any($1::bigint[]) order by number`,
    [numbers],
  )
  return rows.map((r) => Number(r.number))
}

/** Packs with what is said of them elsewhere: joined only once a page of them is cut out. */
const withRest = (
  units: string,
) => `select u.*, l.tag, l.species, p.wrap, p.packs, p.pieces, p.shown_value, p.shown_unit,
    coalesce((select c.decision->>'value' from command c join lot_group g on g.id = c.lot_group
      where g.lot = l.id and c.decision->>'field' = 'anatomy' order by c.rev desc limit 1), l.anatomy) as anatomy
  from (${units}) u join lot l on l.id = u.lot join pack p on p.id = u.weigh_in`

export async function selectUnit(tx: Tx, number: number): Promise<UnitHeld | null> {
  const row = await one<Row>(tx, withRest('select * from unit where number = $1'), [number])
  return row && unitOf(row)
}

/** A page of packs, newest number first; one more than asked says that there are more. */
export async function selectUnits(tx: Tx, asked: PacksAsked): Promise<UnitHeld[]> {
  const { lot, state, place, cut, before, limit } = asked
  // Only what is asked stands in the statement: its indices are taken by it.
  const asks = [
    ['lot =', lot],
    ['state =', state],
    ['place =', place],
    ['cut =', cut],
    ['number <', before],
  ].filter(([, value]) => value !== undefined) as [string, string | number][]
  const where = asks.map(([says], i) => `${says} $${i + 2}`).join(' and ')
  const rows = await many<Row>(
    tx,
    `${withRest(`select * from unit ${where && `where ${where}`} order by number desc limit $1`)} order by u.number desc`,
    [limit + 1, ...asks.map(([, value]) => value)],
  )
  return rows.map(unitOf)
}

/** Places packs lie in, and how many and how much of them. */
export async function selectPlaces(tx: Tx): Promise<PackPage['places']> {
  const rows = await many<Row>(
    tx,
    `select place, count(*) as packs, sum(grams) as grams from unit where state = 'here' group by place order by place nulls first`,
  )
  return rows.map((r) => ({
    place: r.place as string | null,
    packs: Number(r.packs),
    grams: grams(Number(r.grams)),
  }))
}

/**
 * How many packs took of each thing since it was counted: bags by what went in, in grams over `over` and up to `upTo`; labels
 * those printed again too. A pack that was opened or voided took its bag; one entered wrongly never was.
 */
export async function selectUsed(
  tx: Tx,
  lines: readonly { wrap: string | null; over: number; upTo: number; at: string }[],
): Promise<number[]> {
  const rows = await many<Row>(
    tx,
    `select case when l.wrap is null
         then (select count(*) from unit u where u.at > l.since and u.state <> 'corrected' and not exists
              (select from pack_event e where e.number = u.number and e.at > l.since and e.what = 'label'))
            + (select count(*) from pack_event e where e.at > l.since and e.what = 'label')
         else (select count(*) from unit u join pack p on p.id = u.weigh_in
            where u.at > l.since and u.state <> 'corrected' and p.wrap = l.wrap
              and u.grams > l.over_g and u.grams <= l.up_to)
       end as used
     from unnest($1::text[], $2::bigint[], $3::bigint[], $4::timestamptz[]) with ordinality
       as l (wrap, over_g, up_to, since, nth)
     order by l.nth`,
    [lines.map((l) => l.wrap), lines.map((l) => l.over), lines.map((l) => l.upTo), lines.map((l) => l.at)],
  )
  return rows.map((r) => Number(r.used))
}

export const selectEvents = (tx: Tx, number: number): Promise<PackEvent[]> =>
  select(tx, packEvents, 'number = $1', [number])

export const selectEventsBy = (tx: Tx, ids: readonly string[]): Promise<PackEvent[]> =>
  select(tx, packEvents, 'id = any($1::uuid[])', [ids])

/** What was done with packs, and where they lie for it: of several that put one, the last. */
export async function insertEvents(tx: Tx, events: readonly PackEvent[]): Promise<void> {
  await insert(tx, packEvents, events)
  const lies = new Map(events.flatMap((e) => (e.what === 'put' ? [[e.number, e.place] as const] : [])))
  await tx.query(
    `update unit set place = l.place from unnest($1::bigint[], $2::text[]) as l (number, place)
     where unit.number = l.number`,
    [[...lies.keys()], [...lies.values()]],
  )
}

/** Where every pack lies, by what was said of it last: after its events came from a bundle. */
export const placePacks = async (tx: Tx): Promise<void> =>
  void (await tx.query(
    `update unit set place = e.place
     from (select distinct on (number) number, place from pack_event where what = 'put' order by number, ordinal desc) e
     where e.number = unit.number`,
  ))

/** The next number is above every one that was ever given: after packs came from a bundle. */
export const countPacks = async (tx: Tx): Promise<void> =>
  void (await tx.query(
    `update counter set next = greatest(next, (select coalesce(max(number), 0) + 1 from unit)) where name = 'pack'`,
  ))
