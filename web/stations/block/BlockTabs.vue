<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { vRoving } from '../../pieces/roving.ts'
import { useReading } from '../../state/lot.ts'
import { canSplit } from './groups.ts'

/** The rooms of the Block: deciding, comparing plans, following the meat, and the card taken to the bench. */
const route = useRoute()
const { lot, body } = useReading()
const TABS = [
  ['block', 'Ways'],
  ['plans', 'Plans compared'],
  ['trim', 'Trim and where it goes'],
  ['card', 'Block card'],
] as const
/** A lot of several may be cut in several ways; so may the two sides of a bird. */
const tabs = computed(() => [
  ...TABS,
  ...(canSplit(lot.value!, body.value.anatomy) ? ([['groups', 'Groups']] as const) : []),
])
</script>

<template>
  <nav v-roving class="tabs" aria-label="On the Block">
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
