<script setup lang="ts">
import TextField from '../../pieces/TextField.vue'
import Button from 'primevue/button'
import Textarea from 'primevue/textarea'
import { computed, watchEffect } from 'vue'
import { spreadOfAll, type Batch, type BatchGrowth } from '#core/batch'
import { readSample, daysBetween } from '#core/measure'
import { FACTS } from '#core/records'
import FieldIssues from '../../pieces/FieldIssues.vue'
import PickField from '../../pieces/PickField.vue'
import { fieldIssue } from '../../state/api.ts'
import { useReading } from '../../state/lot.ts'
import { useForm } from '../../state/form.ts'
import { useToday } from '../../state/today.ts'
import { useWords } from '../../state/words.ts'

/** Some of them weighed one by one: mean, spread, how even they are, and what that says of all. */
const { growth = null, batch = null } = defineProps<{ growth?: BatchGrowth | null; batch?: Batch | null }>()
const { read, note, withdraw, state } = useReading()
const words = useWords()
const { today } = useToday()
const {
  typed: fresh,
  at,
  keep: kept,
} = useForm(
  'sample',
  FACTS.sample.fields,
  () => ({ shown: '', day: today.value, of: 'live' as 'live' | 'dressed' }),
  { stays: ['day', 'of'] },
)
watchEffect(() => {
  if (fresh.day === '') fresh.day = today.value
})
const OF = [
  { v: 'live' as const, w: 'alive' },
  { v: 'dressed' as const, w: 'dressed' },
]
const keep = kept(({ shown, day }) => {
  const made = FACTS.sample.schema.safeParse({ kind: 'sample', of: fresh.of, day, shown })
  if (!made.success) return made.error.issues.map((i) => fieldIssue(String(i.path[0]), i.message))
  note(made.data)
})
const apart = computed(() => {
  const newest = rows.value[0]
  return growth && batch && newest ? spreadOfAll(growth.heaps(daysBetween(batch.placed, newest.day))) : 0
})
const rows = computed(() =>
  read.value.plan.samples
    .toSorted((a, b) => (a.day < b.day ? 1 : -1))
    .map((s) => ({ ...s, read: readSample(s.shown) })),
)
</script>

<template>
  <div class="pane-head">
    <h2>Weighed one by one</h2>
    <span class="muted">ten or more, caught without choosing</span>
  </div>
  <form class="stack" novalidate aria-label="A sample" @submit.prevent="keep">
    <div class="field">
      <label for="sample-weights">Weights, {{ words.unit.value }}, one after another</label>
      <Textarea
        id="sample-weights"
        v-model="fresh.shown"
        rows="2"
        auto-resize
        autocomplete="off"
        :invalid="at('shown').length > 0"
      />
      <FieldIssues :issues="at('shown')" />
    </div>
    <div class="fields">
      <PickField id="sample-of" v-model="fresh.of" label="Weighed" :options="OF" />
      <TextField id="sample-day" v-model="fresh.day" type="date" label="On" :issues="at('day')" />
      <Button type="submit" outlined label="Keep the sample" />
    </div>
  </form>
  <div v-if="rows.length > 0" class="scroll" tabindex="0" role="group" aria-label="Samples">
    <table class="plain" data-testid="samples">
      <thead>
        <tr>
          <th>On</th>
          <th class="right">Weighed</th>
          <th class="right">Mean</th>
          <th class="right">SD</th>
          <th class="right">Even</th>
          <th class="right">All of them</th>
          <th><span class="visually-hidden">Withdraw</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="s in rows" :key="s.id">
          <td class="nowrap">
            {{ s.day }}<br /><small class="muted"
              >{{ s.of === 'live' ? 'alive' : 'dressed'
              }}<template v-if="batch">, day {{ daysBetween(batch.placed, s.day) }}</template></small
            >
          </td>
          <td class="right">{{ s.read.n }}</td>
          <td class="right nowrap">{{ words.mass(s.read.mean) }}</td>
          <td class="right nowrap">
            {{ words.mass(s.read.sd) }}<br /><small class="muted">{{ words.percent(s.read.cv) }}</small>
          </td>
          <td class="right">{{ words.percent(s.read.uniformity) }}</td>
          <td class="right nowrap">
            <span class="estimate">{{ words.massRange(s.read.flock) }}</span>
          </td>
          <td>
            <Button
              text
              size="small"
              icon="pi pi-times"
              :aria-label="`Withdraw the sample of ${s.day}`"
              @click="withdraw(...state!.facts.filter((f) => f.id === s.id))"
            />
          </td>
        </tr>
      </tbody>
    </table>
  </div>
  <small v-if="rows.length > 0" class="muted"
    >Even: within a tenth of the mean. What all weigh on the average lies within the last figure eight times
    in ten; birds that let themselves be caught and the scale are common to all of them, so more birds make it
    only so narrow<template v-if="growth">. Single birds lie {{ words.percent(apart) }} apart</template
    >.</small
  >
</template>

<style scoped>
textarea {
  width: 100%;
}
</style>
