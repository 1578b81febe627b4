<script setup lang="ts">
import { sayIssue } from '#contracts/said'
import Button from 'primevue/button'
import Select from 'primevue/select'
import { computed, ref, watch } from 'vue'
import type { PriceSolution } from '#core/ledger'
import type { Aim, Ending } from '#core/records'
import FieldIssues from '../../pieces/FieldIssues.vue'
import FigureInput from '../../pieces/FigureInput.vue'
import type { FieldIssue } from '../../state/api.ts'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'
import { readMoney, readNumber } from './figures.ts'
import OneMorePane from './OneMorePane.vue'
import { usePrices } from './prices.ts'

const { read, state, decide } = useReading()
const words = useWords()
const { need, typed, solve, take } = usePrices()
const found = ref<PriceSolution | null>(null)
const issues = ref<FieldIssue[]>([])
const lot = { target: 'lot', side: 'animal' } as const
const minus = (figure: string) => figure.replace('-', '−')
const wanted = computed(() => read.value.plan.aim)
const aim = computed(() => wanted.value?.kind ?? 'sum')
const AIMS = [
  { id: 'sum', word: 'a profit' },
  { id: 'margin', word: 'a margin' },
  { id: 'hour', word: 'pay for an hour' },
]
const decideAim = (value: Aim | null) => decide({ field: 'aim', ...lot, value })
/** Another aim starts at what the prices come to now, so that nothing jumps. */
function setAim(kind: 'sum' | Aim['kind']) {
  const { margin, hour } = read.value.money.earned
  if (kind === 'sum') return decideAim(null)
  decideAim(
    kind === 'margin'
      ? { kind, share: Math.min(0.9, Math.max(0, Math.round((margin ?? 0) * 100) / 100)) }
      : { kind, amount: Math.max(0, Math.round((hour ?? 0) / 100) * 100) },
  )
}
const ENDINGS: { id: Ending; word: string }[] = [
  { id: 'exact', word: 'any cent' },
  { id: 'fives', word: 'a 5 or 0' },
  { id: 'nines', word: 'a 9' },
  { id: 'halves', word: '.49 or .99' },
]
// What was found stands until something is decided; a reading that only gains its intervals changes nothing.
watch(
  () => [...(state.value?.commands ?? []), ...(state.value?.facts ?? [])].map((c) => c.id).join(),
  () => {
    found.value = null
    issues.value = []
  },
)

function run() {
  const out = solve()
  found.value = out.ok ? out.value : null
  issues.value = out.ok
    ? []
    : out.issues.map((i) => ({ field: i.field, detail: sayIssue(i, words.says.value), confirmable: false }))
}
function accept() {
  if (found.value) take(found.value.prices)
}
</script>

<template>
  <section class="stack" data-testid="solve">
    <div class="pane-head"><h2>Prices that pay for it</h2></div>
    <div class="grid">
      <label id="aim-label" for="aim">Aim at</label>
      <Select
        input-id="aim"
        size="small"
        aria-labelledby="aim-label"
        :model-value="aim"
        :options="AIMS"
        option-label="word"
        option-value="id"
        @update:model-value="setAim($event)"
      />
      <template v-if="aim === 'sum'">
        <span>Target profit</span>
        <FigureInput
          :shown="typed(read.plan.target)"
          :read="readMoney(words.currency.value)"
          label="Target profit"
          @take="decide({ field: 'target', ...lot, value: $event })"
        />
      </template>
      <template v-else-if="aim === 'margin'">
        <span>Margin, %</span>
        <FigureInput
          :shown="String(Math.round((wanted?.kind === 'margin' ? wanted.share : 0) * 1000) / 10)"
          :read="readNumber(0, 90)"
          label="Margin in per cent of what is brought"
          @take="$event !== null && decideAim({ kind: 'margin', share: $event / 100 })"
        />
      </template>
      <template v-else>
        <span>An hour at</span>
        <FigureInput
          :shown="typed(wanted?.kind === 'hour' ? wanted.amount : 0)"
          :read="readMoney(words.currency.value)"
          label="Pay for an hour at the bench"
          @take="$event !== null && decideAim({ kind: 'hour', amount: $event })"
        />
      </template>
      <label for="ending">Prices end in</label>
      <Select
        input-id="ending"
        size="small"
        :model-value="read.plan.ending"
        :options="ENDINGS"
        option-label="word"
        option-value="id"
        @update:model-value="decide({ field: 'ending', ...lot, value: $event })"
      />
    </div>
    <p v-if="read.money.costs.total > 0" data-testid="earned">
      At these prices
      <template v-if="read.money.earned.margin !== null"
        >the margin is <b>{{ minus(words.percent(read.money.earned.margin)) }}</b></template
      ><template v-if="read.money.earned.hour !== null"
        ><template v-if="read.money.earned.margin !== null"> and </template>an hour at the bench earns
        <b>{{ minus(words.money(read.money.earned.hour)) }}</b></template
      >.
    </p>
    <p class="muted">
      Cost {{ words.money(read.money.costs.total) }} + target {{ words.money(read.money.target) }} =
      <b>{{ words.money(need) }}</b> to bring in. Indices set what cuts cost beside one another; locks, floors
      and ceilings are kept.
    </p>
    <div class="row"><Button label="Solve prices" icon="pi pi-calculator" @click="run" /></div>
    <FieldIssues :issues="issues" />
    <OneMorePane />
    <div v-if="found" class="found" role="status">
      <p>
        At {{ words.money(Math.round(found.scale)) }}/{{ words.unit.value }} for {{ words.minced }} the cuts
        bring <b>{{ words.money(found.net) }}</b>, {{ words.money(found.net - need) }} over what is needed.
      </p>
      <Button label="Take these prices" icon="pi pi-check" @click="accept" />
    </div>
  </section>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: 7.5rem 1fr;
  gap: 0.5rem;
  align-items: center;
  font-weight: 600;
}
.found {
  border-left: 3px solid var(--covered);
  padding: 0.4rem 0.7rem;
  background: var(--sheet);
  display: grid;
  gap: 0.5rem;
  justify-items: start;
}
</style>
