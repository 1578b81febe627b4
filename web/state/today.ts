import { useNow } from '@vueuse/core'
import { computed } from 'vue'
import { dayIn } from '#core/measure'
import { useFarm } from './farm.ts'

/** What day and time it is on the farm, kept going. */
export function useToday() {
  const farm = useFarm()
  const now = useNow({ interval: 15_000 })
  const zoned = (at: Date | number, options: Intl.DateTimeFormatOptions) =>
    new Intl.DateTimeFormat('en-GB', { timeZone: farm.farm?.zone ?? 'UTC', ...options }).format(at)
  /** Minutes of its day at which an instant lies. */
  const minutesOf = (at: Date | number): number => {
    const [h, m] = zoned(at, { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' }).split(':').map(Number)
    return h! * 60 + m!
  }
  const dayOf = (at: Date | number) => dayIn(at, farm.farm?.zone ?? 'UTC')
  return {
    now,
    today: computed(() => dayOf(now.value)),
    minutes: computed(() => minutesOf(now.value)),
    minutesOf,
    dayOf,
    /** "14 Sep". */
    sayDay: (day: string) =>
      new Intl.DateTimeFormat('en-GB', { timeZone: 'UTC', day: 'numeric', month: 'short' }).format(
        new Date(`${day}T12:00:00Z`),
      ),
  }
}
