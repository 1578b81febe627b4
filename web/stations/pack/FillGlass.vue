<script setup lang="ts">
import { computed } from 'vue'
import { plus, type Kg } from '#core/measure'
import type { CutFigure } from '#core/reading'
import { useWords } from '../../state/words.ts'
import { DESTINATIONS } from '../../theme/destinations.ts'

/** A cut as a tall glass: filled by what is weighed, the pack on the scale on top of it, the likely range as a band. */
const { cut, now } = defineProps<{ cut: CutFigure; now: Kg }>()
const words = useWords()
const full = computed(
  () => 1.08 * Math.max(cut.range?.high ?? 0, cut.expectedKg, plus(cut.weighedKg, now), 0.01),
)
const at = (kg: number) => `${(100 * kg) / full.value}%`
</script>

<template>
  <figure class="glass">
    <div class="body" aria-hidden="true">
      <span
        class="fill"
        :style="{ height: at(cut.weighedKg), background: DESTINATIONS[cut.cut.destination].fill }"
      />
      <span v-if="now > 0" class="now" :style="{ bottom: at(cut.weighedKg), height: at(now) }" />
      <span
        v-if="cut.range"
        class="band"
        :style="{ bottom: at(cut.range.low), height: at(cut.range.high - cut.range.low) }"
      />
      <span v-else class="line" :style="{ bottom: at(cut.expectedKg) }" />
    </div>
    <figcaption>
      <span>expected<br /><b class="estimate">{{ words.mass(cut.expectedKg) }}</b></span>
      <span v-if="cut.range" class="muted">{{ words.massRange(cut.range) }}</span>
      <span>weighed<br /><b>{{ words.mass(cut.weighedKg) }}</b></span>
    </figcaption>
  </figure>
</template>

<style scoped>
.glass {
  margin: 0;
  display: grid;
  grid-template-columns: 42px auto;
  gap: 0.6rem;
  min-height: 150px;
}
.body {
  position: relative;
  border: 2px solid var(--ink);
  border-top: 0;
  background: var(--sheet);
}
.body span {
  position: absolute;
  left: 0;
  right: 0;
}
.fill {
  bottom: 0;
}
.now {
  background: #eaddc6;
  border: 1px dashed #8a7452;
}
.band {
  border: 1.5px dashed var(--accent);
  border-left: 0;
  border-right: 0;
}
.line {
  border-top: 1.5px dashed var(--accent);
}
figcaption {
  display: grid;
  align-content: space-between;
  font-size: 0.95rem;
}
b {
  font: 700 1.15rem var(--head);
}
</style>
