import { lookup, type Names, type SideName } from '#core/anatomy'
import { issueOf, kgOf, gramsOf, minor, perKg, type Issue, type Kg, type Minor } from '#core/measure'
import type { Reckoning } from '#core/reading'
import type { Fault, Species } from '#core/records'

/** What a step gives on a side, and so what can go wrong of it: cuts and parts with their weight on the block. */
export interface Made {
  id: string
  names: Names
  kg: Kg
  /** A cut has a price; a part that is opened in its turn has none yet. */
  isCut: boolean
}

/** What comes of a part's step under its way; what is nothing is left out. */
export function madeAt(read: Reckoning, part: string, side: SideName): Made[] {
  const find = lookup(read.flow.anatomy)
  return (read.cutting.slot(part, side)?.rows ?? []).flatMap((row): Made[] => {
    if (row.cut)
      return row.green > 1e-9 ? [{ id: row.cut.id, names: row.cut.names, kg: row.green, isCut: true }] : []
    return [{ id: row.part!, names: find.part(row.part!)!.names, kg: row.green, isCut: false }]
  })
}

/** Why a fault cannot have been: a weight of no cut, a cut of no weight, a cut that the step does not give, or more than it gives; null where it can. */
export function judgeFault(read: Reckoning, { of, side, cut, to, shown }: Fault): Issue | null {
  if (cut === null && !shown) return null
  if (cut === null || !shown) return issueOf('fault-half', shown ? 'cut' : 'shown', {})
  const made = madeAt(read, of, side)
  const names = (id: string) => {
    const find = lookup(read.flow.anatomy)
    return (find.cut(id) ?? find.part(id))!.names
  }
  const from = made.find((m) => m.id === cut && m.isCut)
  if (!from) return issueOf('fault-nowhere', 'cut', { cut: names(cut) })
  if (to !== null && (to === cut || !made.some((m) => m.id === to)))
    return issueOf('fault-nowhere', 'to', { cut: names(to) })
  const typed = kgOf(gramsOf(shown))
  return typed > from.kg + 1e-9
    ? issueOf('fault-too-much', 'shown', { cut: from.names, typed, held: from.kg })
    : null
}

/**
 * What a fault costs at the prices of the day, minor units: the weight at the price of what it was to be, less what it
 * still brings as what it became. What goes on to the trim brings the price of mince, lean for lean; waste brings nothing.
 */
export function faultLoss(read: Reckoning, cut: string, to: string | null, mass: Kg): Minor {
  const price = (id: string) => {
    const found = read.cuts.find((c) => c.cut.id === id)
    return found ? perKg(found.price) * found.sold : 0
  }
  const find = lookup(read.flow.anatomy)
  const becomes =
    to === null
      ? 0
      : find.cut(to)
        ? price(to)
        : to === read.flow.anatomy.roles.trim
          ? perKg(read.farm.mince)
          : 0
  return minor(Math.max(0, Math.round(mass * (price(cut) - becomes))))
}

/** A fault of any lot of the farm. */
export interface FaultRow {
  lot: string
  tag: string
  species: Species
  fault: Fault
}

/** What this farm gets wrong most: alike faults together, what they cost, how often, what was learnt the last time. */
export interface Repeated {
  species: Species
  of: string
  what: string
  times: number
  lost: Minor
  lesson: string | null
}
export function repeatedFaults(rows: readonly FaultRow[]): Repeated[] {
  const by = new Map<string, Repeated>()
  for (const { species, fault } of rows) {
    const key = `${species} ${fault.of} ${fault.what.toLowerCase()}`
    const held = by.get(key)
    by.set(key, {
      ...{ species, of: fault.of, what: fault.what },
      times: (held?.times ?? 0) + 1,
      lost: minor((held?.lost ?? 0) + fault.lost),
      lesson: fault.lesson ?? held?.lesson ?? null,
    })
  }
  return [...by.values()].sort((a, b) => b.lost - a.lost || b.times - a.times)
}

/** What was learnt at a step of this species, each lesson once, the newest last. */
export const lessonsAt = (rows: readonly FaultRow[], species: Species, of: string): string[] => [
  ...new Set(
    rows.flatMap((r) =>
      r.species === species && r.fault.of === of && r.fault.lesson ? [r.fault.lesson] : [],
    ),
  ),
]
