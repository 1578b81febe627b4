<script setup lang="ts">
import type { Cooling } from '#core/rules'

/** Limits of cooling, and whether each is kept: a word and a sign beside the colour. */
defineProps<{ rules: readonly Cooling[] }>()
const STATES = {
  kept: { icon: 'pi-check-circle', word: 'kept' },
  broken: { icon: 'pi-exclamation-triangle', word: 'not kept' },
  open: { icon: 'pi-clock', word: 'not known yet' },
} as const
</script>

<template>
  <ul class="rules">
    <li v-for="c in rules" :key="c.id" :class="c.state" :data-rule="c.id">
      <i class="pi" :class="STATES[c.state].icon" aria-hidden="true" />
      <span
        ><b>{{ c.says }}</b>: {{ STATES[c.state].word
        }}<template v-if="c.by">, {{ c.by.c }} °C after {{ Math.round(c.by.hours) }} h</template></span
      >
    </li>
  </ul>
</template>

<style scoped>
.rules {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 0.35rem;
}
.rules li {
  display: flex;
  gap: 0.5rem;
}
.kept .pi {
  color: var(--covered);
}
.broken .pi {
  color: var(--caution);
}
.open {
  color: var(--muted);
}
</style>
