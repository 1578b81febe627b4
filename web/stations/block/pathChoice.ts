import { computed, effectScope } from 'vue'
import { alternativesFor, rankedBy, type Alternative } from '#core/reading'
import { takePath, wayTo } from '#core/plan'
import { useLot, useReading, type OpenLot } from '../../state/lot.ts'
import { tally } from '../../state/tally.ts'

/** Of every open lot the ways to open its selected part, valued once for all that show them. */
const valued = new WeakMap<OpenLot, ReturnType<typeof alternativesOf>>()
function alternativesOf({ part, rank, sidesOf, central }: OpenLot) {
  const sides = computed(() => sidesOf(part.value))
  const each = computed<Alternative[]>(() => {
    tally('alternatives')
    return alternativesFor(central.value!, part.value, sides.value)
  })
  return { sides, alternatives: computed(() => rankedBy(rank.value, each.value)) }
}
function alternativesNow(open: OpenLot) {
  const known = valued.get(open) ?? effectScope(true).run(() => alternativesOf(open))!
  valued.set(open, known)
  return known
}

/** The ways to open the selected part on the selected sides, and taking one. */
export function usePathChoice() {
  const { body, central: read, part, sides: chosen, decide, note } = useReading()
  const { sides, alternatives } = alternativesNow(useLot())
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
    note(...way.facts)
    decide(...way.decisions)
  }
  return { alternatives, numbered, choose, remedy, make, sides }
}
