<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue'
import { minorOf, fromKg, priceIn, priceOf, pricePer } from '#core/measure'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'

const SkylineChart = defineAsyncComponent(() => import('./SkylineChart.vue'))
const { read, decide } = useReading()
const words = useWords()
const bars = computed(() =>
  read.value.cuts
    .filter((c) => c.cut.kind === 'product' && c.kg > 0.001)
    .map((c) => ({
      id: c.cut.id,
      name: words.name(c.cut.names),
      destination: c.cut.destination,
      weight: fromKg(c.kg, words.unit.value),
      price: minorOf(priceIn(c.price, words.unit.value)),
      sold: c.sold,
      locked: read.value.plan.terms.get(c.cut.id)!.lock,
      said: `${words.name(c.cut.names)}: ${words.mass(c.kg)} at ${words.price(c.price)} = ${words.money(c.value)}`,
    })),
)
const setPrice = (target: string, minor: number) =>
  decide({ field: 'price', target, side: 'animal', value: priceOf(minor, words.unit.value) })
const needed = computed(() => {
  const perKg = read.value.money.neededPerKg
  return perKg === null ? null : minorOf(pricePer(perKg, words.unit.value))
})
</script>

<template>
  <section>
    <div class="pane-head">
      <h2>The skyline</h2>
      <span class="muted">width is weight, height is price, so area is money; pull a bar to price it</span>
      <span v-if="needed" class="needed"
        >needed on average: {{ words.money(Math.round(needed)) }}/{{ words.unit.value }}</span
      >
      <span v-else class="muted">no costs yet</span>
    </div>
    <SkylineChart v-if="bars.length > 0" :bars="bars" :needed="needed" @price="setPrice" />
    <p v-else class="muted" style="padding: 2rem 0">No weight yet, so no bars. Enter one at Hang.</p>
  </section>
</template>

<style scoped>
.needed {
  margin-left: auto;
  font-weight: 600;
  color: var(--accent);
}
</style>
