import { heaviestCarcass, type Flow } from '#core/carcass'
import { issueOf, kg, kgOf, plus, sumOf, times, type Issue, type Kg, type MassUnit } from '#core/measure'
import { packedIn } from '#core/records'
import { figuresOf, type LotState, type PackRow, type Reckoning } from './lot.ts'
import { massKey } from './masses.ts'
import { reckon } from './reckon.ts'

/** Lighter than this a pack holds nothing a person buys: a wrong weight or a wrong number (our own figure). */
const LIGHTEST_PACK_G = 5
/** A scale and a wet carcass may differ by so much before packs are said to be heavier than it. */
const SLACK = 1.02

/** So many times as far above the middle as the likely range reaches, a weight is asked about: 3 SDs of a normal figure. */
const FAR = 3 / 1.2816
/** Less over the likely range is nothing to ask about, kg: a scale and a wrapping. */
const NO_MATTER = 0.15

/** A lot as nobody had packed of it yet. */
const beforePacking = (lot: LotState): LotState => ({
  ...lot,
  packs: [],
  facts: lot.facts.filter(({ fact }) => fact.kind !== 'tick' || fact.what !== 'cut'),
})

interface BeforePacking {
  read: Reckoning
  hanging: Reckoning['stages'][number] | null
  most: Kg
}
/** Of each flow the last lots that were judged: a lot is weighed pack by pack, and what hung stays what it was. */
const lately = new WeakMap<Flow, Map<string, BeforePacking>>()
const MOST_HELD = 16

/** A lot as it hung, read once for all its packs; without draws when `draws` is 0. */
function asHung(base: Flow, lot: LotState, unit: MassUnit, draws?: number): BeforePacking {
  const before = beforePacking(lot)
  const weights = lot.weighings.map((w) => [w.stage, w.basis, w.source, w.grams])
  const key = JSON.stringify([massKey(before), weights, 'share' in lot ? lot.share : null, unit, draws])
  const held = lately.get(base) ?? new Map<string, BeforePacking>()
  lately.set(base, held)
  const known = held.get(key)
  if (known) return known
  // Judged against what hung, not against what these packs would make of it.
  const read = reckon(base, before, { ...figuresOf(null), massUnit: unit }, draws)
  const hanging = read.stages.find((s) => s.id === 'hanging') ?? null
  const high = kg((hanging?.range?.high ?? hanging?.kg ?? 0) * SLACK)
  const found = { read, hanging, most: plus(high, read.balance.added, read.balance.kept) }
  if (held.size >= MOST_HELD) held.delete(held.keys().next().value!)
  held.set(key, found)
  return found
}

/**
 * What is impossible, or unlikely, about packs beside those already weighed; null when they may be kept. Unlikely is more
 * of a cut than the plan can give at its likely best: asked about once (confirmable), when packs first come to it.
 */
export function judgePacks(base: Flow, lot: LotState, added: PackRow): Issue | null {
  const { shown, packs, grams } = added
  if (packs > 0 && grams / packs < LIGHTEST_PACK_G)
    return issueOf('packs-too-light', 'packs', { shown, packs, eachGrams: grams / packs })
  const all = [...lot.packs, added]
  const packed = sumOf(packedIn(all, lot.facts), (p) => kgOf(p.grams))
  const hung = (draws?: number) => asHung(base, lot, shown.unit, draws)
  const central = hung(0)
  const { hanging } = central
  if (!hanging) {
    const most = times(heaviestCarcass(base.anatomy), lot.count)
    const figures = { packed, most, what: base.anatomy.names, count: lot.count }
    return packed > most ? issueOf('packed-above-species', 'shown', figures) : null
  }
  // Only what is more than the carcass as estimated needs to know how heavy it may have been.
  if (packed > central.most && packed > hung().most)
    return issueOf('packed-above-carcass', 'shown', { packed, carcass: hanging.kg })
  return unlikely(central.read, () => hung().read, lot, all, added.cut)
}

/** Whether packs of a cut come to more than the plan can well give of it, and did not before. */
function unlikely(
  central: Reckoning,
  drawn: () => Reckoning,
  lot: LotState,
  all: readonly PackRow[],
  id: string,
): Issue | null {
  const weighed = (packs: readonly PackRow[]) =>
    sumOf(packedIn(packs, lot.facts), (p) => (p.cut === id ? kgOf(p.grams) : kg(0)))
  const [before, packed] = [weighed(lot.packs), weighed(all)]
  const of = (read: Reckoning) => read.cuts.find((c) => c.cut.id === id)
  const middle = of(central)
  if (!middle || packed <= plus(middle.kg, kg(NO_MATTER))) return null
  const range = of(drawn())?.range ?? { low: middle.kg, high: middle.kg }
  const most = plus(middle.kg, kg(Math.max(NO_MATTER, FAR * (range.high - middle.kg))))
  if (packed <= most || before > most) return null
  const issue = issueOf('packs-unlikely', 'shown', { cut: middle.cut.names, expected: range, packed })
  return { ...issue, confirmable: true }
}
