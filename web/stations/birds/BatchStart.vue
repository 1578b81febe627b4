<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, reactive, ref } from 'vue'
import { cameOf } from '#core/ledger'
import { parseMass, sayIssue } from '#core/measure'
import { curveOf } from '#core/batch'
import type { Sex } from '#core/records'
import FieldIssues from '../../pieces/FieldIssues.vue'
import PickField from '../../pieces/PickField.vue'
import TextField from '../../pieces/TextField.vue'
import { fieldIssue, type FieldIssue } from '../../state/api.ts'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'
import { SEXED } from './words.ts'

/** What they weighed when they came, on which day, and how many of them there were: those that are gone since were lost. */
const { read, body, note, withdraw, factOf } = useReading()
const words = useWords()
const fresh = reactive({ mass: '', day: '', animals: '', sexed: 'both' as 'both' | Sex })
/** Asked where it decides much: where the sexes grow apart. */
const asksSex = computed(() => (curveOf(body.value.anatomy.species, read.value.plan.type)?.sexes ?? 0) > 0)
const issues = ref<FieldIssue[]>([])
const at = (field: string) => issues.value.filter((i) => i.field === field)
const start = computed(() => read.value.plan.start)
const least = computed(() => cameOf({ ...read.value.plan, start: null }, read.value.count))
function keep() {
  const mass = parseMass(fresh.mass, words.unit.value, 'mass')
  issues.value = [
    ...(mass.ok ? [] : mass.issues.map((i) => fieldIssue('mass', sayIssue(i, words.says.value)))),
    ...(fresh.day ? [] : [fieldIssue('day', 'On which day did they come, or were they born?')]),
  ]
  const came = fresh.animals.trim() === '' ? null : Number(fresh.animals)
  if (came !== null && !(Number.isInteger(came) && came >= least.value))
    issues.value.push(
      fieldIssue(
        'animals',
        `At least the ${least.value} that are here or were lost came. Type how many came, lost ones too.`,
      ),
    )
  if (!mass.ok || issues.value.length > 0) return
  const animals = came === null ? {} : { animals: came }
  const sexed = asksSex.value && fresh.sexed !== 'both' ? { sexed: fresh.sexed } : {}
  note({ kind: 'observation', what: 'start', shown: mass.value, day: fresh.day, ...animals, ...sexed })
  Object.assign(fresh, { mass: '', day: '', animals: '' })
}
</script>

<template>
  <p v-if="start">
    Came on {{ start.day }} at <b>{{ words.mass(start.kg) }}</b>{{ read.count > 1 ? ' together' : ''
    }}<template v-if="start.sexed">, {{ start.sexed }} only</template>.
    <Button
      text
      size="small"
      label="Take it off"
      @click="withdraw(...factOf((f) => f.kind === 'observation' && f.what === 'start'))"
    />
  </p>
  <form v-else class="fields" novalidate aria-label="What it weighed when it came" @submit.prevent="keep">
    <TextField
      id="start-mass"
      v-model="fresh.mass"
      :label="`Weighed when ${read.count > 1 ? 'they' : 'it'} came, ${words.unit.value}${read.count > 1 ? ', all together' : ''}`"
      :issues="at('mass')"
    />
    <div class="field">
      <label for="start-day">On</label>
      <InputText id="start-day" v-model="fresh.day" type="date" :invalid="at('day').length > 0" />
      <FieldIssues :issues="at('day')" />
    </div>
    <TextField
      v-if="read.count > 1"
      id="start-animals"
      v-model="fresh.animals"
      label="How many came"
      inputmode="numeric"
      :issues="at('animals')"
    />
    <PickField v-if="asksSex" id="start-sexed" v-model="fresh.sexed" label="Which came" :options="SEXED" />
    <Button type="submit" outlined label="Keep it" />
  </form>
</template>
