<script setup lang="ts">
import { parseWhole } from '#core/measure'
import { sayIssue } from '#contracts/said'
import { DECISIONS, limitsOf } from '#core/records'
import { computed, ref } from 'vue'
import { chainUnder } from '#core/carcass'
import InputText from 'primevue/inputtext'
import FieldIssues from '../../pieces/FieldIssues.vue'
import { fieldIssue, type FieldIssue } from '../../state/api.ts'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'

/** How long it hangs, and what that takes. */
const { read, decide, body } = useReading()
const words = useWords()
const issues = ref<FieldIssue[]>([])
const chain = computed(() =>
  chainUnder(body.value.anatomy, read.value.plan.conventions, read.value.plan.type),
)
const kind = computed(() => words.name(body.value.anatomy.names).toLowerCase())
const face = computed(() => read.value.cutting.ageTrim)
const limits = limitsOf(DECISIONS.days.schema.shape.value)
function take(event: Event) {
  const out = parseWhole((event.target as HTMLInputElement).value, 'days', limits)
  const { low, high } = body.value.anatomy.chain.days
  issues.value = out.ok
    ? []
    : [fieldIssue('days', `${sayIssue(out.issues[0]!)} A ${kind.value} usually hangs ${low} to ${high}.`)]
  if (out.ok && out.value !== read.value.plan.days)
    decide({ field: 'days', target: 'lot', side: 'animal', value: out.value })
}
</script>

<template>
  <div class="days">
    <label for="days">Days hung</label>
    <InputText
      id="days"
      :model-value="String(read.plan.days)"
      size="small"
      inputmode="numeric"
      :invalid="issues.length > 0"
      @change="take"
    />
    <small class="muted"
      >each dries it by {{ (chain.ageingPerDay.mean * 100).toFixed(1) }} %<template v-if="face > 0"
        >; dried face to cut off: {{ words.says.value.mass(face, 2) }}</template
      ></small
    >
  </div>
  <FieldIssues :issues="issues" />
</template>

<style scoped>
.days {
  display: flex;
  gap: 0.5rem;
  align-items: center;
}
label {
  font-weight: 600;
}
input {
  width: 3.6rem;
}
</style>
