import { computed } from 'vue'
import { dayLine, USUAL_DAY } from '#core/line'
import { sayClock } from '#core/clock'
import type { BirdDay, LineStationId, LineStationPlan } from '#core/records'
import { useFarm } from '../../state/farm.ts'
import { useReading } from '../../state/lot.ts'
import { useToday } from '../../state/today.ts'

/** An open stop is thought to last so much longer, minutes. */
export const STILL_DOWN = 30

/** The day of a batch as it is planned and as it goes: what was said of it, what was ticked off, which stations stand still. */
export function useBirdDay() {
  const open = useReading()
  const farm = useFarm()
  const { today, minutes, minutesOf, dayOf } = useToday()
  const plan = computed<BirdDay>(() => open.central.value.plan.birdDay ?? USUAL_DAY)
  /** A device of the floor plans nothing: its day is today. */
  const onDay = computed(() => (farm.isFloor ? today.value : (plan.value.day ?? today.value)))
  const isToday = computed(() => onDay.value === today.value)
  const isOn = <F extends { when: string } | { from: string }>(f: F) =>
    dayOf(new Date('when' in f ? f.when : f.from)) === onDay.value
  /** Birds ticked off on the day, in their order. */
  const passed = computed(() =>
    open.central.value.plan.passed
      .filter(isOn)
      .map((p) => ({ ...p, minute: minutesOf(new Date(p.when)) }))
      .toSorted((a, b) => (a.when < b.when ? -1 : 1)),
  )
  const stops = computed(() =>
    open.central.value.plan.stopped.filter(isOn).map((s) => ({
      ...s,
      minute: minutesOf(new Date(s.from)),
      end:
        s.until === null
          ? Math.max(minutes.value, minutesOf(new Date(s.from))) + STILL_DOWN
          : minutesOf(new Date(s.until)),
    })),
  )
  const begun = computed(() => passed.value.find((p) => p.station === 'catch')?.minute ?? null)
  const iced = computed(() => passed.value.filter((p) => p.station === 'chill'))
  const counted = computed(() => iced.value.reduce((n, p) => n + p.animals, 0))
  const line = computed(() =>
    dayLine(
      open.central.value,
      stops.value.map((s) => ({ station: s.station, from: s.minute, until: s.end })),
      { ...plan.value, begins: begun.value === null ? plan.value.begins : sayClock(begun.value) },
    ),
  )
  const change = (patch: Partial<BirdDay>) =>
    open.decide({ field: 'birdDay', target: 'lot', side: 'animal', value: { ...plan.value, ...patch } })
  /** Says something of one station; what is as usual again is said no more. */
  function changeStation(id: LineStationId, patch: Partial<LineStationPlan>) {
    const held = plan.value.stations.find((s) => s.id === id)
    const rest = Object.entries({ ...held, ...patch }).filter(([key, v]) => key !== 'id' && v !== undefined)
    const others = plan.value.stations.filter((s) => s.id !== id)
    change({ stations: rest.length > 0 ? [...others, { ...Object.fromEntries(rest), id }] : others })
  }
  return {
    ...open,
    plan,
    onDay,
    isToday,
    today,
    minutes,
    minutesOf,
    passed,
    stops,
    begun,
    iced,
    counted,
    line,
    change,
    changeStation,
  }
}
