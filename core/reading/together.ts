import { STAGES, type CutUp, type Drawn, type Evidence } from '#core/carcass'
import { valueOf, waysTogether } from '#core/ledger'
import { interval, kg, kgOf, mm, plus, sumOf, type Kg } from '#core/measure'
import { packedIn } from '#core/records'
import { saleTerms } from './cuts.ts'
import { finished } from './finish.ts'
import type { CutFigure, GroupRead, GroupState, LotState, PackRow, Reckoning, Weights } from './lot.ts'

const max = (of: readonly number[]) => of.reduce((most, x) => Math.max(most, x), 0)

/** Carcasses that are cut by plans of their own, as one: every part stands there once for each. */
function cuttingOf(all: readonly CutUp[]): CutUp {
  const [first] = all
  const slots = all.flatMap((c) => c.slots)
  const balance = Object.fromEntries(
    Object.keys(first!.balance).map((key) => [
      key,
      sumOf(all, (c) => c.balance[key as keyof CutUp['balance']]),
    ]),
  ) as unknown as CutUp['balance']
  return {
    flow: first!.flow,
    choices: first!.choices,
    hangs: first!.hangs,
    ageTrim: sumOf(all, (c) => c.ageTrim),
    balance,
    slots,
    slot: (part, side) =>
      slots.find((s) => s.part === part && s.side === side && s.holds) ?? first!.slot(part, side),
    partKg: (part, side) => sumOf(all, (c) => c.partKg(part, side)),
    cutKg: (cut) => sumOf(all, (c) => c.cutKg(cut)),
    lineAt: (side) => first!.lineAt(side),
    mmAt: (side) => first!.mmAt(side),
    freed: (part) => first!.freed(part),
  }
}

const sums = (all: readonly Float64Array[], draws: number) => {
  const out = new Float64Array(draws)
  for (const own of all) own.forEach((x, d) => (out[d]! += x))
  return out
}

/**
 * The draws of groups as those of the lot. Where weights were taken of the whole lot, what the groups have only a share
 * of is scaled in every draw so that they come to it: how it lies between them moves nothing of the whole.
 */
function drawnOf(
  all: readonly (Drawn | null)[],
  apart: readonly GroupState[],
  whole: Drawn | null,
): Drawn | null {
  const each = all.flatMap((d) => d ?? [])
  const [first] = each
  if (!first || each.length < all.length) return null
  const isShare = apart.map((g) => g.shared.some((e) => e.sd > 0))
  const factor = Float64Array.from({ length: first.draws }, (_, d) => {
    const of = (share: boolean) =>
      each.reduce((sum, g, i) => sum + (isShare[i] === share ? g.stages.aged[d]! : 0), 0)
    const left = whole ? whole.stages.aged[d]! - of(false) : 0
    const shares = of(true)
    return left > 0 && shares > 0 ? left / shares : 1
  })
  const scaled = (own: Float64Array, i: number) => (isShare[i] ? own.map((x, d) => x * factor[d]!) : own)
  return {
    draws: first.draws,
    stages: Object.fromEntries(
      STAGES.map((s) => [
        s,
        sums(
          each.map((g, i) => scaled(g.stages[s], i)),
          first.draws,
        ),
      ]),
    ) as Drawn['stages'],
    cut: new Map(
      [...first.cut.keys()].map((id) => [
        id,
        sums(
          each.map((g, i) => scaled(g.cut.get(id)!, i)),
          first.draws,
        ),
      ]),
    ),
    slots: each.flatMap((g, i) => g.slots.map((own) => scaled(own, i))),
  }
}

/** What of a stage is weighed: all groups of it, or else the lot. */
function evidenceOfAll(own: Reckoning, reads: readonly Reckoning[]): Evidence[] {
  return STAGES.flatMap((stage) => {
    const each = reads.flatMap((r) => r.evidence.find((e) => e.stage === stage && e.sd === 0) ?? [])
    if (each.length === reads.length) return [{ ...each[0]!, kg: sumOf(each, (e) => e.kg) }]
    return own.evidence.filter((e) => e.stage === stage)
  })
}

/** A cut of all groups: what each expects of it, less what was packed before they were groups. */
function cutOf(
  own: Reckoning,
  each: readonly CutFigure[],
  packed: readonly PackRow[],
  drawn: Drawn | null,
): CutFigure {
  const { cut } = each[0]!
  const packs = packed.filter((p) => p.cut === cut.id)
  const weighedKg = sumOf(packs, (p) => kgOf(p.grams))
  const weighedPacks = sumOf(packs, (p) => p.packs)
  const done = own.plan.done.has(cut.id) || each.every((c) => c.done)
  const expected = sumOf(each, (c) => c.kg)
  const remainingKg = kg(done ? 0 : Math.max(0, expected - weighedKg))
  const now = plus(weighedKg, remainingKg)
  const terms = own.plan.terms.get(cut.id)!
  const planned = sumOf(each, (c) => c.packs)
  const { price } = each[0]!
  return {
    cut,
    expectedKg: sumOf(each, (c) => c.expectedKg),
    range: drawn ? interval(drawn.cut.get(cut.id)!) : null,
    weighedKg,
    weighedPacks,
    remainingKg,
    kg: now,
    edible: sumOf(each, (c) => c.edible),
    done,
    pieces: sumOf(each, (c) => c.pieces),
    packs: planned,
    billedPacks: done
      ? weighedPacks
      : Math.max(
          sumOf(each, (c) => c.billedPacks),
          weighedPacks,
        ),
    endKg: sumOf(each, (c) => c.endKg),
    endMm: mm(max(each.map((c) => c.endMm))),
    price,
    ...saleTerms(terms),
    value: valueOf({ ...terms, cut, kg: now, price }, own.plan.verdict.sale),
  }
}

/**
 * A lot as its groups come to it: every kilogram, piece, pack and minute is their sum. Prices, costs and what was weighed
 * of all are those of the lot (`own`), whose own cutting nobody does any more. `known` are draws of the same masses.
 */
export function together(
  own: Reckoning,
  groups: readonly GroupRead[],
  lot: LotState,
  known: Pick<Reckoning, 'drawn' | 'drawnNow'> | null,
): Reckoning {
  const reads = groups.map((g) => g.read)
  const draw = (of: 'drawn' | 'drawnNow') =>
    known
      ? known[of]
      : drawnOf(
          reads.map((r) => r[of]),
          lot.apart ?? [],
          own.drawn,
        )
  const [drawn, drawnNow] = [draw('drawn'), draw('drawnNow')]
  const weights: Weights | null = reads.every((r) => r.weights)
    ? (Object.fromEntries(STAGES.map((s) => [s, sumOf(reads, (r): Kg => r.weights![s])])) as Weights)
    : null
  const cutting = cuttingOf(reads.map((r) => r.cutting))
  const packed = packedIn(lot.packs, lot.facts)
  const cuts = own.flow.anatomy.cuts.flatMap((cut) => {
    const each = reads.flatMap((r) => r.cuts.find((c) => c.cut === cut) ?? [])
    // A cut that no group is planned to give any more, packed before they were split.
    const before =
      each.length === 0 && packed.some((p) => p.cut === cut.id) ? own.cuts.filter((c) => c.cut === cut) : []
    const all = each.length > 0 ? each : before.map((c) => ({ ...c, kg: kg(0), expectedKg: kg(0), packs: 0 }))
    return all.length > 0 ? [cutOf(own, all, packed, each.length > 0 ? drawnNow : null)] : []
  })
  return finished(
    {
      ...own,
      groups,
      cutting,
      drawn,
      drawnNow,
      evidence: evidenceOfAll(own, reads),
      weights,
      cuts,
      bench: {
        hand: sumOf(reads, (r) => r.bench.hand),
        grind: sumOf(reads, (r) => r.bench.grind),
        finish: sumOf(reads, (r) => r.bench.finish),
        wrap: sumOf(reads, (r) => r.bench.wrap),
        setUp: max(reads.map((r) => r.bench.setUp / r.dayShare)),
      },
    },
    packed,
    waysTogether(reads.map((r) => r.billed.ways ?? new Map())),
  )
}
