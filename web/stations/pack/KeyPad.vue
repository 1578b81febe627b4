<script setup lang="ts">
/** Figures for wet hands: twelve keys of at least 56 px. */
const emit = defineEmits<{ press: [key: string] }>()
const KEYS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '.', '0', '⌫'] as const
const NAMES: Record<string, string> = { '.': 'point', '⌫': 'take the last sign away' }
</script>

<template>
  <div class="pad" role="group" aria-label="Keypad">
    <button v-for="k in KEYS" :key="k" type="button" :aria-label="NAMES[k] ?? k" @click="emit('press', k)">
      {{ k }}
    </button>
  </div>
</template>

<style scoped>
.pad {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 6px;
}
button {
  min-height: 58px;
  font: 700 1.6rem var(--head);
  color: var(--ink);
  background: var(--sheet);
  border: 1px solid var(--ink);
  cursor: pointer;
  touch-action: manipulation;
}
button:active {
  background: #eaddc6;
}
</style>
