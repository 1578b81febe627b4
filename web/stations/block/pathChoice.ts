import { computed } from 'vue'
import { slotKey, type Flow } from '#core/carcass'
import { tallyWith, type Reckoning } from '#core/forecast'
import { alternativesFor, type Alternative, type Decision } from '#core/plan'
import { useReading } from '../../state/lot.ts'

/** Whether a part hangs at all under the plan: a skinned hog has no feet, a sawn tenderloin is not there. */
export function hangs(flow: Flow, read: Reckoning, part: string): boolean {
  return (['left', 'right', 'animal'] as const).some((side) => {
    const slot = flow.slotIndex.get(slotKey(part, side))
    return slot !== undefined && read.inputs.slice(slot * 4, slot * 4 + 4).some((kg) => kg > 0)
  })
}

/** Parts in the order they are walked: down the carcass, those that hang. */
export const partOrder = (flow: Flow, read: Reckoning): string[] =>
  flow.anatomy.parts.map((p) => p.id).filter((id) => hangs(flow, read, id))

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
      tallyWith(body.value, state.value!, farmFigures.value, read.value),
    ),
  )
  const numbered = computed(() => alternatives.value.map((a) => a.path))
  function choose(path: string) {
    const found = alternatives.value.find((a) => a.path === path)
    if (!found || found.refusal || found.inForce) return
    decide(...sides.value.map((side): Decision => ({ field: 'path', target: part.value, side, value: path })))
  }
  return { alternatives, numbered, choose, sides }
}
