<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import { computed, reactive, ref } from 'vue'
import { inForceOn } from '#core/ledger'
import { atPrices, listOf, moveAll, takeList } from '#core/reading'
import FieldIssues from '../../pieces/FieldIssues.vue'
import { fieldIssue, type FieldIssue } from '../../state/api.ts'
import { useIssues } from '../../state/issues.ts'
import { useReading } from '../../state/lot.ts'
import { useSheets } from '../../state/sheets.ts'
import { useWords } from '../../state/words.ts'
import { readNumber } from './figures.ts'
import PricePairs from './PricePairs.vue'

/** The farm's price lists by place, and other people's prices beside them: what this lot would bring at each. */
const { read, body, decide } = useReading()
const words = useWords()
const { sheets, state, keep, change, putAway } = useSheets('ekko-prices')
/** The list that is looked at cut by cut. */
const open = ref<string | null>(null)
const opened = computed(() => own.value.find((s) => s.id === open.value) ?? null)
const today = new Date().toISOString().slice(0, 10)
const species = computed(() => body.value.anatomy.species)
const own = computed(() => sheets.value.filter((s) => s.body.species === species.value))
const inForce = computed(() => inForceOn(own.value, today))
const rows = computed(() =>
  own.value
    .map((s) => ({ sheet: s, holds: inForce.value.includes(s), ...atPrices(read.value, s.body) }))
    .toSorted((a, b) => Number(b.holds) - Number(a.holds) || b.net - a.net),
)
const PLACES = ['Farm gate', 'Market', 'Wholesale', 'Shares', 'Prepared food']
const fresh = reactive({ name: 'Farm gate', from: today, ours: true, tax: 'with' as 'with' | 'without' })
const { issues, at } = useIssues()
async function save() {
  const name = fresh.name.trim()
  issues.value = [
    ...(name ? [] : [fieldIssue('name', 'Where are these the prices? Type the place or the shop.')]),
    ...(fresh.from ? [] : [fieldIssue('from', 'From which day do they hold?')]),
    ...(own.value.some((s) => s.body.name === name && s.body.from === fresh.from)
      ? [
          fieldIssue(
            'from',
            `There is a list of ${name} from that day already. Put it away first, or choose another day.`,
          ),
        ]
      : []),
  ]
  if (issues.value.length > 0) return
  issues.value = await keep({
    ...{ format: 'ekko-prices', version: 1, name, from: fresh.from, species: species.value },
    ...{ ours: fresh.ours, tax: fresh.tax, prices: fresh.ours ? listOf(read.value) : [] },
  })
  if (issues.value.length === 0) open.value = sheets.value.at(-1)?.id ?? null
}
const percent = ref('')
const percentIssue = ref<FieldIssue[]>([])
function move() {
  const typed = readNumber(-50, 100)(percent.value.replace('−', '-').replace('+', ''))
  percentIssue.value = typed.ok
    ? []
    : [
        fieldIssue(
          'percent',
          `“${percent.value}” is no number from −50 to 100. Type 5 to raise all by 5 %, −5 to drop them.`,
        ),
      ]
  if (!typed.ok) return
  decide(...moveAll(read.value, typed.value / 100))
  percent.value = ''
}
</script>

<template>
  <div class="stack">
    <form class="fields" novalidate aria-label="Move all prices" @submit.prevent="move">
      <div class="field">
        <label for="move-percent">Raise or drop every price by, %</label>
        <InputText id="move-percent" v-model="percent" size="small" inputmode="text" autocomplete="off" />
        <FieldIssues :issues="percentIssue" />
      </div>
      <Button type="submit" size="small" outlined label="Move them" />
    </form>
    <p v-if="state === 'loading'" class="muted" role="status">Looking for price lists…</p>
    <p v-else-if="state === 'failed'" class="field-issue" role="alert">
      The price lists could not be read. Load the page again; nothing was changed.
    </p>
    <p v-else-if="rows.length === 0" class="muted">
      No list is kept yet. Keep these prices as those of a place, and every lot of the kind can take them
      over; write down a shop’s, and they stand beside yours, a plate too.
    </p>
    <table v-else class="plain" data-testid="lists">
      <thead>
        <tr>
          <th>Place</th>
          <th class="right">This lot would bring</th>
          <th class="right">Cover</th>
          <th><span class="visually-hidden">Take over</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in rows" :key="r.sheet.id" :class="{ out: !r.holds }">
          <td>
            <b>{{ r.sheet.body.name }}</b><small v-if="!r.sheet.body.ours" class="muted"> not ours</small
            ><br /><small class="muted"
              >from {{ r.sheet.body.from }}, {{ r.sheet.body.tax }} tax{{
                r.kept > 0 ? `; ${r.kept} cuts not on it` : ''
              }}{{ r.holds ? '' : r.sheet.body.from > today ? '; not yet' : '; before' }}</small
            >
          </td>
          <td class="right nowrap">
            {{ words.money(r.net) }}<br /><small class="muted">{{ words.moneyChange(r.difference) }}</small>
          </td>
          <td class="right">{{ r.cover === null ? '' : words.percent(r.cover) }}</td>
          <td class="right nowrap">
            <Button
              text
              size="small"
              label="Cut by cut"
              :aria-expanded="open === r.sheet.id"
              :aria-label="`${r.sheet.body.name} from ${r.sheet.body.from}, cut by cut`"
              @click="open = open === r.sheet.id ? null : r.sheet.id"
            />
            <Button
              v-if="r.sheet.body.ours"
              text
              size="small"
              label="Take over"
              :aria-label="`Take the prices of ${r.sheet.body.name} from ${r.sheet.body.from} over`"
              @click="decide(...takeList(read, r.sheet.body))"
            />
            <Button
              text
              size="small"
              icon="pi pi-times"
              severity="secondary"
              :aria-label="`Put the list of ${r.sheet.body.name} from ${r.sheet.body.from} away`"
              @click="putAway(r.sheet)"
            />
          </td>
        </tr>
      </tbody>
    </table>
    <PricePairs
      v-if="opened"
      :key="opened.id"
      :sheet="opened.body"
      @change="async (body) => (issues = await change(opened!, body))"
    />
    <form class="fields" novalidate aria-label="Keep a price list" @submit.prevent="save">
      <div class="field wide">
        <label for="list-name">{{
          fresh.ours ? 'Keep these prices as those of' : 'Write down the prices of'
        }}</label>
        <InputText
          id="list-name"
          v-model="fresh.name"
          size="small"
          maxlength="80"
          list="places"
          autocomplete="off"
        />
        <datalist id="places"><option v-for="p in PLACES" :key="p" :value="p" /></datalist>
        <FieldIssues :issues="at('name')" />
      </div>
      <div class="field">
        <label for="list-from">from</label>
        <InputText id="list-from" v-model="fresh.from" type="date" size="small" />
        <FieldIssues :issues="at('from')" />
      </div>
      <div class="field">
        <label id="list-ours-label" for="list-ours">they are</label>
        <Select
          v-model="fresh.ours"
          input-id="list-ours"
          aria-labelledby="list-ours-label"
          size="small"
          :options="[
            { id: true, word: 'ours' },
            { id: false, word: 'another’s' },
          ]"
          option-label="word"
          option-value="id"
        />
      </div>
      <div class="field">
        <label id="list-tax-label" for="list-tax">tax</label>
        <Select
          v-model="fresh.tax"
          input-id="list-tax"
          aria-labelledby="list-tax-label"
          size="small"
          :options="[
            { id: 'with', word: 'in the price' },
            { id: 'without', word: 'comes on top' },
          ]"
          option-label="word"
          option-value="id"
        />
      </div>
      <Button type="submit" size="small" outlined label="Keep the list" />
    </form>
    <small class="muted"
      >A list holds from its day until the next of its place; earlier ones stay. A lot keeps the prices it
      took over.</small
    >
  </div>
</template>

<style scoped>
.out {
  color: var(--muted);
}
</style>
