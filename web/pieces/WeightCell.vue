<script setup lang="ts">
import type { StageFigure } from '#core/reading'
import { useWords } from '../state/words.ts'

/** A weight in a table: an estimate with how far it may lie off below it, a weighed one without. */
const { figure } = defineProps<{ figure: StageFigure | null }>()
const words = useWords()
</script>

<template>
  <template v-if="figure">
    <span :class="{ estimate: !figure.weighed }">{{ words.known(figure.kg, figure.range) }}</span>
    <small v-if="figure.range" class="muted range">{{ words.massRange(figure.range) }}</small>
    <small v-else-if="figure.weighed" class="muted range">weighed</small>
  </template>
  <span v-else class="muted">not weighed</span>
</template>

<style scoped>
.range {
  display: block;
}
</style>
