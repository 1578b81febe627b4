<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, reactive, ref } from 'vue'
import FieldIssues from '../../pieces/FieldIssues.vue'
import { fieldIssue, type FieldIssue } from '../../state/api.ts'
import { useReading } from '../../state/lot.ts'

/** Medicines given, each with the day its withdrawal ends: before that day no slaughter. */
const { read, lot, note, withdraw, factOf } = useReading()
const fresh = reactive({ name: '', given: '', until: '', animal: '' })
const issues = ref<FieldIssue[]>([])
const at = (field: string) => issues.value.filter((i) => i.field === field)
const last = computed(
  () =>
    read.value.plan.medicines
      .map((m) => m.until)
      .toSorted()
      .at(-1) ?? null,
)
function add() {
  const { name, given, until, animal } = fresh
  issues.value = [
    ...(name.trim() ? [] : [fieldIssue('name', 'Which medicine? Type what stands on its label.')]),
    ...(given ? [] : [fieldIssue('given', 'On which day was it given?')]),
    ...(until
      ? []
      : [fieldIssue('until', 'Until which day must be waited? It stands on the label, or the vet says it.')]),
    ...(given && until && until < given
      ? [fieldIssue('until', 'The withdrawal ends before it was given. Look at both days.')]
      : []),
  ]
  if (issues.value.length > 0) return
  note({ kind: 'medicine', name: name.trim(), given, until, animal: animal.trim() || null })
  Object.assign(fresh, { name: '', given: '', until: '', animal: '' })
}
</script>

<template>
  <div class="stack">
    <p v-if="last && !read.plan.killed" class="caution" role="note">
      <i class="pi pi-clock" aria-hidden="true" />
      <span
        ><b>Not before {{ last }}.</b> Until then a withdrawal period runs: killed earlier, nothing of it is
        food.</span
      >
    </p>
    <table v-if="read.plan.medicines.length > 0" class="plain">
      <thead>
        <tr>
          <th>Medicine</th>
          <th v-if="lot!.count > 1">Animal</th>
          <th>Given</th>
          <th>Withdrawal until</th>
          <th><span class="visually-hidden">Take off</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="m in read.plan.medicines" :key="m.id">
          <td>{{ m.name }}</td>
          <td v-if="lot!.count > 1">{{ m.animal ?? 'all' }}</td>
          <td>{{ m.given }}</td>
          <td>{{ m.until }}</td>
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
        <label for="medicine-given">Given on</label>
        <InputText id="medicine-given" v-model="fresh.given" size="small" type="date" />
        <FieldIssues :issues="at('given')" />
      </div>
      <div class="field">
        <label for="medicine-until">Withdrawal until</label>
        <InputText id="medicine-until" v-model="fresh.until" size="small" type="date" />
        <FieldIssues :issues="at('until')" />
      </div>
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
