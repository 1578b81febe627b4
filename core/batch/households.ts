import type { Part } from '#core/anatomy'
import { boxedParts } from '#core/carcass'
import { kg, minor, sumOf, type Kg, type Minor } from '#core/measure'
import { holdPart, keepsBone, portionFor, roastFor } from '#core/plan'
import { partFigure, type Reckoning } from '#core/reading'
import type { Decision, FactBody, Portion } from '#core/records'

/** Households packs are made for: people at a meal (common practice). */
export const HOUSEHOLDS = [2, 4, 8] as const

/** A cut of pieces as it is packed for a household: pieces a pack, what one weighs, and the packs that come of it. */
export interface HouseholdPack {
  cut: string
  pieces: number
  each: Kg
  packs: number
  portion: Portion
}

/** Cuts that are pieces of one bird, packed for so many people: as many pieces as a meal takes, bone and all. */
export function packsFor(read: Reckoning, people: number): HouseholdPack[] {
  return read.cuts.flatMap((c): HouseholdPack[] => {
    const portion = portionFor(c.cut, read.plan.portions)
    const isMeal = c.cut.kind === 'product' && ['R', 'T', 'B'].includes(c.cut.destination)
    if (portion?.kind !== 'whole' || !isMeal || c.pieces === 0) return []
    const each = kg(c.expectedKg / c.pieces)
    // A whole bird is a pack of its own.
    if (c.pieces <= read.count && each > 0.45 * ((read.weights?.aged ?? 0) / read.count)) return []
    const wanted = roastFor(people, keepsBone(read.flow.anatomy, c.cut.id)) / each
    const pieces = Math.min(50, Math.max(1, Math.round(wanted)))
    return [
      {
        cut: c.cut.id,
        pieces,
        each,
        packs: Math.ceil(c.pieces / pieces),
        portion: { ...portion, perPack: pieces },
      },
    ]
  })
}

/** What is decided for such packs. */
export const decideFor = (packs: readonly HouseholdPack[]): Decision[] =>
  packs.map(({ cut, portion }) => ({ field: 'portion', target: cut, side: 'animal', value: portion }))

/** Parts that are pooled over all birds of a lot: too little of one for a pack, or for a product of their own. */
const POOLED = [
  'wing',
  'drumette',
  'wing-flat',
  'tip',
  'tenders',
  'liver',
  'heart',
  'gizzard',
  'giblets',
  'feet',
  'neck',
  'frames',
  'back',
  'bird-fat',
  'kidney',
]
export const pooled = (read: Reckoning) =>
  read.cuts.filter((c) => c.kg > 0 && POOLED.some((p) => c.cut.id === p || c.cut.id.startsWith(`${p}-`)))

/** A part of every bird that may go into a run of its own: what it weighs as planned, and the share of the cost it bears by what it brings. */
export interface PoolPart {
  part: Part
  kg: Kg
  bears: Minor
}

/** Parts that are pooled as a lot of their own, uncut: wings, backs and the like, as they come of the birds that are cut. */
export function poolParts(read: Reckoning): PoolPart[] {
  const { anatomy } = read.flow
  const all = sumOf(read.cuts, (c) => c.value)
  return boxedParts(anatomy).flatMap((id): PoolPart[] => {
    const part = anatomy.parts.find((p) => p.id === id)!
    const held = read.plan.held.get(id, 'animal')
    if (!POOL_PARTS.has(id) || part.scope !== 'animal' || held) return []
    const mass = partFigure(read, id, ['animal']).kg
    if (mass <= 1e-6) return []
    const rows = read.cutting.slot(id, 'animal')?.rows ?? []
    const worth = rows.reduce((sum, row) => {
      const cut = row.cut && read.cuts.find((c) => c.cut.id === row.cut!.id)
      return cut && cut.kg > 0 ? sum + (cut.value * row.product) / cut.kg : sum
    }, 0)
    const bears = all > 0 ? (read.money.costs.total * worth) / all : 0
    return [{ part, kg: mass, bears: minor(Math.round(bears)) }]
  })
}
const POOL_PARTS = new Set(['wing', 'back', 'frame'])

/** What is said of the birds a part of which goes into a run: it is taken uncut, and its share of the cost goes with it. */
export function intoRun(
  read: Reckoning,
  { part, bears }: PoolPart,
  run: string,
): { decisions: Decision[]; cost: FactBody | null } {
  const { flow, plan } = read
  return {
    decisions: holdPart(flow.anatomy, plan.choices.paths, part.id, ['animal'], 'taken'),
    cost:
      bears > 0 ? { kind: 'cost', of: 'animal', label: `Into ${run}`, amount: bears, carried: true } : null,
  }
}
