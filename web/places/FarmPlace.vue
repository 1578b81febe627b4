<script setup lang="ts">
import Button from 'primevue/button'
import ToggleSwitch from 'primevue/toggleswitch'
import { ref } from 'vue'
import PlaceHead from '../frame/PlaceHead.vue'
import { singleKeys } from '../state/keys.ts'
import FarmForm from './FarmForm.vue'

const saved = ref(false)
const keys = singleKeys()
</script>

<template>
  <PlaceHead title="Farm" />
  <main id="main" class="two">
    <section>
      <div class="pane-head"><h2>Names, units, money</h2></div>
      <FarmForm action="Save the farm" @saved="saved = true" />
      <p v-if="saved" class="good" role="status">
        <i class="pi pi-check" aria-hidden="true" /> Saved. Every page and paper uses it from now on; papers
        already issued stay as they were.
      </p>
    </section>
    <section class="stack">
      <div class="pane-head"><h2>The whole farm in one file</h2></div>
      <p>
        Lots, weighings, decisions, packs and issued papers, with the carcass figures they were worked out
        from. Keep a copy off this machine.
      </p>
      <div>
        <a href="/api/bundle" download
          ><Button label="Take away the farm bundle" icon="pi pi-download" tabindex="-1"
        /></a>
      </div>
      <p class="muted">
        To restore it into an empty folder: <code>npm run restore -- BUNDLE.json NEW-FOLDER</code>
      </p>
      <div class="pane-head"><h2>Keys</h2></div>
      <label class="row"><ToggleSwitch v-model="keys" /> Single-key shortcuts on this device</label>
      <p class="muted">Press ? inside a lot to see them. Undo with Ctrl+Z works either way.</p>
    </section>
  </main>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(320px, 1fr));
  gap: 2.5rem;
  max-width: 1100px;
  margin: 0 auto;
  padding: 1.5rem;
}
section > form {
  padding-top: 0.75rem;
}
</style>
