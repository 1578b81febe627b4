<script setup lang="ts">
import { computed } from 'vue'
import { CLASS_OF } from '#core/records'
import RoomTabs from '../../pieces/RoomTabs.vue'
import { useFarm } from '../../state/farm.ts'
import { useReading } from '../../state/lot.ts'

/** The rooms of Hang: its weights and its kill, how it was found and how it cools; of a batch also how it is raised, its day, how it sorts. */
const { body } = useReading()
const farm = useFarm()
const TABS = [
  ['hang', 'Weights and kill'],
  ['cold', 'In the cold'],
] as const
const BATCH = [
  ['raise', 'Raise'],
  ['line', 'The day'],
  ['scald', 'Scald and pluck'],
  ['sort', 'Sort'],
] as const
/** What a device of the floor has of a batch. */
const ON_FLOOR = [['card', 'Card'], BATCH[1], BATCH[2]] as const
const tabs = computed(() => {
  const of = CLASS_OF[body.value.anatomy.species]
  if (farm.isFloor) return ON_FLOOR
  if (of === 'poultry') return [BATCH[0], ...TABS, ...BATCH.slice(1)]
  return of === 'rabbits' ? [BATCH[0], ...TABS, BATCH[1], BATCH[3]] : TABS
})
</script>

<template>
  <RoomTabs label="At Hang" :tabs="tabs" />
</template>
