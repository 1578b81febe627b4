<script setup lang="ts">
import { computed } from 'vue'
import { CLASS_OF } from '#core/records'
import RoomTabs from '../../pieces/RoomTabs.vue'
import { useReading } from '../../state/lot.ts'

/** The rooms of Price: what each cut goes for, what the animal cost each, what is done to it for more, and what could be made of it. */
const { body } = useReading()
const TABS = [
  ['price', 'Prices'],
  ['costs', 'Costs'],
  ['fees', 'Fees'],
  ['joint', 'Cost of each cut'],
  ['finishes', 'Finishes'],
  ['cheap', 'The cheap end'],
] as const
const WHOLE = ['whole', 'Whole or parts'] as const
/** Birds and rabbits are sold whole too. */
const tabs = computed(() =>
  ['poultry', 'rabbits'].includes(CLASS_OF[body.value.anatomy.species]) ? [...TABS, WHOLE] : TABS,
)
</script>

<template>
  <RoomTabs label="At Price" :tabs="tabs" />
</template>
