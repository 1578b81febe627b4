import { lookup, type Names } from '#core/anatomy'
import type { CutRow, CutSlot } from '#core/carcass'
import { kg, plus, sumOf, type Kg } from '#core/measure'
import { finishKind, isLater } from '#core/plan'
import {
  CLASS_OF,
  DESTINATIONS,
  type Destination,
  type KitId,
  type PackingSheet,
  type Tool,
} from '#core/records'
import type { CutFigure, Reckoning } from '#core/reading'
import { suppliesOf, tiedPieces, type Supply } from './packing.ts'

/** A tool that the plan takes, and the parts it is for. */
export interface KitTool {
  id: KitId
  /** What lies ready with it. */
  with: string
  parts: Names[]
  down: boolean
}

/** What goes into the tubs of a destination. */
export interface KitTub {
  to: Destination
  kg: Kg
  /** The most that it likely comes to: what the tubs must hold. */
  most: Kg
  tubs: number
}

/** What must be ready before the first cut; what a plan does not ask for is null or left out. */
export interface Kit {
  tools: KitTool[]
  tubs: KitTub[]
  /** What goes into or on the meat, by name. */
  goes: { name: string; kg: Kg }[]
  /** What its packs take: wrappings by size, labels, twine. */
  supplies: Supply[]
  /** Pieces that are tied. */
  tied: number
  /** What is filled into casings, and their length, m. */
  casing: { kg: Kg; metres: number } | null
  /** Minutes that the grinder runs. */
  grinder: { kg: Kg; low: number; high: number } | null
  ice: Ice | null
}

/** A tub that one person lifts (our own figure; docs/sources.md: kit). */
export const TUB = kg(20)
/** Casing for each kg of sausage, m; kg a minute through half a horsepower (docs/sources.md: kit). */
const CASING_M = 1.4
const GRINDS = { low: 1.6, high: 2 } as const

/** What lies ready with each tool of a way (common practice). */
const WITH: Record<Exclude<Tool, 'none'>, string> = {
  knife: 'boning knife and steel, breaking knife for the lines, glove for the off hand',
  saw: 'hand saw or band saw, scraper for the dust',
  grinder: 'plates and blade cold, stomper; nothing pushed by hand',
  cure: 'scale for the salt, tub or bag, room in the cold',
}

/** Ice for a weight of birds, kg: to cool them, to cool the water they lie in, and what is kept in reserve. */
export interface Ice {
  cool: Kg
  water: Kg
  /** The two together: with less it cannot be done. */
  needed: Kg
  order: Kg
  reserve: Kg
}
/** kJ that a kg of ice takes as it melts, and that a kg of bird and of water gives up for each degree. */
const MELTS = 334
const BIRD = 3.4
const WATER = 4.186

/**
 * Ice for birds from 39 to 4 °C and the water they lie in (as much at 15 °C, where not said) to 2 °C, by the heat balance; the
 * common order of one weight of ice to one of bird is that and a reserve for tub, air and holding.
 */
export function iceFor(birds: Kg, inWater: Kg = birds, waterC = 15): Ice {
  const cool = kg((birds * BIRD * (39 - 4)) / MELTS)
  const water = kg((inWater * WATER * Math.max(0, waterC - 2)) / MELTS)
  const needed = kg(cool + water)
  const order = kg(Math.max(birds, needed))
  return { cool, water, needed, order, reserve: kg(order - needed) }
}

/**
 * Everything that the plan of today asks for, from the model; what waits for another day is left out. `grinds` is what goes
 * through the farm's own grinder, kg a minute, where that is known; `packs` are those in force, `packing` what the farm packs in.
 */
export function kitOf(
  read: Reckoning,
  grinds: number | null = null,
  packs: Parameters<typeof suppliesOf>[1] = [],
  packing: PackingSheet | null = null,
): Kit {
  const { anatomy } = read.flow
  const today = read.cutting.slots.filter(
    (s) => s.holds && !s.path.leaves && !isLater(anatomy, read.plan.held, s.part, s.side),
  )
  const products = read.cuts.filter((c) => c.cut.kind === 'product' && c.kg > 1e-6)
  const ground = sumOf(today, (s) => (s.path.tool === 'grinder' && s.path.perKg ? s.kg : kg(0)))
  const cased = products.filter((c) => c.cut.id.includes('sausage') && c.cut.destination === 'G')
  const filled = sumOf(cased, (c) => c.kg)
  return {
    tools: toolsOf(read, today),
    tubs: tubsOf(read),
    goes: goesIn(read, today),
    supplies: suppliesOf(read, packs, packing),
    tied: tiedPieces(read),
    casing: filled > 0 ? { kg: filled, metres: filled * CASING_M } : null,
    grinder:
      ground > 0
        ? { kg: ground, low: ground / (grinds ?? GRINDS.high), high: ground / (grinds ?? GRINDS.low) }
        : null,
    ice: CLASS_OF[anatomy.species] === 'poultry' && read.weights ? iceFor(read.weights.hot) : null,
  }
}

function toolsOf({ flow, plan }: Reckoning, today: readonly CutSlot[]): KitTool[] {
  const { part } = lookup(flow.anatomy)
  return (Object.keys(WITH) as (keyof typeof WITH)[]).flatMap((id): KitTool[] => {
    const of = new Set(today.filter((s) => s.path.tool === id || s.rear?.path.tool === id).map((s) => s.part))
    // Lines are broken with knife and saw; nothing is cut without a knife.
    if (of.size === 0 && id !== 'knife') return []
    const parts = [...of].map((p) => part(p)!.names)
    return [{ id, with: WITH[id], parts, down: plan.without.has(id) }]
  })
}

/** Tubs by destination: meat by what it becomes, bone, fat and waste apart; dust and drip need none. */
function tubsOf({ cuts, flow }: Reckoning): KitTub[] {
  const waste = flow.anatomy.roles.discard
  const isInTub = (c: CutFigure) => c.cut.kind !== 'loss' || c.cut.id === waste
  return DESTINATIONS.flatMap((to): KitTub[] => {
    const own = cuts.filter((c) => c.cut.destination === to && isInTub(c))
    const mass = sumOf(own, (c) => c.remainingKg)
    if (mass < 0.05) return []
    const most = sumOf(own, (c) => kg(Math.max(c.remainingKg, (c.range?.high ?? c.kg) - c.weighedKg)))
    return [{ to, kg: mass, most, tubs: Math.ceil(most / TUB - 1e-9) }]
  })
}

/** What goes in or on, by name: all that the balance counts as added. */
function goesIn(read: Reckoning, today: readonly CutSlot[]): Kit['goes'] {
  const sums = new Map<string, Kg>()
  const add = (name: string, mass: number) =>
    mass > 0 && sums.set(name, plus(sums.get(name) ?? kg(0), kg(mass)))
  for (const slot of today)
    for (const row of slot.rows) {
      if (!row.cut || row.added <= 0) continue
      const process = processOf(slot, row)
      const finishes = read.plan.terms.get(row.cut.id)?.finishes ?? []
      const inflow = sumOf(process?.inflows ?? [], (i) => i.share)
      const finished = (process?.yield ?? 1) * sumOf(finishes, (f) => Math.max(0, f.change))
      const whole = inflow + finished
      for (const i of process?.inflows ?? []) add(i.name, (row.added * i.share) / whole)
      for (const f of finishes)
        add(
          GOES_ON[f.finish] ?? finishKind(f.finish).word,
          (row.added * (process?.yield ?? 1) * Math.max(0, f.change)) / whole,
        )
    }
  return [...sums].map(([name, mass]) => ({ name, kg: mass })).sort((a, b) => b.kg - a.kg)
}
const GOES_ON: Partial<Record<string, string>> = {
  marinated: 'marinade',
  spiced: 'spice mixture',
  stuffed: 'stuffing',
}
const processOf = ({ path, rear }: CutSlot, { cut }: CutRow) =>
  [...path.outputs, ...(rear?.path.outputs ?? [])].find((o) => o.cut === cut!.id && o.process)?.process
