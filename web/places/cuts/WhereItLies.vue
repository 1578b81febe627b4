<script setup lang="ts">
import { computed } from 'vue'
import { drawUsual, type Anatomy } from '#core/anatomy'

/** A half carcass, or a bird, in outline, with the parts that are meant filled. */
const { anatomy, parts, size } = defineProps<{ anatomy: Anatomy; parts: ReadonlySet<string>; size: number }>()
const drawn = computed(() => drawUsual(anatomy))
const d = (points: readonly (readonly [number, number])[]) =>
  `M${points.map(([x, y]) => `${x.toFixed(0)} ${y.toFixed(0)}`).join('L')}Z`
const shapes = computed(() =>
  drawn.value.shapes.map((s) => ({
    d: d(s.polygon) + (s.both ? d(s.polygon.map(([x, y]) => [400 - x, y] as const)) : ''),
    on: s.parts.some((p) => parts.has(p)),
  })),
)
const height = computed(() => (drawn.value.kind === 'laid' ? 400 : 800))
</script>

<template>
  <svg
    :viewBox="`0 0 400 ${height}`"
    :height="size"
    :width="size * (400 / height)"
    aria-hidden="true"
    class="lies"
  >
    <path v-for="(s, i) in shapes" :key="i" :d="s.d" :class="{ on: s.on }" />
  </svg>
</template>

<style scoped>
.lies path {
  fill: #fdfaf4;
  stroke: #675c4d;
  stroke-width: 5;
}
.lies .on {
  fill: var(--accent);
  stroke: var(--ink);
}
</style>
