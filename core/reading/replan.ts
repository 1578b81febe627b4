import { isUncut, lookup, type SideName, type Tool } from '#core/anatomy'
import { SidedMap, sidesIn, type Split } from '#core/carcass'
import { afterBench, lessWorth, type Worth } from '#core/ledger'
import type { Plan } from '#core/plan'
import type { Decision, Half } from '#core/records'
import {
  alternativesFor,
  cutAs,
  entriesOf,
  pathIn,
  withPaths,
  worthAs,
  type Alternative,
} from './alternatives.ts'
import type { Reckoning } from './lot.ts'

/** What went wrong at the bench: a tool is down, an organ was condemned, a part was miscut, a pair of hands is gone. */
export type Trouble =
  | { kind: 'tool'; tool: Tool }
  | { kind: 'condemned'; part: string }
  | { kind: 'miscut'; part: string }
  | { kind: 'hands' }

export interface Change {
  part: string
  sides: SideName[]
  from: string
  to: string
}

/** The best that is left: what changes, the decisions that do it, and what the whole plan loses (or gains) by it. */
export interface Replan {
  changes: Change[]
  decisions: Decision[]
  difference: Worth
  /** Parts for which nothing is left that can be done. */
  stuck: string[]
}

/**
 * Best remaining choices from here: parts ticked off stay as they were cut. With a tool down every part planned with it
 * takes, of the ways that make the same kind of cut, or else of all, the one that brings most after fees; with hands gone
 * each takes the way that needs least time; a condemned organ is left; a miscut part cannot stay whole, so it takes another
 * way than a roast where one is left. One part after another down the carcass, each valued in the whole plan as changed so
 * far; what was cut in one with a part that changed changes too.
 */
export function replan(read: Reckoning, trouble: Trouble): Replan {
  const { plan } = read
  const stuck: string[] = []
  const down: Decision[] = []
  let now: Plan = plan
  if (trouble.kind === 'tool') {
    now = { ...plan, without: new Set([...plan.without, trouble.tool]) }
    down.push({ field: 'without', target: trouble.tool, side: 'animal', value: true })
  }
  now = { ...now, choices: { ...now.choices, splits: splitsLeft(read, now, trouble) } }
  for (const part of read.flow.anatomy.parts) {
    const here = sidesIn(read.flow.anatomy, plan.hangs, part.id)
    const sides = here.filter((s) => concerned(read, now, trouble, part.id, s))
    for (const group of alike(sides, (s) => pathIn(read, now, part.id, s))) {
      const cutting = cutAs(read, now.choices)
      if (!group.some((side) => cutting.slot(part.id, side)?.holds)) continue
      const from = pathIn(read, now, part.id, group[0]!)
      const chosen = best(read, trouble, alternativesFor(read, part.id, group, now), from)
      if (!chosen) stuck.push(part.id)
      else if (chosen.path !== from)
        now = { ...now, choices: withPaths(read, now, entriesOf(read, part.id, group, chosen.path)) }
    }
  }
  const unsplit = splitsLost(read, now)
  const changes = [...changesOf(read, now), ...unsplit]
  const worth = (p: Plan) => worthAs(read, cutAs(read, p.choices))
  return {
    changes,
    decisions: [...down, ...changesOf(read, now).flatMap(decisionsOf), ...unsplit.flatMap(oneWay)],
    stuck,
    difference: lessWorth(worth(now), worth(plan)),
  }
}

/** Parts cut two ways that can stay so: a miscut one is planned whole, as is one whose rear needs a tool that is down. */
function splitsLeft(read: Reckoning, plan: Plan, trouble: Trouble): SidedMap<Split> {
  const left = new SidedMap<Split>()
  for (const { id, side, value } of plan.choices.splits ?? []) {
    const isDown =
      trouble.kind === 'tool' && lookup(read.flow.anatomy).path(value.path)?.tool === trouble.tool
    const isLost = isDown || (trouble.kind === 'miscut' && trouble.part === id)
    if (!isLost || read.plan.steps.get(id, side)) left.set(id, side, value)
  }
  return left
}

/** Parts that were cut two ways and no longer are: what lay behind goes the way of the front. */
const splitsLost = (read: Reckoning, now: Plan): Change[] =>
  [...(read.plan.choices.splits ?? [])]
    .filter(({ id, side }) => !now.choices.splits?.has(id, side))
    .map(({ id, side, value }) => ({
      part: id,
      sides: [side],
      from: value.path,
      to: pathIn(read, now, id, side),
    }))

const oneWay = ({ part, sides }: Change): Decision[] =>
  sides.map((side) => ({ field: 'split', target: part, side: side as Half, value: null }))

/** Parts that are cut otherwise than planned, both sides together where they were and will be alike. */
const changesOf = (read: Reckoning, now: Plan): Change[] =>
  read.flow.anatomy.parts.flatMap((part) => {
    const way = (side: SideName) => ({
      from: pathIn(read, read.plan, part.id, side),
      to: pathIn(read, now, part.id, side),
    })
    const changed = sidesIn(read.flow.anatomy, read.plan.hangs, part.id).filter(
      (side) => way(side).from !== way(side).to,
    )
    const groups = alike(changed, (side) => `${way(side).from} ${way(side).to}`)
    return groups.map((sides) => ({ part: part.id, sides, ...way(sides[0]!) }))
  })

const decisionsOf = ({ part, sides, to }: Change): Decision[] =>
  sides.map((side) => ({ field: 'path', target: part, side, value: to }))

/** Both sides together where they are cut alike, else each for itself. */
const alike = (sides: readonly SideName[], path: (side: SideName) => string): SideName[][] =>
  sides.length === 2 && path('left') === path('right') ? [[...sides]] : sides.map((s) => [s])

function concerned(read: Reckoning, now: Plan, trouble: Trouble, part: string, side: SideName): boolean {
  if (read.plan.steps.get(part, side)) return false
  const find = lookup(read.flow.anatomy)
  const path = find.path(pathIn(read, now, part, side))!
  switch (trouble.kind) {
    case 'tool':
      return path.tool === trouble.tool
    case 'condemned':
      return part === trouble.part && !path.leaves
    case 'miscut':
      return part === trouble.part
    case 'hands':
      return path.minutes > 0 && !find.part(part)!.offCarcass
  }
}

function best(
  read: Reckoning,
  trouble: Trouble,
  all: readonly Alternative[],
  from: string,
): Alternative | null {
  const find = lookup(read.flow.anatomy)
  // To leave it uncut is the farmer's to say, not what is left of a plan to cut it.
  const possible = all.filter(
    (a) => !a.refusal && !isUncut(find.path(a.path)!) && !(trouble.kind === 'miscut' && a.path === from),
  )
  const fits = (a: Alternative): boolean => {
    const to = find.path(a.path)!.destination
    // What comes nearest to the plan: with a tool down a roast stays a roast where one is left.
    if (trouble.kind === 'tool') return to === find.path(from)!.destination
    return trouble.kind !== 'miscut' || to !== 'R'
  }
  const fitting = possible.filter(fits)
  const open = fitting.length > 0 ? fitting : possible
  if (trouble.kind === 'condemned') return open.find((a) => find.path(a.path)!.leaves) ?? null
  const merit = (a: Alternative) => (trouble.kind === 'hands' ? -a.whole.minutes : afterBench(a.whole))
  return open.reduce<Alternative | null>((top, a) => (!top || merit(a) > merit(top) ? a : top), null)
}
