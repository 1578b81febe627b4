<script setup lang="ts">
import Select from 'primevue/select'
import { computed } from 'vue'
import { markedDown } from '#core/ledger'
import { priceOf, pricePer, type UnitPrice } from '#core/measure'
import type { CutFigure } from '#core/reading'
import FigureInput from '../../pieces/FigureInput.vue'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'
import { readNumber } from './figures.ts'
import { usePrices } from './prices.ts'

/** Of every cut: what part of its price the rest of it still brings, what the own table keeps, what is given for help. */
const { read, decide } = useReading()
const words = useWords()
const { products } = usePrices()
const percent = (share: number) => String(Math.round(share * 100))
const share = (typed: number | null) => (typed ? typed / 100 : null)
const at = (c: CutFigure) => ({ target: c.cut.id, side: 'animal' }) as const
const setOwn = (c: CutFigure, own: number | null, price: UnitPrice | null) =>
  decide({ field: 'own', ...at(c), value: own ? { share: own, at: price } : null })
const lost = (c: CutFigure) => markedDown(c.kg, c.price, c)

/** What a unit of the meat costs now: all that was paid over all that is taken home. */
const cost = computed(() => {
  const { costPerKg } = read.value.money
  return costPerKg === null ? null : pricePer(costPerKg, words.unit.value)
})
const NOTHING = computed(() => priceOf(0, words.unit.value))
/** What kept meat can count as; another figure that was said before stays to be chosen. */
function countings(c: CutFigure) {
  const now = c.own?.at ?? null
  const all: { price: UnitPrice | null; word: string }[] = [
    { price: null, word: 'at its price' },
    ...(cost.value ? [{ price: cost.value, word: `at its cost, ${words.price(cost.value)}` }] : []),
    { price: NOTHING.value, word: 'as nothing' },
  ]
  const known = all.some((o) => o.price?.milli === now?.milli && o.price?.per === now?.per)
  return known ? all : [...all, { price: now, word: `at ${words.price(now!)}` }]
}
const chosen = (c: CutFigure) =>
  countings(c).findIndex((o) => o.price?.milli === c.own?.at?.milli && o.price?.per === c.own?.at?.per)
</script>

<template>
  <div class="scroll">
    <table class="plain" data-testid="markdowns">
      <thead>
        <tr>
          <th>Cut</th>
          <th class="right">Sells</th>
          <th class="right">The rest brings, %</th>
          <th class="right">Less</th>
          <th class="right">Own table, %</th>
          <th>Counted</th>
          <th class="right">For help, %</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="c in products" :key="c.cut.id" :data-cut="c.cut.id">
          <td>{{ words.name(c.cut.names) }}</td>
          <td class="right nowrap">{{ words.percent(c.sold) }}</td>
          <td class="input">
            <FigureInput
              :shown="percent(c.rest)"
              :read="readNumber(0, 100)"
              :label="`What the rest of ${words.name(c.cut.names)} brings`"
              @take="decide({ field: 'rest', ...at(c), value: $event === null ? null : $event / 100 })"
            />
          </td>
          <td class="right nowrap">{{ lost(c) === 0 ? '' : words.moneyChange(lost(c)) }}</td>
          <td class="input">
            <FigureInput
              optional
              :shown="c.own ? percent(c.own.share) : ''"
              :read="readNumber(0, 100)"
              :label="`Of ${words.name(c.cut.names)} for the own table`"
              @take="setOwn(c, share($event), c.own?.at ?? null)"
            />
          </td>
          <td class="counted">
            <Select
              v-if="c.own"
              :model-value="chosen(c)"
              size="small"
              :options="countings(c).map((o, id) => ({ id, word: o.word }))"
              option-label="word"
              option-value="id"
              :aria-label="`What kept ${words.name(c.cut.names)} counts as`"
              @update:model-value="setOwn(c, c.own!.share, countings(c)[$event as number]!.price)"
            />
          </td>
          <td class="input">
            <FigureInput
              optional
              :shown="c.given > 0 ? percent(c.given) : ''"
              :read="readNumber(0, 100)"
              :label="`Of ${words.name(c.cut.names)} given for help`"
              @take="decide({ field: 'given', ...at(c), value: share($event) })"
            />
          </td>
        </tr>
      </tbody>
    </table>
  </div>
  <small class="muted"
    >What the own table keeps counts as brought, at its price or at another figure; meat given for help counts
    at its price, and the help as a cost of as much: it need not be written down again.</small
  >
</template>

<style scoped>
.input {
  width: 5.5rem;
}
.counted {
  width: 11rem;
}
.counted :deep(.p-select) {
  width: 100%;
}
@media (max-width: 900px) {
  .input {
    min-width: 4.6rem;
  }
}
</style>
