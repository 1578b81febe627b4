import { computed } from 'vue'
import { alternativesFor, rankedBy, type Alternative } from '#core/reading'
import { takePath, wayTo } from '#core/plan'
import { useReading } from '../../state/lot.ts'

/** The ways to open the selected part on the selected sides, and taking one. */
export function usePathChoice() {
  const { body, read, part, sides: chosen, rank, sidesOf, decide, note, central } = useReading()
  const sides = computed(() => sidesOf(part.value))
  const alternatives = computed<Alternative[]>(() =>
    rankedBy(rank.value, alternativesFor(central.value, part.value, sides.value)),
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
    note(...way.facts)
    decide(...way.decisions)
  }
  return { alternatives, numbered, choose, remedy, make, sides }
}
