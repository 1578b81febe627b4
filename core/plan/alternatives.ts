import { lookup, type Anatomy, type SideName } from '#core/anatomy'
import { setFlow, slotKey, type Choices, type Flow, type FlowSetting } from '#core/carcass'
import type { Issue } from '#core/measure'
import { refusalOf, settle, takePath, type Plan } from './read.ts'

/** What a whole plan comes to, in the figures a choice is judged by. Money in minor units, mass in kg. */
export interface Tally {
  takeHomeKg: number
  /** Lean and fat of what is sold as meat: what can be eaten of it. */
  edibleKg: number
  pieces: number
  packs: number
  money: number
  fees: number
  boneKg: number
  fatKg: number
  minutes: number
}

/** What comes of the part itself: kg by cut, or by the part it is opened into. */
export interface Output {
  cut: string | null
  part: string | null
  kg: number
}

/** One way to open the part: what the whole plan would come to, and how that differs from the plan in force. */
export interface Alternative {
  path: string
  inForce: boolean
  /** The sides, of those asked for, that take it now: where they differ, none is in force. */
  takenOn: SideName[]
  refusal: Issue | null
  whole: Tally
  difference: Tally
  outputs: Output[]
}

/** Values a plan, and says what comes of these slots; passed in, because money belongs to the floor above. */
export type TallyPlan = (
  setting: FlowSetting,
  slots: readonly number[],
) => { tally: Tally; outputs: Output[] }

/** Bench minutes of a plan for one animal: every path taken, both sides. Parts that are not there take none. */
export function minutesOf(flow: Flow, setting: FlowSetting, present: (slot: number) => boolean): number {
  return flow.slots.reduce((sum, slot, i) => {
    const { path, minutes } = slot.paths[setting.pathOf[i]!]!
    return present(i) && !(path.pair && slot.side === 'right') ? sum + minutes : sum
  }, 0)
}

const less = (a: Tally, b: Tally): Tally =>
  Object.fromEntries((Object.keys(a) as (keyof Tally)[]).map((k) => [k, a[k] - b[k]])) as unknown as Tally

/** The plan's choices with a path taken for a part on the given sides, and what it makes impossible let go. */
function taking(
  anatomy: Anatomy,
  plan: Plan,
  part: string,
  sides: readonly SideName[],
  path: string,
): Choices {
  const wanted = new Map(plan.choices.paths)
  for (const d of takePath(anatomy, part, sides, path)) wanted.set(`${d.target}:${d.side}`, d.value!)
  return { ...plan.choices, paths: settle(anatomy, wanted, plan.conventions).paths }
}

/**
 * Every path of a part for the given sides, each evaluated as a whole plan, knock-on effects included.
 * Refused paths stay in the list with their reason. `inForce` only where all the sides already take it.
 */
export function alternativesFor(
  flow: Flow,
  plan: Plan,
  part: string,
  sides: readonly SideName[],
  tally: TallyPlan,
): Alternative[] {
  const { anatomy } = flow
  const slots = sides.flatMap((side) => flow.slotIndex.get(slotKey(part, side)) ?? [])
  const now = tally(setFlow(flow, plan.choices), slots)
  const fallback = lookup(anatomy).part(part)!.fallback
  return lookup(anatomy)
    .pathsOf(part)
    .map(({ id }) => {
      const takenOn = sides.filter((side) => (plan.choices.paths.get(`${part}:${side}`) ?? fallback) === id)
      const inForce = takenOn.length === sides.length
      const refusal = refusalOf(anatomy, plan, part, sides, id)
      const { tally: whole, outputs } = inForce
        ? now
        : refusal
          ? { tally: now.tally, outputs: [] }
          : tally(setFlow(flow, taking(anatomy, plan, part, sides, id)), slots)
      return { path: id, inForce, takenOn, refusal, whole, difference: less(whole, now.tally), outputs }
    })
}
