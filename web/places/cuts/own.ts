import { computed, ref, watch, type Ref } from 'vue'
import type { OwnVersion } from '#contracts'
import { extendAnatomy, type Species } from '#core/anatomy'
import { everySpecies } from '../../state/species.ts'
import type { OwnAdditions } from '#core/records'
import { ask } from '../../state/api.ts'

/** A species with the farm's own parts and ways, as they were kept last. */
export function useOwn(species: Ref<Species>) {
  const versions = ref<OwnVersion[]>([])
  const failed = ref(false)
  const own = computed<OwnAdditions>(
    () => versions.value.at(-1)?.body ?? { species: species.value, cuts: [], parts: [], paths: [] },
  )
  async function load() {
    const answer = await ask<OwnVersion[]>('GET', `/own/${species.value}`)
    failed.value = answer.kind !== 'ok'
    versions.value = answer.kind === 'ok' ? answer.body : []
  }
  watch(species, load, { immediate: true })
  const anatomy = computed(() => {
    const out = extendAnatomy(everySpecies()[species.value], own.value)
    return out.ok ? out.value : everySpecies()[species.value]
  })
  return { versions, failed, own, load, anatomy }
}
