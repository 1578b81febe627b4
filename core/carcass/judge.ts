import type { Anatomy, ChainFigures } from '#core/anatomy'
import { formatMass, toKg, type Issue } from '#core/measure'
import { evidenceOf, STAGES, type Evidence, type Stage, type Weighing } from './chain.ts'

const STAGE_WORD: Record<Stage, string> = {
  live: 'Live weight',
  shrunk: 'Fasted live weight',
  hot: 'Hot weight',
  cold: 'Cold weight',
  aged: 'Aged weight',
}

/**
 * What is wrong, or unusual, with a new weighing beside those already there. Impossible figures (below or
 * above what the animal can weigh, a later stage above an earlier one, dressing out of all bounds) are
 * refused; unusual ones (beyond 3 SD) come back confirmable. Empty when the figure may simply be kept.
 */
export function judgeWeighing(
  anatomy: Anatomy,
  chain: ChainFigures,
  count: number,
  held: readonly Weighing[],
  added: Weighing,
): Issue[] {
  const unit = added.shown.unit
  const show = (kg: number) => formatMass(kg, unit, 1)
  const field = added.stage
  const evidence = evidenceOf([...held, added])
  const own = evidence.find((e) => e.id === added.id)
  if (!own) return []

  const absurd = outsideSpecies(anatomy, own, count, added, field)
  if (absurd) return [absurd]
  const scale = (e: Evidence) => e.sd === 0
  if (!scale(own)) return []

  for (const other of evidence.filter((e) => e !== own && scale(e))) {
    const [early, late] =
      STAGES.indexOf(own.stage) < STAGES.indexOf(other.stage) ? [own, other] : [other, own]
    if (late.kg > early.kg * (1.0005 + waterGain(chain, early, late))) {
      return [
        {
          code: 'later-above-earlier',
          field,
          figures: {
            later: STAGE_WORD[late.stage],
            laterShown: show(late.kg),
            earlier: STAGE_WORD[early.stage].toLowerCase(),
            earlierShown: show(early.kg),
          },
        },
      ]
    }
    const issue = judgePair(anatomy, chain, early, late, show, field, count)
    if (issue) return [issue]
  }
  return []
}

/** A carcass only gains weight where the chill can add water. */
function waterGain(chain: ChainFigures, early: Evidence, late: Evidence): number {
  const chilled = early.stage === 'hot' && (late.stage === 'cold' || late.stage === 'aged')
  return chilled && chain.chill.mean > 1 ? chain.chill.mean - 1 + 3 * chain.chill.sd : 0
}

/** The most a carcass of the species can weigh, kg: no animal dresses above 86 % of the heaviest live one (our figure, from memory). */
export const heaviestCarcass = (anatomy: Anatomy): number => anatomy.chain.liveKg.high * 0.86

function outsideSpecies(
  anatomy: Anatomy,
  own: Evidence,
  count: number,
  added: Weighing,
  field: string,
): Issue | null {
  const { low, high } = anatomy.chain.liveKg
  const isLive = own.stage === 'live' || own.stage === 'shrunk'
  const bounds = isLive ? { low, high } : { low: low * 0.5, high: heaviestCarcass(anatomy) }
  const each = own.kg / count
  const within = (kg: number) => kg >= bounds.low && kg <= bounds.high
  if (within(each)) return null
  const unit = added.shown.unit
  const other = unit === 'kg' ? 'lb' : 'kg'
  const meant = within(toKg(added.shown.value, other) / count) ? `${added.shown.value} ${other}` : ''
  return {
    code: 'mass-absurd',
    field,
    figures: {
      shown: formatMass(each, unit, 1),
      each: count > 1 ? 1 : 0,
      low: formatMass(bounds.low, unit, 0),
      high: formatMass(bounds.high, unit, 0),
      what: `a ${isLive ? 'live ' : ''}${anatomy.names.american.toLowerCase()}${isLive ? '' : ' carcass'}`,
      meant,
    },
  }
}

function judgePair(
  anatomy: Anatomy,
  chain: ChainFigures,
  early: Evidence,
  late: Evidence,
  show: (kg: number) => string,
  field: string,
  count: number,
): Issue | null {
  const { dressing, dressingPossible, shrink, chill, ageingPerDay, days } = chain
  const ratio = late.kg / early.kg
  const carcass = (e: Evidence) => STAGES.indexOf(e.stage) >= STAGES.indexOf('hot')
  if (!carcass(early) && carcass(late)) {
    const shrunkRatio = early.stage === 'live' ? ratio / shrink.mean : ratio
    const figures = {
      hot: show(late.kg),
      live: show(early.kg),
      what: anatomy.names.american.toLowerCase(),
      percent: (shrunkRatio * 100).toFixed(1),
    }
    if (shrunkRatio < dressingPossible.low || shrunkRatio > dressingPossible.high) {
      const pct = (x: number) => (x * 100).toFixed(0)
      return {
        code: 'dressing-impossible',
        field,
        figures: { ...figures, low: pct(dressingPossible.low), high: pct(dressingPossible.high) },
      }
    }
    const sd = Math.hypot(dressing.sd, early.stage === 'live' ? shrink.sd : 0) / Math.sqrt(count)
    if (Math.abs(shrunkRatio - dressing.mean) > 3 * sd) {
      const pct = (x: number) => (x * 100).toFixed(1)
      return {
        code: 'dressing-unusual',
        field,
        confirmable: true,
        figures: { ...figures, low: pct(dressing.mean - 3 * sd), high: pct(dressing.mean + 3 * sd) },
      }
    }
    return null
  }
  const usual = carcass(early)
    ? { low: 0, high: 1 - chill.mean + 3 * chill.sd + days.high * ageingPerDay.mean }
    : { low: 0, high: 1 - shrink.mean + 5 * shrink.sd }
  if (1 - ratio <= usual.high) return null
  return {
    code: 'loss-unusual',
    field,
    confirmable: true,
    figures: {
      later: STAGE_WORD[late.stage],
      laterShown: show(late.kg),
      earlier: STAGE_WORD[early.stage].toLowerCase(),
      earlierShown: show(early.kg),
      percent: ((1 - ratio) * 100).toFixed(1),
      low: '0',
      high: (usual.high * 100).toFixed(1),
    },
  }
}
