<script setup lang="ts">
import { sayAnimals } from '../stations/block/groups.ts'
import { vRoving } from '../pieces/roving.ts'
import { useLot } from '../state/lot.ts'

/** The groups of a lot that is split, and all of it: what is seen and done below is of the one that is chosen. */
const { alive, groups, group } = useLot()
</script>

<template>
  <div v-roving class="groups" role="group" aria-label="Groups of the lot">
    <button type="button" :aria-pressed="group === null" @click="group = null">
      All {{ alive === 1 ? 'of it' : alive }}
    </button>
    <button
      v-for="g in groups"
      :key="g.id"
      type="button"
      :aria-pressed="group === g.id"
      @click="group = g.id"
    >
      {{ g.name }} <small>{{ sayAnimals(g) }}</small>
    </button>
  </div>
</template>

<style scoped>
.groups {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem;
  padding: 0.35rem 1rem;
  border-bottom: 1px solid var(--rule-strong);
}
button {
  font: inherit;
  font-weight: 600;
  min-height: 32px;
  padding: 0.2rem 0.7rem;
  color: var(--ink);
  background: var(--sheet);
  border: 1px solid var(--rule-strong);
  cursor: pointer;
}
button[aria-pressed='true'] {
  color: #fff;
  background: var(--ink);
}
small {
  font-weight: 400;
}
</style>
