<script setup lang="ts">
import Button from 'primevue/button'
import Checkbox from 'primevue/checkbox'
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import { computed, reactive, ref, useId } from 'vue'
import { COST_WORDS, shareCost } from '#core/ledger'
import { minor, daysBetween } from '#core/measure'
import { sayIssue } from '#contracts/said'
import { COST_KINDS, type CostKind, type CostShare, type Overhead, type StoredSheet } from '#core/records'
import FieldIssues from '../../pieces/FieldIssues.vue'
import FigureInput from '../../pieces/FigureInput.vue'
import { fieldIssue } from '../../state/api.ts'
import { useIssues } from '../../state/issues.ts'
import { useFarm } from '../../state/farm.ts'
import { useReading } from '../../state/lot.ts'
import { useLots } from '../../state/lots.ts'
import { useWords } from '../../state/words.ts'
import { useOverheads } from '../../state/sheets.ts'
import { readMoney, readNumber } from './figures.ts'
import FarmCosts from './FarmCosts.vue'
import { usePrices } from './prices.ts'

/**
 * One cost of several lots: how it is shared stands beside each share, and each lot bears its own. With `carry`, what this
 * lot cost is borne by others, and taken off here.
 */
const { carry } = defineProps<{ carry?: number }>()
const { lot } = useReading()
const farm = useFarm()
const lots = useLots()
const words = useWords()
const BY: { id: CostShare; word: string }[] = [
  { id: 'head', word: 'by head' },
  { id: 'head-days', word: 'by head and days' },
  { id: 'weight', word: 'by weight' },
  { id: 'even', word: 'alike' },
]
const kinds = COST_KINDS.map((id) => ({ id, word: COST_WORDS[id] }))
const fresh = reactive({
  ...{ label: carry ? `${lot.value!.tag}, lost` : '', amount: '', from: '', until: '' },
  ...{ of: (carry ? 'other' : 'feed') as CostKind, by: 'head' as CostShare },
})
const chosen = ref<string[]>(carry ? [] : [lot.value!.id])
const { typed } = usePrices()
const ids = useId()
/** One of the farm’s own costs that is being shared. */
const sharing = ref<StoredSheet<Overhead> | null>(null)
const overheads = carry ? null : useOverheads()
const days = reactive<Record<string, number>>({})
const { issues, at } = useIssues()
const done = ref(0)
/** Days a lot has been on the rail, until a person says otherwise. */
const since = (createdAt: string) => Math.max(1, daysBetween(createdAt, new Date().toISOString()))
const bearers = computed(() =>
  [...farm.cards.values()]
    .filter((c) => !c.withdrawn && !(carry && (c.id === lot.value!.id || c.progress.uncovered === 'lost')))
    .map((c) => ({
      ...{ id: c.id, tag: c.tag, count: c.count },
      days: days[c.id] ?? since(c.createdAt),
      kg: c.progress.key?.kg ?? 0,
    })),
)
const bearing = computed(() => bearers.value.filter((b) => chosen.value.includes(b.id)))
const total = computed(() => {
  if (carry) return minor(carry)
  const read = readMoney(words.currency.value)(fresh.amount)
  return read.ok ? minor(read.value) : null
})
const shares = computed(() => {
  const found = total.value === null ? null : shareCost(total.value, fresh.by, bearing.value)
  return new Map(bearing.value.map((b, i) => [b.id, found?.[i] ?? null]))
})
const amountRead = () =>
  carry ? { ok: true as const, value: carry } : readMoney(words.currency.value)(fresh.amount)
/** Takes one of the farm’s own costs up: as much of it as no lot bears yet. */
function share(sheet: StoredSheet<Overhead>, left: number) {
  sharing.value = sheet
  Object.assign(fresh, { label: sheet.body.name, of: sheet.body.of, by: sheet.body.by, amount: typed(left) })
  document.getElementById(`${ids}-amount`)?.focus()
}
async function keepForFarm() {
  const read = amountRead()
  issues.value = [
    ...(fresh.label.trim() ? [] : [fieldIssue('label', 'Say what is paid for: the field, the tractor.')]),
    ...(read.ok ? [] : read.issues.map((i) => fieldIssue('amount', sayIssue(i, words.says.value)))),
    ...(fresh.from && fresh.until
      ? []
      : [fieldIssue('until', 'From when until when is it for? Choose both days.')]),
    ...(fresh.from && fresh.until && fresh.until < fresh.from
      ? [fieldIssue('until', `It ends before it begins on ${fresh.from}. Check both days.`)]
      : []),
  ]
  if (issues.value.length > 0 || !read.ok) return
  const { of, by, from, until } = fresh
  issues.value = await overheads!.keep({
    ...{ format: 'ekko-overhead', version: 1, name: fresh.label.trim(), amount: minor(read.value) },
    ...{ of, by, from, until },
  })
  if (issues.value.length === 0) Object.assign(fresh, { label: '', amount: '', from: '', until: '' })
}
async function write() {
  const read = amountRead()
  issues.value = [
    ...(fresh.label.trim()
      ? []
      : [fieldIssue('label', 'Say what was paid for: rent of the field, a load of hay.')]),
    ...(read.ok ? [] : read.issues.map((i) => fieldIssue('amount', sayIssue(i, words.says.value)))),
    ...(bearing.value.length > (carry || sharing.value ? 0 : 1)
      ? []
      : [
          fieldIssue(
            'lots',
            carry || sharing.value
              ? 'Choose who bears it: one lot at least.'
              : 'Choose two lots at least: a cost of one is written above.',
          ),
        ]),
    ...(read.ok && [...shares.value.values()].some((s) => s === null)
      ? [
          fieldIssue(
            'lots',
            'There is nothing to share it by: no chosen lot has a weight. Share it another way.',
          ),
        ]
      : []),
  ]
  if (issues.value.length > 0 || !read.ok) return
  const of = { kind: 'cost' as const, label: fresh.label.trim(), of: fresh.of }
  const written = bearing.value.filter((b) => shares.value.get(b.id)! > 0)
  for (const b of written) await lots.open(b.id)
  const shared = {
    ...{ total: read.value, by: fresh.by },
    ...(sharing.value && { of: sharing.value.id }),
  }
  const borne = { ...of, label: 'Borne by other lots', amount: read.value, carried: true }
  const wrong = await farm.keepAll([
    ...written.flatMap((b) => lots.noted(b.id, [{ ...of, amount: shares.value.get(b.id)!, shared }])),
    ...(carry ? lots.noted(lot.value!.id, [borne]) : []),
  ])
  if (wrong.length > 0) return void (issues.value = wrong.map((w) => ({ ...w, field: 'lots' })))
  done.value = written.length
  if (sharing.value) overheads!.bear(sharing.value.id, read.value, written.length)
  sharing.value = null
  Object.assign(fresh, { label: '', amount: '' })
}
</script>

<template>
  <form
    class="stack"
    novalidate
    :aria-label="carry ? 'Let other lots bear it' : 'Share a cost'"
    @submit.prevent="write"
  >
    <p v-if="carry">
      {{ words.money(carry) }} were spent on {{ lot!.tag }}. Each lot that is chosen bears its share of it;
      here it is taken off, so that nothing is counted twice.
    </p>
    <FarmCosts v-if="overheads" :overheads="overheads" :sharing="sharing?.id ?? null" @share="share" />
    <div v-if="!carry" class="fields">
      <div class="field wide">
        <label for="share-label">What was paid for</label>
        <InputText id="share-label" v-model="fresh.label" size="small" maxlength="80" autocomplete="off" />
        <FieldIssues :issues="at('label')" />
      </div>
      <div class="field">
        <label :for="`${ids}-amount`">All of it</label>
        <InputText
          :id="`${ids}-amount`"
          v-model="fresh.amount"
          size="small"
          inputmode="decimal"
          autocomplete="off"
        />
        <FieldIssues :issues="at('amount')" />
      </div>
      <div class="field">
        <label id="share-of-label" for="share-of">Kind of cost</label>
        <Select
          v-model="fresh.of"
          input-id="share-of"
          aria-labelledby="share-of-label"
          size="small"
          :options="kinds"
          option-label="word"
          option-value="id"
        />
      </div>
      <div class="field">
        <label id="share-by-label" for="share-by">Shared</label>
        <Select
          v-model="fresh.by"
          input-id="share-by"
          aria-labelledby="share-by-label"
          size="small"
          :options="BY"
          option-label="word"
          option-value="id"
        />
      </div>
      <div class="field">
        <label :for="`${ids}-from`">for the time from</label>
        <InputText :id="`${ids}-from`" v-model="fresh.from" type="date" size="small" />
      </div>
      <div class="field">
        <label :for="`${ids}-until`">until</label>
        <InputText :id="`${ids}-until`" v-model="fresh.until" type="date" size="small" />
        <FieldIssues :issues="at('until')" />
      </div>
      <Button
        size="small"
        text
        label="Keep as a cost of the farm"
        title="Shared later, as lots are there to bear it"
        @click="keepForFarm"
      />
    </div>
    <table class="plain">
      <thead>
        <tr>
          <th>Lot</th>
          <th class="right">Animals</th>
          <th v-if="fresh.by === 'head-days'" class="right">Days</th>
          <th class="right">Bears</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="b in bearers" :key="b.id">
          <td>
            <label class="tick"><Checkbox v-model="chosen" :value="b.id" /> {{ b.tag }}</label>
          </td>
          <td class="right">{{ b.count }}</td>
          <td v-if="fresh.by === 'head-days'" class="input">
            <FigureInput
              :shown="String(b.days)"
              :read="readNumber(1, 2000)"
              :label="`Days of ${b.tag}`"
              @take="$event !== null && (days[b.id] = Math.round($event))"
            />
          </td>
          <td class="right">{{ shares.get(b.id) ? words.money(shares.get(b.id)!) : '' }}</td>
        </tr>
      </tbody>
    </table>
    <FieldIssues :issues="at('lots')" />
    <div class="fields">
      <Button type="submit" size="small" outlined label="Write each its share" />
      <span v-if="done > 0" role="status"
        >Written to {{ done }} lots. On each it can be taken off by itself.</span
      >
    </div>
  </form>
</template>

<style scoped>
.input {
  width: 5rem;
}
</style>
