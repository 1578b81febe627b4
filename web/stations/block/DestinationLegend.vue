<script setup lang="ts">
import { computed } from 'vue'
import { DESTINATIONS as ALL } from '#core/records'
import DestinationMark from '../../pieces/DestinationMark.vue'
import { useReading } from '../../state/lot.ts'
import { DESTINATIONS } from '../../theme/destinations.ts'

/** What the letters, colours and patterns of the drawing say: those that stand in it. */
const { central: read } = useReading()
const there = computed(() => {
  const now = new Set(read.value.cutting.slots.filter((s) => s.holds).map((s) => s.path.destination))
  return ALL.filter((d) => now.has(d))
})
</script>

<template>
  <ul class="legend" aria-label="What the letters say">
    <li v-for="d in there" :key="d"><DestinationMark :to="d" /> {{ DESTINATIONS[d].word }}</li>
  </ul>
</template>

<style scoped>
.legend {
  display: flex;
  flex-wrap: wrap;
  gap: 0.15rem 0.8rem;
  list-style: none;
  margin: 0;
  padding: 0.2rem 0.6rem 0.35rem;
  font-size: 0.88rem;
}
li {
  display: inline-flex;
  gap: 0.3rem;
  align-items: center;
}
</style>
