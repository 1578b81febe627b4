<script setup lang="ts">
/** A pane that is looked for when it is wanted: folded, with what is so and what it moves on its face. */
defineProps<{ title: string; says?: string }>()
</script>

<template>
  <details class="folded">
    <summary>
      <b>{{ title }}</b> <span v-if="says" class="muted">{{ says }}</span>
    </summary>
    <div class="stack inside"><slot /></div>
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
