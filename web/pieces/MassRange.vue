<script setup lang="ts">
import type { Interval, Kg } from '#core/measure'
import { useWords } from '../state/words.ts'

/** A weight as it is known: weighed plainly, estimated with a dashed rule and its interval. */
defineProps<{ kg: Kg; range?: Interval | null; inline?: boolean }>()
const words = useWords()
</script>

<template>
  <span class="mass" :class="{ inline }">
    <span class="nowrap" :class="{ estimate: range }">{{ words.known(kg, range ?? null) }}</span>
    <span v-if="range" class="muted range nowrap">{{ words.massRange(range) }}</span>
  </span>
</template>

<style scoped>
.mass {
  display: inline-grid;
}
.mass.inline {
  display: inline-flex;
  gap: 0.4rem;
  align-items: baseline;
}
.range {
  font-size: 0.85em;
}
</style>
