import { condemnedBy, packedIn, type Station } from '#core/records'
import {
  animalOf,
  chainOf,
  cutUp,
  disagreements,
  drawLot,
  evidenceOf,
  extentOf,
  flowWithRibs,
  normalsOf,
  sampleChain,
  seedOf,
  shareHung,
  solveChain,
  withSample,
  type ChainPoint,
  type Flow,
} from '#core/carcass'
import { kg, minor, type Minor } from '#core/measure'
import { ageTrimIn, minutesOf, readPlan, type Plan } from '#core/plan'
import { finishing, cutFigures } from './cuts.ts'
import { billedPacks, finished } from './finish.ts'
import type { FarmFigures, GroupState, LotState, Reckoning, Weights } from './lot.ts'
import { lessonOf } from './taught.ts'
import { together } from './together.ts'

const DRAWS = 500
/** The draws of another reading. */
type Drawings = Pick<Reckoning, 'drawn' | 'drawnNow' | 'groups'>

/**
 * Reads a lot whole: the plan on the facts, the weights from the evidence, the carcass cut by the plan, the cuts with
 * what was packed of them, and what it all is worth. Central figures are one evaluation at the chain's medians, so that
 * they add up; ranges are the central 80 % of `draws` seeded draws (none with 0 draws), or of those of another reading
 * with the same masses (`massKey`). Weighed figures have none. A lot that is split is what its groups come to together.
 */
export function reckon(
  base: Flow,
  lot: LotState,
  given: FarmFigures,
  draws: number | Drawings = DRAWS,
): Reckoning {
  const own = reckonOne(base, lot, given, draws, 0)
  if (!lot.apart) return own
  const groups = lot.apart.map((g, i) => ({
    id: g.id,
    name: g.name,
    read: reckonOne(base, g, given, typeof draws === 'number' ? draws : draws.groups[i]!.read, i + 1),
  }))
  return together(own, groups, lot, typeof draws === 'number' ? null : draws)
}

/** What a group bears of what the whole lot cost: shares of all groups add up to the whole. */
function costsShared(plan: Plan, { share, count }: Pick<GroupState, 'share' | 'count'>): Plan {
  const part = (amount: Minor) => {
    const upTo = (animals: number) => Math.round((amount * animals) / share.of)
    return minor(upTo(share.before + count) - upTo(share.before))
  }
  return {
    ...plan,
    target: part(plan.target),
    costs: plan.costs.map((c) => ({ ...c, amount: part(c.amount) })),
  }
}

/** A station of which everything is broken is closed, and what is cut with it is shut out. */
const withDown = (plan: Plan, down: readonly Station[]): Plan =>
  down.length === 0
    ? plan
    : {
        ...plan,
        closed: new Set([...plan.closed, ...down]),
        without: new Set([...plan.without, ...down.filter((s) => s === 'saw' || s === 'grinder')]),
      }

const isGroup = (lot: LotState): lot is GroupState => 'share' in lot

/** One lot, or one group; the `nth` is drawn by other animals than its sisters, on the same day. */
function reckonOne(
  base: Flow,
  lot: LotState,
  given: FarmFigures,
  draws: number | Drawings,
  nth: number,
): Reckoning {
  const { count } = lot
  const farm = { ...given, mince: given.minces?.[base.anatomy.species] ?? given.mince }
  const read = readPlan(base.anatomy, lot)
  const plan = withDown(isGroup(lot) ? costsShared(read, lot) : read, farm.down ?? [])
  const flow = flowWithRibs(base, plan.ribs)
  const weighed = withSample(evidenceOf(lot.weighings), plan.samples, count)
  const shared = isGroup(lot) ? lot.shared : []
  const evidence = [...weighed, ...shared]
  const share = shareHung(flow, plan.hangs, plan.conventions)
  const chain = [chainOf(flow.anatomy, plan, evidence, count * share), plan.days, count] as const
  // In the middle a share is taken as it is, so that the groups add up to what was weighed; how far it may lie off is drawn.
  const asTaken = [...weighed, ...shared.map((e) => ({ ...e, sd: 0 }))]
  const points = solveChain(...chain, asTaken)
  const asHung = points && weightsFrom(points)
  /** Of a side or a part, the animal it is of. */
  const one = (stage: 'cold' | 'hot') => kg((asHung?.[stage] ?? 0) / share / count)
  const animal = animalOf(flow.anatomy, plan, one('cold'), one('hot'))
  const cutAt = (weights: Weights | null) =>
    cutUp(flow, plan.choices, {
      carcass: weights?.aged ?? kg(0),
      live: weights?.shrunk ?? kg(0),
      conventions: plan.conventions,
      extent: extentOf(flow.anatomy, plan.hangs),
      factors: animal.factors,
      tilts: animal.tilts,
      parts: plan.parts,
      cutAway: plan.cutAway,
      ageTrim: ageTrimIn(flow.anatomy, plan),
      spoilt: plan.spoilt,
      count,
    })
  const asPlanned = cutAt(asHung)
  const packed = packedIn(lot.packs, lot.facts)
  const lesson = points && lessonOf(asPlanned, packed, plan.done, count, points)
  const taught = (lesson && asHung && lesson.central(asHung)) ?? null
  const weights = taught?.weights ?? asHung
  const cutting = taught && taught.weights.aged !== asHung!.aged ? cutAt(taught.weights) : asPlanned
  const drawAnew = (n: number) => {
    // Of a group that was not weighed itself, all its weights lie off together, however its lot dressed out.
    const off = weighed.length === 0 ? Math.max(0, ...shared.map((e) => e.sd)) : 0
    const sampled = sampleChain(...chain, off > 0 ? asTaken : evidence)
    // Groups of one lot hung on one day: what shifts the weight of one shifts that of its sisters.
    const day = nth > 0 ? normalsOf() : null
    const drawn =
      weights && n > 0
        ? drawLot(
            asPlanned,
            count,
            (normal) => {
              const by = off > 0 ? Math.exp(off * normal()) : 1
              return sampled(day ?? normal).map((kg) => kg * by)
            },
            n,
            animal.spread,
            nth > 0 ? seedOf(nth) : undefined,
          )
        : null
    return { drawn, drawnNow: (drawn && lesson?.draws(drawn)) ?? drawn }
  }
  const { drawn, drawnNow } = typeof draws === 'number' ? drawAnew(draws) : draws
  const cuts = cutFigures(cutting, plan, count, farm, packed, {
    taught: taught?.kg ?? null,
    drawn,
    drawnNow,
  })
  const condemned = plan.downgrades.reduce((sum, d) => sum + condemnedBy(d), 0)
  const killed = isGroup(lot) ? (count * lot.share.killed) / lot.share.of : count + condemned
  const dayShare = isGroup(lot) ? count / lot.share.of : 1
  return finished(
    {
      groups: [],
      count,
      killed,
      farm,
      flow,
      plan,
      animal,
      cutting,
      drawn,
      drawnNow,
      evidence,
      disagreements: disagreements(...chain, evidence),
      weights,
      cuts,
      dayShare,
      bench: minutesOf(
        cutting,
        count,
        billedPacks(cuts),
        plan.hands,
        plan.held,
        dayShare,
        finishing(cuts, plan.hands),
        plan.schools,
      ),
    },
    packed,
  )
}

const weightsFrom = (points: readonly ChainPoint[]): Weights =>
  Object.fromEntries(points.map((p) => [p.stage, p.kg])) as Weights
