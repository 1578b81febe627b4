<script setup lang="ts">
import InputText from 'primevue/inputtext'
import type { FieldIssue } from '../state/api.ts'
import FieldIssues from './FieldIssues.vue'

/** A line of text or a day, with its label, and what is wrong with it beside it. */
const {
  id,
  label,
  issues = [],
  inputmode = 'text',
  type = 'text',
  size = undefined,
} = defineProps<{
  id: string
  label: string
  issues?: FieldIssue[]
  inputmode?: 'text' | 'numeric' | 'decimal'
  /** A day, or a day and an hour, is picked. */
  type?: 'text' | 'date' | 'datetime-local'
  size?: 'small' | undefined
}>()
const value = defineModel<string>({ required: true })
</script>

<template>
  <div class="field">
    <label :for="id">{{ label }}</label>
    <InputText
      :id="id"
      v-model="value"
      autocomplete="off"
      :type="type"
      :size="size"
      :inputmode="inputmode"
      :invalid="issues.length > 0"
    />
    <FieldIssues :issues="issues" />
  </div>
</template>
