<script setup lang="ts">
import { ref } from 'vue'

/**
 * A pane that is looked for when it is wanted: folded, with what is so and what it moves on its face. `late`: what is
 * inside is worked out only once it is looked at.
 */
defineProps<{ title: string; says?: string; late?: boolean }>()
const wasOpen = ref(false)
</script>

<template>
  <details class="folded" @toggle="wasOpen ||= ($event.target as HTMLDetailsElement).open">
    <summary><b>{{ title }}</b> <span v-if="says" class="muted">{{ says }}</span></summary>
    <div class="stack inside"><slot v-if="!late || wasOpen" /></div>
  </details>
</template>

<style scoped>
.folded {
  border-top: 1px solid var(--rule);
}
summary {
  cursor: pointer;
  padding: 0.55rem 0.2rem;
  min-height: 44px;
}
summary b {
  font-family: var(--head);
}
.inside {
  padding: 0.2rem 0.2rem 1rem 1.1rem;
}
</style>
