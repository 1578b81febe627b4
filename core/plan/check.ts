import same from 'fast-deep-equal'
import { lookup, sidesOf, type Anatomy } from '#core/anatomy'
import { extentOf, sidesIn } from '#core/carcass'
import { issueOf, type Issue, type Names } from '#core/measure'
import type { Decision } from '#core/records'
import { tooWarmToFreeze } from '#core/rules'
import { CATTLE_MONTHS, monthsBetween } from './age.ts'
import { coldLogOf } from './cold.ts'
import { readFacts, type FactRow } from './facts.ts'
import { tried, type Log } from './history.ts'
import { heldBy, inOnePiece, isMovable } from './inOnePiece.ts'
import { unknownIn } from './kinds/index.ts'
import { AGE, readPlan, refusalOf, type Plan } from './read.ts'

const LINE: Names = { american: 'line', commonwealth: 'line' }

/** What was cut is cut: a ticked part keeps its way, and ticked lines lie where they are. */
function frozenBy(anatomy: Anatomy, plan: Plan, d: Decision): Issue | null {
  if (
    d.field === 'path' &&
    plan.steps.get(d.target, d.side) &&
    d.value !== plan.choices.paths.get(d.target, d.side)
  )
    return issueOf('step-done', 'value', { part: lookup(anatomy).part(d.target)!.names })
  if (
    d.field === 'split' &&
    plan.steps.get(d.target, d.side) &&
    !same(d.value, plan.choices.splits?.get(d.target, d.side) ?? null)
  )
    return issueOf('step-done', 'value', { part: lookup(anatomy).part(d.target)!.names })
  if (d.field === 'finish' && plan.steps.get(`finish-${d.target}`, 'animal'))
    return issueOf('step-done', 'value', { part: lookup(anatomy).cut(d.target)!.names })
  const line = d.field === 'line' || d.field === 'mm'
  const isBroken = plan.steps.get('break', 'animal') || plan.steps.get(`line-${d.target}`, 'animal')
  return line && isBroken ? issueOf('step-done', 'value', { part: LINE }) : null
}

/** More of a cut kept and given than there is of it. */
function pastWhole(anatomy: Anatomy, after: Plan, d: Decision): Issue | null {
  if ((d.field !== 'own' && d.field !== 'given') || d.value === null) return null
  const { own, given } = after.terms.get(d.target)!
  const kept = own?.share ?? 0
  return kept + given > 1 + 1e-9
    ? issueOf('past-whole', 'value', { cut: lookup(anatomy).cut(d.target)!.names, kept, given })
    : null
}

/** What lies in one piece over both sides is decided for both: its lines, and the way it is cut. */
function tornBy(anatomy: Anatomy, before: Plan, after: Plan, d: Decision): Issue | null {
  if (d.field === 'path' && d.side !== 'animal' && inOnePiece(anatomy, before, d.target)) {
    const other = d.side === 'left' ? 'right' : 'left'
    const lost = after.dropped.some((x) => x.part === d.target && x.side === other)
    return lost ? issueOf('in-one-piece', 'value', { part: lookup(anatomy).part(d.target)!.names }) : null
  }
  if (d.field !== 'line' && d.field !== 'mm') return null
  const held = heldBy(anatomy, after, d.target)
  const line = anatomy.lines.find((l) => l.id === d.target)!
  const at = (side: 'left' | 'right') =>
    line.kind === 'across'
      ? (after.choices.lines.get(line.id, side) ?? line.fallback)
      : (after.choices.mm.get(line.id, side) ?? line.mm.usual)
  return held && at('left') !== at('right')
    ? issueOf('line-in-one-piece', 'value', { part: held.names, line: line.names })
    : null
}

/** Days and ages of a lot that contradict each other, once all its facts are together; null when they do not. */
export function contradictionIn(anatomy: Anatomy, facts: readonly FactRow[], count = 1): Issue | null {
  const { born, killed, conventions, animals, start, losses } = readFacts(facts)
  const before = losses.reduce((sum, l) => sum + (l.uncounted ? l.animals : 0), 0)
  if (start?.animals && start.animals < count + before)
    return issueOf('fewer-than-count', 'animals', { came: start.animals, count: count + before })
  if (animals.length > count) return issueOf('more-than-count', 'mark', { named: animals.length, count })
  if (born === null || killed === null) return null
  if (born > killed) return issueOf('killed-before-born', 'value', { born, killed })
  const months = monthsBetween(born, killed)
  const isOld = months >= CATTLE_MONTHS
  const said = conventions.under30
  return anatomy.conventions.some((c) => c.id === AGE) && said !== undefined && said === isOld
    ? issueOf('age-contradicts', 'value', { born, killed, months, is: isOld ? 'older' : 'younger' })
    : null
}

/** A price asked for meat that may not be sold so; null where it may. */
function unsold({ verdict }: Plan, d: Decision): Issue | null {
  if (d.value === null) return null
  if (!verdict.food) return issueOf('not-food', 'value', verdict.reasons[0]!)
  const isPiece = d.field === 'price' || d.field === 'floor' || d.field === 'ceiling'
  if (!isPiece && d.field !== 'sharePrice') return null
  const may = isPiece ? verdict.sale === 'by-the-piece' : verdict.sale !== 'never'
  return may || verdict.reasons.length === 0 ? null : issueOf('not-sold', 'value', verdict.reasons[0]!)
}

/** A decision on a side or part of the animal that is not here; null where it is. */
function outsideOf(anatomy: Anatomy, { hangs }: Plan, d: Decision): Issue | null {
  if (hangs.as === 'whole' || d.value === null) return null
  if (d.field === 'path' || d.field === 'split' || d.field === 'held')
    return sidesIn(anatomy, hangs, d.target).includes(d.side)
      ? null
      : issueOf('not-in-job', 'target', { part: lookup(anatomy).part(d.target)!.names })
  if (d.field !== 'line' && d.field !== 'mm') return null
  const line = anatomy.lines.find((l) => l.id === d.target)!
  return extentOf(anatomy, hangs).sides.includes(d.side) && isMovable(anatomy, hangs, line.id)
    ? null
    : issueOf('not-in-job', 'target', { part: line.names })
}

/**
 * What is wrong with decisions about to be kept: ids the anatomy does not have, and paths that the plan,
 * with all of them taken, would shut out. `restoring` (an undo or redo) is only checked for ids.
 */
export function checkDecisions(
  anatomy: Anatomy,
  kept: Log,
  added: readonly Decision[],
  restoring: boolean,
): Issue[] {
  const at = (issue: Issue, i: number, field = issue.field): Issue => ({
    ...issue,
    field: `decisions.${i}.${field}`,
  })
  const strangers = added.flatMap((d, i) => {
    const issue = unknownIn(anatomy, d)
    return issue ? [at(issue, i)] : []
  })
  if (strangers.length > 0 || restoring) return strangers
  const after = readPlan(anatomy, tried(kept, added))
  const before = readPlan(anatomy, kept)
  return added.flatMap((d, i) => {
    const priced = unsold(before, d)
    if (priced) return [at(priced, i, 'value')]
    const gone = outsideOf(anatomy, before, d)
    if (gone) return [at(gone, i, 'target')]
    const warm =
      d.field === 'held' && d.value === 'frozen' ? tooWarmToFreeze(coldLogOf(before).readings) : null
    if (warm) return [at(issueOf('too-warm', 'value', { c: warm.c }), i)]
    const frozen = frozenBy(anatomy, before, d)
    if (frozen) return [at(frozen, i, 'value')]
    if (d.field === 'split' && d.value) {
      const lost = after.dropped.find(
        (x) => x.part === d.target && x.side === d.side && x.path === d.value!.path,
      )
      const issue = lost?.issue ?? refusalOf(anatomy, after, d.target, [d.side], d.value.path)
      return issue ? [at(issue, i, 'value')] : []
    }
    const past = pastWhole(anatomy, after, d)
    if (past) return [at(past, i, 'value')]
    const torn = tornBy(anatomy, before, after, d)
    if (torn) return [at(torn, i, 'value')]
    if (d.field !== 'path' || !d.value) return []
    const lost = after.dropped.find((x) => x.part === d.target && x.side === d.side && x.path === d.value)
    const taken = sidesOf({ scope: d.side === 'animal' ? 'animal' : 'side' }).filter(
      (s) => after.choices.paths.get(d.target, s) === d.value,
    )
    const issue = lost?.issue ?? refusalOf(anatomy, after, d.target, taken, d.value)
    return issue ? [at(issue, i, 'value')] : []
  })
}
