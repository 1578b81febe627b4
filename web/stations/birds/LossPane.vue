<script setup lang="ts">
import Button from 'primevue/button'
import Checkbox from 'primevue/checkbox'
import { computed, ref, watchEffect } from 'vue'
import { unaccounted } from '#core/ledger'
import { issueOf, type Issue, daysBetween } from '#core/measure'

import { FACTS, type LossCause } from '#core/records'
import PickField from '../../pieces/PickField.vue'
import TextField from '../../pieces/TextField.vue'
import { useReading } from '../../state/lot.ts'
import { useForm } from '../../state/form.ts'
import { useToday } from '../../state/today.ts'
import { useOfGroup } from './ofGroup.ts'
import { CAUSE_OPTIONS, causeWord } from './words.ts'

/** Animals that are gone, by day and cause; they are no longer counted anywhere. */
const { placed = null } = defineProps<{ placed?: string | null }>()
const { read } = useReading()
const { options, group, alive, say, canTakeBack, takeBack } = useOfGroup()
const { today } = useToday()
const {
  typed: fresh,
  at,
  keep: kept,
} = useForm(
  'loss',
  FACTS.loss.fields,
  () => ({ animals: '1', day: today.value, cause: 'found-dead' as LossCause }),
  { stays: ['day', 'cause'] },
)
watchEffect(() => {
  if (fresh.day === '') fresh.day = today.value
})
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
/** How many may be lost: of those nobody accounts for, or of the living, of whom one stays. */
function oddIn(asked: number): Issue | null {
  if (ofThem.value)
    return asked > missing.value
      ? issueOf('more-than-missing', 'animals', { asked, missing: missing.value })
      : null
  if (asked > alive.value) return issueOf('more-than-alive', 'animals', { asked, alive: alive.value })
  return asked === alive.value ? issueOf('none-left', 'animals', { alive: alive.value }) : null
}
const keep = kept(({ animals, day }) => {
  const odd = oddIn(animals)
  const early = placed && day < placed ? issueOf('before-they-came', 'day', { came: placed }) : null
  const wrong = [odd, early].filter((i) => i !== null)
  if (wrong.length > 0) return wrong
  const uncounted = ofThem.value ? ({ uncounted: true } as const) : {}
  say({ kind: 'loss', day, animals, cause: fresh.cause, ...uncounted })
})
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
    <TextField id="loss-day" v-model="fresh.day" type="date" label="On" :issues="at('day')" />
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
