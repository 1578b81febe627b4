<script setup lang="ts">
import ToggleSwitch from 'primevue/toggleswitch'
import { ref } from 'vue'
import PlaceHead from '../../frame/PlaceHead.vue'
import { useFarm } from '../../state/farm.ts'
import { singleKeys } from '../../state/keys.ts'
import CopiesPane from './CopiesPane.vue'
import DevicesPane from './DevicesPane.vue'
import FarmForm from './FarmForm.vue'
import FarmPreview, { type Draft } from './FarmPreview.vue'

const store = useFarm()
const saved = ref(false)
const draft = ref<Draft | null>(null)
const keys = singleKeys()
</script>

<template>
  <PlaceHead title="Farm" />
  <main id="main" class="farm">
    <section class="stack">
      <div class="pane-head"><h2>What others see of the farm</h2></div>
      <FarmPreview v-if="draft" :draft="draft" />
      <FarmForm full action="Save the farm" @saved="saved = true" @typed="draft = $event" />
      <p v-if="saved && store.saving !== 'held'" class="good" role="status">
        <i class="pi pi-check" aria-hidden="true" /> Saved. Every page and paper uses it from now on; papers
        already issued stay as they were.
      </p>
      <div class="pane-head"><h2>Keys</h2></div>
      <label class="row"><ToggleSwitch v-model="keys" /> Single-key shortcuts on this device</label>
      <p class="muted">Press ? inside a lot to see them. Undo with Ctrl+Z works either way.</p>
    </section>
    <div class="stack right-side">
      <DevicesPane />
      <CopiesPane />
    </div>
  </main>
</template>

<style scoped>
.right-side {
  gap: 1.6rem;
  min-width: 0;
  align-content: start;
}
.farm {
  display: grid;
  grid-template-columns: minmax(380px, 1fr) minmax(0, 1.7fr);
  gap: 2rem;
  max-width: 1240px;
  margin: 0 auto;
  padding: 1.2rem 1.5rem;
}
@media (max-width: 900px) {
  .farm {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
