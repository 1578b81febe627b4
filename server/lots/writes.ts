import type { Author, LotChange, Write, Writes } from '#contracts'
import type { Issue } from '#core/measure'
import type { Beside } from '../store/beside.ts'
import { digestOf, type Kept } from '../store/outcomes.ts'
import { insert, requests, selectOne } from '../store/tables/index.ts'
import type { Tx } from '../store/tx.ts'
import { decide, join, note, pack, split, weigh } from './appending.ts'
import { oneThing } from './kept.ts'
import { hangLot } from './operations.ts'
import { selectSince } from './queries.ts'

/** What came of several writes: all kept, or why none is. */
export type AllKept = Exclude<Kept, { result: 'kept' }> | { result: 'kept'; changes: LotChange[] }

interface Of {
  by: Author
  at: string
}

/** One of them, as it is kept by itself. */
async function one(tx: Tx, w: Write, { by, at }: Of, beside: Beside): Promise<Kept> {
  const to = { lot: w.lot, by, at }
  switch (w.is) {
    case 'hung':
      return hangLot(tx, { lot: { ...w.hung, id: w.lot }, by, at })
    case 'weighing':
      return weigh(tx, { ...to, weighing: w.weighing }, beside)
    case 'pack':
      return pack(tx, { ...to, pack: w.pack }, beside)
    case 'facts':
      return note(tx, { ...to, ...w.facts }, beside)
    case 'append':
      return decide(tx, { ...to, append: w.append }, beside)
    case 'split':
      return split(tx, { ...to, split: w.split }, beside)
    case 'joined':
      return join(tx, { ...to, join: w.joined }, beside)
  }
}

const placed = (i: number, issues: readonly Issue[]): Issue[] =>
  issues.map((issue) => ({ ...issue, field: `writes.${i}.${issue.field}` }))

/** From which revision of a lot a request took it to which. */
interface Span {
  lot: string
  from: number
  rev: number
}
/** What a lot had of a request, whatever was added since. */
async function spanOf(tx: Tx, { lot, from, rev }: Span): Promise<LotChange> {
  const { groups, weighings, commands, facts, packs } = (await selectSince(tx, lot, from))!.change
  const then = <R extends { rev: number }>(rows: readonly R[]) => rows.filter((r) => r.rev <= rev)
  return {
    ...{ id: lot, from, rev, groups: then(groups), weighings: then(weighings), commands: then(commands) },
    ...{ facts: then(facts), packs: then(packs) },
  }
}

/**
 * Keeps several writes of one or more lots, all or none: each is judged on what the ones before it leave, and the first that
 * cannot be kept says so under its place (`writes.2.shown`) and leaves nothing of the others. The same request is answered as
 * it was; another one under its id is refused.
 */
export async function write(
  tx: Tx,
  { request, writes, ...of }: Writes & Of,
  beside: Beside,
): Promise<AllKept> {
  const digest = digestOf(writes)
  const held = await selectOne(tx, requests, 'id = $1', [request])
  if (held && held.digest !== digest) return { result: 'taken', held: { request }, sent: writes }
  if (held) {
    const changes: LotChange[] = []
    for (const span of held.lots) changes.push(await spanOf(tx, span))
    return { result: 'kept', changes }
  }
  // In one order, whoever writes: two that want the same lots never wait for each other.
  await tx.query('select from lot where id = any($1::uuid[]) order by id for update', [
    writes.map((w) => w.lot),
  ])
  await tx.query('savepoint writes')
  const drafted = { ...beside, lots: beside.lots.draft() }
  const spans = new Map<string, Span>()
  for (const [i, w] of writes.entries()) {
    const out = await oneThing(one)(tx, w, of, drafted)
    if (out.result !== 'kept') {
      await tx.query('rollback to savepoint writes')
      return out.result === 'refused' ? { ...out, issues: placed(i, out.issues) } : out
    }
    const { from, rev } = out.change
    const before = spans.get(w.lot)
    spans.set(w.lot, { lot: w.lot, from: Math.min(from, before?.from ?? from), rev })
  }
  const lots = [...spans.values()]
  await insert(tx, requests, [{ id: request, digest, lots, at: of.at }])
  const changes: LotChange[] = []
  for (const span of lots) changes.push(await spanOf(tx, span))
  return { result: 'kept', changes }
}
