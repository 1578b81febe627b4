<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { computed, reactive, ref } from 'vue'
import { CHECK_POINTS, COLD_C } from '#core/hand'
import type { CardStep } from '#core/papers'
import { PLAIN, type Issue } from '#core/measure'
import { sayIssue } from '#contracts/said'
import { FACTS, readForm, type CheckId } from '#core/records'
import { initials } from '../../state/bench.ts'
import { useReading } from '../../state/lot.ts'

/** What is looked at inside a step and signed; a press signs, another takes it back. The probe's figure is written with it. */
const { step } = defineProps<{ step: CardStep }>()
const { central: read, note, withdraw, factOf } = useReading()
const by = initials()
const issue = ref<{ check: CheckId; says: string } | null>(null)
const probe = reactive({ celsius: '', minutes: '' })
const mark = computed(() => step.marks[0]!)
const rows = computed(() =>
  step.checks.map((check) => ({
    check,
    ...CHECK_POINTS[check],
    signed: read.value.plan.checks.find(
      (c) => c.check === check && c.of === mark.value.target && c.side === mark.value.side,
    ),
  })),
)
function press(check: CheckId) {
  const row = rows.value.find((r) => r.check === check)!
  const { target: of, side } = mark.value
  issue.value = null
  if (row.signed)
    return withdraw(
      ...factOf((f) => f.kind === 'check' && f.check === check && f.of === of && f.side === side),
    )
  const refuse = (out: { ok: false; issues: Issue[] }) =>
    void (issue.value = { check, says: sayIssue(out.issues[0]!) })
  const { by: signed, ...probed } = FACTS.check.fields
  const who = readForm({ by: signed }, { by: by.value }, PLAIN)
  if (!who.ok) return refuse(who)
  const body = { kind: 'check', check, of, side, by: who.value.by } as const
  if (!row.probe) return note(body)
  const read = readForm(probed, probe, PLAIN)
  if (!read.ok) return refuse(read)
  note({ ...body, ...read.value })
}
const warm = (c: number | undefined) => c !== undefined && c > COLD_C
</script>

<template>
  <ul v-if="rows.length > 0" class="checks" aria-label="Check points">
    <li v-for="r in rows" :key="r.check" :data-check="r.check">
      <div v-if="r.probe && !r.signed" class="row">
        <InputText
          v-model="probe.celsius"
          size="small"
          inputmode="decimal"
          class="short"
          placeholder="°C"
          aria-label="What the probe reads, °C"
        />
        <InputText
          v-model="probe.minutes"
          size="small"
          inputmode="numeric"
          class="short"
          placeholder="min out"
          aria-label="Minutes out of the cold"
        />
      </div>
      <button type="button" :aria-pressed="!!r.signed" :title="r.right" @click="press(r.check)">
        <i class="pi" :class="r.signed ? 'pi-check-square' : 'pi-stop'" aria-hidden="true" />
        {{ r.word }}
        <b v-if="r.signed">{{ r.signed.by }}</b>
      </button>
      <span v-if="r.signed?.celsius !== undefined" :class="warm(r.signed.celsius) ? 'bad' : 'muted'"
        >{{ r.signed.celsius }} °C, {{ r.signed.minutes }} min out<template v-if="warm(r.signed.celsius)"
          >: warmer than {{ COLD_C }} °C. Colder now, and look at it again.</template
        ></span
      >
      <span v-if="issue?.check === r.check" class="field-issue" role="alert">{{ issue.says }}</span>
    </li>
  </ul>
</template>

<style scoped>
.checks {
  list-style: none;
  margin: 0.2rem 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem;
}
.checks button {
  min-height: 40px;
  padding: 0 0.6rem;
  border: 1.5px dashed var(--ink);
  background: none;
  font: inherit;
  cursor: pointer;
  color: inherit;
}
.checks button[aria-pressed='true'] {
  border-style: solid;
  background: #e3ecdf;
}
.short {
  width: 5.5rem;
}
</style>
