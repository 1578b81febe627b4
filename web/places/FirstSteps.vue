<script setup lang="ts">
import { useFarm } from '../state/farm.ts'
import FarmForm from './farm/FarmForm.vue'
import LotForm from './LotForm.vue'

/** A farm with nothing on its rail: one thing to do at a time, and the three things to know beside it. */
const store = useFarm()
const KNOW = [
  ['One weight is enough', 'Live, hot or hanging: the others are estimated forward and back, with a range.'],
  ['Say it before the saw does', 'Every way to cut a part shows what it changes before it is taken.'],
  [
    'Cover',
    'How much of what the animal cost the cuts pay back. It stands at the top from the first cost on.',
  ],
] as const
</script>

<template>
  <section class="first">
    <div class="do">
      <template v-if="!store.farm">
        <h2>Whose rail is this?</h2>
        <p class="muted">Units, money and the names of cuts can all be changed later.</p>
        <FarmForm action="Open the farm" />
      </template>
      <template v-else>
        <p class="good">
          <i class="pi pi-check" aria-hidden="true" /> {{ store.farm.name }}, {{ store.farm.massUnit }},
          {{ store.farm.currency }}
        </p>
        <h2>What hangs first?</h2>
        <LotForm />
      </template>
    </div>
    <aside class="know" aria-label="Three things to know">
      <dl>
        <template v-for="[what, says] in KNOW" :key="what">
          <dt>{{ what }}</dt>
          <dd>{{ says }}</dd>
        </template>
      </dl>
      <p class="muted">
        To look round a full rail first, stop Ekko and run <code>npm run demo</code>: that farm is kept apart
        from yours.
      </p>
    </aside>
  </section>
</template>

<style scoped>
.first {
  display: grid;
  grid-template-columns: minmax(0, 1.5fr) minmax(240px, 1fr);
  gap: 3rem;
  padding-top: 1rem;
}
.do {
  display: grid;
  gap: 0.6rem;
  align-content: start;
  max-width: 44rem;
}
.know {
  border-left: 3px solid var(--ink);
  padding-left: 1.2rem;
}
dt {
  font: 700 1.05rem var(--head);
}
dd {
  margin: 0 0 1rem;
}
@media (max-width: 760px) {
  .first {
    grid-template-columns: minmax(0, 1fr);
    gap: 1.2rem;
  }
}
</style>
