<script setup lang="ts" generic="V extends string | null">
import Select from 'primevue/select'
import { computed } from 'vue'
import type { FieldIssue } from '../state/api.ts'
import FieldIssues from './FieldIssues.vue'

/** One of a few, with its label, and what is wrong with it beside it. */
type Word = NonNullable<V>
const {
  id,
  label,
  options,
  issues = [],
  optional = false,
  filter = false,
} = defineProps<{
  id: string
  label: string
  options: readonly (Word | { v: Word; w: string })[]
  issues?: FieldIssue[]
  /** May be left unsaid. */
  optional?: boolean
  filter?: boolean
}>()
const value = defineModel<V>({ required: true })
const words = computed(() => options.map((o) => (typeof o === 'string' ? { v: o, w: o } : o)))
const unsaid = computed(() => (optional ? { showClear: true, placeholder: 'not said' } : {}))
</script>

<template>
  <div class="field">
    <label :for="id">{{ label }}</label>
    <Select
      v-model="value"
      :input-id="id"
      :options="words"
      option-label="w"
      option-value="v"
      :filter="filter"
      v-bind="unsaid"
    />
    <FieldIssues :issues="issues" />
  </div>
</template>
