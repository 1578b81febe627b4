<script setup lang="ts">
import { computed } from 'vue'
import type { Copies } from '#contracts'
import { sayBytes, useWords } from '../../state/words.ts'
import { tagsOf } from './copyWords.ts'

/** Proven bundles, newest first, as tags on a beam; a press picks one to look at. */
const { copies } = defineProps<{ copies: Copies }>()
const words = useWords()
const picked = defineModel<string | null>({ required: true })
const tags = computed(() => tagsOf(copies))
const hung = computed(() => [
  ...tags.value.map((t) => ({
    key: t.name,
    name: words.instant(t.at),
    holds: `${t.held.lots} lots, ${t.held.packs} packs`,
    kinds: t.kinds.join(' · '),
  })),
  ...copies.second.bundles
    .filter((n) => !copies.bundles.some((b) => `ekko-${b.name}` === n))
    .map((n) => ({
      key: `second:${n}`,
      name: n.replace(/^ekko-|\.json\.gz$/g, ''),
      holds: null,
      kinds: 'only at the second place',
    })),
  ...copies.asides.map(({ name, bytes }) => ({
    key: `aside:${name}`,
    name,
    holds: sayBytes(bytes),
    kinds: 'database moved aside',
  })),
])
</script>

<template>
  <div class="beam" role="group" aria-label="Kept copies, newest first">
    <p v-if="tags.length === 0" class="muted none">Nothing hangs here yet.</p>
    <button
      v-for="t in hung"
      :key="t.key"
      type="button"
      class="tag"
      :aria-pressed="picked === t.key"
      @click="picked = picked === t.key ? null : t.key"
    >
      <b>{{ t.name }}</b>
      <span v-if="t.holds">{{ t.holds }}</span>
      <span class="kinds">{{ t.kinds }}</span>
    </button>
  </div>
</template>

<style scoped>
.beam {
  display: flex;
  gap: 0.6rem;
  overflow-x: auto;
  border-top: 7px solid var(--ink);
  padding: 0 0.5rem 0.5rem;
}
.tag {
  position: relative;
  display: grid;
  gap: 0.1rem;
  flex: none;
  margin-top: 0.7rem;
  padding: 0.5rem 0.7rem;
  min-height: 56px;
  text-align: left;
  font: inherit;
  color: inherit;
  background: var(--sheet);
  border: 1px solid var(--rule);
  cursor: pointer;
}
.tag::before {
  content: '';
  position: absolute;
  left: 50%;
  top: -0.75rem;
  height: 0.75rem;
  border-left: 2px solid var(--ink);
}
.tag:hover {
  border-color: var(--ink);
}
.tag[aria-pressed='true'] {
  border: 2px solid var(--accent);
  padding: calc(0.5rem - 1px) calc(0.7rem - 1px);
}
.kinds {
  color: var(--muted);
  font-size: 0.87rem;
}
.none {
  padding-top: 0.6rem;
}
</style>
