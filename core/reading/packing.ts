import { heaviestCarcass, type Flow } from '#core/carcass'
import { issueOf, kg, kgOf, minor, plus, priceOf, sumOf, times, type Issue } from '#core/measure'
import { inForce } from '#core/records'
import type { LotState, PackRow } from './lot.ts'
import { reckon } from './reckon.ts'

/** Lighter than this a pack holds nothing a person buys: a wrong weight or a wrong number (our own figure). */
const LIGHTEST_PACK_G = 5
/** A scale and a wet carcass may differ by so much before packs are said to be heavier than it. */
const SLACK = 1.02

/** What is impossible about packs beside those already weighed; null when they may be kept. */
export function judgePacks(base: Flow, lot: LotState, added: PackRow): Issue | null {
  const { shown, packs, grams } = added
  if (packs > 0 && grams / packs < LIGHTEST_PACK_G)
    return issueOf('packs-too-light', 'packs', { shown, packs, eachGrams: grams / packs })
  const farm = { massUnit: shown.unit, mince: priceOf(0, shown.unit), hour: minor(0) }
  const all = [...lot.packs, added]
  const packed = sumOf(inForce(all), (p) => kgOf(p.grams))
  // Judged against what hung, not against what these packs would make of it.
  const hung = (draws?: number) => {
    const read = reckon(base, { ...lot, packs: [] }, farm, draws)
    const hanging = read.stages.find((s) => s.id === 'hanging') ?? null
    const high = kg((hanging?.range?.high ?? hanging?.kg ?? 0) * SLACK)
    return { hanging, most: plus(high, read.balance.added, read.balance.kept) }
  }
  const central = hung(0)
  const { hanging } = central
  if (!hanging) {
    const most = times(heaviestCarcass(base.anatomy), lot.count)
    const figures = { packed, most, what: base.anatomy.names, count: lot.count }
    return packed > most ? issueOf('packed-above-species', 'shown', figures) : null
  }
  // Only what is more than the carcass as estimated needs to know how heavy it may have been.
  if (packed <= central.most) return null
  return packed > hung().most
    ? issueOf('packed-above-carcass', 'shown', { packed, carcass: hanging.kg })
    : null
}
