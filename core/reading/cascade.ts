import { DESTINATIONS, type Destination } from '#core/records'
import {
  fromKg,
  kg,
  massDigits,
  minor,
  roundToSum,
  sumOf,
  type Kg,
  type MassUnit,
  type Minor,
} from '#core/measure'
import type { Reckoning } from './lot.ts'
import { whereItGoes, type Loss } from './losses.ts'
import { flowPicture, type FlowLink } from './picture.ts'
import { shownWeights } from './shown.ts'

/** A part as it hangs, and what of it goes where in the end, through all that is opened inside it. */
export interface CascadePart {
  part: string
  kg: Kg
  /** As it is shown: parts and what is missing add up to what came on the block. */
  shown: number
  to: { destination: Destination; kg: Kg }[]
}
/** Where everything goes, row by row, each as wide as it weighs; figures are what is weighed and still to come. */
export interface Cascade {
  live: Kg
  /** What never came on the block: fasting, what was dressed off, drying. */
  gone: { id: Loss['id']; kg: Kg }[]
  /** The carcass and the offal kept beside it, kg and as shown. */
  block: { kg: Kg; shown: number }
  parts: CascadePart[]
  /** Cure, seasoning, water: what comes in on the way and stays in. */
  added: { kg: Kg; shown: number; to: { destination: Destination; kg: Kg }[] }
  /** Of what came on the block. */
  missing: { kg: Kg; shown: number }
  /** What it all comes to: the tray's own figures, and what they bring. */
  destinations: { destination: Destination; kg: Kg; shown: number; money: Minor }[]
}

const NOTHING = 1e-6
const OFF_BLOCK: readonly Loss['id'][] = ['shrink', 'dressing', 'cooler']

/** Kilograms of everything that enters a node, by where they end. */
function endsOf(links: readonly FlowLink[]): (id: string) => ReadonlyMap<Destination, number> {
  const known = new Map<string, Map<Destination, number>>()
  const into = new Map<string, number>()
  for (const l of links) into.set(l.to, (into.get(l.to) ?? 0) + l.kg)
  return function ends(id) {
    const held = known.get(id)
    if (held) return held
    const out = new Map<Destination, number>()
    known.set(id, out)
    const add = (to: Destination, mass: number) => out.set(to, (out.get(to) ?? 0) + mass)
    for (const l of links) {
      if (l.from !== id) continue
      if (l.to.startsWith('→')) add(l.to.slice(1) as Destination, l.kg)
      // What several parts put into one (the trim) leaves it as if it were all one.
      else for (const [to, mass] of ends(l.to)) add(to, (mass * l.kg) / into.get(l.to)!)
    }
    return out
  }
}

/** The cascade of a lot; null without a weight. */
export function cascadeOf(read: Reckoning, unit: MassUnit): Cascade | null {
  const { weights, balance, cuts, cutting } = read
  if (!weights) return null
  const links = flowPicture(read)
  const ends = endsOf(links)
  const cameIn = ends('added')
  const now = new Map(
    DESTINATIONS.map((to) => [to, sumOf(cuts, (c) => (c.cut.destination === to ? c.kg : kg(0)))] as const),
  )
  // Where less was packed than came in, what lacks of it is no part's.
  const added = new Map([...cameIn].map(([to, mass]) => [to, Math.min(mass, now.get(to)!)] as const))
  const lost = kg(sumOf([...cameIn], ([, mass]) => kg(mass)) - sumOf([...added], ([, mass]) => kg(mass)))
  // The plan's masses, what was added apart, each as much more or less as packs have taught of where it goes.
  const own = (all: Kg, to: Destination, from = cameIn) => all - (from.get(to) ?? 0)
  const planned = (to: Destination) =>
    own(
      sumOf(cutting.flow.anatomy.cuts, (c) => (c.destination === to ? cutting.cutKg(c.id) : kg(0))),
      to,
    )
  const taught = new Map(
    DESTINATIONS.map(
      (to) => [to, planned(to) > NOTHING ? own(now.get(to)!, to, added) / planned(to) : 0] as const,
    ),
  )
  const goals = (of: ReadonlyMap<Destination, number>, scale: (to: Destination) => number = () => 1) =>
    DESTINATIONS.flatMap((destination) => {
      const mass = kg((of.get(destination) ?? 0) * scale(destination))
      return mass > NOTHING ? [{ destination, kg: mass }] : []
    })
  const hanging = [
    ...new Set(links.filter((l) => l.from === 'carcass' || l.from === 'live').map((l) => l.to)),
  ]
    .filter((id) => id !== 'carcass' && id !== 'gone')
    .map((part) => ({ part, to: goals(ends(part), (to) => taught.get(to)!) }))
    .map((p) => ({ ...p, kg: sumOf(p.to, (t) => t.kg) }))
    .filter((p) => p.kg > NOTHING)
  // What was packed of a cut that the plan has none of came from somewhere on the block.
  const unplanned = DESTINATIONS.flatMap((destination) =>
    planned(destination) <= NOTHING && now.get(destination)! > NOTHING
      ? [{ destination, kg: now.get(destination)! }]
      : [],
  )
  const shown = shownWeights(read, unit)
  const digits = massDigits(unit)
  const round = (x: number) => Number(x.toFixed(digits))
  const lostShown = round(fromKg(lost, unit))
  const missing = round(shown.difference - lostShown)
  const blockShown = round(shown.carcass + shown.kept)
  const others = unplanned.length > 0 ? [{ part: '', to: unplanned, kg: sumOf(unplanned, (u) => u.kg) }] : []
  const all = [...hanging, ...others]
  const figures = roundToSum(
    all.map((p) => fromKg(p.kg, unit)),
    digits,
    round(blockShown - missing),
  )
  return {
    live: weights.live,
    gone: whereItGoes(read).flatMap(({ id, kg: went }) =>
      OFF_BLOCK.includes(id) && went > 0 ? [{ id, kg: went }] : [],
    ),
    block: { kg: kg(balance.carcass + balance.kept), shown: blockShown },
    parts: all.map((p, i) => ({ ...p, shown: figures[i]! })),
    added: { kg: kg(balance.added - lost), shown: round(shown.added - lostShown), to: goals(added) },
    missing: { kg: kg(balance.difference - lost), shown: missing },
    destinations: DESTINATIONS.flatMap((destination) => {
      const here = cuts.filter((c) => c.cut.destination === destination)
      const mass = now.get(destination)!
      if (mass <= NOTHING) return []
      return [
        {
          destination,
          kg: mass,
          shown: round(sumOf(here, (c) => shown.cuts.get(c.cut.id)!)),
          money: minor(sumOf(here, (c) => (c.cut.kind === 'product' ? c.value : minor(0)))),
        },
      ]
    }),
  }
}
