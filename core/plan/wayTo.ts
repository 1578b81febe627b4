import { lookup, type Anatomy, type SideName } from '#core/anatomy'
import { SidedMap, unmet } from '#core/carcass'
import type { Decision, FactBody } from '#core/records'
import { inOnePiece } from './inOnePiece.ts'
import { AGE, choicesWith, refusalOf, type Plan } from './read.ts'
import { takePath } from './takePath.ts'

/** What would have to change for a refused path: how the animal is dressed, and decisions. */
export interface WayTo {
  facts: FactBody[]
  decisions: Decision[]
  /** Conventions to change, and paths other parts would have to take instead. */
  conventions: { id: string; value: boolean }[]
  paths: { part: string; path: string }[]
  bothSides: boolean
}

/** What is so already and not open any more: how old it is, and once it was killed how it was said to be dressed. */
const isSo = (plan: Plan, door: string): boolean =>
  door === AGE || (plan.killed !== null && plan.conventions[door] !== undefined)

/**
 * The shortest change that makes a refused path possible: the door reopened, both sides taken, the part that uses the
 * same bones cut another way. Null where nothing does: a tool is down, the part is cut, or a fact would have to be another one. The path itself is the last of the decisions.
 */
export function wayTo(
  anatomy: Anatomy,
  plan: Plan,
  part: string,
  sides: readonly SideName[],
  pathId: string,
): WayTo | null {
  const find = lookup(anatomy)
  const path = find.path(pathId)
  const partData = find.part(part)
  if (!path || !partData) return null
  if (refusalOf(anatomy, plan, part, sides, pathId)?.code === 'step-done') return null
  const way: WayTo = { facts: [], decisions: [], conventions: [], paths: [], bothSides: false }
  const conventions = { ...plan.conventions }
  const openDoors = (needs: readonly string[] = []) => {
    for (let door = unmet(anatomy, needs, conventions); door; door = unmet(anatomy, needs, conventions)) {
      conventions[door.convention.id] = door.wanted
      way.conventions.push({ id: door.convention.id, value: door.wanted })
    }
  }
  openDoors([...(partData.needs ?? []), ...(path.needs ?? [])])
  const whole = partData.scope !== 'animal' && inOnePiece(anatomy, plan, part)
  const wanted: readonly SideName[] = path.pair || whole ? ['left', 'right'] : sides
  way.bothSides = wanted.length > sides.length
  const taken = new SidedMap(plan.choices.paths)
  for (const d of takePath(anatomy, part, wanted, pathId)) taken.set(d.target, d.side, d.value!)
  for (let tries = 0; tries < anatomy.parts.length; tries++) {
    const after = {
      ...plan,
      conventions,
      choices: choicesWith(anatomy, plan, taken, conventions),
    }
    const refusal = refusalOf(anatomy, after, part, wanted, pathId)
    if (!refusal && way.conventions.some((c) => isSo(plan, c.id))) return null
    if (!refusal) {
      way.facts = way.conventions.map((c) => ({
        kind: 'observation',
        what: 'dressing',
        of: c.id,
        value: c.value,
      }))
      way.decisions = [
        ...way.paths.flatMap((p) => takePath(anatomy, p.part, wanted, p.path)),
        ...takePath(anatomy, part, wanted, pathId),
      ]
      return way
    }
    if (refusal.code !== 'shut-out') return null
    const other = refusal.figures.part
    const apart = find
      .pathsOf(other)
      .filter(
        (p) =>
          !p.pair &&
          !p.together &&
          !path.excludes?.some((x) => x.path === p.id) &&
          !p.excludes?.some((x) => x.path === pathId),
      )
    const free = apart.find((p) => !unmet(anatomy, p.needs, conventions)) ?? apart[0]
    if (!free || way.paths.some((p) => p.part === other)) return null
    openDoors(free.needs)
    way.paths.push({ part: other, path: free.id })
    for (const side of wanted) taken.set(other, side, free.id)
  }
  return null
}
