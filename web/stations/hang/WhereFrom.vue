<script setup lang="ts">
import { computed } from 'vue'
import { originOfStage } from '#core/reading'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'

/** Where each weight on the stair comes from, and how weak it is. */
const { read } = useReading()
const words = useWords()
const STEPS = [
  ['live', 'Live'],
  ['hot', 'Hot'],
  ['hanging', 'Hanging'],
  ['cut', 'Cut'],
  ['packed', 'Packed'],
] as const
const rows = computed(() =>
  STEPS.flatMap(([id, word]) => {
    const origin = originOfStage(read.value, id, words.says.value)
    return origin ? [{ id, word, ...origin }] : []
  }),
)
</script>

<template>
  <details v-if="rows.length > 0" class="from">
    <summary>Where the weights above come from</summary>
    <dl>
      <template v-for="r in rows" :key="r.id">
        <dt>{{ r.word }}</dt>
        <dd :data-origin="r.id">
          {{ r.sentences.join(' ') }}
        </dd>
      </template>
    </dl>
  </details>
</template>

<style scoped>
summary {
  font-weight: 600;
  cursor: pointer;
  min-height: 28px;
}
dl {
  display: grid;
  grid-template-columns: 5rem 1fr;
  gap: 0.3rem 0.6rem;
  margin: 0.3rem 0 0;
}
dt {
  font-weight: 600;
}
dd {
  margin: 0;
}
</style>
