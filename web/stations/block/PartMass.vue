<script setup lang="ts">
import { computed } from 'vue'
import type { SideName } from '#core/anatomy'
import { partFigure } from '#core/reading'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'

/** What the selected part weighs on the sides in question, with its interval once that is drawn. */
const { sides } = defineProps<{ sides: readonly SideName[] }>()
const { read, part } = useReading()
const words = useWords()
const mass = computed(() => partFigure(read.value, part.value, sides))
</script>

<template>
  <span v-if="mass.kg > 0" class="mass"
    ><b :class="{ estimate: !mass.weighed }">{{ words.mass(mass.kg) }}</b
    ><small class="muted">{{
      mass.weighed ? 'weighed' : mass.range ? `likely ${words.massRange(mass.range)}` : ''
    }}</small></span
  >
</template>

<style scoped>
.mass {
  display: inline-flex;
  align-items: baseline;
  gap: 0.35rem;
  white-space: nowrap;
}
</style>
