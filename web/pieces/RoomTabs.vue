<script setup lang="ts">
import { useRoute } from 'vue-router'
import { vRoving } from './roving.ts'

/** The views of a station, beside one another. */
const { tabs, label } = defineProps<{
  tabs: readonly (readonly [name: string, word: string])[]
  label: string
}>()
const route = useRoute()
</script>

<template>
  <nav v-roving class="tabs" :aria-label="label">
    <RouterLink
      v-for="[name, word] in tabs"
      :key="name"
      :to="{ name }"
      :class="{ here: route.name === name }"
      :aria-current="route.name === name ? 'page' : undefined"
      >{{ word }}</RouterLink
    >
  </nav>
</template>

<style scoped>
.tabs {
  display: flex;
  gap: 0.3rem;
  margin: -0.5rem 0 0.6rem;
  flex-wrap: wrap;
}
a {
  font-weight: 600;
  color: var(--ink);
  text-decoration: none;
  border: 1px solid var(--rule-strong);
  background: var(--sheet);
  padding: 0.2rem 0.7rem;
  min-height: 32px;
}
.here {
  color: #fff;
  background: var(--accent);
  border-color: var(--accent);
}
</style>
