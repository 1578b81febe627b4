<script setup lang="ts">
import { roundToSum } from '#core/measure'
import { sayIssue } from '#contracts/said'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import { computed, reactive, ref } from 'vue'
import { FEE_KINDS, type FeeKind } from '#core/ledger'
import { FEE_BASES, type FeeBasis, type FeeId, type Skill } from '#core/records'
import FieldIssues from '../../pieces/FieldIssues.vue'
import FigureInput from '../../pieces/FigureInput.vue'
import type { FieldIssue } from '../../state/api.ts'
import { useReading } from '../../state/lot.ts'
import { aboutOf } from '../../state/species.ts'
import { useWords } from '../../state/words.ts'
import { BASIS_SAYS } from './feeWords.ts'
import { readMoney } from './figures.ts'
import { usePrices } from './prices.ts'

const { read, decide, note, correct, withdraw, factOf, farmFigures } = useReading()
const words = useWords()
const { typed } = usePrices()
const money = computed(() => readMoney(words.currency.value))
const fresh = reactive({ label: '', amount: '' })
const issues = ref<FieldIssue[]>([])
const fee = (id: FeeId) => read.value.plan.fees[id]
const amountOf = (id: string) => read.value.money.costs.rows.find((r) => r.id === id)?.amount ?? 0
const basisOf = (id: FeeId): FeeBasis => fee(id)?.basis ?? 'hot'
const HANDS: { v: Skill; w: string }[] = [
  { v: 'skilled', w: 'cut every day' },
  { v: 'practised', w: 'cut a few times a year' },
  { v: 'beginner', w: 'cut for the first time' },
]
const bases = FEE_BASES.map((id) => ({ id, word: `on ${BASIS_SAYS[id]}` }))
/** What else follows from the plan: fees of ways and classes, what goes on cuts, help paid in meat. */
const others = computed(() =>
  read.value.money.costs.rows.filter(
    (r) => r.fromPlan && r.id !== 'labour' && !FEE_KINDS.some((f) => f.id === r.id),
  ),
)
const labour = computed(() => read.value.money.costs.rows.find((r) => r.id === 'labour'))

function setFee({ id, per, onWeight }: FeeKind, amount: number | null, on: FeeBasis = basisOf(id)) {
  if (amount === null) return withdraw(...factOf((f) => f.kind === 'fee' && f.fee === id))
  const unit = fee(id)?.per ?? per(words.unit.value)
  note({ kind: 'fee', fee: id, amount, per: unit, basis: onWeight ? on : null })
}
const rowOf = (id: string) => factOf((f) => f.kind === 'cost').filter((f) => f.id === id)
function setCost(id: string, amount: number) {
  const [row] = rowOf(id)
  if (row?.fact.kind === 'cost') correct(row, { ...row.fact, amount })
}
function add() {
  const amount = money.value(fresh.amount)
  issues.value = [
    ...(fresh.label.trim()
      ? []
      : [
          {
            field: 'label',
            detail: `Say what was paid for: ${(ideas.value[0] ?? 'the animal').toLowerCase()}, feed, haulage…`,
            confirmable: false,
          },
        ]),
    ...(amount.ok
      ? []
      : amount.issues.map((i) => ({
          field: 'amount',
          detail: sayIssue(i, words.says.value),
          confirmable: false,
        }))),
  ]
  if (issues.value.length > 0 || !amount.ok) return
  note({ kind: 'cost', label: fresh.label.trim(), amount: amount.value })
  Object.assign(fresh, { label: '', amount: '' })
}
const leaves = computed(() => {
  const share = read.value.plan.choices.leaves ?? 0
  return share > 0 ? `; leaves ${words.percent(share)} of boned lean on the bones` : ''
})
/** What is usually paid for, in the farm's words: a press writes it. */
const ideas = computed(() => {
  const about = aboutOf(read.value.flow.anatomy.species)
  const all = [...(about ? [words.name(about.young)] : []), 'Feed', 'Haulage', 'Own labour']
  return all.filter((w) => !read.value.plan.costs.some((c) => c.label === w))
})
/** A press writes the word, and the figure is typed next. */
function take(label: string) {
  fresh.label = label
  document.getElementById('cost-amount')?.focus()
}
/** What the minutes are spent on; what takes none is not named. */
const bench = computed(() => {
  const { hand, grind, finish, wrap, setUp } = read.value.bench
  const spent = ['cutting', 'grinding', 'finishing', 'wrapping', 'setting up and washing down']
  const figures = roundToSum([hand, grind, finish, wrap, setUp], 0, Math.round(read.value.minutes))
  return spent.flatMap((on, i) => (figures[i]! > 0 ? [`${on} ${figures[i]}`] : [])).join(', ')
})
</script>

<template>
  <section class="stack">
    <div class="pane-head">
      <h2>What it costs</h2>
      <RouterLink :to="{ name: 'costs' }">All of it</RouterLink>
      <span class="right" style="flex: 1"><b>{{ words.money(read.money.costs.total) }}</b></span>
    </div>
    <table class="plain costs">
      <tbody>
        <tr v-for="c in read.plan.costs" :key="c.id" :class="{ out: c.unpaid && !read.plan.countsUnpaid }">
          <td>
            {{ c.label }}<small v-if="c.unpaid && !read.plan.countsUnpaid" class="muted"> not counted</small>
          </td>
          <td class="input">
            <FigureInput
              :shown="typed(c.amount)"
              :read="money"
              :label="`Cost: ${c.label}`"
              @take="$event !== null && setCost(c.id, $event)"
            />
          </td>
          <td>
            <Button
              text
              size="small"
              icon="pi pi-times"
              severity="secondary"
              :aria-label="`Take ${c.label} off`"
              @click="withdraw(...rowOf(c.id))"
            />
          </td>
        </tr>
      </tbody>
    </table>
    <form class="add" novalidate @submit.prevent="add">
      <div class="field">
        <label for="cost-label">What was paid for</label>
        <InputText id="cost-label" v-model="fresh.label" size="small" autocomplete="off" />
      </div>
      <div class="field">
        <label for="cost-amount">Amount paid</label>
        <InputText
          id="cost-amount"
          v-model="fresh.amount"
          size="small"
          inputmode="decimal"
          autocomplete="off"
        />
      </div>
      <Button type="submit" size="small" outlined label="Add cost" />
      <div v-if="ideas.length > 0" class="row ideas">
        <button v-for="w in ideas" :key="w" type="button" @click="take(w)">{{ w }}</button>
      </div>
    </form>
    <FieldIssues :issues="issues" />
    <div class="pane-head">
      <h3>Fee sheet</h3>
      <RouterLink :to="{ name: 'fees' }">All fees</RouterLink>
      <span class="muted">follows from the plan</span>
    </div>
    <table class="plain costs">
      <tbody>
        <tr v-for="f in FEE_KINDS" :key="f.id">
          <td>
            {{ f.asks(words.unit.value)
            }}<Select
              v-if="f.onWeight"
              size="small"
              class="basis"
              :model-value="basisOf(f.id)"
              :options="bases"
              option-label="word"
              option-value="id"
              aria-label="Weight the cut-and-wrap fee bills on"
              @update:model-value="setFee(f, fee(f.id)?.amount ?? 0, $event)"
            />
          </td>
          <td class="input">
            <FigureInput
              optional
              :shown="fee(f.id) ? typed(fee(f.id)!.amount) : ''"
              :read="money"
              :label="f.asks(words.unit.value)"
              @take="setFee(f, $event)"
            />
          </td>
          <td class="right nowrap">{{ words.money(amountOf(f.id)) }}</td>
        </tr>
        <tr v-for="r in others" :key="r.id">
          <td colspan="2">{{ r.label }}</td>
          <td class="right nowrap">{{ words.money(r.amount) }}</td>
        </tr>
        <tr>
          <td colspan="2">
            {{ labour?.label ?? 'Cutting' }}
            <small class="muted"
              >{{ Math.round(read.minutes) }} min{{
                labour ? ` at ${words.money(farmFigures.hour)} an hour` : ''
              }}: {{ bench }}{{ leaves }}</small
            >
            <Select
              :model-value="read.plan.hands"
              :options="HANDS"
              option-label="w"
              option-value="v"
              size="small"
              aria-label="Whose hands cut"
              data-testid="hands"
              @update:model-value="decide({ field: 'hands', target: 'lot', side: 'animal', value: $event })"
            />
          </td>
          <td class="right nowrap">{{ labour ? words.money(labour.amount) : 'not paid' }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.add {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 6rem auto;
  gap: 0.5rem;
  align-items: end;
}
.add :deep(input) {
  width: 100%;
}
#cost-amount {
  text-align: right;
}
.ideas {
  grid-column: 1 / -1;
}
.ideas button {
  font: 600 0.9rem var(--body);
  color: var(--accent);
  background: var(--sheet);
  border: 1px solid var(--rule-strong);
  min-height: 32px;
  padding: 0.1rem 0.6rem;
  cursor: pointer;
}
.costs .input {
  width: 6rem;
}
.basis {
  display: flex;
  margin-top: 0.2rem;
  max-width: 11rem;
}
</style>
