<script setup lang="ts">
import { computed } from 'vue'
import type { LotCard } from '#contracts'
import CoverBar from '../pieces/CoverBar.vue'
import SpeciesMark from '../pieces/SpeciesMark.vue'
import { UNCOVERED_WORDS, useWords } from '../state/words.ts'
import { NEXT_WORDS } from './lotSummary.ts'

const props = defineProps<{ card: LotCard }>()
const summary = computed(() => props.card.progress)
const words = useWords()
</script>

<template>
  <RouterLink class="tag" :to="{ name: NEXT_WORDS[summary.next].station, params: { id: card.id } }">
    <span class="row top"
      ><SpeciesMark :of="card.species" /><span v-if="card.count > 1" class="muted">× {{ card.count }}</span
      ><span v-if="summary.hung" class="muted">{{ words.name(summary.hung) }}</span></span
    >
    <span class="name">{{ card.tag }}</span>
    <span v-if="summary.key" class="weight" :class="{ pale: !summary.key.weighed }"
      ><span :class="{ estimate: !summary.key.weighed }">{{
        summary.key.weighed ? words.mass(summary.key.kg) : words.about(summary.key.kg)
      }}</span>
      <small>{{ summary.key.is }}</small></span
    >
    <span v-else class="muted">no weight yet</span>
    <CoverBar :cover="summary.cover" :target="summary.goal" />
    <span class="cover">{{
      summary.uncovered ? UNCOVERED_WORDS[summary.uncovered] : `Cover ${words.percent(summary.cover!)}`
    }}</span>
  </RouterLink>
</template>

<style scoped>
.tag {
  position: relative;
  display: grid;
  gap: 0.25rem;
  width: clamp(126px, 10.2vw, 164px);
  padding: 1.7rem 0.7rem 0.75rem;
  background: var(--ink);
  color: var(--ink);
  text-decoration: none;
  clip-path: polygon(16px 0, calc(100% - 16px) 0, 100% 16px, 100% 100%, 0 100%, 0 16px);
  isolation: isolate;
}
.tag::after {
  content: '';
  position: absolute;
  inset: 1.5px;
  z-index: -1;
  background: var(--sheet);
  clip-path: polygon(15.4px 0, calc(100% - 15.4px) 0, 100% 15.4px, 100% 100%, 0 100%, 0 15.4px);
}
.tag::before {
  content: '';
  position: absolute;
  left: 50%;
  top: 8px;
  width: 12px;
  height: 12px;
  margin-left: -6px;
  border-radius: 50%;
  background: var(--paper);
  border: 1.5px solid var(--ink);
}
.tag:hover::after,
.tag:focus-visible::after {
  background: #fff;
}
.tag:hover,
.tag:focus-visible {
  background: var(--accent);
}
.tag:focus-visible::after {
  inset: 4px;
}
.top {
  justify-content: space-between;
}
.name {
  font: 700 1.15rem var(--head);
}
.weight {
  font-size: 1.05rem;
  display: flex;
  align-items: baseline;
  gap: 0.25rem;
  white-space: nowrap;
}
.weight small {
  font: 400 0.9rem var(--body);
  color: var(--muted);
}
.pale {
  color: var(--muted);
}
.cover {
  font-size: 0.95rem;
}
</style>
