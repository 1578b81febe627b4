import { lookup, sidesOf, type SideName, type Tool } from '#core/anatomy'
import { SidedMap } from '#core/carcass'
import { afterBench, lessWorth, type Worth } from '#core/ledger'
import { takePath, type Plan } from '#core/plan'
import type { Decision } from '#core/records'
import { alternativesFor, cutAs, pathIn, worthAs, type Alternative } from './alternatives.ts'
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
 * takes, of the ways that make the same kind of cut, or else of all, the one that brings most after fees; with hands gone each takes the way that needs least time; a condemned
 * organ is left; a miscut part cannot stay whole, so it takes another way than a roast where one is left. One part after another down the carcass, each valued in the whole plan as changed so far.
 */
export function replan(read: Reckoning, trouble: Trouble): Replan {
  const { plan, flow } = read
  const { anatomy } = flow
  const changes: Change[] = []
  const decisions: Decision[] = []
  const stuck: string[] = []
  let now: Plan = plan
  if (trouble.kind === 'tool') {
    now = { ...plan, without: new Set([...plan.without, trouble.tool]) }
    decisions.push({ field: 'without', target: trouble.tool, side: 'animal', value: true })
  }
  for (const part of anatomy.parts) {
    const sides = sidesOf(part).filter((s) => concerned(read, now, trouble, part.id, s))
    for (const group of alike(sides, (s) => pathIn(read, now, part.id, s))) {
      const from = pathIn(read, now, part.id, group[0]!)
      const cutting = cutAs(read, now.choices)
      if (!group.some((side) => cutting.slot(part.id, side)?.holds)) continue
      const chosen = best(read, trouble, alternativesFor(read, part.id, group, now), from)
      if (!chosen) {
        stuck.push(part.id)
        continue
      }
      if (chosen.path === from) continue
      const taken = takePath(anatomy, part.id, group, chosen.path)
      const entries = taken.map((d) => ({ id: d.target, side: d.side, value: d.value! }))
      now = {
        ...now,
        choices: { ...now.choices, paths: new SidedMap([...now.choices.paths, ...entries]) },
      }
      decisions.push(...taken)
      changes.push({ part: part.id, sides: group, from, to: chosen.path })
    }
  }
  const worth = (p: Plan) => worthAs(read, cutAs(read, p.choices))
  return { changes, decisions, stuck, difference: lessWorth(worth(now), worth(plan)) }
}

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
  const possible = all.filter((a) => !a.refusal && !(trouble.kind === 'miscut' && a.path === from))
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
