import type { Cut } from '#core/anatomy'
import { missedAt, STAGES, type ChainPoint, type CutUp, type Drawn, type Stage } from '#core/carcass'
import { kg, kgOf, type Kg } from '#core/measure'
import type { PackRow, Weights } from './lot.ts'

/** What was weighed of a cut: so much of it, and whether that is all there is. */
export interface Known {
  kg: number
  all: boolean
}
/** Kilograms of what comes of a carcass, the SD each is known to, and that of the carcass itself. */
export interface Expected {
  kg: Float64Array
  sd: Float64Array
  totalSd: number
}

/** Meat that is short by more than so many SDs is missing: the rest of the animal is not said to hold it. */
const MISSING = 3
/** How widely what comes of a carcass varies, log SD, from memory (docs/sources.md: taught-widths); other meat by its size. */
const WIDTH: Partial<Record<Cut['destination'], number>> = { G: 0.08, N: 0.06, F: 0.12, X: 0.15 }
const BY_SIZE = 0.045

const sumAt = (of: ArrayLike<number>, at: Iterable<number>): number => {
  let sum = 0
  for (const i of at) sum += of[i]!
  return sum
}

/**
 * What packs that were weighed teach of the rest: a cut of which all is weighed is that weight, of another its packs are
 * the least it can be. What one weighs more its sisters have less, each by how little it is known, or the carcass was
 * heavier, by how little that is known; so the kilograms still add up to the carcass, which is `ratio` of what it was.
 * Only what is short beyond belief is left open. Normal variables, conditioned on their sum.
 */
export function teach(
  { kg, sd, totalSd }: Expected,
  known: readonly (Known | null)[],
): { ratio: number; kg: Float64Array } {
  const total = sumAt(kg, kg.keys())
  const variance = kg.map((x, i) => (x > 0 ? sd[i]! ** 2 : 0))
  const everything = sumAt(variance, kg.keys())
  const fixed = new Map<number, number>()
  known.forEach((k, i) => k?.all && fixed.set(i, k.kg))
  for (;;) {
    const out = taught()
    const before = fixed.size
    out.kg.forEach((x, i) => {
      const least = known[i]?.kg ?? 0
      if (!fixed.has(i) && x < least) fixed.set(i, least)
    })
    if (fixed.size === before) return out
  }

  function taught(): { ratio: number; kg: Float64Array } {
    const expected = sumAt(kg, fixed.keys())
    const own = sumAt(variance, fixed.keys())
    const rest = fixed.size < kg.length ? Math.max(0, everything - own) : 0
    const share = total > 0 ? expected / total : 0
    const spread = (share * totalSd) ** 2 + (everything > 0 ? (own * rest) / everything : 0)
    const found = [...fixed.values()].reduce((sum, x) => sum + x, 0) - expected
    const gap = Math.max(found, -MISSING * Math.sqrt(spread))
    const heavier = spread > 0 ? (gap * share * totalSd ** 2) / spread : 0
    const ratio = total > 0 ? 1 + heavier / total : 1
    const left = gap - share * heavier
    const less = rest > 0 ? left / rest : 0
    return { ratio, kg: kg.map((x, i) => fixed.get(i) ?? ratio * x - less * variance[i]!) }
  }
}

/** What packs in force say of the cuts of an anatomy, in its order. */
function knownOf(
  cuts: readonly Cut[],
  packs: readonly PackRow[],
  done: ReadonlySet<string>,
): (Known | null)[] {
  const weighed = new Map<string, Kg>()
  for (const p of packs) weighed.set(p.cut, kg((weighed.get(p.cut) ?? 0) + kgOf(p.grams)))
  return cuts.map(({ id }) => {
    const [own, all] = [weighed.get(id), done.has(id)]
    return own === undefined && !all ? null : { kg: own ?? 0, all }
  })
}

/** Cuts that come of what is no carcass: their weight says nothing of its meat. */
function apart(cutting: CutUp): ReadonlySet<string> {
  const offal = cutting.slots.filter((s) => s.offCarcass > 0 && s.holds)
  return new Set(offal.flatMap((s) => s.rows.flatMap((r) => (r.cut && r.green > 0 ? [r.cut.id] : []))))
}

/** What packs teach of the cuts of a lot; `follows` says how far each stage goes with the carcass, 0 where it was weighed. */
class Lesson {
  private readonly cuts: readonly Cut[]
  private readonly inside: readonly number[]
  private readonly known: readonly (Known | null)[]
  private readonly sd: Float64Array
  constructor(
    private readonly cutting: CutUp,
    known: readonly (Known | null)[],
    count: number,
    private readonly carcassSd: number,
    private readonly follows: Readonly<Record<Stage, number>>,
  ) {
    const { cuts, spread, roles } = cutting.flow.anatomy
    const own = apart(cutting)
    this.cuts = cuts
    this.known = known
    this.inside = [...cuts.keys()].filter((i) => !own.has(cuts[i]!.id))
    this.sd = Float64Array.from(this.inside, (i) => {
      const cut = cuts[i]!
      const kgOfIt = cutting.cutKg(cut.id)
      const bySize = Math.hypot(BY_SIZE, missedAt(spread, kg(kgOfIt / count / 2)))
      return kgOfIt * (cut.id === roles.loss ? WIDTH.X! : (WIDTH[cut.destination] ?? bySize))
    })
  }
  /** kg of every cut once taught, and how much heavier the carcass is than it was taken for. */
  private teach(expected: Float64Array): { ratio: number; kg: Float64Array } {
    const of = Float64Array.from(this.inside, (i) => expected[i]!)
    const found = teach(
      { kg: of, sd: this.sd, totalSd: this.carcassSd * sumAt(of, of.keys()) },
      this.inside.map((i) => this.known[i]!),
    )
    const out = expected.map((x, i) => {
      const k = this.known[i]
      return k ? (k.all ? k.kg : Math.max(k.kg, x)) : x
    })
    this.inside.forEach((i, n) => (out[i] = found.kg[n]!))
    return { ratio: found.ratio, kg: out }
  }
  /** What is now expected of every cut, packs and all; and the weights of the chain with it. */
  central(weights: Weights): { weights: Weights; kg: ReadonlyMap<string, Kg> } {
    const { ratio, kg: kgs } = this.teach(Float64Array.from(this.cuts, (c) => this.cutting.cutKg(c.id)))
    return {
      weights: Object.fromEntries(
        STAGES.map((s) => [s, kg(weights[s] * ratio ** this.follows[s])]),
      ) as Record<Stage, Kg>,
      kg: new Map(this.cuts.map((c, i) => [c.id, kg(kgs[i]!)])),
    }
  }
  /** Every draw taught by the same packs. */
  draws(drawn: Drawn): Drawn {
    const before = this.cuts.map((c) => drawn.cut.get(c.id)!)
    const after = this.cuts.map(() => new Float64Array(drawn.draws))
    const stages = Object.fromEntries(STAGES.map((s) => [s, drawn.stages[s].slice()])) as Drawn['stages']
    const expected = new Float64Array(this.cuts.length)
    for (let d = 0; d < drawn.draws; d++) {
      before.forEach((of, i) => (expected[i] = of[d]!))
      const { ratio, kg: kgs } = this.teach(expected)
      after.forEach((of, i) => (of[d] = kgs[i]!))
      if (ratio !== 1) for (const s of STAGES) stages[s][d]! *= ratio ** this.follows[s]
    }
    return { ...drawn, stages, cut: new Map(this.cuts.map((c, i) => [c.id, after[i]!])) }
  }
}

/** What a lot's packs teach of it; null where none was weighed and nothing is said to be done. */
export function lessonOf(
  cutting: CutUp,
  packs: readonly PackRow[],
  done: ReadonlySet<string>,
  count: number,
  points: readonly ChainPoint[],
): Lesson | null {
  const known = knownOf(cutting.flow.anatomy.cuts, packs, done)
  if (known.every((k) => k === null)) return null
  const sdAt = (stage: Stage) => points.find((p) => p.stage === stage)!.sd
  const carcassSd = sdAt('aged')
  const follows = Object.fromEntries(
    STAGES.map((s) => [s, carcassSd > 0 ? Math.min(1, sdAt(s) / carcassSd) : 0]),
  ) as Record<Stage, number>
  return new Lesson(cutting, known, count, carcassSd, follows)
}
