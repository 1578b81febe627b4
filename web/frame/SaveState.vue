<script setup lang="ts">
import { useFarm } from '../state/farm.ts'

const store = useFarm()
const SAID = {
  saved: { icon: 'pi-check', word: 'All saved' },
  saving: { icon: 'pi-sync', word: 'Saving…' },
  held: { icon: 'pi-exclamation-triangle', word: 'Held here' },
  aside: { icon: 'pi-exclamation-triangle', word: 'Not all taken' },
}
</script>

<template>
  <!-- All of them lie in one place and one is seen: what is said changes without the page being laid out anew. -->
  <span class="save" role="status"
    ><span v-for="(said, id) in SAID" :key="id" :class="[id, { now: store.saving === id }]"
      ><i class="pi" :class="said.icon" aria-hidden="true" /> {{ said.word }}</span
    ></span
  >
</template>

<style scoped>
.save {
  display: inline-grid;
  font-size: 0.87rem;
  color: var(--muted);
  white-space: nowrap;
}
.save > span {
  grid-area: 1 / 1;
  visibility: hidden;
}
.save > .now {
  visibility: visible;
}
.held,
.aside {
  color: var(--caution);
  font-weight: 600;
}
.save .pi {
  font-size: 0.8rem;
}
</style>
