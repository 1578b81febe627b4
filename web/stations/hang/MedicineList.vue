<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, reactive, ref } from 'vue'
import FieldIssues from '../../pieces/FieldIssues.vue'
import { clockSchema, type WAIT_MEANINGS } from '#core/records'
import { lastOf, sayClear } from '#core/rules'
import PickField from '../../pieces/PickField.vue'
import TextField from '../../pieces/TextField.vue'
import { fieldIssue, type FieldIssue } from '../../state/api.ts'
import { useReading } from '../../state/lot.ts'
import { useTyped } from '../../state/typed.ts'

/** Medicines given, each with the day its withdrawal ends: until it is over no slaughter. */
type Meaning = (typeof WAIT_MEANINGS)[number] | 'unknown'
const MEANS: { v: Meaning; w: string }[] = [
  { v: 'last', w: 'the last day of the wait' },
  { v: 'clear', w: 'the first clear day' },
  { v: 'unknown', w: 'not known: off its label' },
]
const { read, lot, note, withdraw, factOf } = useReading()
const blank = { name: '', given: '', means: 'last' as Meaning, until: '', hour: '', animal: '' }
const fresh = reactive({ ...blank })
const issues = ref<FieldIssue[]>([])
const at = (field: string) => issues.value.filter((i) => i.field === field)
const last = computed(() => lastOf(read.value.plan.medicines))
const { typedOn } = useTyped()
function add() {
  const { name, given, means, animal } = fresh
  const isKnown = means !== 'unknown'
  const until = isKnown ? fresh.until : null
  const hour = isKnown && fresh.hour.trim() ? clockSchema.safeParse(fresh.hour.trim()) : null
  issues.value = [
    ...(name.trim() ? [] : [fieldIssue('name', 'Which medicine? Type what stands on its label.')]),
    ...(given ? [] : [fieldIssue('given', 'On which day was it given?')]),
    ...(until === ''
      ? [fieldIssue('until', 'Until which day must be waited? It stands on the label, or the vet says it.')]
      : []),
    ...(hour && !hour.success ? [fieldIssue('hour', `“${fresh.hour}” is no hour. Type it as 14:00.`)] : []),
    ...(given && until && until < given
      ? [fieldIssue('until', 'The withdrawal ends before it was given. Look at both days.')]
      : []),
  ]
  if (issues.value.length > 0) return
  note({
    ...{ kind: 'medicine', name: name.trim(), given, until, animal: animal.trim() || null },
    ...(isKnown && { means }),
    ...(hour?.success && { hour: hour.data }),
  })
  Object.assign(fresh, blank)
}
</script>

<template>
  <div class="stack">
    <p v-if="last && !read.plan.killed" class="caution" role="note">
      <i class="pi pi-clock" aria-hidden="true" />
      <span><b>{{ last.name }}: {{ sayClear(last) }}.</b> Killed before, nothing of it is food.</span>
    </p>
    <table v-if="read.plan.medicines.length > 0" class="plain">
      <thead>
        <tr>
          <th>Medicine</th>
          <th v-if="lot!.count > 1">Animal</th>
          <th>Last dose</th>
          <th>Clear</th>
          <th>Typed</th>
          <th><span class="visually-hidden">Take off</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="m in read.plan.medicines" :key="m.id">
          <td>{{ m.name }}</td>
          <td v-if="lot!.count > 1">{{ m.animal ?? 'all' }}</td>
          <td>{{ m.given }}</td>
          <td>{{ sayClear(m) }}</td>
          <td class="muted">{{ typedOn(m.id) }}</td>
          <td>
            <Button
              text
              size="small"
              icon="pi pi-times"
              severity="secondary"
              :aria-label="`Take ${m.name} off`"
              @click="withdraw(...factOf((f) => f.kind === 'medicine').filter((f) => f.id === m.id))"
            />
          </td>
        </tr>
      </tbody>
    </table>
    <form class="add" novalidate @submit.prevent="add">
      <div class="field">
        <label for="medicine-name">Medicine</label>
        <InputText id="medicine-name" v-model="fresh.name" size="small" maxlength="80" autocomplete="off" />
        <FieldIssues :issues="at('name')" />
      </div>
      <div v-if="lot!.count > 1" class="field">
        <label for="medicine-animal">Ear number, if not all</label>
        <InputText
          id="medicine-animal"
          v-model="fresh.animal"
          size="small"
          maxlength="40"
          autocomplete="off"
        />
      </div>
      <div class="field">
        <label for="medicine-given">Last dose, day 0</label>
        <InputText id="medicine-given" v-model="fresh.given" size="small" type="date" />
        <FieldIssues :issues="at('given')" />
      </div>
      <PickField id="medicine-means" v-model="fresh.means" label="The day on the label is" :options="MEANS" />
      <template v-if="fresh.means !== 'unknown'">
        <div class="field">
          <label for="medicine-until">{{ fresh.means === 'last' ? 'Withdrawal until' : 'Clear from' }}</label>
          <InputText id="medicine-until" v-model="fresh.until" size="small" type="date" />
          <FieldIssues :issues="at('until')" />
        </div>
        <TextField
          id="medicine-hour"
          v-model="fresh.hour"
          label="Hour it ends, if one is said"
          :issues="at('hour')"
        />
      </template>
      <Button type="submit" size="small" outlined label="Add medicine" />
    </form>
  </div>
</template>

<style scoped>
.add {
  display: flex;
  flex-wrap: wrap;
  gap: 0.6rem;
  align-items: end;
}
</style>
