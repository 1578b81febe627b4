import type { SideName } from '#core/anatomy'
import { setFlow, type Choices, type Flow, type FlowSetting } from '#core/carcass'
import type { Issue } from '#core/measure'
import { refusalOf, type Plan } from './read.ts'

/** What a whole plan comes to, in the figures a choice is judged by. Money in minor units, mass in kg. */
export interface Tally {
  takeHomeKg: number
  pieces: number
  packs: number
  money: number
  fees: number
  boneKg: number
  fatKg: number
  minutes: number
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
}

/** Values a plan; passed in, because money belongs to the floor above. */
export type TallyPlan = (setting: FlowSetting) => Tally

/** Bench minutes of a plan for one animal: every path taken, both sides. Parts that are not there take none. */
export function minutesOf(flow: Flow, setting: FlowSetting, present: (slot: number) => boolean): number {
  return flow.slots.reduce(
    (sum, slot, i) => (present(i) ? sum + slot.paths[setting.pathOf[i]!]!.minutes : sum),
    0,
  )
}

const less = (a: Tally, b: Tally): Tally =>
  Object.fromEntries((Object.keys(a) as (keyof Tally)[]).map((k) => [k, a[k] - b[k]])) as unknown as Tally

/** Choices with `path` taken for a part on the given sides. */
function taking(choices: Choices, part: string, sides: readonly SideName[], path: string): Choices {
  const paths = new Map(choices.paths)
  for (const side of sides) paths.set(`${part}:${side}`, path)
  return { ...choices, paths }
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
  const now = tally(setFlow(flow, plan.choices))
  const fallback = anatomy.parts.find((p) => p.id === part)!.fallback
  return anatomy.paths
    .filter((p) => p.part === part)
    .map(({ id }) => {
      const whole = tally(setFlow(flow, taking(plan.choices, part, sides, id)))
      const refusal = sides.map((side) => refusalOf(anatomy, plan, part, side, id)).find((x) => x) ?? null
      const takenOn = sides.filter((side) => (plan.choices.paths.get(`${part}:${side}`) ?? fallback) === id)
      return {
        path: id,
        inForce: takenOn.length === sides.length,
        takenOn,
        refusal,
        whole,
        difference: less(whole, now),
      }
    })
}
