<script setup lang="ts">
import MultiSelect from 'primevue/multiselect'
import { ALLERGENS, type Allergen } from '#core/records'

/** What people react to, of what goes on or into a cut. */
const { label, none } = defineProps<{
  label: string
  /** What stands there while nothing is chosen. */ none: string
}>()
const value = defineModel<Allergen[]>({ required: true })
</script>

<template>
  <MultiSelect
    v-model="value"
    :options="[...ALLERGENS]"
    size="small"
    display="comma"
    :max-selected-labels="2"
    :placeholder="none"
    :aria-label="label"
  />
</template>
