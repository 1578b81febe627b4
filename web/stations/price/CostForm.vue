<script setup lang="ts">
import Button from 'primevue/button'
import Checkbox from 'primevue/checkbox'
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import { computed, reactive, ref } from 'vue'
import { COST_WORDS } from '#core/ledger'
import { minor, sayIssue } from '#core/measure'
import { repeated, timesDue } from '#core/plan'
import {
  COST_KINDS,
  COST_TIMES,
  COST_UNITS,
  type CostKind,
  type CostTimes,
  type CostUnit,
} from '#core/records'
import FieldIssues from '../../pieces/FieldIssues.vue'
import { fieldIssue, type FieldIssue } from '../../state/api.ts'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'
import { readMoney, readNumber } from './figures.ts'

/** One thing that was paid for: all of it at once, or so many at so much each. */
const { read, note } = useReading()
const words = useWords()
const fresh = reactive({
  ...{ of: 'feed' as CostKind, label: '', day: '', many: '', unit: 'lb' as CostUnit },
  ...{ each: '', amount: '', unpaid: false, receipt: null as string | null },
  ...{ every: 'once' as CostTimes | 'once', until: '' },
})
const issues = ref<FieldIssue[]>([])
const at = (field: string) => issues.value.filter((i) => i.field === field)
const kinds = COST_KINDS.map((id) => ({ id, word: COST_WORDS[id] }))
const units = computed(() => COST_UNITS.map((id) => ({ id, word: id })))
fresh.unit = words.unit.value

const EVERY = [{ id: 'once', word: 'once' }, ...COST_TIMES.map((id) => ({ id, word: `every ${id}` }))]
/** So many at so much each, where both were typed: the amount follows. */
const follows = computed(() => {
  const [many, each] = [readNumber(0.001, 1e6)(fresh.many), readMoney(words.currency.value)(fresh.each)]
  return fresh.many && fresh.each && many.ok && each.ok ? Math.round(many.value * each.value) : null
})
/** What it comes to by its last day, where it comes again. */
const allTimes = computed(() => {
  const { every, day, until } = fresh
  const each = follows.value ?? (fresh.amount ? readMoney(words.currency.value)(fresh.amount) : null)
  const amount = typeof each === 'number' ? each : each?.ok ? each.value : null
  if (every === 'once' || !day || !until || amount === null) return null
  return { times: timesDue(every, day, until), amount: repeated({ each: minor(amount), every, until }, day) }
})
function add() {
  issues.value = []
  const wrong = (field: string, says: string) => void issues.value.push(fieldIssue(field, says))
  const label = fresh.label.trim() || COST_WORDS[fresh.of].replace(/^./, (c) => c.toUpperCase())
  const many = fresh.many.trim() === '' ? null : readNumber(0.001, 1e6)(fresh.many)
  if (many && !many.ok)
    wrong('many', `“${fresh.many}” is no number above nothing. Type how much there was, such as 350.`)
  const each = fresh.each.trim() === '' ? null : readMoney(words.currency.value)(fresh.each)
  if (each && !each.ok) wrong('each', sayIssue(each.issues[0]!, words.says.value))
  if (each && !many) wrong('many', 'How many at that price? Type how much there was.')
  const amount = follows.value === null ? readMoney(words.currency.value)(fresh.amount) : null
  if (amount && !amount.ok && issues.value.length === 0)
    wrong(
      'amount',
      `${sayIssue(amount.issues[0]!, words.says.value)} Or type how much there was and what one cost.`,
    )
  const again = fresh.every === 'once' ? null : fresh.every
  if (again && !fresh.day) wrong('day', 'From which day is it paid? Choose the first.')
  if (again && !fresh.until) wrong('until', 'Until which day is it paid? Choose the last.')
  if (again && fresh.day && fresh.until && fresh.until < fresh.day)
    wrong('until', `It ends before it begins on ${fresh.day}. Check both days.`)
  if (issues.value.length > 0) return
  const once = follows.value ?? (amount?.ok ? amount.value : 0)
  note({
    ...{ kind: 'cost', of: fresh.of, label },
    amount: allTimes.value?.amount ?? once,
    ...(again && { repeats: { each: minor(once), every: again, until: fresh.until } }),
    ...(fresh.day && { day: fresh.day }),
    ...(many?.ok && { quantity: { value: many.value, unit: fresh.unit } }),
    ...(fresh.unpaid && { unpaid: true }),
    ...(fresh.receipt && { receipt: fresh.receipt }),
  })
  Object.assign(fresh, { label: '', many: '', each: '', amount: '', receipt: null, every: 'once', until: '' })
  document.getElementById('cost-what')?.focus()
}
</script>

<template>
  <form class="fields" novalidate aria-label="Write a cost down" @submit.prevent="add">
    <div class="field">
      <label id="cost-kind-label" for="cost-kind">Kind</label>
      <Select
        v-model="fresh.of"
        input-id="cost-kind"
        aria-labelledby="cost-kind-label"
        size="small"
        :options="kinds"
        option-label="word"
        option-value="id"
      />
    </div>
    <div class="field wide">
      <label for="cost-what">What</label>
      <InputText id="cost-what" v-model="fresh.label" size="small" maxlength="80" autocomplete="off" />
    </div>
    <div class="field">
      <label for="cost-day">Day</label>
      <InputText id="cost-day" v-model="fresh.day" type="date" size="small" />
      <FieldIssues :issues="at('day')" />
    </div>
    <div class="field short">
      <label for="cost-many">How much</label>
      <InputText id="cost-many" v-model="fresh.many" size="small" inputmode="decimal" autocomplete="off" />
      <FieldIssues :issues="at('many')" />
    </div>
    <div class="field short">
      <label id="cost-unit-label" for="cost-unit">in</label>
      <Select
        v-model="fresh.unit"
        input-id="cost-unit"
        aria-labelledby="cost-unit-label"
        size="small"
        :options="units"
        option-label="word"
        option-value="id"
      />
    </div>
    <div class="field short">
      <label for="cost-each">at, each</label>
      <InputText id="cost-each" v-model="fresh.each" size="small" inputmode="decimal" autocomplete="off" />
      <FieldIssues :issues="at('each')" />
    </div>
    <div class="field short">
      <label for="cost-all">Amount</label>
      <output v-if="follows !== null" class="follows">{{ words.money(follows) }}</output>
      <InputText
        v-else
        id="cost-all"
        v-model="fresh.amount"
        size="small"
        inputmode="decimal"
        autocomplete="off"
      />
      <FieldIssues :issues="at('amount')" />
    </div>
    <div class="field">
      <label id="cost-every-label" for="cost-every">Paid</label>
      <Select
        v-model="fresh.every"
        input-id="cost-every"
        aria-labelledby="cost-every-label"
        size="small"
        :options="EVERY"
        option-label="word"
        option-value="id"
      />
    </div>
    <div v-if="fresh.every !== 'once'" class="field">
      <label for="cost-until">until</label>
      <InputText id="cost-until" v-model="fresh.until" type="date" size="small" />
      <FieldIssues :issues="at('until')" />
    </div>
    <p v-if="allTimes && allTimes.times > 0" class="times" data-testid="times">
      {{ allTimes.times }} times: <b>{{ words.money(allTimes.amount) }}</b>
    </p>
    <div class="last">
      <label class="tick"><Checkbox v-model="fresh.unpaid" binary /> the family’s own work, not paid</label>
      <Select
        v-if="read.plan.attachments.length > 0"
        v-model="fresh.receipt"
        size="small"
        :options="read.plan.attachments"
        option-label="name"
        option-value="hash"
        show-clear
        placeholder="its slip"
        aria-label="The slip it stands on"
      />
      <Button type="submit" size="small" outlined label="Write it down" />
    </div>
  </form>
</template>

<style scoped>
.times {
  align-self: end;
  min-height: 32px;
}
.follows {
  font-weight: 600;
  min-height: 32px;
  display: flex;
  align-items: center;
}
</style>
