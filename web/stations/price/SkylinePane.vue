<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue'
import { minorOf, fromKg, priceIn, pricePer } from '#core/measure'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'

const SkylineChart = defineAsyncComponent(() => import('./SkylineChart.vue'))
const { read } = useReading()
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
      said: `${words.name(c.cut.names)}: ${words.mass(c.kg)} at ${words.price(c.price)} = ${words.money(c.value)}`,
    })),
)
const needed = computed(() => {
  const perKg = read.value.money.neededPerKg
  return perKg === null ? null : minorOf(pricePer(perKg, words.unit.value))
})
</script>

<template>
  <section>
    <div class="pane-head">
      <h2>The skyline</h2>
      <span class="muted">width is weight, height is price, so area is money</span>
      <span v-if="needed" class="needed"
        >needed on average: {{ words.money(Math.round(needed)) }}/{{ words.unit.value }}</span
      >
      <span v-else class="muted">no costs yet</span>
    </div>
    <SkylineChart v-if="bars.length > 0" :bars="bars" :needed="needed" />
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
