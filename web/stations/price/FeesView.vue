<script setup lang="ts">
import Button from 'primevue/button'
import { computed } from 'vue'
import { feesOf } from '#core/ledger'
import { DESTINATIONS as TO_WORDS } from '../../theme/destinations.ts'
import type { Fee, FeeBasis } from '#core/records'
import FigureInput from '../../pieces/FigureInput.vue'
import FoldedPane from '../../pieces/FoldedPane.vue'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'
import DealPane from './DealPane.vue'
import FeeForm from './FeeForm.vue'
import FeeSheets from './FeeSheets.vue'
import { BASIS_SAYS } from './feeWords.ts'
import { readMoney } from './figures.ts'
import { usePrices } from './prices.ts'
import PriceTabs from './PriceTabs.vue'

/** What the processor bills: each fee with what causes it and what it comes to under the plan as it stands. */
const { read, body, note, withdraw, factOf } = useReading()
const words = useWords()
const { typed } = usePrices()
const money = computed(() => readMoney(words.currency.value))
const fees = computed(() => Object.values(read.value.plan.fees))
const rows = computed(() => new Map(feesOf(read.value.plan.fees, read.value.billed).map((r) => [r.id, r])))
const total = computed(() => read.value.worth.fees)
/** What a fee is billed on. */
function on({ on: of, per, basis }: Fee): string {
  if (of && 'ways' in of)
    return of.ways
      .map((id) => words.name(body.value.anatomy.paths.find((p) => p.id === id)!.names))
      .join(', ')
  if (of) return `what comes of it: ${TO_WORDS[of.to].word.toLowerCase()}`
  return per === 'kg' || per === 'lb' ? BASIS_SAYS[(basis ?? 'hot') satisfies FeeBasis] : ''
}
const setAmount = (fee: Fee, amount: number) => note({ ...fee, amount })
const takeOff = (fee: Fee) => withdraw(...factOf((f) => f.kind === 'fee' && f.fee === fee.fee))
</script>

<template>
  <PriceTabs />
  <div class="two">
    <section class="stack">
      <div class="pane-head">
        <h2>What the processor bills</h2>
        <span class="right" style="flex: 1"><b>{{ words.money(total) }}</b> under this plan</span>
      </div>
      <div class="scroll">
        <table v-if="fees.length > 0" class="plain" data-testid="fees">
          <thead>
            <tr>
              <th>Fee</th>
              <th>On</th>
              <th class="right">Rate</th>
              <th>per</th>
              <th class="right">Comes to</th>
              <th><span class="visually-hidden">Take off</span></th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="f in fees" :key="f.fee" :data-fee="f.fee">
              <td>
                {{ rows.get(f.fee)?.label }}<small v-if="f.credit" class="muted">, taken off the bill</small
                ><small v-if="f.least" class="muted">, at least {{ words.money(f.least) }}</small>
              </td>
              <td>{{ on(f) }}</td>
              <td class="input">
                <FigureInput
                  :shown="typed(f.amount)"
                  :read="money"
                  :label="`Rate of ${rows.get(f.fee)?.label ?? f.fee}`"
                  @take="$event !== null && setAmount(f, $event)"
                />
              </td>
              <td>{{ f.per }}</td>
              <td class="right nowrap">{{ words.money(rows.get(f.fee)?.amount ?? 0) }}</td>
              <td>
                <Button
                  text
                  size="small"
                  icon="pi pi-times"
                  severity="secondary"
                  :aria-label="`Take ${rows.get(f.fee)?.label ?? f.fee} off`"
                  @click="takeOff(f)"
                />
              </td>
            </tr>
          </tbody>
        </table>
        <p v-else class="muted">
          Nothing is billed yet. Write the processor’s fees down, or take a fee sheet over.
        </p>
      </div>
      <FeeForm />
      <p class="muted">
        A fee of a way or of a class of cuts is billed only where that is in the plan: on the Block every way
        shows its fees before it is taken.
      </p>
    </section>
    <section class="stack">
      <FeeSheets />
      <FoldedPane late title="Which weight is a price on?" says="one deal on live, hot, cold and cut weight"
        ><DealPane
      /></FoldedPane>
    </section>
  </div>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: minmax(0, 1.4fr) minmax(0, 1fr);
  gap: 1.5rem;
  align-items: start;
}
.input {
  width: 6rem;
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
