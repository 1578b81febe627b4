import { computed } from 'vue'
import { openedFrom } from '#core/anatomy'
import { slotKey, unmet, type Flow } from '#core/carcass'
import { tallyWith, type Reckoning } from '#core/forecast'
import { alternativesFor, takePath, type Alternative } from '#core/plan'
import { useReading } from '../../state/lot.ts'

const SIDES = ['left', 'right', 'animal'] as const

/** Kilograms of a part under the plan: on one side, or all of it. */
export function partKg(flow: Flow, read: Reckoning, part: string, side?: (typeof SIDES)[number]): number {
  let kg = 0
  for (const s of side ? [side] : SIDES) {
    const slot = flow.slotIndex.get(slotKey(part, s))
    if (slot !== undefined) for (let t = 0; t < 4; t++) kg += read.slotKg[slot * 4 + t]!
  }
  return kg
}

/**
 * Whether a part can be decided on under the plan: it hangs, or it is offal that could be kept. A skinned hog has no
 * feet, a sawn tenderloin is not there.
 */
export function offered(flow: Flow, read: Reckoning, id: string): boolean {
  const part = flow.anatomy.parts.find((p) => p.id === id)!
  if (part.offCarcass) return !unmet(flow.anatomy, part.needs, read.plan.conventions)
  return partKg(flow, read, id) > 1e-9
}

/** Parts in the order they are walked: down the carcass, those that can be decided on. */
export const partOrder = (flow: Flow, read: Reckoning): string[] =>
  flow.anatomy.parts.map((p) => p.id).filter((id) => offered(flow, read, id))

/** The part itself and those it was opened from, outwards: what is drawn is the outermost. */
export function fromInside(flow: Flow, part: string): string[] {
  const outer = openedFrom(flow.anatomy, part)
  return outer ? [part, ...fromInside(flow, outer)] : [part]
}

/** The ways to open the selected part on the selected sides, and taking one. */
export function usePathChoice() {
  const { body, read, state, farmFigures, part, sidesOf, decide } = useReading()
  const sides = computed(() => sidesOf(part.value))
  const alternatives = computed<Alternative[]>(() =>
    alternativesFor(
      body.value,
      read.value.plan,
      part.value,
      sides.value,
      tallyWith(state.value!, farmFigures.value, read.value),
    ),
  )
  const numbered = computed(() => alternatives.value.map((a) => a.path))
  function choose(path: string) {
    const found = alternatives.value.find((a) => a.path === path)
    if (!found || found.refusal || found.inForce) return
    decide(...takePath(body.value.anatomy, part.value, sides.value, path))
  }
  return { alternatives, numbered, choose, sides }
}
