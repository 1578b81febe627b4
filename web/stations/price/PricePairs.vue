<script setup lang="ts">
import { computed } from 'vue'
import { priceOf } from '#core/measure'
import type { PriceSheet } from '#core/records'
import { pricesBeside, withPrice } from '#core/reading'
import FigureInput from '../../pieces/FigureInput.vue'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'
import { readMoney } from './figures.ts'
import { usePrices } from './prices.ts'

/** Every cut at our price and at that of a list, a pound or kilogram and a plate; the list’s own are typed here. */
const { sheet } = defineProps<{ sheet: PriceSheet }>()
const emit = defineEmits<{ change: [sheet: PriceSheet] }>()
const { read } = useReading()
const words = useWords()
const { typed, inUnit } = usePrices()
const money = computed(() => readMoney(words.currency.value))
const rows = computed(() => pricesBeside(read.value, sheet))
const set = (cut: string, minor: number | null) =>
  emit('change', withPrice(sheet, cut, minor === null ? null : priceOf(minor, words.unit.value)))
</script>

<template>
  <div class="scroll">
    <table class="plain" data-testid="pairs">
      <thead>
        <tr>
          <th>Cut</th>
          <th class="right">Ours, per {{ words.unit.value }}</th>
          <th class="right">{{ sheet.name }}</th>
          <th class="right">More or less</th>
          <th class="right">Ours, a plate</th>
          <th class="right">{{ sheet.name }}, a plate</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in rows" :key="r.cut.id" :data-cut="r.cut.id">
          <td>{{ words.name(r.cut.names) }}</td>
          <td class="right">{{ words.money(inUnit(r.ours)) }}</td>
          <td class="input">
            <FigureInput
              optional
              :shown="r.theirs ? typed(inUnit(r.theirs)) : ''"
              :read="money"
              :label="`${words.name(r.cut.names)} at ${sheet.name}`"
              @take="set(r.cut.id, $event)"
            />
          </td>
          <td class="right">{{ r.by === null ? '' : words.moneyChange(r.by) }}</td>
          <td class="right">{{ r.plate ? words.money(r.plate.ours) : '' }}</td>
          <td class="right">{{ r.plate?.theirs ? words.money(r.plate.theirs) : '' }}</td>
        </tr>
      </tbody>
    </table>
  </div>
  <small class="muted"
    >A plate is 200 g (7 oz) of raw lean and fat: of a cut with its bone in, what bone and rind weigh is paid
    for with it. Is tax in both, or in neither? It is said at each list.</small
  >
</template>

<style scoped>
.input {
  width: 6rem;
}
</style>
