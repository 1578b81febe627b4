import { typesOf, UNSURE, type Anatomy, type ChainFigures } from '#core/anatomy'
import type { Hangs } from '#core/records'
import { issueOf, kg, toKg, type Issue, type Kg, type TypedMass } from '#core/measure'
import { evidenceOf, groupSd, type Evidence, type Weighed } from './chain.ts'
import { STAGES } from './stages.ts'

/** What is weighed: so many of it, what of an animal it is and which share of one that usually is, and of which type. */
export interface Job {
  count: number
  hangs: Hangs
  share: number
  type: string | null
  /** What a sample of the flock says of its live weight. */
  sample?: Evidence | undefined
}

/** A weighing to be judged: what it says to the chain, and how it was shown. */
export type Judged = Weighed & { shown: TypedMass }

/**
 * What is wrong, or unusual, with a new weighing beside those already there. Impossible figures (below or
 * above what the animal can weigh, a later stage above an earlier one, dressing out of all bounds) are
 * refused; unusual ones (beyond 3 SD) come back confirmable. Empty when the figure may simply be kept.
 */
export function judgeWeighing(
  anatomy: Anatomy,
  chain: ChainFigures,
  job: Job,
  held: readonly Weighed[],
  added: Judged,
): Issue[] {
  const field = added.stage
  const { count } = job
  if (job.hangs.as !== 'whole' && (added.stage === 'live' || added.stage === 'shrunk'))
    return [issueOf('no-live-weight', field, {})]
  const evidence = evidenceOf([...held, added])
  const own = evidence.find((e) => e.id === added.id)
  if (!own) return []

  const absurd = outsideSpecies(anatomy, own, job, added, field)
  if (absurd) return [absurd]
  const scale = (e: Evidence) => e.sd === 0
  if (!scale(own)) return []

  for (const other of evidence.filter((e) => e !== own && scale(e))) {
    const [early, late] =
      STAGES.indexOf(own.stage) < STAGES.indexOf(other.stage) ? [own, other] : [other, own]
    if (late.kg > early.kg * (1.0005 + waterGain(chain, early, late))) {
      return [issueOf('later-above-earlier', field, { later: late, earlier: early })]
    }
    const issue = judgePair(anatomy, chain, early, late, field, count)
    if (issue) return [issue]
  }
  if (job.sample && STAGES.indexOf(own.stage) > STAGES.indexOf('live')) {
    // Some of a flock are not all of it: asked, never refused.
    const issue = judgePair(anatomy, chain, job.sample, own, field, count)
    if (issue) return [{ ...issue, confirmable: true }]
  }
  const alone = evidence.every((e) => e === own || !scale(e))
  const half = alone ? perhapsSide(anatomy, own, job, field) : null
  return half ? [half] : []
}

/** A carcass is lighter than any of its type, and twice of it is one: perhaps it is a side. Asked once (confirmable). */
function perhapsSide(
  anatomy: Anatomy,
  own: Evidence,
  { hangs, count, type }: Job,
  field: string,
): Issue | null {
  const isCarcass = STAGES.indexOf(own.stage) >= STAGES.indexOf('hot')
  if (hangs.as !== 'whole' || !isCarcass || anatomy.map.kind !== 'sides') return null
  const rows = typesOf(anatomy, type ?? UNSURE).map((t) => t.type.rows[0].kg)
  const low = Math.min(...rows)
  const each = own.kg / count
  if (rows.length === 0 || each >= low * LIGHTEST || 2 * each < low) return null
  return {
    ...issueOf('perhaps-side', field, { each: kg(each), what: anatomy.names, low: kg(low) }),
    confirmable: true,
  }
}

/** A carcass only gains weight where the chill can add water. */
function waterGain(chain: ChainFigures, early: Evidence, late: Evidence): number {
  const chilled = early.stage === 'hot' && (late.stage === 'cold' || late.stage === 'aged')
  return chilled && chain.chill.mean > 1 ? chain.chill.mean - 1 + 3 * chain.chill.sd : 0
}

/** Lighter than this share of the lightest that is known of a type, a carcass is asked about (our own figure). */
const LIGHTEST = 0.85

/** The most a carcass of the species can weigh, kg: no animal dresses above 86 % of the heaviest live one (our figure, from memory). */
export const heaviestCarcass = (anatomy: Anatomy): Kg => kg(anatomy.chain.liveKg.high * 0.86)

function outsideSpecies(
  anatomy: Anatomy,
  own: Evidence,
  { count, share, hangs }: Job,
  added: Judged,
  field: string,
): Issue | null {
  const isLive = own.stage === 'live' || own.stage === 'shrunk'
  const of = isLive ? 'live' : hangs.as === 'whole' ? 'carcass' : 'piece'
  return outside(anatomy, of, share, kg(own.kg / count), count, added.shown, field)
}

/** One animal by itself, alive or hot, of a weight that none of its kind has; null when it may be. */
export const outsideKind = (anatomy: Anatomy, field: 'live' | 'hot', shown: TypedMass): Issue | null =>
  outside(
    anatomy,
    field === 'live' ? 'live' : 'carcass',
    1,
    kg(toKg(shown.value, shown.unit)),
    1,
    shown,
    field,
  )

function outside(
  anatomy: Anatomy,
  of: 'live' | 'carcass' | 'piece',
  share: number,
  each: Kg,
  count: number,
  shown: TypedMass,
  field: string,
): Issue | null {
  const { low, high } = anatomy.chain.liveKg
  const bounds =
    of === 'live' ? { low, high } : { low: low * 0.5 * share, high: heaviestCarcass(anatomy) * share }
  const within = (kg: number) => kg >= bounds.low && kg <= bounds.high
  if (within(each)) return null
  const other = shown.unit === 'kg' ? 'lb' : 'kg'
  const meant = within(toKg(shown.value, other) / count)
    ? { value: shown.value, unit: other as 'kg' | 'lb' }
    : null
  return issueOf('mass-absurd', field, {
    each,
    count,
    low: kg(bounds.low),
    high: kg(bounds.high),
    what: anatomy.names,
    of,
    meant,
  })
}

function judgePair(
  anatomy: Anatomy,
  chain: ChainFigures,
  early: Evidence,
  late: Evidence,
  field: string,
  count: number,
): Issue | null {
  const { dressing, dressingPossible, shrink, chill, ageingPerDay, days } = chain
  const ratio = late.kg / early.kg
  const carcass = (e: Evidence) => STAGES.indexOf(e.stage) >= STAGES.indexOf('hot')
  if (!carcass(early) && carcass(late)) {
    const shrunkRatio = early.stage === 'live' ? ratio / shrink.mean : ratio
    const figures = { hot: late.kg, live: early.kg, what: anatomy.names, ratio: shrunkRatio }
    if (shrunkRatio < dressingPossible.low || shrunkRatio > dressingPossible.high)
      return issueOf('dressing-impossible', field, { ...figures, ...dressingPossible })
    const fasted = early.stage === 'live' ? groupSd(chain, 'shrink', count) : 0
    const sd = Math.hypot(groupSd(chain, 'dressing', count), fasted, early.sd)
    if (Math.abs(shrunkRatio - dressing.mean) <= 3 * sd) return null
    const band = { low: dressing.mean - 3 * sd, high: dressing.mean + 3 * sd }
    return { ...issueOf('dressing-unusual', field, { ...figures, ...band }), confirmable: true }
  }
  const usual = carcass(early)
    ? { low: 0, high: 1 - chill.mean + 3 * chill.sd + days.high * ageingPerDay.mean }
    : { low: 0, high: 1 - shrink.mean + 5 * shrink.sd }
  if (1 - ratio <= usual.high) return null
  return {
    ...issueOf('loss-unusual', field, { later: late, earlier: early, ratio: 1 - ratio, ...usual }),
    confirmable: true,
  }
}
