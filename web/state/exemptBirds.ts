import { computed } from 'vue'
import { exemptionOf } from '#core/rules'
import { useFarm } from './farm.ts'

/** Birds of a year under the small producer’s exemption, on all lots of the farm, and what that allows. */
export function useExemptBirds(year: () => string) {
  const store = useFarm()
  return computed(() => {
    const own = [...store.cards.values()].filter(
      ({ withdrawn, progress: { exempt }, createdAt }) =>
        !withdrawn && exempt && (exempt.year ?? createdAt.slice(0, 4)) === year(),
    )
    return exemptionOf(own.reduce((sum, c) => sum + c.progress.exempt!.birds, 0)).says
  })
}
