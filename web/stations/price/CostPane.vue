<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import { v7 as uuid } from 'uuid'
import { computed, reactive, ref } from 'vue'
import { sayIssue } from '#core/measure'
import type { Fee, FeeBasis } from '#core/plan'
import FieldIssues from '../../pieces/FieldIssues.vue'
import FigureInput from '../../pieces/FigureInput.vue'
import type { FieldIssue } from '../../state/api.ts'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'
import { readMoney } from './figures.ts'
import { usePrices } from './prices.ts'

const { read, decide } = useReading()
const words = useWords()
const { typed } = usePrices()
const money = computed(() => readMoney(words.currency.value))
const fresh = reactive({ label: '', amount: '' })
const issues = ref<FieldIssue[]>([])
const FEES = computed(() => [
  { id: 'kill' as const, word: 'Kill, per head', per: 'head' as const },
  { id: 'cut-wrap' as const, word: `Cut and wrap, per ${words.unit.value}`, per: words.unit.value },
  { id: 'pack' as const, word: 'Packing, per pack', per: 'pack' as const },
])
const fee = (id: 'kill' | 'cut-wrap' | 'pack') => read.value.plan.fees[id]
const amountOf = (id: string) => read.value.money.costs.rows.find((r) => r.id === id)?.amount ?? 0
const basis = computed<FeeBasis>(() => fee('cut-wrap')?.basis ?? 'hot')

function setFee(
  id: 'kill' | 'cut-wrap' | 'pack',
  per: Fee['per'],
  amount: number | null,
  on: FeeBasis = basis.value,
) {
  decide({
    field: 'fee',
    target: id,
    side: 'animal',
    value: amount === null ? null : { amount, per, basis: id === 'cut-wrap' ? on : null },
  })
}
function add() {
  const amount = money.value(fresh.amount)
  issues.value = [
    ...(fresh.label.trim()
      ? []
      : [{ field: 'label', detail: 'Say what was paid for: weaner, feed, haulage…', confirmable: false }]),
    ...(amount.ok
      ? []
      : amount.issues.map((i) => ({ field: 'amount', detail: sayIssue(i), confirmable: false }))),
  ]
  if (issues.value.length > 0 || !amount.ok) return
  decide({
    field: 'cost',
    target: uuid(),
    side: 'animal',
    value: { label: fresh.label.trim(), amount: amount.value },
  })
  Object.assign(fresh, { label: '', amount: '' })
}
</script>

<template>
  <section class="stack">
    <div class="pane-head">
      <h2>What it costs</h2>
      <span class="right" style="flex: 1"
        ><b>{{ words.money(read.money.costs.total) }}</b></span
      >
    </div>
    <table class="plain costs">
      <tbody>
        <tr v-for="c in read.plan.costs" :key="c.id">
          <td>{{ c.label }}</td>
          <td class="input">
            <FigureInput
              :shown="typed(c.amount)"
              :read="money"
              :label="`Cost: ${c.label}`"
              @take="
                $event !== null &&
                decide({
                  field: 'cost',
                  target: c.id,
                  side: 'animal',
                  value: { label: c.label, amount: $event },
                })
              "
            />
          </td>
          <td>
            <Button
              text
              size="small"
              icon="pi pi-times"
              severity="secondary"
              :aria-label="`Take ${c.label} off`"
              @click="decide({ field: 'cost', target: c.id, side: 'animal', value: null })"
            />
          </td>
        </tr>
      </tbody>
    </table>
    <form class="row" novalidate @submit.prevent="add">
      <InputText
        id="cost-label"
        v-model="fresh.label"
        size="small"
        placeholder="Feed, weaner, haulage…"
        aria-label="What was paid for"
        style="flex: 1; min-width: 7rem"
      />
      <InputText
        v-model="fresh.amount"
        size="small"
        placeholder="0.00"
        inputmode="decimal"
        aria-label="Amount paid"
        style="width: 5.5rem; text-align: right"
      />
      <Button type="submit" size="small" outlined label="Add cost" />
    </form>
    <FieldIssues :issues="issues" />
    <div class="pane-head">
      <h3>Fee sheet</h3>
      <span class="muted">follows from the plan</span>
    </div>
    <table class="plain costs">
      <tbody>
        <tr v-for="f in FEES" :key="f.id">
          <td>
            {{ f.word
            }}<Select
              v-if="f.id === 'cut-wrap'"
              size="small"
              class="basis"
              :model-value="basis"
              :options="[
                { id: 'hot', word: 'on hot weight' },
                { id: 'hanging', word: 'on weight as cut' },
              ]"
              option-label="word"
              option-value="id"
              aria-label="Weight the cut-and-wrap fee bills on"
              @update:model-value="
                setFee(
                  'cut-wrap',
                  fee('cut-wrap')?.per ?? words.unit.value,
                  fee('cut-wrap')?.amount ?? 0,
                  $event,
                )
              "
            />
          </td>
          <td class="input">
            <FigureInput
              optional
              :shown="fee(f.id) ? typed(fee(f.id)!.amount) : ''"
              :read="money"
              :label="f.word"
              @take="setFee(f.id, f.per, $event)"
            />
          </td>
          <td class="right nowrap">{{ words.money(amountOf(f.id)) }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.costs .input {
  width: 6rem;
}
.basis {
  display: flex;
  margin-top: 0.2rem;
  max-width: 11rem;
}
</style>
