import type { CutRow, CutSlot } from '#core/carcass'
import { kg, minor, perKg, sumOf, type Kg, type Minor, type UnitPrice } from '#core/measure'
import {
  PACK_SIZES,
  type PackingItem,
  type PackingSheet,
  type PackWeighing,
  type Species,
  type Wrap,
} from '#core/records'
import type { CutFigure, Reckoning } from '#core/reading'

type Wrapping = Extract<PackingItem, { is: 'wrap' }>
/** What packs take; which wrapping, nobody may have said. */
export type SupplyItem = Exclude<PackingItem, Wrapping> | (Omit<Wrapping, 'wrap'> & { wrap: Wrap | null })

/** Of one thing, what a plan takes: pieces, or metres of twine; `used` is in packs that were made. */
export interface Supply {
  item: SupplyItem
  need: number
  used: number
  /** Minor units of a hundred: as the farm said, or about so much. */
  per100: Minor
  said: boolean
  /** What is still to be used of it. */
  cost: Minor
}

/** Twine for each tied piece, m (docs/sources.md: kit). */
const TWINE_M = 1.5
/** What one of each costs, as a part of the price of a kg of mince, so that it holds in any currency (docs/sources.md: kit). */
const VACUUM = [0.006, 0.009, 0.014, 0.025, 0.046]
const BESIDE_VACUUM: Record<Wrap, number> = { vacuum: 1, shrink: 1.2, zip: 0.7, paper: 0.5, jar: 6, tub: 2.5 }
const LABEL = 0.002
const TWINE = 0.0015

/** The smallest size that so many kg go into; the last one for more. */
export const sizeFor = (mass: number): Wrapping['upTo'] =>
  PACK_SIZES.find((x) => mass <= x) ?? PACK_SIZES[PACK_SIZES.length - 1]!

/** What a cut is packed in on this farm; null where nobody said. */
export const wrapFor = (packing: PackingSheet | null, species: Species, cut: string): Wrap | null =>
  packing?.cuts.find((c) => c.species === species && c.cut === cut)?.wrap ?? packing?.usual ?? null

const keyOf = (item: SupplyItem): string => (item.is === 'wrap' ? `${item.wrap} ${item.upTo}` : item.is)
/** Whether two are the same thing. */
export const isSame = (a: SupplyItem, b: SupplyItem): boolean => keyOf(a) === keyOf(b)

/** Packs of a cut, made and to come, and what goes into each. */
export function packsOf(c: CutFigure): { packs: number; each: Kg } {
  const packs = c.done ? c.weighedPacks : Math.max(c.packs, c.weighedPacks)
  return { packs, each: kg(packs === 0 ? 0 : c.kg / packs) }
}

/** What of a cut still lies on the table: packs to come of it, and the pieces that go into them. */
export function leftOf(c: CutFigure): { packs: number; pieces: number } {
  const packs = c.done ? 0 : Math.max(0, c.packs - c.weighedPacks)
  return { packs, pieces: c.packs === 0 ? 0 : Math.round((c.pieces * packs) / c.packs) }
}

/**
 * What packing a lot takes, each wrapping by its size, labels, twine: what is in packs already by what they were wrapped in,
 * what is to come by what its cut goes into. `packs` are those in force. Costs by the farm's own prices, or about so much.
 */
export function suppliesOf(
  read: Reckoning,
  packs: readonly Pick<PackWeighing, 'cut' | 'grams' | 'packs' | 'wrap'>[],
  packing: PackingSheet | null,
): Supply[] {
  const { species } = read.flow.anatomy
  const counts = new Map<string, { item: SupplyItem; need: number; used: number }>()
  const add = (item: SupplyItem, need: number, used = 0) => {
    const held = counts.get(keyOf(item)) ?? { item, need: 0, used: 0 }
    counts.set(keyOf(item), { item, need: held.need + need, used: held.used + used })
  }
  const wrapOf = (cut: string, mass: number, wrap = wrapFor(packing, species, cut)): SupplyItem => ({
    is: 'wrap',
    wrap,
    upTo: sizeFor(mass),
  })
  const products = read.cuts.filter((c) => c.cut.kind === 'product' && c.kg > 1e-6)
  for (const p of packs)
    if (p.packs > 0) add(wrapOf(p.cut, p.grams / 1000 / p.packs, p.wrap ?? undefined), p.packs, p.packs)
  for (const c of products) {
    const toCome = c.done ? 0 : Math.max(0, c.packs - c.weighedPacks)
    if (toCome > 0) add(wrapOf(c.cut.id, packsOf(c).each), toCome)
  }
  const wraps = [...counts.values()].sort((a, b) =>
    keyOf(a.item).localeCompare(keyOf(b.item), 'en', { numeric: true }),
  )
  const made = wraps.reduce((s, w) => s + w.used, 0)
  add(
    { is: 'label' },
    wraps.reduce((s, w) => s + w.need, 0),
    made,
  )
  for (const c of products) {
    if (!isTied(read, c)) continue
    const all = c.pieces * TWINE_M
    add({ is: 'twine' }, all, c.done ? all : c.packs > 0 ? all * Math.min(1, c.weighedPacks / c.packs) : 0)
  }
  return [...counts.values()]
    .filter((s) => s.need > 0)
    .sort((a, b) => ORDER[a.item.is] - ORDER[b.item.is] || wraps.indexOf(a) - wraps.indexOf(b))
    .map((s) => {
      const said = packing?.lines.find((l) => isSame(l.item, s.item))?.per100 ?? null
      const per100 = said === null ? minor(Math.round(100 * usualCost(s.item, read.farm.mince))) : minor(said)
      return {
        ...{ ...s, per100, said: said !== null },
        cost: minor(Math.round(((s.need - s.used) * per100) / 100)),
      }
    })
}
const ORDER: Record<SupplyItem['is'], number> = { wrap: 0, label: 1, twine: 2 }

function usualCost(item: SupplyItem, mince: UnitPrice): number {
  switch (item.is) {
    case 'wrap': {
      const size = PACK_SIZES.findIndex((x) => x === item.upTo)
      return VACUUM[size]! * BESIDE_VACUUM[item.wrap ?? 'vacuum'] * perKg(mince)
    }
    case 'label':
      return LABEL * perKg(mince)
    case 'twine':
      return TWINE * perKg(mince)
  }
}

/** What all of it costs, used or not. */
export const costOfAll = (all: readonly Supply[]): Minor =>
  minor(Math.round(all.reduce((sum, s) => sum + (s.need * s.per100) / 100, 0)))

/** What is to be bought: of what is still needed, what was not counted on the shelf; `left` of it is there. */
export const toBuy = ({ need, used }: Supply, left: number | null): number =>
  Math.max(0, Math.ceil(need - used - (left ?? 0)))

/** Pieces of a plan that are tied. */
export const tiedPieces = (read: Reckoning): number =>
  sumOf(
    read.cuts.filter((c) => c.cut.kind === 'product' && c.kg > 1e-6 && isTied(read, c)),
    (c) => c.pieces,
  )

/** Whether a cut is tied: it was asked for, or it is a roast with no bone to hold it (common practice). */
function isTied(read: Reckoning, { cut, finishes }: CutFigure): boolean {
  if (finishes.some((f) => f.finish === 'tied' || f.finish === 'stuffed')) return true
  if (finishes.some((f) => f.finish === 'netted')) return false
  return cut.destination === 'R' && cut.portion?.kind === 'roast' && !hasBone(read, cut.id)
}
const hasBone = (read: Reckoning, cut: string): boolean =>
  read.cutting.slots.some(
    (s: CutSlot) =>
      s.holds && s.rows.some((r: CutRow) => r.cut?.id === cut && r.tissue.bone > 0.01 * r.green),
  )
