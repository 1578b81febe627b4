<script setup lang="ts">
import type { Destination } from '#core/anatomy'
import { DESTINATIONS } from '../theme/destinations.ts'

/** A destination as its letter on its colour, with the word for those who cannot see it. */
defineProps<{ to: Destination }>()
</script>

<template>
  <span
    class="mark"
    :style="{
      background: DESTINATIONS[to].fill,
      color: ['R', 'G', 'X', 'B'].includes(to) ? '#fff' : '#241d16',
    }"
    :title="DESTINATIONS[to].word"
    >{{ to }}<span class="words">, {{ DESTINATIONS[to].word }}</span></span
  >
</template>

<style scoped>
.mark {
  display: inline-grid;
  place-items: center;
  width: 1.35em;
  height: 1.35em;
  font: 700 0.82rem var(--head);
  flex: none;
}
.words {
  position: absolute;
  clip-path: inset(50%);
  width: 1px;
  height: 1px;
  overflow: hidden;
}
</style>
