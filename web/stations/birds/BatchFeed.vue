<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, reactive, ref } from 'vue'
import { fedByPhase } from '#core/batch'
import { cameOf, growthOf } from '#core/ledger'
import { parseMass, parseMoney } from '#core/measure'
import { FEED_PHASES, type FeedPhase } from '#core/records'
import PickField from '../../pieces/PickField.vue'
import TextField from '../../pieces/TextField.vue'
import { wrongIn, type FieldIssue } from '../../state/api.ts'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'
import { PHASE_WORDS } from './words.ts'

/** Feed by phase: what was fed and what it cost, among the costs of the lot; and feed for one of gain once all were weighed. */
const { read, note } = useReading()
const words = useWords()
const fresh = reactive({ phase: 'starter' as FeedPhase, mass: '', amount: '', day: '' })
const issues = ref<FieldIssue[]>([])
const at = (field: string) => issues.value.filter((i) => i.field === field)
const rows = computed(() => fedByPhase(read.value.plan.costs))
const phases = FEED_PHASES.map((v) => ({ v, w: PHASE_WORDS[v] }))
const growth = computed(() => {
  const { plan, count } = read.value
  const live = read.value.stages.find((s) => s.id === 'live' && s.weighed)
  const start = plan.start && { ...plan.start, animals: cameOf(plan, count) }
  return live ? growthOf(plan.costs, start, live.kg, count, plan.killed) : null
})
function keep() {
  const mass = parseMass(fresh.mass, words.unit.value, 'mass')
  const money = parseMoney(fresh.amount, words.currency.value, 'amount')
  issues.value = wrongIn(words.says.value, mass, money)
  if (!mass.ok || !money.ok) return
  const word = PHASE_WORDS[fresh.phase]
  note({
    ...{ kind: 'cost', of: 'feed', phase: fresh.phase, label: word.replace(/^./, (c) => c.toUpperCase()) },
    ...{ amount: money.value, quantity: mass.value },
    ...(fresh.day && { day: fresh.day }),
  })
  Object.assign(fresh, { mass: '', amount: '' })
}
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
    <div class="field">
      <label for="feed-day">On</label>
      <InputText id="feed-day" v-model="fresh.day" type="date" />
    </div>
    <Button type="submit" outlined label="Fed" />
  </form>
</template>
