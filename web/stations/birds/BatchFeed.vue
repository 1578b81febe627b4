<script setup lang="ts">
import { capital } from '#core/measure'
import Button from 'primevue/button'
import { computed } from 'vue'
import { fedByPhase } from '#core/batch'
import { cameOf, growthOf } from '#core/ledger'
import { FACTS, FEED_PHASES, typed, type FeedPhase } from '#core/records'
import PickField from '../../pieces/PickField.vue'
import TextField from '../../pieces/TextField.vue'
import { useReading } from '../../state/lot.ts'
import { useForm } from '../../state/form.ts'
import { useWords } from '../../state/words.ts'
import { PHASE_WORDS } from './words.ts'

/** Feed by phase: what was fed and what it cost, among the costs of the lot; and feed for one of gain once all were weighed. */
const { read, note } = useReading()
const words = useWords()
const { amount, day } = FACTS.cost.fields
const {
  typed: fresh,
  at,
  keep: kept,
} = useForm(
  'feed',
  { mass: typed.mass, amount, day },
  () => ({ phase: 'starter' as FeedPhase, mass: '', amount: '', day: '' }),
  { stays: ['phase', 'day'] },
)
const rows = computed(() => fedByPhase(read.value.plan.costs))
const phases = FEED_PHASES.map((v) => ({ v, w: PHASE_WORDS[v] }))
const growth = computed(() => {
  const { plan, count } = read.value
  const live = read.value.stages.find((s) => s.id === 'live' && s.weighed)
  const start = plan.start && { ...plan.start, animals: cameOf(plan, count) }
  return live ? growthOf(plan.costs, start, live.kg, count, plan.killed) : null
})
const keep = kept(({ mass, amount: cost, day: on }) => {
  note({
    ...{ kind: 'cost', of: 'feed', phase: fresh.phase, label: capital(PHASE_WORDS[fresh.phase]) },
    ...{ amount: cost, quantity: mass },
    ...(on && { day: on }),
  })
})
</script>

<template>
  <div class="pane-head">
    <h2>Feed</h2>
    <span class="muted">stands among the <RouterLink :to="{ name: 'costs' }">costs</RouterLink></span>
  </div>
  <table v-if="rows.length > 0" class="plain" data-testid="fed">
    <tbody>
      <tr v-for="f in rows" :key="f.phase ?? ''">
        <th scope="row">{{ f.phase ? PHASE_WORDS[f.phase] : 'of no phase' }}</th>
        <td class="right">{{ f.kg > 0 ? words.mass(f.kg) : 'not weighed' }}</td>
        <td class="right">{{ words.money(f.amount) }}</td>
      </tr>
    </tbody>
    <tfoot v-if="growth?.conversion">
      <tr>
        <td>Feed for one of gain</td>
        <td class="right">{{ growth.conversion.toFixed(2) }}</td>
        <td />
      </tr>
    </tfoot>
  </table>
  <form class="fields" novalidate aria-label="Feed" @submit.prevent="keep">
    <PickField id="feed-phase" v-model="fresh.phase" label="Phase" :options="phases" />
    <TextField
      id="feed-mass"
      v-model="fresh.mass"
      class="short"
      :label="`Fed, ${words.unit.value}`"
      :issues="at('mass')"
    />
    <TextField
      id="feed-amount"
      v-model="fresh.amount"
      class="short"
      label="Cost"
      inputmode="decimal"
      :issues="at('amount')"
    />
    <TextField id="feed-day" v-model="fresh.day" type="date" label="On" :issues="at('day')" />
    <Button type="submit" outlined label="Fed" />
  </form>
</template>
