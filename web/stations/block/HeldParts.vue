<script setup lang="ts">
import { computed } from 'vue'
import { HOLD_WORDS, heldParts, type HeldPart } from '#core/reading'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'

/** What is not cut today, with what it weighs, each leading to its part. */
const emit = defineEmits<{ select: [held: HeldPart] }>()
const { read } = useReading()
const words = useWords()
const parts = computed(() => heldParts(read.value))
const sideOf = ({ sides }: HeldPart) =>
  sides[0] === 'animal' ? '' : sides.length > 1 ? ', both sides' : `, ${sides[0]}`
const weight = (p: HeldPart) =>
  `${words.mass(p.kg)}${p.weighed ? ' weighed' : p.range ? `, likely ${words.massRange(p.range)}` : ''}`
</script>

<template>
  <section v-if="parts.length > 0" class="held" aria-label="Not cut today">
    <h3>Not cut today</h3>
    <ul>
      <li v-for="p in parts" :key="p.part + p.hold">
        <button type="button" @click="emit('select', p)">{{ words.name(p.names) }}{{ sideOf(p) }}</button>
        {{ HOLD_WORDS[p.hold] }}, <span :class="{ estimate: !p.weighed }">{{ weight(p) }}</span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.held {
  padding: 0.3rem 0.5rem 0.5rem;
  border-top: 1px solid var(--rule);
  font-size: 0.95rem;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 0.2rem;
}
button {
  font: 600 0.92rem var(--body);
  color: var(--accent);
  background: var(--paper);
  border: 1px solid var(--rule-strong);
  padding: 0.15rem 0.5rem;
  min-height: 30px;
  cursor: pointer;
}
</style>
