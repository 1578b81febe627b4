import { lookup, type SideName, type Tool } from '#core/anatomy'
import { setFlow, slotKey, type Flow } from '#core/carcass'
import { alternativesFor, type Alternative, type Tally, type TallyPlan } from './alternatives.ts'
import type { Decision } from './commands.ts'
import { takePath, type Plan } from './read.ts'

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
  difference: Tally | null
  /** Parts for which nothing is left that can be done. */
  stuck: string[]
}

const afterFees = (a: Alternative) => a.whole.money - a.whole.fees

/**
 * Best remaining choices from here: parts ticked off stay as they were cut. With a tool down every part planned with it
 * takes, of the ways that make the same kind of cut, or else of all, the one that brings most after fees; with hands gone each takes the way that needs least time; a condemned
 * organ is left; a miscut part cannot stay whole, so it takes another way than a roast where one is left. One part after another down the carcass, each valued in the whole plan as changed so far.
 */
export function replan(flow: Flow, plan: Plan, trouble: Trouble, tally: TallyPlan): Replan {
  const { anatomy } = flow
  const find = lookup(anatomy)
  const out: Replan = { changes: [], decisions: [], difference: null, stuck: [] }
  let now: Plan =
    trouble.kind === 'tool' ? { ...plan, without: new Set([...plan.without, trouble.tool]) } : plan
  if (trouble.kind === 'tool')
    out.decisions.push({ field: 'without', target: trouble.tool, side: 'animal', value: true })

  const inForce = (part: string, side: SideName) =>
    now.choices.paths.get(slotKey(part, side)) ?? find.part(part)!.fallback
  const concerned = (part: string, side: SideName): boolean => {
    if (plan.steps.get(slotKey(part, side)) || !flow.slotIndex.has(slotKey(part, side))) return false
    const path = find.path(inForce(part, side))!
    if (trouble.kind === 'tool') return path.tool === trouble.tool
    if (trouble.kind === 'condemned') return part === trouble.part && !path.leaves
    if (trouble.kind === 'miscut') return part === trouble.part
    return path.minutes > 0 && !find.part(part)!.offCarcass
  }
  const best = (all: readonly Alternative[], from: string): Alternative | null => {
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
    const merit = trouble.kind === 'hands' ? (a: Alternative) => -a.whole.minutes : afterFees
    return open.reduce<Alternative | null>((top, a) => (!top || merit(a) > merit(top) ? a : top), null)
  }

  const slotsOf = (part: string, sides: readonly SideName[]) =>
    sides.flatMap((side) => flow.slotIndex.get(slotKey(part, side)) ?? [])
  for (const part of anatomy.parts) {
    const sides = (part.scope === 'animal' ? (['animal'] as const) : (['left', 'right'] as const)).filter(
      (s) => concerned(part.id, s),
    )
    const groups: SideName[][] =
      sides.length === 2 && inForce(part.id, 'left') === inForce(part.id, 'right')
        ? [[...sides]]
        : sides.map((s) => [s])
    for (const group of groups) {
      const from = inForce(part.id, group[0]!)
      const all = alternativesFor(flow, now, part.id, group, tally)
      const hangs = tally(setFlow(flow, now.choices), slotsOf(part.id, group)).outputs.length > 0
      if (!hangs) continue
      const chosen = best(all, from)
      if (!chosen) {
        out.stuck.push(part.id)
        continue
      }
      if (chosen.path === from) continue
      const decisions = takePath(anatomy, part.id, group, chosen.path)
      const paths = new Map(now.choices.paths)
      for (const d of decisions) paths.set(slotKey(d.target, d.side), d.value!)
      now = { ...now, choices: { ...now.choices, paths } }
      out.decisions.push(...decisions)
      out.changes.push({ part: part.id, sides: group, from, to: chosen.path })
    }
  }
  return { ...out, difference: difference(flow, plan, now, tally) }
}

function difference(flow: Flow, before: Plan, after: Plan, tally: TallyPlan): Tally | null {
  const any = flow.anatomy.parts[0]!.id
  const sides: SideName[] = flow.slotIndex.has(slotKey(any, 'animal')) ? ['animal'] : ['left', 'right']
  const valued = (plan: Plan) => alternativesFor(flow, plan, any, sides, tally)[0]
  const [a, b] = [valued(before), valued(after)]
  if (!a || !b) return null
  const now = (x: Alternative, k: keyof Tally) => x.whole[k] - x.difference[k]
  return Object.fromEntries(
    (Object.keys(a.whole) as (keyof Tally)[]).map((k) => [k, now(b, k) - now(a, k)]),
  ) as unknown as Tally
}
