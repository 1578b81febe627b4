<script setup lang="ts">
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import { computed, ref } from 'vue'
import { sayIssue } from '#contracts/said'
import { dealOf } from '#core/reading'
import { DEAL_BASES, type DealBasis } from '#core/records'
import MassRange from '../../pieces/MassRange.vue'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'
import { BASIS_SAYS } from './feeWords.ts'
import { readMoney } from './figures.ts'

/** One price on every weight it may mean: what it comes to, what it differs by, and what the buyer pays for what is taken home. */
const { read } = useReading()
const words = useWords()
const price = ref('')
const meant = ref<DealBasis>('hot')
const bases = DEAL_BASES.map((id) => ({ id, word: BASIS_SAYS[id] }))
const typed = computed(() =>
  price.value.trim() === '' ? null : readMoney(words.currency.value)(price.value),
)
const rows = computed(() => (typed.value?.ok ? dealOf(read.value, typed.value.value, meant.value) : []))
const each = (amount: number) => `${words.money(Math.round(amount))}/${words.unit.value}`
</script>

<template>
  <div class="stack">
    <div class="fields">
      <div class="field">
        <label for="deal-price">Price, a {{ words.unit.value }}</label>
        <InputText id="deal-price" v-model="price" size="small" inputmode="decimal" autocomplete="off" />
        <small v-if="typed && !typed.ok" class="field-issue" role="alert">{{
          sayIssue(typed.issues[0]!, words.says.value)
        }}</small>
      </div>
      <div class="field">
        <label id="deal-on-label" for="deal-on">meant on</label>
        <Select
          v-model="meant"
          input-id="deal-on"
          aria-labelledby="deal-on-label"
          size="small"
          :options="bases"
          option-label="word"
          option-value="id"
        />
      </div>
    </div>
    <table v-if="rows.length > 0" class="plain" data-testid="deal">
      <thead>
        <tr>
          <th>If it is on</th>
          <th class="right">it comes to</th>
          <th class="right">same deal at</th>
          <th class="right">taken home</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in rows" :key="r.basis" :class="{ now: r.basis === meant }">
          <td>
            {{ BASIS_SAYS[r.basis] }}<br /><small><MassRange :kg="r.kg" :range="r.range" inline /></small>
          </td>
          <td class="right nowrap">
            <span :class="{ estimate: r.range }">{{ words.money(r.amount) }}</span><br /><small
              v-if="r.amounts"
              class="muted"
              >{{ words.money(r.amounts.low) }}–{{ words.money(r.amounts.high) }}<br /></small
            ><small v-if="r.basis !== meant" class="muted">{{ words.moneyChange(r.difference) }}</small>
          </td>
          <td class="right nowrap">{{ each(r.same) }}</td>
          <td class="right nowrap">{{ r.takeHome === null ? '' : each(r.takeHome) }}</td>
        </tr>
      </tbody>
    </table>
    <p v-else-if="!read.weights" class="muted">There is no weight yet.</p>
  </div>
</template>

<style scoped>
.now {
  font-weight: 700;
}
</style>
