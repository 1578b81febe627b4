<script setup lang="ts">
import TextField from '../../pieces/TextField.vue'
import Button from 'primevue/button'
import Checkbox from 'primevue/checkbox'
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import { computed } from 'vue'
import { COST_WORDS } from '#core/ledger'
import { issueOf, minor, capital } from '#core/measure'
import { repeated, timesDue } from '#core/plan'
import {
  COST_KINDS,
  COST_TIMES,
  COST_UNITS,
  FACTS,
  typed,
  type CostKind,
  type CostTimes,
  type CostUnit,
} from '#core/records'
import FieldIssues from '../../pieces/FieldIssues.vue'
import { useReading } from '../../state/lot.ts'
import { useForm } from '../../state/form.ts'
import { useWords } from '../../state/words.ts'

/** One thing that was paid for: all of it at once, or so many at so much each. */
const { read, note } = useReading()
const words = useWords()
const { amount: paid, ...asked } = FACTS.cost.fields
const {
  typed: fresh,
  at,
  read: filled,
  keep,
} = useForm(
  'cost',
  // Where there is so many at so much each, the amount follows.
  { ...asked, amount: typed.maybe(paid) },
  () => ({
    ...{ of: 'feed' as CostKind, label: '', day: '', many: '', unit: words.unit.value as CostUnit },
    ...{ each: '', amount: '', unpaid: false, receipt: null as string | null },
    ...{ every: 'once' as CostTimes | 'once', until: '' },
  }),
  { stays: ['of', 'day', 'unit', 'unpaid'], hides: ({ every }) => (every === 'once' ? ['until'] : []) },
)
const kinds = COST_KINDS.map((id) => ({ id, word: COST_WORDS[id] }))
const units = computed(() => COST_UNITS.map((id) => ({ id, word: id })))

const EVERY = [{ id: 'once', word: 'once' }, ...COST_TIMES.map((id) => ({ id, word: `every ${id}` }))]
type Read = Extract<typeof filled.value, { ok: true }>['value']
/** So many at so much each, where both were typed: the amount follows. */
const product = ({ many, each }: Read) =>
  many !== null && each !== null ? minor(Math.round(many * each)) : null
const now = computed(() => (filled.value.ok ? filled.value.value : null))
const follows = computed(() => now.value && product(now.value))
/** What it comes to by its last day, where it comes again. */
const allTimes = computed(() => {
  const { every } = fresh
  const each = follows.value ?? now.value?.amount ?? null
  if (every === 'once' || !now.value?.day || !now.value.until || each === null) return null
  const { day, until } = now.value
  return { times: timesDue(every, day, until), amount: repeated({ each, every, until }, day) }
})
const ask = (field: string, says: string) => issueOf('not-said', field, { ask: says })
const add = keep((read) => {
  const { many, each, day, until } = read
  const again = fresh.every === 'once' ? null : fresh.every
  const once = product(read) ?? read.amount
  const wrong = [
    ...(each !== null && many === null
      ? [ask('many', 'How many at that price? Type how much there was.')]
      : once === null
        ? [ask('amount', 'What was paid? Type it, or how much there was and what one cost.')]
        : []),
    ...(again && !day ? [ask('day', 'From which day is it paid? Choose the first.')] : []),
    ...(again && !until ? [ask('until', 'Until which day is it paid? Choose the last.')] : []),
    ...(day && until && until < day ? [issueOf('repeats-ended', 'until', { day, until })] : []),
  ]
  if (wrong.length > 0 || once === null) return wrong
  note({
    ...{ kind: 'cost', of: fresh.of },
    label: read.label ?? capital(COST_WORDS[fresh.of]),
    amount: allTimes.value?.amount ?? once,
    ...(again && until && { repeats: { each: once, every: again, until } }),
    ...(day && { day }),
    ...(many !== null && { quantity: { value: many, unit: fresh.unit } }),
    ...(fresh.unpaid && { unpaid: true }),
    ...(fresh.receipt && { receipt: fresh.receipt }),
  })
})
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
    <TextField
      id="cost-what"
      v-model="fresh.label"
      class="wide"
      size="small"
      label="What"
      :issues="at('label')"
    />
    <TextField id="cost-day" v-model="fresh.day" type="date" size="small" label="Day" :issues="at('day')" />
    <TextField
      id="cost-many"
      v-model="fresh.many"
      class="short"
      size="small"
      label="How much"
      inputmode="decimal"
      :issues="at('many')"
    />
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
    <TextField
      id="cost-each"
      v-model="fresh.each"
      class="short"
      size="small"
      label="at, each"
      inputmode="decimal"
      :issues="at('each')"
    />
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
