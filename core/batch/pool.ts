import { group as grouped } from 'd3-array'
import { lookup, type Part } from '#core/anatomy'
import { boxedParts, chainUnder, judgeWeighing, shareHung, unmet } from '#core/carcass'
import { gramsOf, kg, minor, sumOf, type Issue, type Kg, type Minor, type TypedMass } from '#core/measure'
import { canBeHeld, holdPart } from '#core/plan'
import type { CutFigure, Reckoning } from '#core/reading'
import type { Decision, FactBody, Route } from '#core/records'

/** What is pooled as it comes, in the order of the carcass; a wing before its tips, a neck in the bird as one beside it. */
const AS_POOLED: Readonly<Record<string, string>> = {
  wing: 'wing',
  back: 'back',
  tenders: 'tenders',
  flap: 'flap',
  giblets: 'loose-giblets',
  'loose-giblets': 'loose-giblets',
  liver: 'liver',
  heart: 'heart',
  kidneys: 'kidneys',
  neck: 'loose-neck',
  'loose-neck': 'loose-neck',
  feet: 'feet',
  frames: 'frames',
}

/** Cuts of what is pooled over all animals of a lot, too little of one for a pack; fat and skin come of other parts as well. */
export function pooled(read: Reckoning): CutFigure[] {
  const made = read.cutting.slots
    .filter((slot) => AS_POOLED[slot.part] !== undefined && slot.holds)
    .flatMap((slot) => slot.rows.flatMap((row) => (row.cut && row.green > 0 ? [row.cut.id] : [])))
  return read.cuts.filter((c) => c.kg > 0 && !'XF'.includes(c.cut.destination) && made.includes(c.cut.id))
}

/** A part of every animal that may go into a run of its own: what it weighs as planned, and the share of the cost it bears by what it brings. */
export interface PoolPart {
  part: Part
  /** The part of its kind that such a lot is: the neck is the same whether the bird was sold with it or without. */
  as: string
  kg: Kg
  bears: Minor
  /** Animals it comes of. */
  count: number
  /** The groups it comes of; null is the lot as it is read. */
  of: (string | null)[]
}

/**
 * Parts that are pooled as a lot of their own, uncut: wings, tenders, giblets, feet, frames, as they come of the animals
 * that are cut, over all groups of the lot. What is not kept as planned weighs what it usually does, and bears nothing.
 */
export function poolParts(read: Reckoning): PoolPart[] {
  const each =
    read.groups.length > 0
      ? read.groups.flatMap((g) => poolOf(g.read).map((p) => ({ ...p, of: [g.id] })))
      : poolOf(read)
  return [...grouped(each, (p) => p.part.id).values()].map((same) => ({
    ...same[0]!,
    kg: sumOf(same, (p) => p.kg),
    bears: sumOf(same, (p) => p.bears),
    count: same.reduce((sum, p) => sum + p.count, 0),
    of: same.flatMap((p) => p.of),
  }))
}

function poolOf(read: Reckoning): PoolPart[] {
  const { anatomy } = read.flow
  const boxed = boxedParts(anatomy)
  const all = sumOf(read.cuts, (c) => c.value)
  return Object.entries(AS_POOLED).flatMap(([id, as]): PoolPart[] => {
    const part = lookup(anatomy).part(id)
    const slot = read.cutting.slot(id, 'animal')
    if (!part || !slot || !boxed.includes(as) || !canBeHeld(anatomy, id)) return []
    if (read.plan.held.get(id, 'animal') || unmet(anatomy, part.needs, read.plan.conventions)) return []
    const isLeft = slot.path.leaves === true
    const mass = isLeft ? kg(slot.offCarcass * (read.weights?.shrunk ?? 0)) : slot.kg
    if (mass <= 1e-6) return []
    const worth = slot.rows.reduce((sum, row) => {
      const cut = row.cut && read.cuts.find((c) => c.cut.id === row.cut!.id)
      return cut && cut.kg > 0 ? sum + (cut.value * row.product) / cut.kg : sum
    }, 0)
    const bears = all > 0 ? (read.money.costs.total * worth) / all : 0
    return [
      { part, as, kg: mass, bears: minor(Math.round(bears)), count: Math.round(read.count), of: [null] },
    ]
  })
}

/** What is wrong with what a run is said to weigh, before it is made: more of it than so many animals have. */
export function judgeRun({ flow, plan }: Reckoning, { as, count }: PoolPart, shown: TypedMass): Issue[] {
  const hangs = { as: 'part', part: as } as const
  const job = { count, hangs, type: plan.type, share: shareHung(flow, hangs, plan.conventions) }
  const weighed = { id: as, stage: 'hanging', basis: 'boxed', source: 'scale', shown } as const
  const [chain, grams] = [chainUnder(flow.anatomy, plan.conventions, plan.type), gramsOf(shown)]
  return judgeWeighing(flow.anatomy, chain, job, [], { ...weighed, grams, corrects: null, stands: true })
}

/** What is decided of the animals a part of which goes into a run: it is taken uncut. */
export const takenUncut = ({ flow, plan }: Reckoning, { part }: PoolPart): Decision[] =>
  holdPart(flow.anatomy, plan.choices.paths, part.id, ['animal'], 'taken')

/** What the run says of itself, and what it takes over of the cost of the lot it came of. */
export function saidOfRun({ as, bears }: PoolPart, from: string, route: Route | null): FactBody[] {
  return [
    { kind: 'observation', what: 'hangs', value: { as: 'part', part: as } },
    { kind: 'observation', what: 'mother', value: from },
    ...(route ? [{ kind: 'observation', what: 'route', value: route } as const] : []),
    ...(bears > 0 ? [{ kind: 'cost', of: 'animal', label: `From ${from}`, amount: bears } as const] : []),
  ]
}

/** Of the cost of the animals, what the run bears now; null where it bears nothing. */
export const carriedInto = ({ bears }: PoolPart, run: string): FactBody | null =>
  bears > 0 ? { kind: 'cost', of: 'animal', label: `Into ${run}`, amount: bears, carried: true } : null
