import { KG_PER_LB, milli, type MassUnit } from '#core/measure'
import { UNNAMED } from './entry.ts'
import type { Loose, Step } from './kinds/kind.ts'
import type { FactBody } from './kinds/index.ts'

const list = (value: unknown): Loose[] => (Array.isArray(value) ? (value as Loose[]) : [])

/** The content of a farm bundle, or all a database holds, of an earlier version in the form of today. */
export const CONTENT_STEPS: Readonly<Record<number, Step>> = {
  // There were hogs only, and neither own ways nor named plans.
  1: (content) => ({ ...content, own: [], plans: [] }),
  2: fromSecond,
  3: (content) => {
    const farm = content.farm as Loose | null
    return { ...content, farm: farm && farmUp(farm), lots: list(content.lots).map(lotUp), attachments: {} }
  },
  // It knew neither what hangs of an animal, nor medicines, nor a farm's own words: a reader of it would lose them unseen.
  4: (content) => content,
  // It knew no fee sheets, and no groups that are put together or are one side of an animal.
  5: (content) => ({ ...content, sheets: [] }),
  // It knew no finishes, no own use and no costs that come again or are carried by others.
  6: (content) => content,
  // It knew nothing of the bench: order, check points, faults, the clock, equipment, practice.
  7: (content) => content,
  8: numberedPacks,
  // It knew nothing of what packs are wrapped in by cut, of ice that is filled up, or of places on a rail.
  9: (content) => content,
  // It knew nothing of batches: what is lost of them, samples, their day, scald and downgrades.
  10: (content) => content,
  // It knew a wait by its last day only, a least fee a lot, no packed weight, nothing that is put into a cut; anatomies of form 5.
  11: (content) => content,
}

/** Packs had no numbers: they get them in the order they were weighed, as the database gives them (014-packs.sql). */
function numberedPacks(content: Loose): Loose {
  const lots = list(content.lots)
  const all = lots
    .flatMap((lot, l) => list(lot.packs).map((pack, p) => ({ pack, l, p })))
    .sort((a, b) => Date.parse(String(a.pack.at)) - Date.parse(String(b.pack.at)) || a.l - b.l || a.p - b.p)
  const first = new Map<Loose, number | null>()
  let next = 1
  for (const { pack } of all) {
    const packs = Number(pack.packs)
    const made = pack.stands === true && packs > 0
    first.set(pack, made ? next : null)
    if (made) next += packs
  }
  return {
    ...content,
    packEvents: [],
    lots: lots.map((lot) => ({
      ...lot,
      packs: list(lot.packs).map((pack) => ({ ...pack, number: first.get(pack) })),
    })),
  }
}

const SHARE_OF_WORD: Record<string, number> = { half: 2, quarter: 4 }
/** Version 2 knew no revisions, at first no plans, and a letter's share only in its words. */
function fromSecond(content: Loose): Loose {
  const first = { revision: 1 }
  return {
    ...content,
    farm: content.farm && { ...(content.farm as Loose), ...first },
    plans: list(content.plans).map((p) => ({ ...p, ...first })),
    papers: list(content.papers).map((p) => ({
      ...p,
      share: (p.kind === 'letter' && SHARE_OF_WORD[String((p.data as Loose | null)?.share)]) || 1,
    })),
  }
}

/** Mince had a price per kg that was not rounded; a farm had no rate for an hour. */
export function farmUp({ mincePerKg, ...farm }: Loose): Loose {
  const unit = farm.massUnit as MassUnit
  const perUnit = Number(mincePerKg) * (unit === 'lb' ? KG_PER_LB : 1)
  return { ...farm, mince: { milli: milli(perUnit * 1000), per: unit }, hour: 0 }
}

/** Prices were whole minor units. */
function priceUp(value: unknown): unknown {
  const price = value as { minor: number; per: string } | null
  return price && { milli: price.minor * 1000, per: price.per }
}
const PRICED = new Set(['price', 'floor', 'ceiling', 'sharePrice'])

interface OldCommand extends Loose {
  id: string
  at: string
  decision: { field: string; target: string; side: string; value: unknown }
}

/** What was seen, paid, billed or ticked stood among the decisions; a fact of today, `null` to withdraw, else undefined. */
function factOf({ field, target, side, value }: OldCommand['decision']): FactBody | null | undefined {
  const gone = value === null
  const seen = (body: object) => (gone ? null : ({ kind: 'observation', ...body } as FactBody))
  switch (field) {
    case 'skin':
    case 'head':
      return seen({ what: 'dressing', of: field, value })
    case 'convention':
      return seen({ what: 'dressing', of: target, value })
    case 'measure':
      return seen({ what: 'measure', of: target, value })
    case 'ribs':
    case 'route':
      return seen({ what: field, value })
    case 'cost':
      return gone ? null : ({ kind: 'cost', ...(value as object) } as FactBody)
    case 'fee':
      return gone ? null : ({ kind: 'fee', fee: target, ...(value as object) } as FactBody)
    case 'step':
      return value ? ({ kind: 'tick', what: 'step', of: target, side } as FactBody) : null
    case 'done':
      return value ? ({ kind: 'tick', what: 'cut', of: target, side: 'animal' } as FactBody) : null
    default:
      return undefined
  }
}

/** Rows of several lists in the order they were written; each list's own order stands, whatever a clock said. */
function interleaved(lists: { kind: string; rows: Loose[] }[]): { kind: string; row: Loose }[] {
  const waiting = lists.map(({ kind, rows }) => ({ kind, rows: [...rows] }))
  const out: { kind: string; row: Loose }[] = []
  for (;;) {
    const next = waiting
      .filter((w) => w.rows.length > 0)
      .sort((a, b) => Date.parse(String(a.rows[0]!.at)) - Date.parse(String(b.rows[0]!.at)))[0]
    if (!next) return out
    out.push({ kind: next.kind, row: next.rows.shift()! })
  }
}

/**
 * A lot of the forms before facts were records of their own: decisions that were facts become facts, each correcting
 * the one before about the same thing; every row gets the revision it would have had. Nobody knows who wrote them.
 */
export function lotUp(lot: Loose): Loose {
  const id = String(lot.id)
  const author = { device: UNNAMED, person: UNNAMED }
  const standing = new Map<string, { id: string; fact: FactBody }>()
  const out = {
    weighings: [] as Loose[],
    packs: [] as Loose[],
    commands: [] as Loose[],
    facts: [] as Loose[],
  }
  let rev = 0
  const entry = (at: unknown) => ({ group: id, rev: ++rev, at, ...author })
  const fact = (c: OldCommand, body: FactBody | null) => {
    const about = `${c.decision.field} ${c.decision.target} ${c.decision.side}`
    const held = standing.get(about)
    if (!body && !held) return
    const stated = body ?? held!.fact
    out.facts.push({
      id: c.id,
      ...entry(c.at),
      corrects: held?.id ?? null,
      stands: body !== null,
      fact: stated,
    })
    if (body) standing.set(about, { id: c.id, fact: body })
    else standing.delete(about)
  }
  for (const { kind, row } of interleaved([
    { kind: 'weighings', rows: list(lot.weighings) },
    { kind: 'packs', rows: list(lot.packs) },
    { kind: 'commands', rows: list(lot.commands) },
  ])) {
    if (kind !== 'commands') {
      out[kind as 'weighings' | 'packs'].push({ ...row, ...entry(row.at) })
      continue
    }
    const c = row as OldCommand
    const { id: own, batch, undoes, redoes, decision } = c
    const body = factOf(decision)
    if (body !== undefined) fact(c, body)
    else {
      const value = PRICED.has(decision.field) ? priceUp(decision.value) : decision.value
      out.commands.push({ id: own, batch, undoes, redoes, ...entry(c.at), decision: { ...decision, value } })
    }
  }
  const { count, ...head } = lot
  return {
    ...head,
    count,
    ...author,
    rev,
    groups: [{ id, parent: null, animals: count, rev: 0, at: lot.createdAt, ...author }],
    ...out,
  }
}
