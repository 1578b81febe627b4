<script setup lang="ts">
import Dialog from 'primevue/dialog'
import { computed } from 'vue'
import { heldParts, HOLD_WORDS, shownWeights } from '#core/reading'
import { massDigits } from '#core/measure'
import { useReading } from '../state/lot.ts'
import { useWords } from '../state/words.ts'

const emit = defineEmits<{ close: [] }>()
const { read } = useReading()
const words = useWords()
const money = computed(() => read.value.money)
const shares = computed(() => read.value.plan.route === 'custom')
const shown = computed(() => shownWeights(read.value, words.unit.value))
/** What is held is in the sum at its price; what was taken home is in it at nothing. */
const held = computed(() =>
  heldParts(read.value)
    .map((p) => `${words.name(p.names)} (${HOLD_WORDS[p.hold]}), ${words.mass(p.kg)}`)
    .join('; '),
)
const earning = computed(() => read.value.cuts.filter((c) => c.value > 0).sort((a, b) => b.value - a.value))
</script>

<template>
  <Dialog
    visible
    modal
    dismissable-mask
    header="The sum behind Cover"
    :style="{ width: '44rem' }"
    @update:visible="emit('close')"
  >
    <div class="two">
      <table class="plain">
        <thead>
          <tr>
            <th>What it costs</th>
            <th class="right">{{ words.currency.value }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in money.costs.rows" :key="row.id">
            <td>{{ row.label }} <small v-if="row.fromPlan" class="muted">follows from the plan</small></td>
            <td class="right">{{ words.money(row.amount) }}</td>
          </tr>
          <tr v-if="money.costs.rows.length === 0">
            <td colspan="2" class="muted">No costs yet: enter them at Price.</td>
          </tr>
        </tbody>
        <tfoot>
          <tr>
            <td>Cost</td>
            <td class="right">{{ words.money(money.costs.total) }}</td>
          </tr>
          <tr v-if="money.target > 0">
            <td>Target profit</td>
            <td class="right">{{ words.money(money.target) }}</td>
          </tr>
        </tfoot>
      </table>
      <table class="plain">
        <thead>
          <tr>
            <th>{{ shares ? 'What the shares bring' : 'What the cuts bring' }}</th>
            <th class="right">{{ words.currency.value }}</th>
          </tr>
        </thead>
        <tbody v-if="shares">
          <tr v-if="read.plan.sharePrice">
            <td>Hanging weight at {{ words.price(read.plan.sharePrice) }}</td>
            <td class="right">{{ words.money(money.net) }}</td>
          </tr>
          <tr v-else>
            <td colspan="2" class="muted">No share price yet: set one at Price.</td>
          </tr>
        </tbody>
        <tbody v-else>
          <tr v-for="c in earning" :key="c.cut.id">
            <td>
              {{ words.name(c.cut.names) }}
              <small class="muted"
                >{{ shown.cuts.get(c.cut.id)!.toFixed(massDigits(words.unit.value)) }}
                {{ words.unit.value }} at {{ words.price(c.price) }}</small
              >
            </td>
            <td class="right">{{ words.money(c.value) }}</td>
          </tr>
        </tbody>
        <tfoot>
          <tr>
            <td>Expected net</td>
            <td class="right">{{ words.money(money.net) }}</td>
          </tr>
        </tfoot>
      </table>
    </div>
    <p v-if="held" class="sum">
      Not sold yet, or not cut: {{ held }}. It is counted at its price, what is taken home at nothing.
    </p>
    <p v-if="money.cover !== null" class="sum">
      {{ words.money(money.net) }} ÷ {{ words.money(money.costs.total) }} =
      <b>{{ words.percent(money.cover) }}</b>
      <template v-if="money.coverRange"
        >, likely {{ words.percent(money.coverRange.low) }} to
        {{ words.percent(money.coverRange.high) }} (four times in five)</template
      >.
      {{
        money.net >= money.costs.total
          ? `That leaves ${words.money(money.net - money.costs.total)} after all costs.`
          : `That is ${words.money(money.costs.total - money.net)} short of its cost.`
      }}
    </p>
  </Dialog>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 1.5rem;
  align-items: start;
}
.sum {
  padding-top: 1rem;
}
@media (max-width: 700px) {
  .two {
    grid-template-columns: 1fr;
  }
}
</style>
