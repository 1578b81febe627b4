<script setup lang="ts">
import { soldFactor } from '#core/ledger'
import { worthAt } from '#core/measure'
import type { CutFigure } from '#core/reading'
import FigureInput from '../../pieces/FigureInput.vue'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'
import { readNumber } from './figures.ts'
import { usePrices } from './prices.ts'

/** Of every cut how much sells at its price, what part of it the rest still brings, and what that takes off. */
const { decide } = useReading()
const words = useWords()
const { products } = usePrices()
const percent = (share: number) => String(Math.round(share * 100))
const set = (c: CutFigure, field: 'sold' | 'rest', typed: number | null) =>
  decide({ field, target: c.cut.id, side: 'animal', value: typed === null ? null : typed / 100 })
const lost = (c: CutFigure) => Math.round(worthAt(c.kg, c.price) * (soldFactor(c) - 1))
</script>

<template>
  <table class="plain" data-testid="markdowns">
    <thead>
      <tr>
        <th>Cut</th>
        <th class="right">Sells at its price, %</th>
        <th class="right">The rest brings, % of it</th>
        <th class="right">Less</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="c in products" :key="c.cut.id">
        <td>{{ words.name(c.cut.names) }}</td>
        <td class="input">
          <FigureInput
            :shown="percent(c.sold)"
            :read="readNumber(0, 100)"
            :label="`Of ${words.name(c.cut.names)} sells at its price`"
            @take="set(c, 'sold', $event)"
          />
        </td>
        <td class="input">
          <FigureInput
            :shown="percent(c.rest)"
            :read="readNumber(0, 100)"
            :label="`What the rest of ${words.name(c.cut.names)} brings`"
            @take="set(c, 'rest', $event)"
          />
        </td>
        <td class="right nowrap">{{ lost(c) === 0 ? '' : words.moneyChange(lost(c)) }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.input {
  width: 8rem;
}
</style>
