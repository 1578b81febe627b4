<script setup lang="ts">
import InputText from 'primevue/inputtext'
import SelectButton from 'primevue/selectbutton'
import { computed, ref } from 'vue'
import { dressingOf } from '#core/plan'
import FieldIssues from '../../pieces/FieldIssues.vue'
import type { FieldIssue } from '../../state/api.ts'
import { useReading } from '../../state/lot.ts'

const { read, decide, body } = useReading()
const lot = { target: 'lot', side: 'animal' } as const
const dressing = computed(() => dressingOf(body.value.anatomy, read.value.plan.dressing))
const issues = ref<FieldIssue[]>([])
const skin = (value: boolean | null) => value !== null && decide({ field: 'skin', ...lot, value })
const head = (value: boolean | null) => value !== null && decide({ field: 'head', ...lot, value })

function days(event: Event) {
  const typed = (event.target as HTMLInputElement).value.trim()
  const value = Number(typed)
  const right = typed !== '' && Number.isInteger(value) && value >= 0 && value <= 60
  issues.value = right
    ? []
    : [
        {
          field: 'days',
          detail: `“${typed}” is not a number of days from 0 to 60. A hog usually hangs 1 to 5.`,
          confirmable: false,
        },
      ]
  if (right && value !== read.value.plan.days) decide({ field: 'days', ...lot, value })
}
</script>

<template>
  <div class="grid">
    <span>Hide</span>
    <SelectButton
      :model-value="read.plan.dressing.skin"
      :options="[
        { v: true, w: 'Scalded, skin on' },
        { v: false, w: 'Skinned' },
      ]"
      option-label="w"
      option-value="v"
      size="small"
      aria-label="Hide"
      @update:model-value="skin"
    />
    <span>Head</span>
    <SelectButton
      :model-value="read.plan.dressing.head"
      :options="[
        { v: false, w: 'Off' },
        { v: true, w: 'On' },
      ]"
      option-label="w"
      option-value="v"
      size="small"
      aria-label="Head"
      @update:model-value="head"
    />
    <label for="days">Days hung</label>
    <InputText
      id="days"
      :model-value="String(read.plan.days)"
      size="small"
      inputmode="numeric"
      style="width: 4rem"
      @change="days"
    />
  </div>
  <FieldIssues :issues="issues" />
  <p class="muted">
    Dressing expected: {{ (dressing.mean * 100).toFixed(1) }} ± {{ (dressing.sd * 100).toFixed(1) }} % of
    fasted live weight.
    <template v-if="!read.plan.dressing.skin"
      >No rind: no crackling, no rind-on belly, no cured jowl; the feet are off.</template
    >
  </p>
  <div v-for="d in read.plan.dropped" :key="d.part + d.side" class="caution">
    <i class="pi pi-info-circle" aria-hidden="true" />
    <span
      >The {{ d.part }} ({{ d.side }}) was planned in a way that needs the skin; it goes back to the usual
      way.</span
    >
  </div>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: 6rem 1fr;
  gap: 0.5rem;
  align-items: center;
  font-weight: 600;
}
</style>
