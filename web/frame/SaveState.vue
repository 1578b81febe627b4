<script setup lang="ts">
import { computed } from 'vue'
import { useFarm } from '../state/farm.ts'

const store = useFarm()
const SAID = {
  saved: { icon: 'pi-check', word: 'All saved' },
  saving: { icon: 'pi-sync', word: 'Saving…' },
  held: { icon: 'pi-exclamation-triangle', word: 'Server away: changes are held here. Keep this page open.' },
}
const said = computed(() => {
  const plain = SAID[store.saving]
  const isStopped = store.saving === 'held' && store.stopped
  return isStopped
    ? { ...plain, word: `${store.stopped} Changes are held here: keep this page open.` }
    : plain
})
</script>

<template>
  <span class="save" :class="store.saving" role="status"
    ><i class="pi" :class="said.icon" aria-hidden="true" /> {{ said.word }}</span
  >
</template>

<style scoped>
.save {
  font-size: 0.87rem;
  color: var(--muted);
  white-space: nowrap;
}
.save.held {
  color: var(--caution);
  font-weight: 600;
  white-space: normal;
}
.save .pi {
  font-size: 0.8rem;
}
</style>
