<script setup lang="ts">
import { computed } from 'vue'
import { useFarm } from '../state/farm.ts'

const store = useFarm()
const SAID = {
  saved: { icon: 'pi-check', word: 'All saved' },
  saving: { icon: 'pi-sync', word: 'Saving…' },
  held: { icon: 'pi-exclamation-triangle', word: 'Held here' },
}
const said = computed(() => SAID[store.saving])
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
