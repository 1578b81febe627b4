import { useLocalStorage } from '@vueuse/core'
import { computed } from 'vue'
import { useFarm } from './farm.ts'

/** Large, in black and white, for wet hands two metres off: chosen on this device, or all that a device of the floor has. */
export function useFloorMode() {
  const store = useFarm()
  const chosen = useLocalStorage('ekko-floor', false)
  return { chosen, floor: computed(() => store.isFloor || chosen.value) }
}
