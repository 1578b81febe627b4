<script setup lang="ts">
import Button from 'primevue/button'
import Checkbox from 'primevue/checkbox'
import InputText from 'primevue/inputtext'
import { computed, reactive, ref, watchEffect } from 'vue'
import { unaccounted } from '#core/ledger'
import { issueOf, parseWhole, sayIssue } from '#core/measure'
import { daysBetween } from '#core/batch'
import type { LossCause } from '#core/records'
import FieldIssues from '../../pieces/FieldIssues.vue'
import PickField from '../../pieces/PickField.vue'
import TextField from '../../pieces/TextField.vue'
import { fieldIssue, type FieldIssue } from '../../state/api.ts'
import { useReading } from '../../state/lot.ts'
import { useToday } from '../../state/today.ts'
import { useOfGroup } from './ofGroup.ts'
import { useWords } from '../../state/words.ts'
import { CAUSE_OPTIONS, causeWord } from './words.ts'

/** Animals that are gone, by day and cause; they are no longer counted anywhere. */
const { placed = null } = defineProps<{ placed?: string | null }>()
const { read } = useReading()
const { options, group, alive, say, canTakeBack, takeBack } = useOfGroup()
const words = useWords()
const { today } = useToday()
const fresh = reactive({ animals: '1', day: '', cause: 'found-dead' as LossCause })
watchEffect(() => {
  if (fresh.day === '') fresh.day = today.value
})
const issues = ref<FieldIssue[]>([])
const at = (field: string) => issues.value.filter((i) => i.field === field)
const rows = computed(() => read.value.plan.losses.toSorted((a, b) => (a.day < b.day ? 1 : -1)))
/** Who came and is neither alive nor lost: until that is said, a loss is one of them. */
const missing = computed(() => unaccounted(read.value.plan, read.value.count))
const isOfThem = ref(true)
const ofThem = computed(() => missing.value > 0 && isOfThem.value)
const lost = computed(() => rows.value.reduce((n, l) => n + l.animals, 0))
const byCause = computed(() => {
  const sums = new Map<LossCause, number>()
  for (const l of rows.value) sums.set(l.cause, (sums.get(l.cause) ?? 0) + l.animals)
  return [...sums].toSorted((a, b) => b[1] - a[1])
})
function keep() {
  const count = parseWhole(fresh.animals, 'animals', { low: 1, high: 2000 })
  const wrong = !count.ok
    ? count.issues
    : ofThem.value
      ? count.value > missing.value
        ? [issueOf('more-than-missing', 'animals', { asked: count.value, missing: missing.value })]
        : []
      : count.value > alive.value
        ? [issueOf('more-than-alive', 'animals', { asked: count.value, alive: alive.value })]
        : count.value === alive.value
          ? [issueOf('none-left', 'animals', { alive: alive.value })]
          : []
  issues.value = [
    ...wrong.map((i) => fieldIssue('animals', sayIssue(i, words.says.value))),
    ...(fresh.day ? [] : [fieldIssue('day', 'On which day?')]),
    ...(placed && fresh.day && fresh.day < placed
      ? [fieldIssue('day', `That is before they came, on ${placed}. Check the day.`)]
      : []),
  ]
  if (!count.ok || issues.value.length > 0) return
  const uncounted = ofThem.value ? ({ uncounted: true } as const) : {}
  say({ kind: 'loss', day: fresh.day, animals: count.value, cause: fresh.cause, ...uncounted })
  fresh.animals = '1'
}
</script>

<template>
  <div class="pane-head">
    <h2>Lost</h2>
    <span class="muted" data-testid="lost"
      >{{ lost === 0 ? 'none so far' : `${lost} so far`
      }}<template v-if="byCause.length > 0"
        >: {{ byCause.map(([cause, n]) => `${n} ${causeWord(cause)}`).join(', ') }}</template
      ></span
    >
  </div>
  <p v-if="missing > 0" class="missing" data-testid="missing">
    <b>{{ missing }} that came {{ missing === 1 ? 'is' : 'are' }} neither alive nor lost.</b> Say when and why
    they were lost, or correct how many came.
    <label class="row"
      ><Checkbox v-model="isOfThem" binary input-id="loss-of-them" /> What is written down here is of
      {{ missing === 1 ? 'this one' : `these ${missing}` }}</label
    >
  </p>
  <form class="fields" novalidate aria-label="Write a loss down" @submit.prevent="keep">
    <PickField v-if="options.length > 0" id="loss-group" v-model="group" label="Of" :options="options" />
    <TextField
      id="loss-animals"
      v-model="fresh.animals"
      class="short"
      label="How many"
      inputmode="numeric"
      :issues="at('animals')"
    />
    <PickField id="loss-cause" v-model="fresh.cause" class="wide" label="Why" :options="CAUSE_OPTIONS" />
    <div class="field">
      <label for="loss-day">On</label>
      <InputText id="loss-day" v-model="fresh.day" type="date" :invalid="at('day').length > 0" />
      <FieldIssues :issues="at('day')" />
    </div>
    <Button type="submit" outlined label="Lost" />
  </form>
  <table v-if="rows.length > 0" class="plain" data-testid="losses">
    <tbody>
      <tr v-for="l in rows" :key="l.id">
        <td class="right">
          <b>{{ l.animals }}</b>
        </td>
        <td>
          {{ causeWord(l.cause) }}<small v-if="l.uncounted" class="muted"> before they were counted</small>
        </td>
        <td class="nowrap">
          {{ l.day }}<small v-if="placed" class="muted"> day {{ daysBetween(placed, l.day) }}</small>
        </td>
        <td class="right">
          <Button
            v-if="canTakeBack(l.id)"
            text
            size="small"
            label="Withdraw"
            :aria-label="`Withdraw ${l.animals} lost on ${l.day}`"
            @click="takeBack(l.id)"
          />
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.missing {
  margin: 0;
}
</style>
