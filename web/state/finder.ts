import { computed, type ComputedRef } from 'vue'
import { finderOf, SPECIES } from '#core/anatomy'
import { useFarm } from './farm.ts'
import { everySpecies } from './species.ts'

type Find = ReturnType<typeof finderOf>
let made: { of: ReturnType<typeof useFarm>; find: ComputedRef<Find> } | null = null
/** Finds cuts, parts and ways of all animals by any name, the farm's own words too; indexed once for the page, and when those change. */
export function useFinder() {
  const store = useFarm()
  if (made?.of !== store)
    made = {
      of: store,
      find: computed(() =>
        finderOf(
          SPECIES.map((s) => everySpecies()[s]),
          store.farm?.aliases,
        ),
      ),
    }
  const { find } = made
  return (...asked: Parameters<Find>) => find.value(...asked)
}
