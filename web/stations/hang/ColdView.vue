<script setup lang="ts">
import AcceptForm from './AcceptForm.vue'
import ChestPane from './ChestPane.vue'
import CoolingPane from './CoolingPane.vue'
import CutDayPane from './CutDayPane.vue'
import HangTabs from './HangTabs.vue'

/** How the carcass was found when it was hung, how it cools, and what each day more in the cold costs. */
</script>

<template>
  <HangTabs />
  <div class="two">
    <section class="stack">
      <CoolingPane />
      <ChestPane />
    </section>
    <section class="stack">
      <CutDayPane />
      <AcceptForm />
    </section>
  </div>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.1fr);
  gap: 2rem;
  align-items: start;
}
.two :deep(.field .p-select),
.two :deep(.field input) {
  width: 100%;
  min-width: 0;
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
