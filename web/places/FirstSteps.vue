<script setup lang="ts">
import { useFarm } from '../state/farm.ts'
import FarmForm from './farm/FarmForm.vue'
import LotForm from './LotForm.vue'

const store = useFarm()
</script>

<template>
  <section class="steps">
    <ol>
      <li :class="{ done: store.farm }">
        <h2>1. Name the farm</h2>
        <p class="muted">Units, money and the names of cuts: all of it can be changed later.</p>
        <FarmForm v-if="!store.farm" action="Open the farm" />
        <p v-else class="good">
          <i class="pi pi-check" aria-hidden="true" /> {{ store.farm.name }}, {{ store.farm.massUnit }},
          {{ store.farm.currency }}
        </p>
      </li>
      <li>
        <h2>2. Hang the first lot</h2>
        <p class="muted">One animal, or several that are weighed and cut together.</p>
        <LotForm v-if="store.farm" />
      </li>
      <li>
        <h2>3. See its Cover</h2>
        <p class="muted">
          Enter one weight and one cost: Ekko estimates every cut, and shows how much of the cost the cuts pay
          back.
        </p>
      </li>
    </ol>
  </section>
</template>

<style scoped>
ol {
  list-style: none;
  padding: 0;
  margin: 0;
  display: grid;
  gap: 1.25rem;
  grid-template-columns: repeat(auto-fit, minmax(250px, 1fr));
}
li {
  border-top: 3px solid var(--ink);
  padding-top: 0.6rem;
  display: grid;
  gap: 0.6rem;
  align-content: start;
}
li.done {
  border-top-color: var(--covered);
}
</style>
