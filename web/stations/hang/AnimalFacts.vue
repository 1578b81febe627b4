<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { useReading } from '../../state/lot.ts'

/** What is known of the animal before any scale: its mark, the day and the place of its kill. Left empty, nothing is said. */
const { read, note, withdraw, factOf } = useReading()
const FIELDS = [
  { what: 'mark', label: 'Tag or ear number', type: 'text' },
  { what: 'born', label: 'Born', type: 'date' },
  { what: 'killed', label: 'Day of kill', type: 'date' },
  { what: 'plant', label: 'Plant, or who kills it', type: 'text' },
] as const
function take(what: (typeof FIELDS)[number]['what'], event: Event) {
  const value = (event.target as HTMLInputElement).value.trim()
  if (value === (read.value.plan[what] ?? '')) return
  if (value === '') withdraw(...factOf((f) => f.kind === 'observation' && f.what === what))
  else note({ kind: 'observation', what, value })
}
</script>

<template>
  <div class="facts">
    <div v-for="f in FIELDS" :key="f.what" class="field">
      <label :for="`fact-${f.what}`">{{ f.label }}</label>
      <InputText
        :id="`fact-${f.what}`"
        :type="f.type"
        :model-value="read.plan[f.what] ?? ''"
        maxlength="80"
        min="2000-01-01"
        max="2099-12-31"
        autocomplete="off"
        @change="take(f.what, $event)"
      />
    </div>
  </div>
</template>

<style scoped>
.facts {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 0.6rem;
}
.facts :deep(input) {
  width: 100%;
}
</style>
