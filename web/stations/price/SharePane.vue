<script setup lang="ts">
import Button from 'primevue/button'
import { computed } from 'vue'
import { sharePrices } from '#core/ledger'
import { minorOf, priceOf } from '#core/measure'
import type { RouteRule } from '#core/rules'
import FigureInput from '../../pieces/FigureInput.vue'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'
import { readMoney } from './figures.ts'
import { usePrices } from './prices.ts'

defineProps<{ rule: RouteRule }>()
const { read, decide } = useReading()
const words = useWords()
const { need, typed, inUnit } = usePrices()
const asked = computed(() =>
  read.value.weights && need.value > 0
    ? sharePrices(need.value, read.value.weights.aged, read.value.count, words.unit.value)
    : null,
)
const set = (minor: number | null) =>
  decide({
    field: 'sharePrice',
    target: 'lot',
    side: 'animal',
    value: minor === null ? null : priceOf(minor, words.unit.value),
  })
</script>

<template>
  <section class="stack">
    <div class="pane-head"><h2>Shares of the live animal</h2></div>
    <div class="caution" role="note">
      <i class="pi pi-lock" aria-hidden="true" />
      <span><b>{{ rule.label }}: no price list by the cut.</b> {{ rule.says }}</span>
    </div>
    <template v-if="asked">
      <p>
        To bring in {{ words.money(need) }} (cost and target), each animal must be sold alive, in shares, for:
      </p>
      <table class="plain shares">
        <thead>
          <tr>
            <th>Whole</th>
            <th>Half</th>
            <th>Quarter</th>
            <th>Per {{ words.unit.value }} hanging (as cut)</th>
          </tr>
        </thead>
        <tbody>
          <tr class="weight">
            <td>{{ words.money(asked.whole) }}</td>
            <td>{{ words.money(asked.half) }}</td>
            <td>{{ words.money(asked.quarter) }}</td>
            <td>{{ words.money(minorOf(asked.price)) }}</td>
          </tr>
        </tbody>
      </table>
      <div class="row">
        <span>Share price per {{ words.unit.value }} of hanging weight, as cut:</span>
        <span style="width: 6rem"
          ><FigureInput
            optional
            :shown="read.plan.sharePrice ? typed(inUnit(read.plan.sharePrice)) : ''"
            :read="readMoney(words.currency.value)"
            label="Share price"
            @take="set"
        /></span>
        <Button size="small" outlined label="Take the price that pays" @click="set(minorOf(asked.price))" />
      </div>
      <p class="muted">
        The animal is sold before slaughter; the buyers are its owners, and usually pay the processor
        themselves. Ask your own authority.
      </p>
    </template>
    <p v-else class="muted">
      Enter a weight at Hang and a cost here, and Ekko works out what a whole, a half and a quarter must
      bring.
    </p>
  </section>
</template>

<style scoped>
.shares .weight td {
  font-size: 1.3rem;
}
</style>
