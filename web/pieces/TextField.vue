<script setup lang="ts">
import InputText from 'primevue/inputtext'
import type { FieldIssue } from '../state/api.ts'
import FieldIssues from './FieldIssues.vue'

/** A line of text, with its label, and what is wrong with it beside it. */
const {
  id,
  label,
  issues = [],
  inputmode = 'text',
} = defineProps<{
  id: string
  label: string
  issues?: FieldIssue[]
  inputmode?: 'text' | 'numeric' | 'decimal'
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
      :inputmode="inputmode"
      :invalid="issues.length > 0"
    />
    <FieldIssues :issues="issues" />
  </div>
</template>
