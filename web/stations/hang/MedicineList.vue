<script setup lang="ts">
import Button from 'primevue/button'
import { computed } from 'vue'
import { issueOf } from '#core/measure'
import { FACTS, type WAIT_MEANINGS } from '#core/records'
import { lastOf, sayClear } from '#core/rules'
import PickField from '../../pieces/PickField.vue'
import TextField from '../../pieces/TextField.vue'
import { useReading } from '../../state/lot.ts'
import { useForm } from '../../state/form.ts'
import { useTyped } from '../../state/typed.ts'

/** Medicines given, each with the day its withdrawal ends: until it is over no slaughter. */
type Meaning = (typeof WAIT_MEANINGS)[number] | 'unknown'
const MEANS: { v: Meaning; w: string }[] = [
  { v: 'last', w: 'the last day of the wait' },
  { v: 'clear', w: 'the first clear day' },
  { v: 'unknown', w: 'not known: off its label' },
]
const UNTIL = 'Until which day must be waited? It stands on the label, or the vet says it.'
const { read, lot, note, withdraw, factOf } = useReading()
const {
  typed: fresh,
  at,
  keep,
} = useForm(
  'medicine',
  FACTS.medicine.fields,
  () => ({
    ...{ name: '', given: '', means: 'last' as Meaning, until: '', hour: '', animal: '' },
  }),
  { hides: ({ means }) => (means === 'unknown' ? ['until', 'hour'] : []) },
)
const last = computed(() => lastOf(read.value.plan.medicines))
const { typedOn } = useTyped()
const add = keep(({ name, given, until, hour, animal }) => {
  const { means } = fresh
  if (means === 'unknown') return void note({ kind: 'medicine', name, given, until: null, animal })
  if (until === null) return [issueOf('not-said', 'until', { ask: UNTIL })]
  if (until < given) return [issueOf('withdrawal-before', 'until', { name, given, until })]
  note({ ...{ kind: 'medicine', name, given, until, animal, means }, ...(hour !== null && { hour }) })
})
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
      <TextField id="medicine-name" v-model="fresh.name" size="small" label="Medicine" :issues="at('name')" />
      <TextField
        v-if="lot!.count > 1"
        id="medicine-animal"
        v-model="fresh.animal"
        size="small"
        label="Ear number, if not all"
        :issues="at('animal')"
      />
      <TextField
        id="medicine-given"
        v-model="fresh.given"
        type="date"
        size="small"
        label="Last dose, day 0"
        :issues="at('given')"
      />
      <PickField id="medicine-means" v-model="fresh.means" label="The day on the label is" :options="MEANS" />
      <template v-if="fresh.means !== 'unknown'">
        <TextField
          id="medicine-until"
          v-model="fresh.until"
          type="date"
          size="small"
          :label="fresh.means === 'last' ? 'Withdrawal until' : 'Clear from'"
          :issues="at('until')"
        />
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
