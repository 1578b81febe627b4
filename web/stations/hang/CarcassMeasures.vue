<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { computed, ref } from 'vue'
import { expectedMeasure, typeOf, type Measure } from '#core/anatomy'
import { issueOf, kg, parseNumber } from '#core/measure'
import { sayIssue } from '#contracts/said'
import FieldIssues from '../../pieces/FieldIssues.vue'
import { fieldIssue, type FieldIssue } from '../../state/api.ts'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'

/** What a grader or the plant measured, and by how much it shifts the estimate. */
const { read, body, note, withdraw, factOf } = useReading()
const words = useWords()
const measures = computed(() => body.value.anatomy.measures)
const issues = ref<FieldIssue[]>([])
/** What is usual on this animal; without a weight or a type, on any. */
const usual = (m: Measure) => {
  const type = typeOf(body.value.anatomy, read.value.plan.type)
  const { weights, count } = read.value
  const at = type && weights && expectedMeasure(type, m.id, kg(weights.cold / count))
  return Math.round(at ?? m.usual)
}
const points = (x: number) => `${x >= 0 ? '+' : '−'}${Math.abs(x).toFixed(1)} points`
const said = computed(() => {
  const { moved, grade, outsideGrade } = read.value.animal
  if (!moved) return null
  const grades = grade.map((g) => `${g.name} ${g.value.toFixed(1)} ${g.unit}`.trim()).join(', ')
  const graded = outsideGrade
    ? 'no grade: the carcass is outside the weights the published formula is for'
    : grades
  return `lean ${points(moved.lean)}, fat ${points(moved.fat)} of carcass against a usual one of this type and weight${graded ? ` (${graded})` : ''}`
})

function take(m: Measure, event: Event) {
  const typed = (event.target as HTMLInputElement).value.trim()
  const now = read.value.plan.measured[m.id] ?? null
  const out = typed === '' ? null : parseNumber(typed, m.id, { low: -Infinity, high: Infinity })
  const value = out?.ok ? out.value : null
  const { id, names: what, unit, low, high } = m
  const odd = value !== null && (value < low || value > high)
  issues.value =
    out && !out.ok
      ? [fieldIssue(id, `“${typed}” is not a number of ${unit}.`)]
      : odd
        ? [
            fieldIssue(
              id,
              sayIssue(
                issueOf('measure-impossible', id, { what, typed: value, unit, low, high }),
                words.says.value,
              ),
            ),
          ]
        : []
  if (issues.value.length > 0 || value === now) return
  if (value === null)
    withdraw(...factOf((f) => f.kind === 'observation' && f.what === 'measure' && f.of === id))
  else note({ kind: 'observation', what: 'measure', of: id, value })
}
</script>

<template>
  <template v-if="measures.length > 0">
    <div class="row fields">
      <label v-for="m in measures" :key="m.id">
        <span>{{ words.name(m.names) }}, {{ m.unit }}</span>
        <InputText
          :model-value="read.plan.measured[m.id] === undefined ? '' : String(read.plan.measured[m.id])"
          size="small"
          inputmode="decimal"
          :aria-describedby="`usual-${m.id}`"
          :data-measure="m.id"
          :invalid="issues.some((i) => i.field === m.id)"
          @change="take(m, $event)"
        />
        <small :id="`usual-${m.id}`" class="muted">{{ usual(m) }} {{ m.unit }} is usual</small>
      </label>
    </div>
    <FieldIssues :issues="issues" />
    <p class="muted" data-testid="shift">
      <template v-if="said">This shifts the estimate: {{ said }}.</template>
      <template v-else
        >Where a grader or the plant gives them. They shift the estimate, and narrow it; leave them empty
        otherwise.</template
      >
    </p>
  </template>
</template>

<style scoped>
.fields {
  gap: 0.8rem;
  flex-wrap: wrap;
}
label {
  display: grid;
  gap: 0.15rem;
  font-weight: 600;
}
input {
  width: 8rem;
}
</style>
