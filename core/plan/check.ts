import same from 'fast-deep-equal'
import { lookup, sidesOf, UNSURE, type Anatomy } from '#core/anatomy'
import { gramsOf, issueOf, kgOf, minor, mm, type Issue, type Names } from '#core/measure'
import { KIT_IDS, type Decision, type FactBody, type OneAnimal } from '#core/records'
import { routesFor, tooWarmToFreeze } from '#core/rules'
import { readFacts, type FactRow } from './facts.ts'
import { coldLogOf } from './cold.ts'
import { CATTLE_MONTHS, monthsBetween } from './age.ts'
import { tried, type Log } from './history.ts'
import { canBeHeld } from './holding.ts'
import { heldBy, inOnePiece, isMovable } from './inOnePiece.ts'
import { AGE, readPlan, refusalOf, type Plan } from './read.ts'
import { repeated } from './repeats.ts'
import { canHang, extentOf, outsideKind, sidesIn } from '#core/carcass'

const unknown = (field: string, kind: string, id: string): Issue => issueOf('unknown-id', field, { kind, id })
const animalOf = (anatomy: Anatomy) => anatomy.names.american.toLowerCase()

/** What a decision names that the anatomy does not have, or a figure out of its bounds; null when all is there. */
export function unknownIn(anatomy: Anatomy, d: Decision): Issue | null {
  switch (d.field) {
    case 'path': {
      const part = anatomy.parts.find((p) => p.id === d.target)
      if (!part) return unknown('target', 'part', d.target)
      if ((part.scope === 'animal') !== (d.side === 'animal'))
        return unknown('side', `side of the ${part.id}`, d.side)
      return d.value && !anatomy.paths.some((p) => p.id === d.value && p.part === part.id)
        ? unknown('value', 'path', d.value)
        : null
    }
    case 'line': {
      const line = anatomy.lines.find((l) => l.id === d.target)
      if (line?.kind !== 'across') return unknown('target', 'line', d.target)
      return d.value && !line.settings.some((s) => s.id === d.value)
        ? unknown('value', 'line setting', d.value)
        : null
    }
    case 'held': {
      const part = anatomy.parts.find((p) => p.id === d.target)
      if (!part || !canBeHeld(anatomy, part.id)) return unknown('target', 'part that may be held', d.target)
      return (part.scope === 'animal') !== (d.side === 'animal')
        ? unknown('side', `side of the ${part.id}`, d.side)
        : null
    }
    case 'split': {
      const part = anatomy.parts.find((p) => p.id === d.target)
      if (part?.scope !== 'side' || part.offCarcass) return unknown('target', 'part of a side', d.target)
      return d.value && !anatomy.paths.some((p) => p.id === d.value!.path && p.part === part.id)
        ? unknown('value', 'path', d.value.path)
        : null
    }
    case 'mm': {
      const line = anatomy.lines.find((l) => l.id === d.target)
      if (line?.kind !== 'along') return unknown('target', 'long line', d.target)
      return d.value !== null && (d.value < line.mm.low || d.value > line.mm.high)
        ? issueOf('line-out-of-range', 'value', {
            line: line.names,
            typed: d.value,
            low: mm(line.mm.low),
            high: mm(line.mm.high),
          })
        : null
    }
    case 'portion':
    case 'index':
    case 'price':
    case 'lock':
    case 'floor':
    case 'ceiling':
    case 'sold':
    case 'rest':
    case 'finish':
    case 'own':
    case 'given':
      return anatomy.cuts.some((c) => c.id === d.target) ? null : unknown('target', 'cut', d.target)
    case 'trim':
    case 'lean':
    case 'without':
    case 'target':
    case 'aim':
    case 'unpaid':
    case 'ending':
    case 'sharePrice':
    case 'days':
    case 'hands':
    case 'anatomy':
    case 'closed':
    case 'school':
    case 'cuttingDay':
    case 'crew':
    case 'birdDay':
    case 'raise':
    case 'classes':
      return null
    case 'station':
      return isTask(anatomy, d.target) ? null : unknown('target', 'step', d.target)
    case 'order': {
      const strange = d.value?.find((id) => !isTask(anatomy, id))
      return strange === undefined ? null : unknown('value', 'step', strange)
    }
  }
}

/** What a fact names that the anatomy does not have, or a figure that no such animal has; null when it may be kept. */
export function unknownFact(anatomy: Anatomy, fact: FactBody): Issue | null {
  switch (fact.kind) {
    case 'observation':
      return unknownSeen(anatomy, fact)
    case 'tick': {
      const known =
        fact.what === 'cut'
          ? lookup(anatomy).cut(fact.of)
          : ['break', ...KIT_IDS.map((id) => `kit-${id}`)].includes(fact.of) || isTask(anatomy, fact.of)
      return known ? null : unknown('of', fact.what, fact.of)
    }
    case 'animal':
      return oddAnimal(anatomy, fact)
    case 'medicine':
      return fact.until !== null && fact.until < fact.given
        ? issueOf('withdrawal-before', 'until', { name: fact.name, given: fact.given, until: fact.until })
        : null
    case 'fee': {
      const ways = fact.on && 'ways' in fact.on ? fact.on.ways : []
      const strange = ways.find((id) => !lookup(anatomy).path(id))
      return strange === undefined ? null : unknown('on', 'way', strange)
    }
    case 'cost':
      return oddRepeats(fact)
    case 'check':
    case 'work':
      return isTask(anatomy, fact.of) ? null : unknown('of', 'step', fact.of)
    case 'fault':
      return unknownFault(anatomy, fact)
    case 'attachment':
    case 'withdrawal':
    case 'closing':
    case 'void':
    case 'temperature':
    case 'acceptance':
    case 'icing':
    case 'loss':
    case 'sample':
    case 'scald':
    case 'downgrade':
    case 'passed':
    case 'stopped':
      return null
  }
}

/** Steps that are of no part: what is done first, and last. */
export const WHOLE_STEPS = ['ready', 'dress', 'cavity', 'glands', 'off', 'pack', 'wash'] as const
/** What the steps of a card are called by, whichever plan they are of. */
export const isTask = ({ parts, lines, cuts }: Anatomy, id: string): boolean =>
  (WHOLE_STEPS as readonly string[]).includes(id) ||
  parts.some((p) => p.id === id || `free-${p.id}` === id) ||
  lines.some((l) => `line-${l.id}` === id) ||
  cuts.some((c) => `finish-${c.id}` === id)

function unknownFault(
  anatomy: Anatomy,
  { of, cut, to, shown }: Extract<FactBody, { kind: 'fault' }>,
): Issue | null {
  const find = lookup(anatomy)
  if (!isTask(anatomy, of)) return unknown('of', 'step', of)
  if ((cut === null) !== (shown === null)) return issueOf('fault-half', 'shown', {})
  const isMade = (id: string) => find.cut(id) !== undefined || find.part(id) !== undefined
  if (cut !== null && !isMade(cut)) return unknown('cut', 'cut', cut)
  return to === null || isMade(to) ? null : unknown('to', 'cut', to)
}

/** A cost that comes again needs a first day and a last one, and comes to all its times. */
function oddRepeats({ day, repeats, amount }: Extract<FactBody, { kind: 'cost' }>): Issue | null {
  if (!repeats) return null
  if (day === undefined) return issueOf('repeats-undated', 'day', {})
  if (repeats.until < day) return issueOf('repeats-ended', 'until', { day, until: repeats.until })
  const all = repeated(repeats, day)
  return amount === all ? null : issueOf('repeats-amount', 'amount', { amount: minor(amount), all })
}

/** What is wrong with the weights of one animal by itself: none of its kind weighs so, or its carcass outweighs it. */
function oddAnimal(anatomy: Anatomy, { mark, live, hot }: OneAnimal): Issue | null {
  for (const [field, shown] of [
    ['live', live],
    ['hot', hot],
  ] as const) {
    const odd = shown && outsideKind(anatomy, field, shown)
    if (odd) return odd
  }
  return live && hot && gramsOf(hot) >= gramsOf(live)
    ? issueOf('hot-above-live', 'hot', { mark, live: kgOf(gramsOf(live)), hot: kgOf(gramsOf(hot)) })
    : null
}

/** Whether a part is of the carcass as it hangs: one that comes out of another is weighed with that. */
export const hangs = (anatomy: Anatomy, part: string): boolean =>
  anatomy.bands.some((b) => b.spans.some((s) => s.part === part || s.below?.part === part))

function unknownSeen(anatomy: Anatomy, fact: Extract<FactBody, { kind: 'observation' }>): Issue | null {
  switch (fact.what) {
    case 'route':
      return routesFor(anatomy.species).some((r) => r.id === fact.value)
        ? null
        : unknown('value', `route for a ${animalOf(anatomy)}`, fact.value)
    case 'type':
      return fact.value === UNSURE || anatomy.types.some((t) => t.id === fact.value)
        ? null
        : unknown('value', `type of ${animalOf(anatomy)}`, fact.value)
    case 'dressing':
      return anatomy.conventions.some((c) => c.id === fact.of)
        ? null
        : unknown('of', 'way of dressing', fact.of)
    case 'measure': {
      const m = anatomy.measures.find((x) => x.id === fact.of)
      if (!m) return unknown('of', 'carcass measurement', fact.of)
      const { low, high, unit } = m
      return fact.value < low || fact.value > high
        ? issueOf('measure-impossible', 'value', { what: m.names, typed: fact.value, unit, low, high })
        : null
    }
    case 'part':
    case 'cut-away': {
      const part = anatomy.parts.find((p) => p.id === fact.of)
      if (!part) return unknown('of', 'part', fact.of)
      if ((part.scope === 'animal') !== (fact.side === 'animal'))
        return unknown('side', `side of the ${part.id}`, fact.side)
      return fact.what === 'part' && !hangs(anatomy, part.id)
        ? unknown('of', 'part that hangs on the carcass', fact.of)
        : null
    }
    case 'hangs':
      return canHang(anatomy, fact.value)
        ? null
        : issueOf('not-hung', 'value', { what: anatomy.names, as: fact.value.as })
    case 'mark':
    case 'plant':
    case 'mother':
    case 'vet':
    case 'disposal':
    case 'end':
    case 'born':
    case 'killed':
    case 'start':
      return null
    case 'ribs': {
      const { ribs, names } = anatomy
      if (ribs && fact.value >= ribs.low && fact.value <= ribs.high) return null
      return issueOf('ribs-impossible', 'value', {
        what: names,
        typed: fact.value,
        low: ribs?.low ?? 0,
        high: ribs?.high ?? 0,
      })
    }
  }
}

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
