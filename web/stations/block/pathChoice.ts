import { computed } from 'vue'
import { openedFrom } from '#core/anatomy'
import { slotKey, unmet, type Flow } from '#core/carcass'
import { tallyWith, type Reckoning } from '#core/forecast'
import { alternativesFor, takePath, wayTo, type Alternative } from '#core/plan'
import { useReading, type Rank } from '../../state/lot.ts'

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

const MERIT: Record<Rank, (a: Alternative) => number> = {
  listed: () => 0,
  money: (a) => a.whole.money - a.whole.fees,
  'take-home': (a) => a.whole.takeHomeKg,
  minutes: (a) => -a.whole.minutes,
}
/** Best first; what cannot be had comes last. */
const ranked = (by: Rank, all: Alternative[]) =>
  by === 'listed'
    ? all
    : [...all].sort((a, b) => Number(!!a.refusal) - Number(!!b.refusal) || MERIT[by](b) - MERIT[by](a))

/** The ways to open the selected part on the selected sides, and taking one. */
export function usePathChoice() {
  const { body, read, state, farmFigures, part, sides: chosen, rank, sidesOf, decide } = useReading()
  const sides = computed(() => sidesOf(part.value))
  const alternatives = computed<Alternative[]>(() =>
    ranked(
      rank.value,
      alternativesFor(
        body.value,
        read.value.plan,
        part.value,
        sides.value,
        tallyWith(state.value!, farmFigures.value, read.value),
      ),
    ),
  )
  const numbered = computed(() => alternatives.value.map((a) => a.path))
  function choose(path: string) {
    const found = alternatives.value.find((a) => a.path === path)
    if (!found || found.refusal || found.inForce) return
    decide(...takePath(body.value.anatomy, part.value, sides.value, path))
  }
  /** What would have to change for a refused way, and doing it. */
  const remedy = (path: string) => wayTo(body.value.anatomy, read.value.plan, part.value, sides.value, path)
  function make(path: string) {
    const way = remedy(path)
    if (!way) return
    if (way.bothSides) chosen.value = 'both'
    decide(...way.decisions)
  }
  return { alternatives, numbered, choose, remedy, make, sides }
}
