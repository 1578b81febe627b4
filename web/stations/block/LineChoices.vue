<script setup lang="ts">
import { computed } from 'vue'
import { lineOptions } from '#core/reading'
import type { Decision, SideName } from '#core/records'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'
import WorthButton from './WorthButton.vue'

/** What each place of the break lines at the part would give: how far the shoulder goes, how many vertebrae as T-bones. */
const { part, sidesOf, decide, central } = useReading()
const words = useWords()

const lines = computed(() => lineOptions(central.value, part.value, sidesOf(part.value)))
const take = (line: string, sides: readonly SideName[], value: string) =>
  decide(
    ...sides.map((side): Decision => ({
      field: 'line',
      target: line,
      side: side as 'left' | 'right',
      value,
    })),
  )
</script>

<template>
  <section v-for="l in lines" :key="l.line.id" class="line" :aria-label="words.name(l.line.names)">
    <b>{{ words.name(l.line.names) }}</b>
    <WorthButton
      v-for="s in l.settings"
      :key="s.id"
      :label="s.label"
      :in-force="s.inForce"
      :take-home="s.kg"
      :money="s.money"
      :title="s.school"
      :data-setting="`${l.line.id}:${s.id}`"
      @click="take(l.line.id, l.sides, s.id)"
    />
  </section>
</template>

<style scoped>
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem;
  align-items: center;
  padding: 0.3rem 0;
  border-top: 1px solid var(--rule);
}
b {
  min-width: 7rem;
}
</style>
