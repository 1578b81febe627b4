<script setup lang="ts">
import { sayIssue } from '#contracts/said'
import InputText from 'primevue/inputtext'
import { computed, ref, useId, watch } from 'vue'
import type { Outcome } from '#core/measure'
import { useWords } from '../state/words.ts'

/** A figure in a table: read when left or on Enter, kept when right; when wrong it says why and stays as typed. */
const {
  shown,
  read,
  label,
  optional = false,
} = defineProps<{
  shown: string
  read: (typed: string) => Outcome<number>
  label: string
  optional?: boolean
}>()
const words = useWords()
/** What was read, and as it was typed. */
const emit = defineEmits<{ take: [value: number | null, typed?: string] }>()
const text = ref(shown)
const issue = ref<string | null>(null)
const id = useId()
const invalid = computed(() => issue.value !== null)
watch(
  () => shown,
  (now) => {
    if (!invalid.value) text.value = now
  },
)
function leave() {
  if (text.value.trim() === shown) return void (issue.value = null)
  if (optional && text.value.trim() === '') {
    issue.value = null
    return emit('take', null)
  }
  const out = read(text.value)
  issue.value = out.ok ? null : sayIssue(out.issues[0]!, words.says.value)
  if (out.ok) emit('take', out.value, text.value)
}
</script>

<template>
  <span class="figure">
    <InputText
      v-model="text"
      size="small"
      inputmode="decimal"
      autocomplete="off"
      :aria-label="label"
      :invalid="invalid"
      :aria-describedby="invalid ? id : undefined"
      @blur="leave"
      @keydown.enter.prevent="leave"
    />
    <small v-if="issue" :id="id" class="issue" role="alert">{{ issue }}</small>
  </span>
</template>

<style scoped>
.figure {
  display: inline-grid;
  width: 100%;
  position: relative;
}
.figure input {
  width: 100%;
  text-align: right;
  font-variant-numeric: tabular-nums;
}
.issue {
  color: var(--danger);
  background: var(--sheet);
  border: 1px solid var(--danger);
  padding: 0.25rem 0.4rem;
  position: absolute;
  top: 100%;
  right: 0;
  z-index: 3;
  width: max-content;
  max-width: 15rem;
  text-align: left;
}
</style>
