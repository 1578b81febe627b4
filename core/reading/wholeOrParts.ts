import { lookup, type Names, type Part } from '#core/anatomy'
import { afterBench, type Worth } from '#core/ledger'
import type { Flow } from '#core/carcass'
import { kg, minor, type Interval, type Issue, type Kg, type Minor } from '#core/measure'
import { refusalOf, takePath, tried } from '#core/plan'
import { CLASS_OF, type Decision, type Fee } from '#core/records'
import { cutAs, entriesOf, pathIn, withPaths, worthAs } from './alternatives.ts'
import type { FarmFigures, LotState, Reckoning } from './lot.ts'
import { reckon } from './reckon.ts'

/** A way of the whole animal; its figures are of one animal, sums of money not rounded. */
export interface WholeWay {
  path: string
  names: Names
  inForce: boolean
  refusal: Issue | null
  takeHome: Kg
  packs: number
  minutes: number
  /** What is billed, and what the hours at the bench count. */
  fees: number
  labour: number
  /** What of the fees is asked for cutting it up; nothing of the whole one. */
  cutting: number
  /** What is left once fees, hours and goods are paid: as it is expected to sell, with none of its parts sold, with all. */
  left: number
  none: number
  all: number
  /** Where what is left lies eight times in ten, once that was drawn. */
  range: Interval | null
  said: Decision[]
}
/** Whole, and every other way, beside one another. */
export interface WholeOrParts {
  part: Part
  count: number
  whole: WholeWay
  ways: WholeWay[]
}

/** The part that is all of a bird or a rabbit; null for what is never sold in one piece. */
const allOf = ({ flow: { anatomy }, plan }: Reckoning): Part | null => {
  const of = CLASS_OF[anatomy.species]
  const isSmall = of === 'poultry' || of === 'rabbits'
  return isSmall && plan.hangs.as === 'whole' ? anatomy.parts[0]! : null
}

/**
 * Whole or parts? What one animal leaves over whole and by every other way, at the prices in force: each way with as much of
 * its parts sold as is expected, with none and with all of them (what does not sell brings the share of its price that the
 * plan says). Null for what is not sold whole, or without a weight.
 */
export function wholeOrParts(read: Reckoning): WholeOrParts | null {
  const part = allOf(read)
  if (!part || !read.weights || read.groups.length > 0) return null
  const { flow, plan, count } = read
  const { anatomy } = flow
  const cutBy = (path: string) =>
    cutAs(read, withPaths(read, plan, entriesOf(read, part.id, ['animal'], path)))
  const [first, ...others] = lookup(anatomy).pathsOf(part.id)
  const wholeCut = cutBy(first!.id)
  // What comes of it either way, neck and giblets, sells as it does.
  const isOwn = (cut: string, mass: Kg) => Math.abs(mass - wholeCut.cutKg(cut)) > 1e-6
  const wayOf = ({ id, names }: { id: string; names: Names }): WholeWay => {
    const cutting = cutBy(id)
    const each = (selling?: number): Worth =>
      worthAs(read, cutting, (cut, mass) => (selling !== undefined && isOwn(cut, mass) ? selling : null))
    const [usual, none, all] = [each(), each(0), each(1)]
    return {
      ...{ path: id, names },
      inForce: pathIn(read, plan, part.id, 'animal') === id,
      refusal: refusalOf(anatomy, plan, part.id, ['animal'], id),
      takeHome: kg(usual.takeHome / count),
      packs: usual.packs / count,
      minutes: usual.minutes / count,
      fees: usual.fees / count,
      labour: usual.labour / count,
      cutting: id === first!.id ? 0 : cuttingFee(plan, id),
      range: null,
      left: afterBench(usual) / count,
      none: afterBench(none) / count,
      all: afterBench(all) / count,
      said: takePath(anatomy, part.id, ['animal'], id),
    }
  }
  return { part, count, whole: wayOf(first!), ways: others.map(wayOf) }
}

/** The fee that a farm, or whoever cuts, asks for cutting one up: one of the fees of the lot, on all ways but whole. */
export const CUT_UP = 'cut-up'
export function cutUpFee({ part, ways }: Pick<WholeOrParts, 'part' | 'ways'>, amount: Minor): Fee {
  const on = { ways: ways.map((w) => w.path) }
  return {
    kind: 'fee',
    fee: CUT_UP,
    label: `Cutting up, ${part.names.american.toLowerCase()}`,
    on,
    amount,
    per: 'head',
    basis: null,
  }
}
const cuttingFee = ({ fees }: Reckoning['plan'], path: string): number => {
  const fee = fees[CUT_UP]
  return fee?.on && 'ways' in fee.on && fee.on.ways.includes(path) ? fee.amount : 0
}

/** The same with what each way leaves between, eight times in ten: the weight of the flock and the day are common to all of it, and drawn once for each. */
export function withLeftRanges(
  found: WholeOrParts,
  flow: Flow,
  state: LotState,
  farm: FarmFigures,
  draws = 120,
): WholeOrParts {
  const ranged = (w: WholeWay): WholeWay => {
    if (w.refusal) return w
    const { money } = reckon(flow, { ...state, ...tried(state, w.said) }, farm, draws)
    const around = (net: number) => w.left + (net - money.net) / found.count
    return {
      ...w,
      range: money.netRange && { low: around(money.netRange.low), high: around(money.netRange.high) },
    }
  }
  return { ...found, whole: ranged(found.whole), ways: found.ways.map(ranged) }
}

/**
 * The share of its parts that must sell for a way to leave what the whole animal does; 0 where it always does, null where it
 * never does. `fee` is asked for the cutting of each beside what is billed already, minor units.
 */
export function mustSell(
  { none, all }: Pick<WholeWay, 'none' | 'all'>,
  whole: number,
  fee: Minor = minor(0),
): number | null {
  const lacks = whole + fee - none
  if (lacks <= 0) return 0
  const share = lacks / (all - none)
  return all > none && share <= 1 ? share : null
}
