<script setup lang="ts">
import Checkbox from 'primevue/checkbox'
import { computed } from 'vue'
import { shownWeights, type CutFigure } from '#core/reading'
import { massDigits, priceOf, sumOf, type UnitPrice } from '#core/measure'
import DestinationMark from '../../pieces/DestinationMark.vue'
import FigureInput from '../../pieces/FigureInput.vue'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'
import { readMoney, readNumber } from './figures.ts'
import { usePrices } from './prices.ts'

const { read, decide } = useReading()
const words = useWords()
const { products, inUnit, typed } = usePrices()
const money = computed(() => readMoney(words.currency.value))
const terms = (c: CutFigure) => read.value.plan.terms.get(c.cut.id)!
const at = (c: CutFigure) => ({ target: c.cut.id, side: 'animal' }) as const
const priced = (minor: number | null): UnitPrice | null =>
  minor === null ? null : priceOf(minor, words.unit.value)
const bound = (price: UnitPrice | null) => (price ? typed(inUnit(price)) : '')
const shown = computed(() => shownWeights(read.value, words.unit.value))
const total = computed(() => sumOf(products.value, (c) => c.value))
const others = computed(() => read.value.money.net - total.value)
</script>

<template>
  <section>
    <table class="plain prices">
      <thead>
        <tr>
          <th>Cut</th>
          <th class="right">Weight</th>
          <th class="right">Index</th>
          <th class="right">Floor</th>
          <th class="right">Ceiling</th>
          <th class="right">Sold, %</th>
          <th class="right">Price per {{ words.unit.value }}</th>
          <th>Lock</th>
          <th class="right">Brings</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="c in products" :key="c.cut.id" :data-cut="c.cut.id">
          <td>
            <span class="cut"><DestinationMark :to="c.cut.destination" /> {{ words.name(c.cut.names) }}</span>
          </td>
          <td class="right nowrap">
            <span
              :class="{ estimate: !c.done }"
              :title="c.range && !c.done ? `likely ${words.massRange(c.range)}` : 'weighed'"
              >{{ shown.cuts.get(c.cut.id)!.toFixed(massDigits(words.unit.value)) }}
              {{ words.unit.value }}</span
            >
          </td>
          <td class="input">
            <FigureInput
              :shown="String(terms(c).index)"
              :read="readNumber(0, 50)"
              :label="`Price index of ${words.name(c.cut.names)}`"
              @take="decide({ field: 'index', ...at(c), value: $event })"
            />
          </td>
          <td class="input">
            <FigureInput
              optional
              :shown="bound(terms(c).floor)"
              :read="money"
              :label="`Floor price of ${words.name(c.cut.names)}`"
              @take="decide({ field: 'floor', ...at(c), value: priced($event) })"
            />
          </td>
          <td class="input">
            <FigureInput
              optional
              :shown="bound(terms(c).ceiling)"
              :read="money"
              :label="`Ceiling price of ${words.name(c.cut.names)}`"
              @take="decide({ field: 'ceiling', ...at(c), value: priced($event) })"
            />
          </td>
          <td class="input">
            <FigureInput
              :shown="String(Math.round(terms(c).sold * 100))"
              :read="readNumber(0, 100)"
              :label="`Share of ${words.name(c.cut.names)} sold at full price`"
              @take="decide({ field: 'sold', ...at(c), value: $event === null ? null : $event / 100 })"
            />
          </td>
          <td class="input price">
            <FigureInput
              :shown="typed(inUnit(c.price))"
              :read="money"
              :label="`Price of ${words.name(c.cut.names)}`"
              @take="decide({ field: 'price', ...at(c), value: priced($event) })"
            />
          </td>
          <td>
            <Checkbox
              :model-value="terms(c).lock"
              binary
              :aria-label="`Lock the price of ${words.name(c.cut.names)}`"
              @update:model-value="
                decide(
                  { field: 'price', ...at(c), value: c.price },
                  { field: 'lock', ...at(c), value: $event },
                )
              "
            />
          </td>
          <td class="right nowrap">{{ words.money(c.value) }}</td>
        </tr>
      </tbody>
      <tfoot>
        <tr v-if="others !== 0">
          <td colspan="8">By-products sold</td>
          <td class="right">{{ words.money(others) }}</td>
        </tr>
        <tr>
          <td colspan="8">Expected net</td>
          <td class="right">{{ words.money(read.money.net) }}</td>
        </tr>
      </tfoot>
    </table>
  </section>
</template>

<style scoped>
.cut {
  display: flex;
  gap: 0.45rem;
  align-items: center;
}
.prices td {
  padding: 0.15rem 0.3rem;
}
.prices th {
  padding: 0.25rem 0.3rem;
}
.input {
  width: 4.4rem;
}
.price {
  width: 5.2rem;
}
.price :deep(input) {
  font-weight: 600;
}
@media (max-width: 900px) {
  section {
    overflow-x: auto;
    padding-bottom: 3rem;
  }
  .cut {
    min-width: 8.5rem;
  }
  .input {
    min-width: 4.2rem;
  }
}
</style>
